// Editors and menus are under what they belong to, and stay open while their study is drawn again.
import htmx from 'htmx.org/dist/htmx.esm.js';
import { tell } from './server.js';
import { translated } from './language.js';

/** The editor that was open before a swap, and the menu that something was chosen from. */
export const editors = {
    open: undefined,
    chosen: undefined,
    /** What had the keyboard before a swap, by id, and the editor that it was in. */
    held: null,
    /** The timer of what the pointer rests on. */
    coming: undefined,
};

/** Milliseconds after which the pointer does not just pass over a button. */
const RESTS = 60;

function place(popover) {
    // Beside or under the chart, which gives way.
    const body = document.querySelector('.body');
    if (popover.matches('.dock') && body) {
        document.documentElement.style.setProperty('--dock-top', `${body.getBoundingClientRect().top}px`);
        return;
    }
    const opener = document.querySelector(`[popovertarget="${popover.id}"]`);
    if (!opener) return;
    const at = opener.getBoundingClientRect();
    // Its width is not that which the old place left to it.
    popover.style.left = '0';
    popover.style.top = `${Math.min(at.bottom + 4, innerHeight - popover.offsetHeight - 8)}px`;
    popover.style.left = `${Math.max(8, Math.min(at.left - 2, innerWidth - popover.offsetWidth - 12))}px`;
}

/** Whether something is being typed that has not been sent; it must not be lost. */
function isTyping(part) {
    const field = document.activeElement;
    return (
        part.contains(field) &&
        field.matches('input.input') &&
        field.value !== field.defaultValue &&
        field.value !== field.dataset.sent
    );
}
document.addEventListener('change', (event) => {
    if (event.target.matches('.editor input.input')) event.target.dataset.sent = event.target.value;
});

/** What is being fetched into editors, and what of it was asked for before they were opened. */
const fetched = new WeakMap();
const early = new WeakMap();

/** What an editor only shows once it is open. */
async function fill(popover) {
    await Promise.all([...popover.querySelectorAll('[data-lazy]')].map(filled));
    place(popover);
}

/** Puts into one part what it is to hold, and into what came what that is to hold in turn. */
async function filled(part) {
    const coming = fetch(part.dataset.lazy);
    fetched.set(part, coming);
    const response = await coming;
    const text = response.ok ? await response.text() : null;
    // Another request for it has been sent meanwhile, or the study is drawn again.
    if (text === null || fetched.get(part) !== coming || !part.isConnected || isTyping(part)) return;
    const held = part.contains(document.activeElement) ? document.activeElement.id : '';
    const opened = [...part.querySelectorAll('details')].map((details) => details.open);
    part.innerHTML = text;
    htmx.process(part);
    part.querySelectorAll('details').forEach((details, i) => {
        details.open = opened[i] ?? false;
    });
    if (held) document.getElementById(held)?.focus();
    await Promise.all([...part.querySelectorAll('[data-lazy]')].map(filled));
}

/** Fetches what is in an editor before it is opened: the pointer is on its button already. */
function ahead(event) {
    const id = event.target.closest?.('[popovertarget]')?.getAttribute('popovertarget');
    const part = id && document.querySelector(`#${id} > .inside[data-lazy]:empty`);
    if (!part || fetched.has(part)) return;
    early.set(part, filled(part));
    early.get(part).catch(() => fetched.delete(part));
}
document.addEventListener('pointerover', (event) => {
    clearTimeout(editors.coming);
    editors.coming = setTimeout(() => ahead(event), RESTS);
});

/** What was fetched shows the study as it was: editors that are closed fetch it again. */
function empty() {
    for (const part of document.querySelectorAll('.editor:not(:popover-open) > .inside[data-lazy]')) {
        fetched.delete(part);
        early.delete(part);
        part.replaceChildren();
    }
}

document.addEventListener(
    'toggle',
    (event) => {
        if (event.target.matches?.('.dock')) {
            place(event.target);
            dispatchEvent(new Event('resize'));
            // On a telephone the editor comes from below, and the chart is above it.
            if (innerWidth <= 720 && event.newState === 'open')
                document.getElementById('chart')?.scrollIntoView({ block: 'start' });
        }
        if (!event.target.matches?.('.editor:not(.working)') || event.newState !== 'open') return;
        place(event.target);
        opened(event.target);
    },
    true,
);

async function opened(popover) {
    const inside = popover.querySelector(':scope > .inside');
    if (inside?.dataset.lazy && inside.childElementCount > 0) {
        // Fetched ahead.
        place(popover);
        first(popover);
        return;
    }
    if (inside?.childElementCount !== 0) first(popover);
    // What is on its way already is waited for.
    await (early.get(inside) ?? fill(popover)).catch(() => undefined);
    if (inside?.childElementCount === 0)
        tell(translated('No answer from the server. Close the editor, and open it again.'));
    place(popover);
    if (inside && popover.matches(':popover-open') && !popover.contains(document.activeElement)) first(popover);
}

/** The keyboard goes to the first field. */
function first(popover) {
    popover.querySelector('select, input:not([type=hidden]), button, a')?.focus();
}

// An editor that is closed while an answer is on its way is not opened again by it.
document.addEventListener(
    'beforetoggle',
    (event) => {
        if (event.newState === 'closed' && event.target.id === editors.open) editors.open = undefined;
    },
    true,
);

// A slider says where it is while it is moved; at the end of its way it sets no limit.
for (const kind of ['input', 'change']) {
    document.addEventListener(
        kind,
        (event) => {
            if (!event.target.matches?.('input.slider')) return;
            const { value, nextElementSibling: limit, dataset } = event.target;
            limit.value = value === event.target[dataset.end] ? '' : value;
            limit.nextElementSibling.textContent =
                limit.value === ''
                    ? translated('none')
                    : Number(Number(value).toPrecision(4)).toLocaleString(
                          document.documentElement.dataset.locale || 'en',
                      );
        },
        true,
    );
}

document.addEventListener('htmx:before:swap', (event) => {
    const active = document.activeElement;
    editors.held = active === document.body ? null : { id: active.id, editor: active.closest('.editor')?.id };
    editors.chosen = event.detail.ctx?.sourceElement?.closest?.('.menu');
    editors.open = document.querySelector('.editor:not(.working):popover-open')?.id;
});
document.addEventListener('htmx:after:swap', () => {
    empty();
    const added = document.querySelector('.editor[data-open]');
    const popover = added ?? (editors.open && document.getElementById(editors.open));
    added?.removeAttribute('data-open');
    // A menu has done its work once something was chosen from it.
    if (editors.chosen) document.querySelector('.menu:popover-open')?.hidePopover();
    // What was opened meanwhile stays, and what was closed stays closed.
    const other = document.querySelector('.editor:not(.working):popover-open');
    if (!popover || (editors.chosen && !added) || (!added && other && other !== popover)) return;
    if (!popover.matches(':popover-open')) popover.showPopover();
    else fill(popover);
    // Once it has the size of what came.
    requestAnimationFrame(() => place(popover));
});
// What had the keyboard has it again, where an engine or a disabled button lost it.
document.addEventListener('htmx:after:swap', () => {
    if (!editors.held || document.activeElement !== document.body) return;
    const { id, editor } = editors.held;
    const same = id ? document.getElementById(id) : null;
    const near = editor && document.querySelector(`#${editor}:popover-open .acts button:not(:disabled)`);
    if (same && !same.disabled) same.focus();
    else near?.focus();
});
addEventListener('resize', () => {
    const popover = document.querySelector('.editor:not(.working):popover-open');
    if (popover) place(popover);
});
