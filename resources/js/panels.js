// Panels: the pointer in one reads the same period in all.
import { always, change } from './server.js';
import { coordinates, openWorking } from './chart.js';
import { light } from './light.js';

const SVG = 'http://www.w3.org/2000/svg';

const board = () => document.querySelector('#chart .panels');

let said = null;
let at = null;

always(() => {
    said = null;
    at = null;
});

async function readouts() {
    said ??= fetch(board().dataset.readouts, { headers: { Accept: 'application/json' } }).then((r) => (r.ok ? r.json() : null));
    return said;
}

const panels = () => [...board().querySelectorAll('.panel')];

/** Where the line that a panel is about stands at a position, in the panel's own pixels. */
function point(panel, position) {
    const { step, from, line } = panel.dataset;
    panel.points ??= (() => {
        const series = [...panel.querySelectorAll('.series')].find((one) => one.dataset.line === line);
        const path = series && [...series.querySelectorAll('path[stroke]')].filter((one) => one.getAttribute('stroke') !== 'var(--sheet)').at(-1);
        const found = new Map();
        const xy = path ? coordinates(path, Number(step)) : [];
        for (let i = 0; i < xy.length; i += 2) {
            const place = Number(step) > 0 ? xy[i] / step : 0;
            if (Number(step) < 1 || Math.abs(place - Math.round(place)) * step < 0.35) found.set(Math.round(place) + Number(from), [xy[i], xy[i + 1]]);
        }
        return found;
    })();
    return panel.points.get(position);
}

async function read(position, held, aloud) {
    at = position === null ? null : { position, key: held };
    light(position === null ? null : held);
    const texts = await readouts();
    if (!board() || (position !== null && at?.position !== position)) return;
    const place = document.getElementById('panel-place');
    place.hidden = position === null;
    place.textContent = texts?.places[position] ?? '';
    for (const panel of panels()) {
        panel.querySelector('.cursor')?.remove();
        const value = panel.querySelector('.panel-value text');
        if (value) {
            value.dataset.latest ??= value.textContent;
            value.textContent = position === null ? value.dataset.latest : texts?.panels[panel.dataset.key]?.[position] ?? '–';
        }
        const spot = position === null ? null : point(panel, position);
        if (!spot) continue;
        const dot = document.createElementNS(SVG, 'circle');
        for (const [name, setting] of Object.entries({ class: 'cursor', cx: spot[0], cy: spot[1], r: panel.dataset.key === held ? 4.5 : 3, fill: 'var(--sheet)', stroke: 'var(--ink)', 'stroke-width': 2 })) dot.setAttribute(name, setting);
        panel.append(dot);
    }
    const panel = panels().find((one) => one.dataset.key === held);
    if (aloud && panel) document.getElementById('spoken').textContent = `${panel.dataset.name}, ${texts?.places[position] ?? ''}: ${texts?.panels[held]?.[position] ?? 'no value'}`;
}

/** The panel under the pointer and the position in it. */
function under(event) {
    const row = event.target.closest?.('#chart .panel-row');
    if (!row) return null;
    for (const panel of row.querySelectorAll('.panel')) {
        const matrix = panel.getScreenCTM();
        const x = (event.clientX - matrix.e) / matrix.a;
        const { width, step, from } = panel.dataset;
        if (x >= -6 && x <= Number(width) + 6) return { panel, position: Number(from) + (Number(step) > 0 ? Math.max(0, Math.round(Math.min(x, width) / step)) : 0) };
    }
    return null;
}

let waiting = null;
document.addEventListener('pointermove', (event) => {
    if (!board()) return;
    waiting ?? requestAnimationFrame(() => {
        const found = waiting && under(waiting);
        waiting = null;
        if (found && (found.position !== at?.position || found.panel.dataset.key !== at?.key)) read(found.position, found.panel.dataset.key, false);
        else if (!found && at && document.activeElement !== board()) read(null);
    });
    waiting = event;
});
/** Puts a panel at another place, by hand. */
function place(key, to) {
    const keys = panels().map((panel) => panel.dataset.key);
    const others = keys.filter((other) => other !== key);
    others.splice(Math.max(0, Math.min(others.length, to)), 0, key);
    change({ change: 'set', part: 'panels', 'settings[order]': 'hand', 'settings[hand]': others.join(',') });
}

let grabbed = null;
document.addEventListener('pointerdown', (event) => {
    grabbed = board() ? under(event)?.panel.dataset.key ?? null : null;
});
document.addEventListener('click', (event) => {
    const found = board() && under(event);
    if (!found) return;
    // Dropped on another panel, it takes that one's place.
    if (grabbed !== null && grabbed !== found.panel.dataset.key) return place(grabbed, panels().findIndex((panel) => panel === found.panel));
    const { key, hue } = found.panel.dataset;
    if (!/^[myp]:/.test(key) && !key.startsWith('g:')) change({ change: 'state', entity: key, state: Number(hue) > 0 && document.querySelector(`#rows [data-line="${CSS.escape(key)}"].f`) ? 'peer' : 'focus' });
});
document.addEventListener('keydown', (event) => {
    if (event.target !== board() || !board()) return;
    const list = panels();
    const here = Math.max(0, list.findIndex((panel) => panel.dataset.key === at?.key));
    const panel = list[here];
    if (!panel) return;
    const positions = [...(point(panel, -1), panel.points.keys())].sort((a, b) => a - b);
    const now = at?.position ?? positions.at(-1) + 1;
    if (event.key === 'Enter' && at) return openWorking(board().dataset.working, panel.dataset.line, at.position);
    if (event.key === 'Escape') return read(null);
    if (event.altKey && (event.key === 'ArrowLeft' || event.key === 'ArrowRight')) {
        event.preventDefault();
        return place(panel.dataset.key, here + (event.key === 'ArrowLeft' ? -1 : 1));
    }
    const to = {
        ArrowLeft: [here, positions.filter((p) => p < now).at(-1) ?? positions[0]],
        ArrowRight: [here, positions.find((p) => p > now) ?? positions.at(-1)],
        ArrowUp: [here - 1, now],
        ArrowDown: [here + 1, now],
    }[event.key];
    if (!to) return;
    event.preventDefault();
    const next = list[Math.max(0, Math.min(list.length - 1, to[0]))];
    next.scrollIntoView({ block: 'nearest' });
    read(to[1], next.dataset.key, true);
});
