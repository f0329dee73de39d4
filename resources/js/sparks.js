// A row of the Sparks view opens into Lines, with its line in focus.
import { change } from './server.js';

document.addEventListener('click', async (event) => {
    const row = event.target.closest('[data-draw-row]');
    if (row) return change({ change: 'draw-row', row: row.dataset.drawRow, group: row.dataset.group });
    const opens = event.target.closest('[data-open-line]');
    if (!opens) return;
    const line = opens.dataset.openLine;
    const inFocus = document.querySelector(`#rows [data-line="${CSS.escape(line)}"].f`);
    if (!inFocus) await change({ change: 'state', entity: line, state: 'focus' });
    await change({ change: 'view', view: 'lines' });
});
