// Undo, redo, search and the list of keys.
import { history, tell, workspace } from './server.js';

const typing = (target) => target.matches?.('input, textarea, select');

document.addEventListener('click', (event) => {
    const button = event.target.closest('[data-history]');
    if (button?.tagName === 'BUTTON' && !button.disabled) history(button.dataset.history);
    if (event.target.closest('[data-keys]')) document.getElementById('keys').showModal();
    if (event.target.closest('#message')) tell('');
});
function find() {
    if (getComputedStyle(document.querySelector('[data-drawer]')).display !== 'none')
        document.body.classList.add('drawer-open');
    document.getElementById('find').focus();
}

/** Looks at the study in the next view, or in the one before. */
function turn(by) {
    const views = [...document.querySelectorAll('.views button[data-view]')];
    const at = views.findIndex((button) => button.classList.contains('on'));
    views[(at + by + views.length) % views.length].click();
}

// On the first page.
document.addEventListener('keydown', (event) => {
    const search = document.getElementById('search');
    if (!search || event.key !== '/' || typing(event.target)) return;
    event.preventDefault();
    search.focus();
});
document.addEventListener('keydown', (event) => {
    if (!workspace() || typing(event.target)) return;
    const key = event.key.toLowerCase();
    if (event.ctrlKey || event.metaKey) {
        if (key !== 'z' && key !== 'y') return;
        event.preventDefault();
        history(key === 'y' || event.shiftKey ? 'redo' : 'undo');
    } else if (key === '/') {
        event.preventDefault();
        find();
    } else if (key === 'v' && !event.altKey) turn(event.shiftKey ? -1 : 1);
    else if (key === '?') document.getElementById('keys').showModal();
});

/** Where the keyboard was before the page changed: the element, and where one goes on if it is no longer there. */
const place = { was: null, next: '' };

document.addEventListener('htmx:before:swap', () => {
    const now = document.activeElement;
    place.was = now === document.body ? null : now;
    place.next = [
        ['.rail, .editor', '#stop-add .name'],
        ['#signals', '#signals button, #signals summary'],
        ['#roster', '#rows .pick'],
        ['*', '#chart .chart'],
    ].find(([within]) => now?.closest(within))?.[1];
});
document.addEventListener('htmx:after:swap', () =>
    setTimeout(() => {
        const { was, next } = place;
        place.was = null;
        if (!was || was.isConnected || document.activeElement !== document.body || !next) return;
        /** @type {HTMLElement | null} */ (
            document.querySelector(next) ?? document.querySelector('#chart .chart')
        )?.focus();
    }),
);
