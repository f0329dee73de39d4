// The address says which view is seen, how it is split, and which editor is open: back, forward and links work.
import { always, change, workspace } from './server.js';

/** The address that is being gone to, until the study is drawn as it says. */
export const going = { to: null };

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
    const { view, split } = workspace().dataset;
    return { view, split, open: document.querySelector(`${EDITOR}:popover-open`)?.id ?? '' };
}

/** Writes down what is seen. Another view is a step that one can go back; so is an editor that was opened. */
function write() {
    if (!workspace() || going.to) return;
    const now = seen();
    const old = asked(location.search);
    const address = written(now);
    if (address === location.search) return;
    const isSameView = old.view === now.view && (old.split || 'none') === now.split;
    if (old.view === '' || (isSameView && old.open !== '' && now.open !== ''))
        history.replaceState(history.state, '', address);
    else if (isSameView && now.open === '' && history.state?.opened) history.back();
    else if (isSameView && now.open === '') history.replaceState(null, '', address);
    else history.pushState({ opened: isSameView }, '', address);
}

/** Shows what the address asks for; the study is changed where it is looked at in another way. */
async function go() {
    if (!workspace()) return;
    const wanted = asked(location.search);
    const now = seen();
    const { view, split = 'none' } = { ...wanted, split: wanted.split || 'none' };
    if (view !== '' && (view !== now.view || split !== now.split)) {
        going.to = location.search;
        await change({ change: 'view', view, split });
    }
    const editor = wanted.open === '' ? null : document.getElementById(wanted.open);
    if (editor?.matches(EDITOR) && !editor.matches(':popover-open')) editor.showPopover();
    else if (!editor) document.querySelector(`${EDITOR}:popover-open`)?.hidePopover();
    going.to = null;
    // What the address asks for and the study cannot be shown in stands there no longer.
    if (asked(location.search).view !== '') history.replaceState(history.state, '', written(seen()));
}

addEventListener('popstate', go);
document.addEventListener('toggle', (event) => event.target.matches?.(EDITOR) && setTimeout(write), true);
always(() => setTimeout(write));
if (document.readyState === 'loading') document.addEventListener('DOMContentLoaded', go);
else go();
