// A line and its name in the roster are one: lit together.

import { nameLit } from './lit-name.js';

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
    raise(chart?.querySelectorAll('.series.lit') ?? []);
    if (chart instanceof SVGSVGElement) nameLit(chart, shown.lit);
}

/** Lines that were drawn over the others of their frame, each with the one that was drawn after it. */
const raised = [];

/** Draws what is lit over the others of its own frame, and what was lit before in its old place. */
export function raise(lit) {
    for (const { series, next } of raised.splice(0).reverse()) {
        if (next.isConnected && next.parentNode === series.parentNode) next.before(series);
    }
    for (const series of lit) {
        const next = series.nextElementSibling;
        const last = [...series.parentNode.children].filter((part) => part.matches('.series')).at(-1);
        if (last === series || !next) continue;
        raised.push({ series, next });
        last.after(series);
    }
}
