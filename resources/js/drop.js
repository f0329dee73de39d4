// Files: chosen or dropped, they go up at once. A running import tells how far it is.
document.addEventListener('change', (event) => {
    if (event.target.matches('.drop input[type=file]')) event.target.form.submit();
});

for (const kind of ['dragover', 'dragleave', 'drop']) {
    document.addEventListener(kind, (event) => {
        const form = event.target.closest?.('.drop') ?? (kind === 'drop' ? document.querySelector('.bring .drop') : null);
        if (!document.querySelector('.drop')) return;
        event.preventDefault();
        form?.classList.toggle('over', kind === 'dragover');
        if (kind === 'drop' && form && event.dataTransfer.files.length) {
            form.querySelector('input[type=file]').files = event.dataTransfer.files;
            form.submit();
        }
    });
}

let asking;
document.addEventListener('htmx:before:request', (event) => {
    const line = event.target.closest?.('.confirm')?.querySelector('.progress-line');
    if (!line) return;
    const ask = async () => {
        const answer = await fetch(line.dataset.progress);
        if (answer.ok && asking) line.textContent = await answer.text();
    };
    asking = setInterval(ask, 400);
});
document.addEventListener('htmx:finally:request', () => {
    clearInterval(asking);
    asking = null;
});
