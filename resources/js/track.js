// The track: both ends of the time shown, and the base, dragged or moved by the arrow keys.
import { always, change, noPreview, previewed } from './server.js';
import { translated } from './language.js';

/** What is being dragged. */
export const moving = {
    drag: null,
};

const picture = () => document.querySelector('#track svg');
const number = (name) => Number(picture().dataset[name]);

/** What a part of the track can be moved to, and the change that says so. */
const parts = {
    'track-from': {
        at: (part) => Number(part.dataset.position),
        clamp: (to) => Math.max(0, Math.min(to, end('track-to'))),
        values: (to) => range(to, end('track-to')),
    },
    'track-to': {
        at: (part) => Number(part.dataset.position),
        clamp: (to) => Math.min(number('count') - 1, Math.max(to, end('track-from'))),
        values: (to) => range(end('track-from'), to),
    },
    'track-base': {
        at: (part) => Number(part.dataset.from),
        clamp(to, part) {
            const stride = strideOf(part);
            const far = number('count') - (Number(part.dataset.to) - Number(part.dataset.from) + 1);
            // A whole year moves from year to year.
            return Math.max(
                0,
                Math.min(far, Number(part.dataset.from) + Math.round((to - part.dataset.from) / stride) * stride),
            );
        },
        values(to, part) {
            const length = Number(part.dataset.to) - Number(part.dataset.from);
            return {
                change: 'change-stop',
                id: picture().dataset.baseStop,
                'settings[base]': `${code(to)}..${code(to + length)}`,
            };
        },
    },
};

const end = (name) => Number(picture().querySelector(`.${name}`).dataset.position);
const code = (position) => `${picture().dataset.frequency}#${number('first') + position}`;
const range = (from, to) => ({
    change: 'range',
    range: from === 0 && to === number('count') - 1 ? '' : `${code(from)}..${code(to)}`,
});

function strideOf(part) {
    const year = number('year');
    const length = Number(part.dataset.to) - Number(part.dataset.from) + 1;
    return year > 1 && length % year === 0 ? year : 1;
}

const kindOf = (part) => Object.keys(parts).find((name) => part.classList.contains(name));

always(() => {
    if (!picture()) return;
    for (const [name, label] of [
        ['track-from', translated('First period shown')],
        ['track-to', translated('Last period shown')],
        ['track-base', 'Base'],
    ]) {
        const part = picture().querySelector(`.${name}`);
        if (!part) continue;
        const about = {
            tabindex: 0,
            role: 'slider',
            'aria-label': label,
            'aria-valuemin': 0,
            'aria-valuemax': number('count') - 1,
            'aria-valuenow': parts[name].at(part),
            'aria-valuetext': part.dataset.label,
        };
        for (const [attribute, value] of Object.entries(about)) part.setAttribute(attribute, value);
    }
});

const x = (event) => {
    const box = picture().getBoundingClientRect();
    return (event.clientX - box.left) * (picture().viewBox.baseVal.width / box.width);
};

document.addEventListener('pointerdown', (event) => {
    const part = event.target.closest?.('#track .track-from, #track .track-to, #track .track-base');
    if (!part) return;
    event.preventDefault();
    part.focus();
    part.setPointerCapture(event.pointerId);
    part.classList.add('dragging');
    const kind = kindOf(part);
    moving.drag = { part, kind, grabbed: x(event), start: parts[kind].at(part), to: parts[kind].at(part), drawn: null };
});
document.addEventListener('pointermove', (event) => {
    if (!moving.drag) return;
    const wanted = moving.drag.start + Math.round((x(event) - moving.drag.grabbed) / (number('step') || 1));
    const to = parts[moving.drag.kind].clamp(wanted, moving.drag.part);
    if (to === moving.drag.to) return;
    moving.drag.to = to;
    moving.drag.part.setAttribute('transform', `translate(${(to - moving.drag.start) * number('step')} 0)`);
    draw();
});

/** The chart follows: one preview at a time, and always the latest place next. */
async function draw() {
    if (!moving.drag || moving.drag.busy) return;
    const mine = moving.drag;
    while (moving.drag === mine && mine.drawn !== mine.to) {
        mine.busy = true;
        mine.drawn = mine.to;
        const html = await previewed(parts[mine.kind].values(mine.to, mine.part));
        if (moving.drag === mine && html) {
            document.getElementById('chart').outerHTML = html;
            document.dispatchEvent(new Event('chart:drawn'));
        }
    }
    mine.busy = false;
}

for (const kind of ['pointerup', 'pointercancel']) {
    document.addEventListener(kind, () => {
        if (!moving.drag) return;
        const done = moving.drag;
        moving.drag = null;
        noPreview();
        done.part.classList.remove('dragging');
        done.part.removeAttribute('transform');
        if (done.to !== done.start)
            change(parts[done.kind].values(kind === 'pointerup' ? done.to : done.start, done.part));
    });
}
document.addEventListener('keydown', (event) => {
    const part = event.target.closest?.('#track [role=slider]');
    const by = { ArrowLeft: -1, ArrowRight: 1, PageDown: -12, PageUp: 12 }[event.key];
    if (!part || !by) return;
    event.preventDefault();
    const kind = kindOf(part);
    const start = parts[kind].at(part);
    const to = parts[kind].clamp(start + by * (kind === 'track-base' ? strideOf(part) : 1), part);
    if (to !== start) change(parts[kind].values(to, part));
});
document.addEventListener('dblclick', (event) => {
    if (event.target.closest?.('#track')) change({ change: 'range', range: '' });
});
