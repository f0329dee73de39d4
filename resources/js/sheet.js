// The server draws the chart as large as there is room for it.
import { always, redraw, workspace } from './server.js';

/** Whether the chart is being drawn at another size, and the timer that will. */
export const fitting = {
    drawing: false,
    later: undefined,
};

const COOKIE = 'dusk-rail-sheet';

function room() {
    const sheet = document.getElementById('sheet');
    const chart = document.getElementById('chart') ?? document.querySelector('.sparks');
    if (!sheet || !chart) return null;
    const style = getComputedStyle(sheet);
    const wide = Math.floor(sheet.clientWidth - parseFloat(style.paddingLeft) - parseFloat(style.paddingRight));
    // The server draws no wider and no narrower.
    const width = Math.max(260, Math.min(wide, 2400));
    let others = parseFloat(style.paddingTop) + parseFloat(style.paddingBottom);
    for (const part of sheet.children) {
        if (part === chart) continue;
        const space = getComputedStyle(part);
        others += part.offsetHeight + parseFloat(space.marginTop) + parseFloat(space.marginBottom);
    }
    const tallest = width < 560 ? width : Math.min(width * 0.62, 640);
    const height = Math.floor(Math.max(260, Math.min(sheet.clientHeight - others, tallest)));
    return { width, height };
}

async function fit() {
    const wanted = room();
    const chart = document.getElementById('chart');
    if (!wanted || fitting.drawing || !workspace() || !chart) return;
    document.cookie = `${COOKIE}=${wanted.width}x${wanted.height};path=/;max-age=31536000;samesite=lax`;
    // A few pixels of height are not worth a new picture, or a longer signal would make the chart jump.
    const drawn = Number(chart.dataset.height);
    const oneHeight = drawn === 0 || Math.abs(wanted.height - drawn) < 10;
    if (Math.abs(wanted.width - Number(chart.dataset.width)) < 2 && oneHeight) return;
    fitting.drawing = true;
    await redraw();
    fitting.drawing = false;
}

addEventListener('resize', () => {
    clearTimeout(fitting.later);
    fitting.later = setTimeout(fit, 120);
});
document.fonts.ready.then(fit);
always(() => {
    clearTimeout(fitting.later);
    fitting.later = setTimeout(fit, 30);
});
