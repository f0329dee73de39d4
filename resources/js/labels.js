// Labels are moved by hand: pulled with the pointer, or pushed by keys; one key puts them back.
import { change } from './server.js';

/** What is being moved. */
export const labelMove = {
    pull: null,
    last: null,
    dropped: false,
};

const SVG = 'http://www.w3.org/2000/svg';
const STEP = 4;

const chart = () => document.querySelector('#chart .chart');

/** The label of a point that is being read, or the one at the end of its line. */
export function labelAt(line, position) {
    const labels = [...chart().querySelectorAll('[data-label]:not(.beside *)')].filter(
        (label) => (label.dataset.line ?? '') === line && Number(label.dataset.position) === position,
    );
    return labels.find((label) => label.matches('.point-label')) ?? labels[0] ?? null;
}

/** Sends where the words of a label begin, from the point that they belong to. */
function move(label, dx, dy) {
    const { label: name, atX, atY, x, y } = label.dataset;
    labelMove.last = name;
    return change({
        change: 'move-label',
        label: name,
        x: Number(x) + dx - Number(atX),
        y: Number(y) + dy - Number(atY),
    });
}

/** Moves a label by an arrow key, or puts it back; whether there was anything to do. */
export function pushed(label, key) {
    if (!label) return false;
    if (key === 'Backspace') {
        change({ change: 'move-label', label: label.dataset.label });
        return true;
    }
    const by = { ArrowLeft: [-STEP, 0], ArrowRight: [STEP, 0], ArrowUp: [0, -STEP], ArrowDown: [0, STEP] }[key];
    if (by) move(label, ...by);
    return Boolean(by);
}

const zoom = () => chart().viewBox.baseVal.width / chart().getBoundingClientRect().width;

document.addEventListener('pointerdown', (event) => {
    labelMove.dropped = false;
    const label = event.target.closest?.('#chart .chart [data-label]:not(.beside *)');
    if (!label || event.button !== 0) return;
    // Neither is text selected nor does the browser drag what is.
    event.preventDefault();
    getSelection()?.removeAllRanges();
    labelMove.pull = { label, x: event.clientX, y: event.clientY, moved: false };
});
document.addEventListener('pointercancel', () => (labelMove.pull = null));
document.addEventListener('pointermove', (event) => {
    if (!labelMove.pull || !chart()) return;
    // The button was let go outside of the window.
    if (event.buttons === 0) {
        labelMove.pull = null;
        return;
    }
    const [dx, dy] = [event.clientX - labelMove.pull.x, event.clientY - labelMove.pull.y];
    labelMove.pull.moved ||= Math.hypot(dx, dy) > 4;
    if (!labelMove.pull.moved) return;
    event.preventDefault();
    const { label } = labelMove.pull;
    const text = label.querySelector('text');
    const [mx, my] = [dx * zoom(), dy * zoom()];
    for (const part of label.children) {
        if (part.tagName === 'text' || part.tagName === 'rect')
            part.setAttribute('transform', `translate(${mx} ${my})`);
        else part.remove();
    }
    // The leader follows.
    const leader = document.createElementNS(SVG, 'path');
    const box = text.getBBox();
    const { atX, atY } = label.dataset;
    const nearX = Math.max(box.x + mx, Math.min(Number(atX), box.x + box.width + mx));
    const nearY = Math.max(box.y + my, Math.min(Number(atY), box.y + box.height + my));
    leader.setAttribute('d', `M${atX} ${atY}L${nearX} ${nearY}`);
    leader.setAttribute('stroke', 'var(--median)');
    label.prepend(leader);
});
document.addEventListener('pointerup', (event) => {
    if (!labelMove.pull) return;
    const { label, x, y, moved } = labelMove.pull;
    labelMove.pull = null;
    labelMove.dropped = moved;
    if (moved && chart()) {
        move(label, (event.clientX - x) * zoom(), (event.clientY - y) * zoom());
        chart().focus();
    }
});
// What was dragged was not clicked.
document.addEventListener(
    'click',
    (event) => {
        if (labelMove.dropped && event.target.closest?.('#chart')) event.stopImmediatePropagation();
        labelMove.dropped = false;
    },
    true,
);
// Right after a label was dragged, the key puts that one back, wherever the points are read.
document.addEventListener('keydown', (event) => {
    if (
        event.key !== 'Backspace' ||
        labelMove.last === null ||
        event.defaultPrevented ||
        event.target.closest?.('input, textarea, select')
    )
        return;
    event.preventDefault();
    change({ change: 'move-label', label: labelMove.last });
    labelMove.last = null;
});
