// The vertical axis: a click on it opens its editor, a pull at its upper or lower half sets the limit there.
import { change } from './server.js';
import { translated } from './language.js';

/** What is being pulled. */
export const axis = {
    /** @type {{y: number, upper: boolean, moved: boolean} | null} */
    pull: null,
    clicked: false,
};

const chart = () => document.querySelector('#chart .chart');

function inChart(event) {
    const box = chart().getBoundingClientRect();
    const scale = chart().viewBox.baseVal.width / box.width;
    return [(event.clientX - box.left) * scale, (event.clientY - box.top) * scale];
}

/** Whether a place is on the axis, left of the plot. */
export function onAxis(event) {
    if (!event.target.closest?.('#chart .chart')) return false;
    if (!chart().dataset.tools.split(' ').includes('limits')) return false;
    const [x, y] = inChart(event);
    return x < Number(chart().dataset.left) - 2 && y <= Number(chart().dataset.bottom) + 8;
}

/**
 * The limit at which what was grabbed is under the pointer.
 *
 * @param {{top: string, bottom: string, low: string, high: string, log: string}} scale of the axis: pixels and values
 * @param {{y: number, upper: boolean}} pull where it was grabbed, and which half that is in
 * @param {number} y where the pointer is now
 * @returns {number | null} null where that would need an axis without end
 */
export function limit(scale, pull, y) {
    const [top, bottom] = [Number(scale.top), Number(scale.bottom)];
    const height = bottom - top;
    const isLog = scale.log === '1';
    const [from, to] = [Number(scale.low), Number(scale.high)].map((value) => (isLog ? Math.log10(value) : value));
    const grabbed = from + ((bottom - pull.y) / height) * (to - from);
    const share = pull.upper ? (bottom - y) / height : (y - top) / height;
    if (share < 0.05) return null;
    const value = pull.upper ? from + (grabbed - from) / share : to - (to - grabbed) / share;
    return Number((isLog ? 10 ** value : value).toPrecision(3));
}

document.addEventListener('pointerdown', (event) => {
    axis.clicked = false;
    if (!onAxis(event) || event.button !== 0) return;
    event.preventDefault();
    const [, y] = inChart(event);
    const { top, bottom } = chart().dataset;
    axis.pull = { y, upper: y < (Number(top) + Number(bottom)) / 2, moved: false };
});
document.addEventListener('pointermove', (event) => {
    if (!axis.pull || !chart()) return;
    const [, y] = inChart(event);
    axis.pull.moved ||= Math.abs(y - axis.pull.y) > 5;
    if (!axis.pull.moved) return;
    const value = limit(chart().dataset, axis.pull, y);
    const readout = document.getElementById('readout');
    if (value === null || !readout) return;
    readout.children[0].textContent = axis.pull.upper
        ? translated('to :value', { value: String(value) })
        : translated('from :value', { value: String(value) });
    readout.children[1].textContent = translated('Release to set the axis limit');
    readout.children[2].textContent = '';
    readout.hidden = false;
    const zoom = chart().clientWidth / chart().viewBox.baseVal.width;
    readout.style.left = `${chart().dataset.left * zoom}px`;
    readout.style.top = `${y * zoom}px`;
});
document.addEventListener('pointerup', (event) => {
    if (!axis.pull || !chart()) return;
    const { pull } = axis;
    const value = pull.moved ? limit(chart().dataset, pull, inChart(event)[1]) : null;
    axis.pull = null;
    if (pull.moved) document.getElementById('readout').hidden = true;
    if (value !== null)
        change({
            change: 'set',
            part: 'axis',
            [`settings[${pull.upper ? 'high' : 'low'}]`]: value,
            'settings[view]': chart().dataset.view,
        });
    axis.clicked = !pull.moved;
});
// Opened by the click that follows; what is opened before it would be closed by it.
document.addEventListener('click', () => {
    if (axis.clicked) document.getElementById('set-axis')?.showPopover();
    axis.clicked = false;
});
document.addEventListener('pointercancel', () => (axis.pull = null));
