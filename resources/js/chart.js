// The chart under the pointer and the arrow keys: the nearest point, what it says, and a click that keeps its line.
import { always, change } from './server.js';
import { onAxis } from './axis.js';
import { labelAt, pushed } from './labels.js';
import { light } from './light.js';

const NEAR = 42;
const ON_LINE = 14;
const SVG = 'http://www.w3.org/2000/svg';

const chart = () => document.querySelector('#chart .chart');

let lines = null;
let readouts = new Map();
let current = null;

function forget() {
    const kept = current;
    lines = null;
    current = null;
    readouts = new Map();
    // Whoever was reading points by keys goes on where she was, on the chart drawn anew.
    if (!kept || !chart() || document.activeElement !== chart()) return;
    const line = points().find((other) => other.key === kept.line.key);
    for (let i = 0; line && i < line.xy.length; i += 2) {
        if (!isScatter() && positionOf(line.xy[i]) === kept.position) return show({ line, x: line.xy[i], y: line.xy[i + 1] }, false);
    }
}
always(forget);
document.addEventListener('chart:drawn', forget);

/** The points of every line, as they are drawn. */
function points() {
    lines ??= [...chart().querySelectorAll('.series:not(.beside .series)')].map((series) => {
        // Without the pale ground that a line in focus is drawn on; an unfinished end is a stroke of its own.
        const paths = [...series.querySelectorAll('path[stroke]:not(.lit-part path)')].filter((path) => path.getAttribute('stroke') !== 'var(--sheet)');
        // The first point of that is the last of the finished part.
        const [finished, open] = paths.reverse().map(coordinates);
        const xy = atPeriods(open ? [...finished, ...open.slice(2)] : finished);
        return { series, key: series.dataset.line, name: series.dataset.name, xy };
    });
    return lines;
}

/** Curves and steps have points between the periods; those are not read. */
function atPeriods(xy) {
    const { left, step } = chart().dataset;
    if (Number(step) < 1) return xy;
    const kept = new Map();
    for (let i = 0; i < xy.length; i += 2) {
        const place = (xy[i] - left) / step;
        if (Math.abs(place - Math.round(place)) * step < 0.35) kept.set(Math.round(place), [xy[i], xy[i + 1]]);
    }
    return [...kept.values()].flat();
}

/** Path data as x and y in turn, in pixels; points that a level run leaves out are put back in. */
export function coordinates(path, step = Number(chart().dataset.step)) {
    const grain = path.transform.baseVal.getItem(0).matrix.a;
    const xy = [];
    for (const piece of path.getAttribute('d').split('M').slice(1)) {
        const [start, rest = ''] = piece.split(/[lh]/);
        let [x, y] = start.trim().split(' ').map(Number);
        xy.push(x * grain, y * grain);
        const deltas = piece.includes('l') ? rest.match(/-?\d+/g) ?? [] : [];
        for (let i = 0; i < deltas.length; i += 2) {
            const dx = Number(deltas[i]);
            const dy = Number(deltas[i + 1]);
            const parts = step > 1 ? Math.max(1, Math.round((dx * grain) / step)) : 1;
            for (let part = 1; part <= parts; part++) xy.push((x + (dx * part) / parts) * grain, (y + (dy * part) / parts) * grain);
            x += dx;
            y += dy;
        }
    }
    return xy;
}

const isScatter = () => chart().dataset.view === 'scatter';

const positionOf = (x) => {
    const { left, step, from } = chart().dataset;
    return Number(step) > 0 ? Math.round((x - left) / step) + Number(from) : Number(from);
};

function nearest(x, y) {
    let best = null;
    for (const line of points()) {
        for (let i = 0; i < line.xy.length; i += 2) {
            const dx = line.xy[i] - x;
            if (dx > NEAR || dx < -NEAR) continue;
            const dy = line.xy[i + 1] - y;
            const far = dx * dx + dy * dy;
            if (!best || far < best.far) best = { line, x: line.xy[i], y: line.xy[i + 1], far };
        }
    }
    return best && Math.sqrt(best.far) <= NEAR ? best : null;
}

function inside(event) {
    const box = chart().getBoundingClientRect();
    const scale = chart().viewBox.baseVal.width / box.width;
    return [(event.clientX - box.left) * scale, (event.clientY - box.top) * scale];
}

async function said(line) {
    if (!readouts.has(line.key)) {
        const url = chart().dataset.readouts.replace('LINE', encodeURIComponent(line.key));
        readouts.set(line.key, fetch(url, { headers: { Accept: 'application/json' } }).then((r) => (r.ok ? r.json() : null)));
    }
    return readouts.get(line.key);
}

async function show(point, aloud) {
    current = point;
    const readout = document.getElementById('readout');
    chart().querySelector('.cursor')?.remove();
    light(point?.line.key ?? null);
    if (!point) {
        if (readout) readout.hidden = true;
        return;
    }
    // A scatter has no period along it: its points are counted.
    point.position = isScatter() ? indexOf(point) : positionOf(point.x);
    mark(point);
    const about = await said(point.line);
    const [period, value, rest] = about?.points[point.position] ?? [];
    if (current !== point || !period) return;
    const [title, first, second] = readout.children;
    title.textContent = `${point.line.name}, ${period}`;
    first.textContent = value;
    second.textContent = [rest, isScatter() ? '' : 'Enter: working'].filter(Boolean).join(' · ');
    readout.hidden = false;
    const { clientWidth: width, clientHeight: height } = chart();
    const zoom = width / chart().viewBox.baseVal.width;
    const [x, y] = [point.x * zoom, point.y * zoom];
    const right = x + 16 + readout.offsetWidth > width;
    readout.style.left = `${Math.max(0, right ? x - readout.offsetWidth - 14 : x + 14)}px`;
    readout.style.top = `${Math.max(0, Math.min(y + 16, height - readout.offsetHeight - 4))}px`;
    if (aloud) document.getElementById('spoken').textContent = `${title.textContent}: ${value}. ${rest}. Enter: working`;
}

function indexOf({ line, x, y }) {
    for (let i = 0; i < line.xy.length; i += 2) if (line.xy[i] === x && line.xy[i + 1] === y) return i / 2;
    return 0;
}

function mark(point) {
    const group = document.createElementNS(SVG, 'g');
    group.setAttribute('class', 'cursor');
    const { hue, ink: own } = point.line.series.dataset;
    const ink = own ? `var(--${own})` : Number(hue) > 0 ? `var(--focus-${hue})` : 'var(--ink)';
    const { top, bottom } = chart().dataset;
    const parts = [
        ['path', { d: isScatter() ? 'M0 0' : `M${point.x} ${top}V${bottom}`, stroke: 'var(--quiet)', 'stroke-dasharray': '2 3' }],
        ['circle', { cx: point.x, cy: point.y, r: 5, fill: 'var(--sheet)', stroke: ink, 'stroke-width': 2.5 }],
    ];
    for (const [tag, attributes] of parts) {
        const part = document.createElementNS(SVG, tag);
        for (const [name, value] of Object.entries(attributes)) part.setAttribute(name, value);
        group.append(part);
    }
    chart().append(group);
}

let waiting = null;
document.addEventListener('pointermove', (event) => {
    if (!event.target.closest?.('#chart .chart')) return;
    waiting ?? requestAnimationFrame(() => {
        const last = waiting;
        waiting = null;
        if (!chart()) return;
        const point = nearest(...inside(last));
        if (point?.line !== current?.line || point?.x !== current?.x) show(point, false);
    });
    waiting = event;
});
document.addEventListener('pointerout', (event) => {
    if (event.target.closest?.('#chart') && !event.relatedTarget?.closest?.('#chart') && chart() && document.activeElement !== chart()) show(null);
});
document.addEventListener('click', (event) => {
    if (!event.target.closest?.('#chart .chart') || onAxis(event)) return;
    const label = event.target.closest('.end-label');
    const point = nearest(...inside(event));
    const hit = point && Math.sqrt(point.far) <= ON_LINE;
    const key = label?.dataset.line ?? (hit ? point.line.key : null);
    // A first click keeps a line; on one that is kept, it opens the working of the point.
    if (key && hit && !label && Number(point.line.series.dataset.hue) > 0) open(point);
    else if (key) toggle(key);
    else if (chart().querySelector('.series:not([data-hue="0"])')) change({ change: 'release' });
});

/** The working of a point: every stop with the numbers put in. */
async function open(point) {
    if (isScatter()) return;
    await openWorking(chart().dataset.working, point.line.key, point.position ?? positionOf(point.x));
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
        event.target.textContent = 'Copied';
    } catch {
        // Without leave to write the clipboard, the text is laid open to be copied by hand.
        const field = document.querySelector('#working .as-text');
        field.hidden = false;
        field.select();
    }
});

/** Moves a layer of a stack one place up or down. */
function raise(key, by) {
    const keys = points().map((line) => line.key).filter((other) => !other.startsWith('~'));
    const at = keys.indexOf(key);
    if (at < 0 || !keys[at + by]) return;
    [keys[at], keys[at + by]] = [keys[at + by], keys[at]];
    change({ change: 'set', part: 'stack', 'settings[order]': 'hand', 'settings[hand]': keys.join(',') });
}

function toggle(key) {
    const series = points().find((line) => line.key === key)?.series;
    change({ change: 'state', entity: key, state: Number(series?.dataset.hue) > 0 ? 'peer' : 'focus' });
}

document.addEventListener('keydown', (event) => {
    if (!event.target.matches?.('#chart .chart') || event.defaultPrevented) return;
    const all = points();
    if (all.length === 0) return;
    if (event.key === 'Enter' && current) return open(current);
    if (event.key === ' ' && current) {
        event.preventDefault();
        return toggle(current.line.key);
    }
    if (event.key === 'f' && current) return toggle(current.line.key);
    if (event.key === 'b' && current && ['lines', 'stack'].includes(chart().dataset.view)) {
        const { frequency, first } = document.querySelector('#track svg').dataset;
        return change({ change: 'base-here', period: `${frequency}#${Number(first) + current.position}` });
    }
    if (event.key === 'Escape') return show(null);
    if (current && (event.key === 'Backspace' || event.shiftKey) && pushed(labelAt(current.line.key, current.position), event.key)) return event.preventDefault();
    if (!['ArrowLeft', 'ArrowRight', 'ArrowUp', 'ArrowDown', 'Home', 'End'].includes(event.key)) return;
    event.preventDefault();
    if (event.altKey && current && chart().dataset.view === 'stack') return raise(current.line.key, event.key === 'ArrowUp' ? 1 : -1);
    const line = current?.line ?? all.at(-1);
    if (event.key === 'ArrowUp' || event.key === 'ArrowDown') {
        const x = current?.x ?? line.xy.at(-2);
        const column = all.map((other) => at(other, x)).filter(Boolean).sort((a, b) => a.y - b.y);
        const place = column.findIndex((point) => point.line === line) + (event.key === 'ArrowUp' ? -1 : 1);
        return show(column[Math.max(0, Math.min(column.length - 1, place))], true);
    }
    const last = line.xy.length / 2 - 1;
    const here = current ? line.xy.findIndex((x, i) => i % 2 === 0 && Math.abs(x - current.x) < 0.6) / 2 : last + 1;
    const to = { ArrowLeft: here - 1, ArrowRight: here + 1, Home: 0, End: last }[event.key];
    const i = Math.max(0, Math.min(last, to)) * 2;
    show({ line, x: line.xy[i], y: line.xy[i + 1] }, true);
});

function at(line, x) {
    for (let i = 0; i < line.xy.length; i += 2) {
        if (Math.abs(line.xy[i] - x) < 0.6) return { line, x: line.xy[i], y: line.xy[i + 1] };
    }
    return null;
}
