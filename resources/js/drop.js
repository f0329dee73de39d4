// Files: chosen or dropped, they go up at once.
document.addEventListener('change', (event) => {
    if (event.target.matches('.drop input[type=file]')) event.target.form.submit();
});

for (const kind of ['dragover', 'dragleave', 'drop']) {
    document.addEventListener(kind, (event) => {
        const form =
            event.target.closest?.('.drop') ?? (kind === 'drop' ? document.querySelector('.home .drop') : null);
        if (!document.querySelector('.drop')) return;
        event.preventDefault();
        form?.classList.toggle('over', kind === 'dragover');
        if (kind === 'drop' && form && event.dataTransfer.files.length) {
            form.querySelector('input[type=file]').files = event.dataTransfer.files;
            form.submit();
        }
    });
}
