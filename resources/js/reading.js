// The chart under the pointer and the arrow keys: the nearest point, what it says, and a click that keeps its line.
import { always, change } from './server.js';
import { onAxis } from './axis.js';
import { labelAt, pushed } from './labels.js';
import { light, shown } from './light.js';
import { inRow, nearest, placed, pointAt, raised, stepped } from './points.js';
import { translated } from './language.js';

const NEAR = 42;
const ON_LINE = 14;

/** Milliseconds after which the pointer is taken to rest. */
const RESTS = 120;
const SVG = 'http://www.w3.org/2000/svg';

/** What is being read now. Lines and readouts belong to one picture, and are forgotten with it. */
export const reading = {
    /** @type {Promise<Map<string, import('./points.js').Line>> | null} */
    asked: null,
    /** @type {Map<string, import('./points.js').Line>} */
    lines: new Map(),
    readouts: new Map(),
    /** @type {import('./points.js').Point | null} */
    current: null,
    /** @type {PointerEvent | null} */
    waiting: null,
    /** Whether a finger reads, and not a pointer or keys. */
    byTouch: false,
    /** @type {Promise<void>} the keys that were pressed so far */
    keys: Promise.resolve(),
};

const chart = () => document.querySelector('#chart .chart');
const has = (tool) => chart().dataset.tools.split(' ').includes(tool);
const series = (key) =>
    [...chart().querySelectorAll('.series:not(.beside .series)')].find((one) => one.dataset.line === key);

function forget() {
    const kept = reading.current;
    reading.asked = null;
    reading.lines = new Map();
    reading.readouts = new Map();
    reading.current = null;
    // Whoever was reading points by keys goes on at the same point of the chart drawn again.
    if (!kept || !chart() || document.activeElement !== chart()) return;
    // Keys that are pressed meanwhile wait for it.
    reading.keys = reading.keys.then(async () => {
        const point = pointAt((await lines()).get(kept.key), kept.position);
        if (point && reading.current === null) show(point, false);
    });
}
always(forget);
document.addEventListener('chart:drawn', forget);

/** The points of every line; asked for when the picture is first pointed at. */
function lines() {
    const drawn = chart();
    reading.asked ??= fetch(drawn.dataset.points, { headers: { Accept: 'application/json' } })
        .then((response) => (response.ok ? response.json() : {}))
        .catch(() => ({}))
        .then((given) => {
            if (drawn !== chart()) return new Map();
            const order = [...drawn.querySelectorAll('.series:not(.beside .series)')].map((one) => one.dataset.line);
            reading.lines = placed(given, has('points') ? 0 : Number(drawn.dataset.from), order);
            return reading.lines;
        });
    return reading.asked;
}

/** @returns {[number, number]} a place in the picture's own pixels */
function inside(event) {
    const box = chart().getBoundingClientRect();
    const scale = chart().viewBox.baseVal.width / box.width;
    return [(event.clientX - box.left) * scale, (event.clientY - box.top) * scale];
}

/** The point that a place is at: of bars, that of the row it is in. */
function found(x, y, within) {
    return has('bars') ? inRow(reading.lines, y, ON_LINE) : nearest(reading.lines, x, y, within);
}

function readout(key) {
    if (!reading.readouts.has(key)) {
        const url = chart().dataset.readouts.replace('LINE', encodeURIComponent(key));
        reading.readouts.set(
            key,
            fetch(url, { headers: { Accept: 'application/json' } }).then((r) => (r.ok ? r.json() : null)),
        );
    }
    return reading.readouts.get(key);
}

/** Of very many lines what is said of one is asked for where the pointer rests, and not of all that it passes. */
async function rests(point) {
    if (chart().querySelector('.thicket') && !reading.readouts.has(point.key))
        await new Promise((rested) => setTimeout(rested, RESTS));
    return reading.current === point;
}

/** What can be done with a point that is being read. */
function next(point) {
    if (has('points') || point.key.startsWith('~')) return '';
    if (!reading.byTouch) return translated('Enter: working');
    return Number(series(point.key)?.dataset.hue) > 0
        ? translated('Tap again: working')
        : translated('Tap again: focus');
}

async function show(point, aloud) {
    reading.current = point;
    const box = document.getElementById('readout');
    chart().querySelector('.cursor')?.remove();
    light(point?.key ?? null);
    if (!point) {
        if (box) box.hidden = true;
        return;
    }
    mark(point);
    if (!aloud && !(await rests(point))) return;
    const about = await readout(point.key);
    const [period, value, rest] = about?.points[point.position] ?? [];
    if (reading.current !== point || !period) return;
    const [title, first, second] = box.children;
    title.textContent = `${about.name}, ${period}`;
    first.textContent = value;
    second.textContent = [rest, next(point)].filter(Boolean).join(' · ');
    box.hidden = false;
    const { clientWidth: width, clientHeight: height } = chart();
    const zoom = width / chart().viewBox.baseVal.width;
    const [x, y] = [point.x * zoom, point.y * zoom];
    const right = x + 16 + box.offsetWidth > width;
    box.style.left = `${Math.max(0, right ? x - box.offsetWidth - 14 : x + 14)}px`;
    box.style.top = `${Math.max(0, Math.min(y + 16, height - box.offsetHeight - 4))}px`;
    if (aloud)
        document.getElementById('spoken').textContent =
            `${title.textContent}: ${value}. ${rest}. ${translated('Enter: working')}`;
}

/** The way of a line over its gaps, which it leaves open. */
function course(line) {
    let d = '';
    let pen = 'M';
    line?.y.forEach((y, i) => {
        if (!Number.isNaN(y)) d += `${pen}${line.x[i]} ${y}`;
        pen = Number.isNaN(y) ? 'M' : 'L';
    });
    return d || 'M0 0';
}

function mark(point) {
    const group = document.createElementNS(SVG, 'g');
    group.setAttribute('class', 'cursor');
    const { hue, ink: own } = series(point.key)?.dataset ?? {};
    const ink = own ? `var(--${own})` : Number(hue) > 0 ? `var(--focus-${hue})` : 'var(--ink)';
    const { top, bottom } = chart().dataset;
    /** @type {[string, Record<string, string | number>][]} */
    const parts = [
        [
            'path',
            {
                d: has('points') || has('bars') ? 'M0 0' : `M${point.x} ${top}V${bottom}`,
                stroke: 'var(--quiet)',
                'stroke-dasharray': '2 3',
            },
        ],
        ['circle', { cx: point.x, cy: point.y, r: 5, fill: 'var(--sheet)', stroke: ink, 'stroke-width': 2.5 }],
    ];
    for (const [tag, attributes] of parts) group.append(drawn(tag, attributes));
    chart().append(group);
}

/** @param {Record<string, string | number>} attributes */
function drawn(tag, attributes) {
    const part = document.createElementNS(SVG, tag);
    for (const [name, value] of Object.entries(attributes)) part.setAttribute(name, String(value));
    return part;
}

// A line of a thicket has no drawing of its own until it is lit.
document.addEventListener('chart:lit', async () => {
    document.querySelector('#chart .alone')?.remove();
    const key = shown.lit;
    if (key === null || !chart()?.querySelector('.thicket') || series(key)) return;
    const line = (await lines()).get(key);
    if (line && shown.lit === key && !chart().querySelector('.alone'))
        chart()
            .querySelector('.thicket')
            .after(drawn('path', { class: 'alone', d: course(line) }));
});

document.addEventListener('pointermove', (event) => {
    reading.byTouch = event.pointerType === 'touch';
    if (!event.target.closest?.('#chart .chart')) return;
    if (reading.waiting === null)
        requestAnimationFrame(async () => {
            if (chart()) await lines();
            const last = reading.waiting;
            reading.waiting = null;
            if (!chart() || !last) return;
            const [x, y] = inside(last);
            const point = found(x, y, NEAR);
            const { key, position } = reading.current ?? {};
            if (point?.key !== key || point?.position !== position) show(point, false);
        });
    reading.waiting = event;
});
document.addEventListener('pointerout', (event) => {
    if (!event.target.closest?.('#chart') || event.relatedTarget?.closest?.('#chart')) return;
    // A finger that is lifted leaves what it has shown.
    if (event.pointerType === 'touch') return;
    reading.waiting = null;
    if (chart() && document.activeElement !== chart()) show(null);
});
document.addEventListener('click', async (event) => {
    if (!event.target.closest?.('#chart .chart') || onAxis(event)) return;
    const label = event.target.closest('.end-label')?.dataset.line;
    const [x, y] = inside(event);
    if (label) toggle(label);
    else {
        await lines();
        if (event.pointerType === 'touch') tapped(found(x, y, NEAR));
        else clicked(found(x, y, ON_LINE));
    }
});

/** A first click keeps a line; on one that is kept, it opens the working of the point. */
function clicked(point) {
    if (point && Number(series(point.key)?.dataset.hue) > 0) open(point);
    else if (point) toggle(point.key);
    else if (chart().querySelector('.series:not([data-hue="0"])')) change({ change: 'release' });
}

/** A first tap reads a point, as pointing does; one on the line that is being read is a click on it. */
function tapped(point) {
    reading.byTouch = true;
    if (point && point.key === reading.current?.key) clicked(point);
    else show(point, false);
}

/** The working of a point: every stop with the numbers put in. */
async function open(point) {
    if (has('points') || point.key.startsWith('~')) return;
    await openWorking(chart().dataset.working, point.key, point.position);
}

export async function openWorking(template, line, position) {
    const response = await fetch(template.replace('LINE', encodeURIComponent(line)).replace(/0$/, position));
    if (!response.ok) return;
    const panel = document.getElementById('working');
    panel.innerHTML = await response.text();
    panel.showPopover();
    panel.querySelector('summary, button')?.focus();
}

document.addEventListener('click', async (event) => {
    if (!event.target.closest('[data-copy]')) return;
    const text = document.querySelector('#working .as-text').value;
    try {
        await navigator.clipboard.writeText(text);
        event.target.textContent = translated('Copied');
    } catch {
        // Without leave to write the clipboard, the text is laid open to be copied by hand.
        const field = document.querySelector('#working .as-text');
        field.hidden = false;
        field.select();
    }
});

/** Moves a layer of a stack one place up or down. */
function raise(key, by) {
    const layers = raised(
        [...reading.lines.keys()].filter((other) => !other.startsWith('~')),
        key,
        by,
    );
    if (layers) change({ change: 'set', part: 'stack', 'settings[order]': 'hand', 'settings[hand]': layers.join(',') });
}

function toggle(key) {
    // Several together are no line.
    if (key.startsWith('~')) return;
    change({ change: 'state', entity: key, state: Number(series(key)?.dataset.hue) > 0 ? 'peer' : 'focus' });
}

const STEPS = ['ArrowLeft', 'ArrowRight', 'ArrowUp', 'ArrowDown', 'Home', 'End'];
const ACTS = ['Enter', ' ', 'f', 'b'];

/** What a key does with the point that is being read. */
function act(key, current) {
    if (!current) return;
    if (key === 'Enter') open(current);
    else if (key !== 'b') toggle(current.key);
    else if (has('base')) {
        const { frequency, first } = document.querySelector('#track svg').dataset;
        change({ change: 'base-here', period: `${frequency}#${Number(first) + current.position}` });
    }
}

async function walk(key) {
    const next = stepped(await lines(), reading.current, key);
    if (next) show(next, true);
}

document.addEventListener('keydown', (event) => {
    if (!event.target.matches?.('#chart .chart') || event.defaultPrevented) return;
    const { current } = reading;
    const { key } = event;
    if (key === 'Escape') return show(null);
    const moves = current && (key === 'Backspace' || event.shiftKey);
    if (moves && pushed(labelAt(current.key, current.position), key)) return event.preventDefault();
    if (!STEPS.includes(key) && !ACTS.includes(key)) return;
    event.preventDefault();
    if (event.altKey && current && has('layers')) return raise(current.key, key === 'ArrowUp' ? 1 : -1);
    // One after the other, since the points may still be on their way.
    reading.keys = reading.keys.then(() => (STEPS.includes(key) ? walk(key) : act(key, reading.current)));
});
