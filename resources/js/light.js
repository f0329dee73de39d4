// A line and its name in the roster are one: lit together.

/** What is lit: the key of a line, or null. */
export const shown = {
    lit: null,
};

export function light(key) {
    if (key === shown.lit) return;
    shown.lit = key;
    show();
    document.dispatchEvent(new Event('chart:lit'));
}

export function show() {
    const chart = document.querySelector('.chart');
    chart?.classList.toggle('has-lit', shown.lit !== null);
    for (const part of document.querySelectorAll('[data-line]')) {
        part.classList.toggle('lit', shown.lit !== null && part.dataset.line === shown.lit);
    }
    // What is lit is drawn last, over the others.
    const series = shown.lit === null ? null : chart?.querySelector('.series.lit');
    if (series?.nextElementSibling?.matches('.series, .median')) {
        [...chart.querySelectorAll('.series')].at(-1).after(series);
    }
}
