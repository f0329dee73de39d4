// Panels: the pointer in one reads the same period in all.
import { always, change } from './server.js';
import { openWorking } from './reading.js';
import { light } from './light.js';
import { placed, pointsOf as pointsIn } from './points.js';
import { translated } from './language.js';

const SVG = 'http://www.w3.org/2000/svg';

/** What is being read now. Texts and points belong to one picture, and are forgotten with it. */
export const panelReading = {
    texts: null,
    points: null,
    /** @type {{position: number, key: string} | null} */
    at: null,
    /** @type {PointerEvent | null} */
    waiting: null,
    /** @type {string | null} key of the panel that the pointer went down on */
    grabbed: null,
};

const board = () => document.querySelector('#chart .panels');

always(() => {
    panelReading.texts = null;
    panelReading.points = null;
    panelReading.at = null;
});

function fetched(name) {
    panelReading[name === 'readouts' ? 'texts' : 'points'] ??= fetch(board().dataset[name], {
        headers: { Accept: 'application/json' },
    }).then((r) => (r.ok ? r.json() : null));
    return panelReading[name === 'readouts' ? 'texts' : 'points'];
}

const panels = () => [...board().querySelectorAll('.panel')];

/** The points of the line that a panel is about, in the panel's own pixels, by position. */
async function pointsOf(panel) {
    const { key, from } = panel.dataset;
    const given = (await fetched('points')) ?? {};
    const line = placed({ x: given.x, y: given.y?.[key] ? { [key]: given.y[key] } : {} }, Number(from)).get(key);
    return new Map(pointsIn(line).map((point) => [point.position, point]));
}

async function read(position, held, aloud) {
    panelReading.at = position === null ? null : { position, key: held };
    light(position === null ? null : held);
    const texts = await fetched('readouts');
    const list = board() ? panels() : [];
    const spots = await Promise.all(list.map((panel) => pointsOf(panel)));
    if (!board() || (position !== null && panelReading.at?.position !== position)) return;
    const period = texts?.places[position] ?? '';
    const place = document.getElementById('panel-place');
    place.hidden = position === null;
    place.textContent = period;
    list.forEach((panel, i) => {
        const { key } = panel.dataset;
        panel.querySelector('.cursor')?.remove();
        say(panel, position === null ? null : (texts?.panels[key]?.[position] ?? '–'));
        const spot = spots[i].get(position);
        if (spot) panel.append(dot(spot, key === held));
    });
    if (aloud) speak(list, held, period, texts?.panels[held]?.[position] ?? translated('no value'));
}

function speak(list, key, place, value) {
    const panel = list.find((one) => one.dataset.key === key);
    if (panel) document.getElementById('spoken').textContent = `${panel.dataset.name}, ${place}: ${value}`;
}

/** Writes a value into the heading of a panel; null for the latest, which is there by itself. */
function say(panel, text) {
    const value = panel.querySelector('.panel-value text');
    if (!value) return;
    value.dataset.latest ??= value.textContent;
    value.textContent = text ?? value.dataset.latest;
}

function dot(spot, held) {
    const circle = document.createElementNS(SVG, 'circle');
    for (const [name, setting] of Object.entries({
        class: 'cursor',
        cx: spot.x,
        cy: spot.y,
        r: held ? 4.5 : 3,
        fill: 'var(--sheet)',
        stroke: 'var(--ink)',
        'stroke-width': 2,
    }))
        circle.setAttribute(name, String(setting));
    return circle;
}

/**
 * The position under a place in a panel.
 *
 * @param {number} x pixels from the left edge of the plot
 * @param {{step: string, from: string, before?: string, width: string}} panel
 * @returns {number | null} null beside the panel
 */
export function positionAt(x, { step, from, before = '0', width }) {
    if (x < -6 || x > Number(width) + 6) return null;
    const places = Number(step) > 0 ? Math.round(Math.min(x, Number(width)) / Number(step)) : 0;
    return Number(from) - Number(before) + Math.max(0, places);
}

/** The panel under the pointer and the position in it. */
function under(event) {
    const row = event.target.closest?.('#chart .panel-row');
    if (!row) return null;
    for (const panel of row.querySelectorAll('.panel')) {
        const matrix = panel.getScreenCTM();
        const position = positionAt((event.clientX - matrix.e) / matrix.a, panel.dataset);
        if (position !== null) return { panel, position };
    }
    return null;
}

document.addEventListener('pointermove', (event) => {
    if (!board()) return;
    if (panelReading.waiting === null)
        requestAnimationFrame(() => {
            const found = board() && panelReading.waiting ? under(panelReading.waiting) : null;
            panelReading.waiting = null;
            if (!board()) return;
            const { at } = panelReading;
            if (found && (found.position !== at?.position || found.panel.dataset.key !== at?.key))
                read(found.position, found.panel.dataset.key, false);
            else if (!found && at && document.activeElement !== board()) read(null);
        });
    panelReading.waiting = event;
});

/**
 * Keys with one at another place.
 *
 * @param {string[]} keys
 */
export function reordered(keys, key, to) {
    const others = keys.filter((other) => other !== key);
    others.splice(Math.max(0, Math.min(others.length, to)), 0, key);
    return others;
}

/** Puts a panel at another place, by hand. */
function place(key, to) {
    const keys = reordered(
        panels().map((panel) => panel.dataset.key),
        key,
        to,
    );
    change({ change: 'set', part: 'panels', 'settings[order]': 'hand', 'settings[hand]': keys.join(',') });
}

document.addEventListener('pointerdown', (event) => {
    panelReading.grabbed = board() ? (under(event)?.panel.dataset.key ?? null) : null;
});
document.addEventListener('click', (event) => {
    const found = board() && under(event);
    if (!found) return;
    const { grabbed } = panelReading;
    // Dropped on another panel, it takes that one's place.
    if (grabbed !== null && grabbed !== found.panel.dataset.key)
        return place(
            grabbed,
            panels().findIndex((panel) => panel === found.panel),
        );
    const { key, hue } = found.panel.dataset;
    if (!/^[myp]:/.test(key) && !key.startsWith('g:'))
        change({
            change: 'state',
            entity: key,
            state:
                Number(hue) > 0 && document.querySelector(`#rows [data-line="${CSS.escape(key)}"].f`)
                    ? 'peer'
                    : 'focus',
        });
});
document.addEventListener('keydown', async (event) => {
    if (event.target !== board() || !board()) return;
    const { at } = panelReading;
    const list = panels();
    const here = Math.max(
        0,
        list.findIndex((panel) => panel.dataset.key === at?.key),
    );
    const panel = list[here];
    if (!panel) return;
    if (event.key === 'Enter' && at) return openWorking(board().dataset.working, panel.dataset.line, at.position);
    if (event.key === 'Escape') return read(null);
    if (!['ArrowLeft', 'ArrowRight', 'ArrowUp', 'ArrowDown'].includes(event.key)) return;
    event.preventDefault();
    if (event.altKey && event.key.match(/Left|Right/))
        return place(panel.dataset.key, here + (event.key === 'ArrowLeft' ? -1 : 1));
    const positions = [...(await pointsOf(panel)).keys()].sort((a, b) => a - b);
    const now = panelReading.at?.position ?? positions.at(-1) + 1;
    const to = {
        ArrowLeft: [here, positions.filter((p) => p < now).at(-1) ?? positions[0]],
        ArrowRight: [here, positions.find((p) => p > now) ?? positions.at(-1)],
        ArrowUp: [here - 1, now],
        ArrowDown: [here + 1, now],
    }[event.key];
    const next = list[Math.max(0, Math.min(list.length - 1, to[0]))];
    next.scrollIntoView({ block: 'nearest' });
    read(to[1], next.dataset.key, true);
});
