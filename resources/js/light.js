// A line and its name in the roster are one: lit together.
let lit = null;

export function light(key) {
    if (key === lit) return;
    lit = key;
    show();
}

export function show() {
    const chart = document.querySelector('.chart');
    chart?.classList.toggle('has-lit', lit !== null);
    for (const part of document.querySelectorAll('[data-line]')) {
        part.classList.toggle('lit', lit !== null && part.dataset.line === lit);
    }
    // What is lit is drawn last, over the others.
    const series = lit === null ? null : chart?.querySelector('.series.lit');
    if (series?.nextElementSibling?.matches('.series, .median')) {
        [...chart.querySelectorAll('.series')].at(-1).after(series);
    }
}
