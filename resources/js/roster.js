// The roster: search, and focus, peer or off by pointer and by keys.
import { always, change } from './server.js';
import { light, show } from './light.js';

/** Rows that are in sight and not drawn yet, the time until they are asked for, and the one the keyboard goes to. */
export const later = { wanted: new Set(), timer: undefined, watcher: null, awaited: null };

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
    const picks = rows().flatMap((row) => row.querySelector('.pick') ?? []);
    const current = picks.includes(to) ? to : (picks.find((pick) => pick.tabIndex === 0) ?? picks[0]);
    for (const pick of document.querySelectorAll('#rows .pick')) pick.tabIndex = pick === current ? 0 : -1;
}

always(() => {
    search();
    rove(document.activeElement);
    show();
    watch();
});

/** The keyboard goes to a row, which may have to be drawn first. */
function go(row) {
    const pick = row?.querySelector('.pick');
    later.awaited = pick ? null : row?.dataset.line;
    if (!pick) return row?.scrollIntoView({ block: 'nearest' });
    pick.focus();
    rove(pick);
}

/** Characters of the keys that are asked for at a time, so that the address does not become too long. */
const ASKED = 3500;

/** Looks out for rows of a long roster that are scrolled to. */
function watch() {
    later.watcher?.disconnect();
    later.wanted.clear();
    const rows = document.querySelectorAll('#rows .later');
    if (rows.length === 0) return;
    later.watcher = new IntersectionObserver(
        (seen) => {
            for (const { target, isIntersecting } of seen)
                later.wanted[isIntersecting ? 'add' : 'delete'](target.dataset.line);
            clearTimeout(later.timer);
            // Whoever scrolls past does not want them.
            if (later.wanted.size > 0) later.timer = setTimeout(ask, 90);
        },
        { root: document.getElementById('rows'), rootMargin: '300px 0px' },
    );
    for (const row of rows) later.watcher.observe(row);
}

async function ask() {
    const list = document.getElementById('rows');
    const keys = [];
    for (const key of later.wanted) {
        if (keys.join().length + key.length > ASKED) break;
        keys.push(key);
        later.wanted.delete(key);
    }
    const address = list.dataset.rows;
    const response = await fetch(`${address}&lines=${keys.map(encodeURIComponent).join()}`).catch(() => null);
    // The study may have been drawn again meanwhile.
    if (!response?.ok || document.getElementById('rows')?.dataset.rows !== address) return;
    for (const [key, row] of Object.entries(await response.json())) {
        const place = document.getElementById(`row-${key.replaceAll(':', '-')}`);
        if (place?.matches('.later')) place.outerHTML = row;
    }
    search();
    rove(document.activeElement);
    show();
    if (later.awaited) go(document.getElementById(`row-${later.awaited.replaceAll(':', '-')}`));
    if (later.wanted.size > 0) ask();
}

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
        go(rows()[0]);
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
        go(list[Math.max(0, Math.min(list.length - 1, to))]);
    }
    if (event.key === 'o' || event.key === 'Delete') list[at]?.querySelector('.away')?.click();
});
