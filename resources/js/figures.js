// In the Figures view, a stop that is pointed at shows its figures as they are there.
import { always, change } from './server.js';

let whole = null;
let wanted = null;

async function show(stop) {
    const figures = document.getElementById('figures');
    if (!figures || stop === wanted) return;
    wanted = stop;
    whole ??= figures.innerHTML;
    if (stop === null) {
        figures.innerHTML = whole;
        whole = null;
        return;
    }
    const response = await fetch(`${document.getElementById('workspace').dataset.page}/figures/${stop}`);
    if (!response.ok || wanted !== stop) return;
    const html = new DOMParser().parseFromString(await response.text(), 'text/html');
    if (wanted === stop) figures.replaceChildren(...html.querySelector('#figures').children);
}

for (const kind of ['pointerover', 'focusin']) {
    document.addEventListener(kind, (event) => {
        const stop = event.target.closest?.('.stop:not(.add) .name');
        if (stop) show(stop.parentElement.id.replace('stop-', ''));
        else if (wanted !== null && !event.target.closest?.('.editor')) show(null);
    });
}
document.addEventListener('htmx:after:swap', () => {
    whole = null;
    wanted = null;
});

// Rows are filtered by their headings, and the table can be taken to a spreadsheet as it stands.
let wanting = '';

function filter() {
    const field = document.getElementById('filter');
    if (!field) return;
    if (field.value === '' && document.activeElement !== field) field.value = wanting;
    wanting = field.value;
    for (const row of document.querySelectorAll('#figures tbody tr')) row.hidden = !row.firstElementChild.textContent.toLowerCase().includes(wanting.trim().toLowerCase());
}
always(filter);
document.addEventListener('input', (event) => {
    if (event.target.id === 'filter') filter();
});
document.addEventListener('click', async (event) => {
    const sorter = event.target.closest('[data-sort]');
    if (sorter) change({ change: 'set', part: 'figures', 'settings[sort]': sorter.dataset.sort, 'settings[downward]': sorter.dataset.downward });
    const copy = event.target.closest('[data-copy-figures]');
    if (!copy) return;
    const rows = [...document.querySelectorAll('#figures tr:not([hidden])')].map((row) => [...row.children].map((cell) => cell.textContent.trim().replace('−', '-').replace(/[↓↑]$/, '').trim().replace(/^–$/, '').replace(/^(-?\d{1,3}(,\d{3})+(\.\d+)?)$/, (number) => number.replaceAll(',', ''))).join('\t'));
    try {
        await navigator.clipboard.writeText(rows.join('\n'));
        copy.textContent = 'Copied';
    } catch {
        // Without leave to write the clipboard the table is selected, to be copied by hand.
        getSelection().selectAllChildren(document.querySelector('#figures table'));
    }
});
