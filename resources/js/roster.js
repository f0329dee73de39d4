// The roster: search, and focus, peer or off by pointer and by keys.
import { always, change } from './server.js';
import { light, show } from './light.js';

const rows = () => [...document.querySelectorAll('#rows .row:not([hidden])')];

function search() {
    const find = document.getElementById('find');
    if (!find) return;
    const wanted = find.value.trim().toLowerCase();
    let shown = 0;
    for (const row of document.querySelectorAll('#rows .row')) {
        row.hidden = !row.dataset.name.includes(wanted);
        shown += row.hidden ? 0 : 1;
    }
    for (const list of document.querySelectorAll('#rows ul')) {
        const heading = list.previousElementSibling;
        if (heading?.tagName === 'H2') heading.hidden = !list.querySelector('.row:not([hidden])');
    }
    document.querySelector('#rows .nothing').hidden = shown > 0;
}

/** One row can be reached by Tab; the arrows go on from there. */
function rove(to) {
    const picks = rows().map((row) => row.querySelector('.pick'));
    const current = picks.includes(to) ? to : (picks.find((pick) => pick.tabIndex === 0) ?? picks[0]);
    for (const pick of document.querySelectorAll('#rows .pick')) pick.tabIndex = pick === current ? 0 : -1;
}

always(() => {
    search();
    rove(document.activeElement);
    show();
});

document.addEventListener('input', (event) => {
    if (event.target.id === 'find') {
        search();
        rove();
    }
});
document.addEventListener('click', (event) => {
    const button = event.target.closest('[data-change=state]');
    if (button) {
        const { entity, state } = button.dataset;
        change({ change: 'state', entity, state });
    }
    if (event.target.closest('[data-drawer]')) document.body.classList.toggle('drawer-open');
    else if (!event.target.closest('.roster')) document.body.classList.remove('drawer-open');
});
for (const kind of ['pointerover', 'focusin']) {
    document.addEventListener(kind, (event) => {
        const row = event.target.closest?.('#rows .row');
        if (row) light(row.dataset.line);
        else if (event.target.closest?.('.roster')) light(null);
    });
}
document.addEventListener('pointerout', (event) => {
    if (event.target.closest?.('.roster') && !event.relatedTarget?.closest?.('.roster')) light(null);
});
document.addEventListener('focusout', (event) => {
    if (event.target.closest?.('#rows')) light(null);
});
document.addEventListener('keydown', (event) => {
    if (event.target.id !== 'find') return;
    if (event.key === 'ArrowDown' || event.key === 'Enter') {
        event.preventDefault();
        rows()[0]?.querySelector('.pick').focus();
    }
    if (event.key === 'Escape') {
        event.target.value = '';
        search();
    }
});
document.addEventListener('keydown', (event) => {
    if (!event.target.closest?.('#rows')) return;
    const list = rows();
    const at = list.indexOf(event.target.closest('.row'));
    const to = { ArrowDown: at + 1, ArrowUp: at - 1, Home: 0, End: list.length - 1 }[event.key];
    if (to !== undefined) {
        event.preventDefault();
        const pick = list[Math.max(0, Math.min(list.length - 1, to))]?.querySelector('.pick');
        pick?.focus();
        if (pick) rove(pick);
    }
    if (event.key === 'o' || event.key === 'Delete') list[at]?.querySelector('.away').click();
});
