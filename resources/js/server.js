// Talking to the server: every edit is one request whose answer is the workspace drawn again.
import htmx from 'htmx.org/dist/htmx.esm.js';
import { translated } from './language.js';

/** The preview under way, the timer of the message, how many edits are under way, and the last that was asked for. */
export const requests = {
    preview: undefined,
    telling: undefined,
    underWay: 0,
    /** Edits that were asked for, and those of them that are not answered yet. */
    edits: 0,
    waiting: 0,
    last: Promise.resolve(),
};

export const workspace = () => document.getElementById('workspace');

/** How often a page asks whether another window has changed its study, in milliseconds. */
const EVERY = 3000;

const token = () => JSON.parse(document.body.getAttribute('hx-headers:inherited'))['X-CSRF-TOKEN'];

/** Makes a change of the study. */
export function change(values) {
    return swapped('POST', workspace().dataset.changes, values);
}

export function history(step) {
    return swapped('PUT', workspace().dataset.history, { step });
}

export function redraw() {
    return swapped('GET', workspace().dataset.page, {});
}

/** One after the other: each begins where the one before has led, and htmx would drop the third of three. */
function swapped(method, url, values) {
    requests.last = requests.last
        .catch(() => undefined)
        .then(() => htmx.ajax(method, url, { source: workspace(), target: '#workspace', swap: 'outerMorph', values }))
        .then(answered);
    return requests.last;
}

/** Until no edit is under way: one that waits for another has not been made when htmx says so. */
function answered() {
    if (requests.waiting === 0) return Promise.resolve();
    return new Promise((resolve) => {
        document.addEventListener('htmx:finally:request', () => setTimeout(() => resolve(answered())), { once: true });
    });
}

/** The chart as it would be after a change that is not made; only the latest of several calls is answered. */
export async function previewed(values) {
    requests.preview?.abort();
    requests.preview = new AbortController();
    try {
        const response = await fetch(workspace().dataset.changes, {
            method: 'POST',
            headers: { 'X-CSRF-TOKEN': token(), Accept: 'text/html' },
            body: new URLSearchParams({ ...values, preview: '1' }),
            signal: requests.preview.signal,
        });
        return response.ok ? await response.text() : null;
    } catch {
        return null;
    }
}

export function noPreview() {
    requests.preview?.abort();
}

/** Runs now and after every swap. */
export function always(run) {
    document.addEventListener('htmx:after:swap', run);
    if (document.readyState === 'loading') document.addEventListener('DOMContentLoaded', run);
    else run();
}

export function tell(text) {
    const message = document.getElementById('message');
    if (!message) return;
    message.textContent = text;
    message.classList.toggle('shown', text !== '');
    clearTimeout(requests.telling);
    if (text !== '') requests.telling = setTimeout(() => tell(''), 12000);
}

document.addEventListener('htmx:error', () =>
    tell(translated('No answer from the server. Nothing was lost. Try again later.')),
);
document.addEventListener('htmx:after:swap', () => {
    const message = document.getElementById('message');
    if (message?.classList.contains('shown')) tell(message.textContent);
});
// What fails without a sentence of its own must not replace the page.
document.addEventListener('htmx:before:swap', (event) => {
    const status = event.detail.ctx?.response?.status ?? 200;
    if (status >= 400 && status !== 422 && status !== 409) {
        event.preventDefault();
        const sentence = event.detail.ctx.text ?? '';
        // A page of somebody else's, as of a server in between, is no sentence.
        tell(
            sentence !== '' && !sentence.includes('<')
                ? sentence
                : translated('The server reported an error (:status). Nothing was changed. Try again.', {
                      status: String(status),
                  }),
        );
    }
});
// A field that the user has typed into keeps what was typed; all others show what the study says.
document.addEventListener('htmx:after:swap', () => {
    // Another edit is on its way, and says itself what the fields are to show.
    if (requests.waiting > 1) return;
    for (const field of workspace()?.querySelectorAll('select, input:not([type=hidden]):not([type=search])') ?? []) {
        if (field === document.activeElement && field.tagName === 'INPUT') continue;
        // What is sent by a button is a draft until then.
        if (field.form?.getAttribute('hx-trigger') === 'submit') continue;
        if (field.tagName === 'SELECT') {
            const chosen = [...field.options].findIndex((option) => option.hasAttribute('selected'));
            if (chosen >= 0) field.selectedIndex = chosen;
        } else field.value = field.getAttribute('value') ?? '';
    }
});
/** Of so many regions at most the page says that it has them, so that a request does not become too long. */
const REGIONS = 200;

/** Fingerprints of the regions that the page has. */
function regions() {
    const all = [...document.querySelectorAll('#workspace [data-region]')].slice(0, REGIONS);
    return all.map(({ dataset }) => dataset.region).join();
}
// Where another answer has come between, regions are no longer those that were not sent: all are asked for.
document.addEventListener('htmx:before:swap', ({ detail: { ctx } }) => {
    if (ctx) ctx.isLate = ctx.target?.id === 'workspace' && ctx.has !== regions();
});
document.addEventListener('htmx:after:swap', ({ detail: { ctx } }) => {
    if (!ctx?.isLate) return;
    for (const part of document.querySelectorAll('[data-region]')) part.removeAttribute('data-region');
    redraw();
});
// An edit says which revision it was made on, which editors are to be drawn with the answer, and which regions of the
// page need not be sent if they come out the same.
// It says so when it is sent: edits wait for each other, and each is made on what the one before has led to.
document.addEventListener('htmx:before:request', ({ detail: { ctx } }) => {
    const revision = workspace()?.dataset.revision;
    if (revision) ctx.request.headers['X-Revision'] = revision;
    ctx.request.headers['X-Open'] = [...document.querySelectorAll('.editor:popover-open')].map(({ id }) => id).join();
    ctx.has = ctx.request.headers['X-Has'] = regions();
});
document.addEventListener('htmx:config:request', ({ detail: { ctx } }) => {
    ctx.isEdit = (ctx.request.method ?? 'GET').toUpperCase() !== 'GET';
    requests.edits += ctx.isEdit ? 1 : 0;
    requests.waiting += ctx.isEdit ? 1 : 0;
    ctx.edits = requests.edits;
});
document.addEventListener('htmx:finally:request', ({ detail: { ctx } }) => (requests.waiting -= ctx?.isEdit ? 1 : 0));
// A drawing that was asked for before an edit is not put over what the edit made.
document.addEventListener('htmx:before:swap', (event) => {
    const { ctx } = event.detail;
    const isDrawing = (ctx?.request?.method ?? 'GET').toUpperCase() === 'GET' && ctx?.target?.id === 'workspace';
    if (isDrawing && ctx.edits !== requests.edits) event.preventDefault();
});
document.addEventListener('htmx:after:request', (event) => {
    const form = event.target.closest?.('form[hx-trigger="submit"]');
    const status = event.detail.ctx?.response?.status ?? 500;
    if (form && status < 300) form.reset();
});
document.addEventListener('htmx:before:request', () => (requests.underWay += 1));
document.addEventListener('htmx:finally:request', () => (requests.underWay -= 1));

/** Says so where another window has changed the study since, and shows it when asked to. */
export async function lookBehind() {
    if (!workspace() || document.hidden || requests.underWay > 0) return;
    try {
        const response = await fetch(workspace().dataset.history, { headers: { Accept: 'application/json' } });
        if (!response.ok || requests.underWay > 0) return;
        behind(await response.json());
    } catch {
        // The server is away for a while; an edit will say so.
    }
}

function behind({ revision, version, summary }) {
    const shown = workspace()?.dataset;
    document.getElementById('elsewhere')?.remove();
    if (!shown || (String(revision) === shown.revision && String(version) === shown.version)) return;
    const note = document.createElement('p');
    note.id = 'elsewhere';
    note.setAttribute('role', 'status');
    note.append(
        String(revision) === shown.revision
            ? `${translated('New data are available.')} `
            : `${translated('Changed in another window: :change.', {
                  change: summary ?? translated('an earlier state'),
              })} `,
    );
    const button = document.createElement('button');
    button.type = 'button';
    button.className = 'plain';
    button.textContent = translated('Show');
    button.addEventListener('click', () => {
        note.remove();
        redraw();
    });
    note.append(button);
    document.body.append(note);
}

setInterval(lookBehind, EVERY);
document.addEventListener('submit', (event) => {
    const question = event.target.dataset.confirm;
    if (question && !window.confirm(question)) event.preventDefault();
});
