// A brief that is read: a name lights its line up in all pictures at once; presenting goes by the arrow keys.
import { raise } from './light.js';
import { nameLit } from './lit-name.js';

/** The name that was chosen: the key of its line, or null. */
export const choice = {
    kept: null,
};
const page = () => document.querySelector('.brief');

function light(key) {
    for (const chart of page().querySelectorAll('.chart')) {
        let found = false;
        for (const part of chart.querySelectorAll('[data-line]')) {
            const lit = key !== null && part.dataset.line === key;
            part.classList.toggle('lit', lit);
            found ||= lit;
        }
        chart.classList.toggle('has-lit', found);
        if (chart instanceof SVGSVGElement) nameLit(chart, key);
    }
    raise(page().querySelectorAll('.series.lit:not(.panel *)'));
    for (const button of page().querySelectorAll('.brief-list button'))
        button.setAttribute('aria-pressed', String(button.dataset.line === choice.kept));
}

for (const kind of ['pointerover', 'focusin', 'pointerout', 'focusout']) {
    const on = kind === 'pointerover' || kind === 'focusin';
    document.addEventListener(kind, (event) => {
        const button = event.target.closest?.('.brief-list button');
        if (button) light(on ? button.dataset.line : choice.kept);
    });
}
document.addEventListener('click', (event) => {
    const button = event.target.closest('.brief-list button');
    if (button) {
        choice.kept = choice.kept === button.dataset.line ? null : button.dataset.line;
        light(choice.kept);
    }
    if (event.target.closest('[data-present]')) present(0);
});

const studies = () => [...document.querySelectorAll('.brief-study')];

function present(to) {
    const list = studies();
    if (list.length === 0) return;
    const at = Math.max(0, Math.min(list.length - 1, to));
    list.forEach((study, i) => study.classList.toggle('now', i === at));
    if (!document.body.classList.contains('presenting')) document.documentElement.requestFullscreen?.().catch(() => {});
    document.body.classList.add('presenting');
    list[at].focus();
}

function leave() {
    document.body.classList.remove('presenting');
    for (const study of studies()) study.classList.remove('now');
    if (document.fullscreenElement) document.exitFullscreen();
}

// The browser's own key for leaving the full screen ends the presentation, too.
document.addEventListener('fullscreenchange', () => {
    if (!document.fullscreenElement && document.body.classList.contains('presenting')) leave();
});

document.addEventListener('keydown', (event) => {
    if (!document.body.classList.contains('presenting')) return;
    const at = studies().findIndex((study) => study.classList.contains('now'));
    if (['ArrowRight', 'ArrowDown', 'PageDown', ' '].includes(event.key)) present(at + 1);
    else if (['ArrowLeft', 'ArrowUp', 'PageUp'].includes(event.key)) present(at - 1);
    else if (event.key === 'Escape') leave();
    else return;
    event.preventDefault();
});

// What the reader sets is shown at once; without scripts there is the button.
document.addEventListener('change', (event) => event.target.closest?.('[data-at-once]')?.requestSubmit());
