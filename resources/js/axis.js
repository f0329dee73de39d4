// The vertical axis: a click on it opens its editor, a pull at its upper or lower half sets the limit there.
import { change } from './server.js';

let pull = null;

const chart = () => document.querySelector('#chart .chart');

function inChart(event) {
    const box = chart().getBoundingClientRect();
    const scale = chart().viewBox.baseVal.width / box.width;
    return [(event.clientX - box.left) * scale, (event.clientY - box.top) * scale];
}

/** Whether a place is on the axis, left of the plot. */
export function onAxis(event) {
    if (!chart() || !['lines', 'overlay'].includes(chart().dataset.view) || !event.target.closest?.('#chart .chart')) return false;
    const [x, y] = inChart(event);
    return x < Number(chart().dataset.left) - 2 && y <= Number(chart().dataset.bottom) + 8;
}

/** The limit at which what was grabbed lies under the pointer. */
function limit(y) {
    const { top, bottom, low, high, log } = chart().dataset;
    const height = bottom - top;
    const [from, to] = log === '1' ? [Math.log10(low), Math.log10(high)] : [Number(low), Number(high)];
    const grabbed = from + ((bottom - pull.y) / height) * (to - from);
    const share = pull.upper ? (bottom - y) / height : (y - top) / height;
    if (share < 0.05) return null;
    const value = pull.upper ? from + (grabbed - from) / share : to - (to - grabbed) / share;
    return Number((log === '1' ? 10 ** value : value).toPrecision(3));
}

document.addEventListener('pointerdown', (event) => {
    if (!onAxis(event)) return;
    const [, y] = inChart(event);
    const { top, bottom } = chart().dataset;
    pull = { y, upper: y < (Number(top) + Number(bottom)) / 2, moved: false };
});
document.addEventListener('pointermove', (event) => {
    if (!pull || !chart()) return;
    const [, y] = inChart(event);
    pull.moved ||= Math.abs(y - pull.y) > 5;
    if (!pull.moved) return;
    const value = limit(y);
    const readout = document.getElementById('readout');
    if (value === null || !readout) return;
    readout.children[0].textContent = `${pull.upper ? 'to' : 'from'} ${value}`;
    readout.children[1].textContent = 'Let go to set the axis';
    readout.children[2].textContent = '';
    readout.hidden = false;
    const zoom = chart().clientWidth / chart().viewBox.baseVal.width;
    readout.style.left = `${chart().dataset.left * zoom}px`;
    readout.style.top = `${y * zoom}px`;
});
document.addEventListener('pointerup', (event) => {
    if (!pull || !chart()) return;
    const { moved, upper } = pull;
    const value = moved ? limit(inChart(event)[1]) : null;
    pull = null;
    if (moved) document.getElementById('readout').hidden = true;
    if (value !== null) change({ change: 'set', part: 'axis', [`settings[${upper ? 'high' : 'low'}]`]: value, 'settings[view]': chart().dataset.view });
    else if (!moved) document.getElementById('set-axis')?.showPopover();
});
