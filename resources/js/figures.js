// In the Figures view, a stop that is pointed at shows its values as they are there.
import { always, change } from './server.js';
import { translated } from './language.js';

/** The table as it came, the stop whose values are in its place, and what rows are filtered by. */
export const table = {
    whole: null,
    wanted: null,
    wanting: '',
};

async function show(stop) {
    const figures = document.getElementById('figures');
    if (!figures || stop === table.wanted) return;
    table.wanted = stop;
    table.whole ??= figures.innerHTML;
    if (stop === null) {
        figures.innerHTML = table.whole;
        table.whole = null;
        return;
    }
    const response = await fetch(`${document.getElementById('workspace').dataset.page}/figures/${stop}`);
    if (!response.ok || table.wanted !== stop) return;
    const html = new DOMParser().parseFromString(await response.text(), 'text/html');
    if (table.wanted === stop) figures.replaceChildren(...html.querySelector('#figures').children);
}

for (const kind of ['pointerover', 'focusin']) {
    document.addEventListener(kind, (event) => {
        const stop = event.target.closest?.('.stop:not(.add) .name');
        if (stop) show(stop.parentElement.id.replace('stop-', ''));
        else if (table.wanted !== null && !event.target.closest?.('.editor')) show(null);
    });
}
document.addEventListener('htmx:after:swap', () => {
    table.whole = null;
    table.wanted = null;
});

// Rows are filtered by their headings, and the table can be taken to a spreadsheet as it is.

function filter() {
    const field = document.getElementById('filter');
    if (!field) return;
    if (field.value === '' && document.activeElement !== field) field.value = table.wanting;
    table.wanting = field.value;
    for (const row of document.querySelectorAll('#figures tbody tr'))
        row.hidden = !row.firstElementChild.textContent.toLowerCase().includes(table.wanting.trim().toLowerCase());
}
always(filter);
document.addEventListener('input', (event) => {
    if (event.target.id === 'filter') filter();
});
/** The rows of a table that are shown, as a spreadsheet takes them: cells between tabs, numbers without separators. */
export function asTabs(table) {
    const cell = (text) =>
        text
            .trim()
            .replace('−', '-')
            .replace(/[↓↑]$/, '')
            .trim()
            .replace(/^–$/, '')
            .replace(/^(-?\d{1,3}(,\d{3})+(\.\d+)?)$/, (number) => number.replaceAll(',', ''));
    return [...table.querySelectorAll('tr:not([hidden])')]
        .map((row) => [...row.children].map((one) => cell(one.textContent)).join('\t'))
        .join('\n');
}

document.addEventListener('click', async (event) => {
    const sorter = event.target.closest('[data-sort]');
    if (sorter)
        change({
            change: 'set',
            part: 'figures',
            'settings[sort]': sorter.dataset.sort,
            'settings[downward]': sorter.dataset.downward,
        });
    const copy = event.target.closest('[data-copy-figures]');
    if (!copy) return;
    try {
        await navigator.clipboard.writeText(asTabs(document.getElementById('figures')));
        copy.textContent = translated('Copied');
    } catch {
        // Without leave to write the clipboard the table is selected, to be copied by hand.
        getSelection().selectAllChildren(document.querySelector('#figures table'));
    }
});
