// The address says which view is seen, how it is split, and which editor is open: back, forward and links work.
import { always, change, workspace } from './server.js';

/**
 * How many addresses are being gone to, the last of them, how many steps back are the page's own, and whether a link is
 * being followed: a step back would call that off.
 */
export const going = { under: 0, last: Promise.resolve(), own: 0, away: false };

const EDITOR = '.editor.dock:not(.working)';

/** @returns {{view: string, split: string, open: string}} what an address asks for, empty where it says nothing */
export function asked(search) {
    const query = new URLSearchParams(search);
    const word = (name) => (/^[\w:-]{1,60}$/.test(query.get(name) ?? '') ? query.get(name) : '');
    return { view: word('view'), split: word('split'), open: word('open') };
}

/** What is seen, as the address says it. */
export function written({ view, split, open }) {
    const query = new URLSearchParams({ view });
    if (split !== 'none' && split !== '') query.set('split', split);
    if (open !== '') query.set('open', open);
    return `?${query}`;
}

function seen() {
    const { seen: view, split } = workspace().dataset;
    return { view, split, open: document.querySelector(`${EDITOR}:popover-open`)?.id ?? '' };
}

/** Writes down what is seen. Another view is a step that one can go back; so is an editor that was opened. */
function write() {
    if (!workspace() || going.under + going.own > 0) return;
    const now = seen();
    const old = asked(location.search);
    const address = written(now);
    if (address === location.search) return;
    const step = stepTo(now, old);
    if (step === 'push') history.pushState({ opened: old.view === now.view }, '', address);
    else if (step === 'back' && history.state?.opened && !going.away) {
        going.own += 1;
        history.back();
    } else history.replaceState(step === 'back' ? null : history.state, '', address);
}

/** @returns {'push' | 'back' | 'stay'} what a change of what is seen is in the history */
export function stepTo(now, old) {
    if (old.view === '') return 'stay';
    if (old.view !== now.view || (old.split || 'none') !== now.split) return 'push';
    if (old.open === '') return now.open === '' ? 'stay' : 'push';
    return now.open === '' ? 'back' : 'stay';
}

/** Shows what the address asks for; the study is changed where it is looked at in another way. */
async function show() {
    if (!workspace()) return;
    const { search } = location;
    const wanted = asked(search);
    const now = seen();
    const split = wanted.split || 'none';
    if (wanted.view !== '' && (wanted.view !== now.view || split !== now.split))
        await change({ change: 'view', view: wanted.view, split });
    const editor = wanted.open === '' ? null : document.getElementById(wanted.open);
    if (editor?.matches(EDITOR) && !editor.matches(':popover-open')) editor.showPopover();
    else if (!editor) document.querySelector(`${EDITOR}:popover-open`)?.hidePopover();
    // What the study cannot be shown in is in the address no longer.
    if (wanted.view !== '' && location.search === search) history.replaceState(history.state, '', written(seen()));
}

/** One address after the other, however quickly they are asked for. */
function go() {
    going.under += 1;
    going.last = going.last
        .catch(() => undefined)
        .then(show)
        .finally(() => (going.under -= 1));
}

addEventListener('popstate', () => {
    if (going.own === 0) go();
    else {
        // An editor was closed; what is seen has not been chosen by the address.
        going.own -= 1;
        write();
    }
});
// A press on a link closes the editor that is open before the link is followed.
document.addEventListener('pointerdown', (event) => (going.away = !!event.target.closest?.('a[href]')), true);
document.addEventListener('toggle', (event) => event.target.matches?.(EDITOR) && setTimeout(write), true);
always(() => setTimeout(write));
if (document.readyState === 'loading') document.addEventListener('DOMContentLoaded', go);
else go();
