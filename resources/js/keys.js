// Undo, redo, search and the list of keys.
import { history, tell, workspace } from './server.js';

const typing = (target) => target.matches?.('input, textarea, select');

document.addEventListener('click', (event) => {
    const button = event.target.closest('[data-history]');
    if (button?.tagName === 'BUTTON' && !button.disabled) history(button.dataset.history);
    if (event.target.closest('[data-keys]')) document.getElementById('keys').showModal();
    if (event.target.closest('#message')) tell('');
});
document.addEventListener('keydown', (event) => {
    if (!workspace() || typing(event.target)) return;
    const key = event.key.toLowerCase();
    if ((event.ctrlKey || event.metaKey) && (key === 'z' || key === 'y')) {
        event.preventDefault();
        history(key === 'y' || event.shiftKey ? 'redo' : 'undo');
    } else if (event.key === '/' && !event.ctrlKey) {
        event.preventDefault();
        if (getComputedStyle(document.querySelector('[data-drawer]')).display !== 'none') document.body.classList.add('drawer-open');
        document.getElementById('find').focus();
    } else if (key === 'v' && !event.ctrlKey && !event.metaKey && !event.altKey) {
        const views = [...document.querySelectorAll('.views button[data-view]')];
        const at = views.findIndex((button) => button.classList.contains('on'));
        views[(at + (event.shiftKey ? views.length - 1 : 1)) % views.length].click();
    } else if (event.key === '?') document.getElementById('keys').showModal();
});
