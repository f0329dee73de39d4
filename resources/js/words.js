// Headline, subtitle and source are written where they stand.
const parts = (form) => [form.querySelector('.shown'), form.querySelector('textarea')];

function open(form) {
    const [shown, field] = parts(form);
    shown.parentElement.hidden = true;
    field.hidden = false;
    field.focus();
    field.select();
}

function close(form, back) {
    const [shown, field] = parts(form);
    if (back) field.value = field.defaultValue;
    field.hidden = true;
    shown.parentElement.hidden = false;
}

function keep(form) {
    const [shown, field] = parts(form);
    if (field.hidden) return;
    const changed = field.value.trim() !== field.defaultValue.trim();
    close(form, !changed);
    if (changed) {
        shown.textContent = field.value.trim() || '…';
        form.requestSubmit();
    }
}

document.addEventListener('click', (event) => {
    const shown = event.target.closest('.words .shown');
    if (shown) open(shown.closest('.words'));
});
document.addEventListener('keydown', (event) => {
    const form = event.target.closest?.('.words');
    if (!form || event.target.tagName !== 'TEXTAREA') return;
    if (event.key === 'Enter' && !event.shiftKey) {
        event.preventDefault();
        keep(form);
        form.querySelector('.shown').focus();
    } else if (event.key === 'Escape') {
        close(form, true);
        form.querySelector('.shown').focus();
    }
});
document.addEventListener('focusout', (event) => {
    if (event.target.matches?.('.words textarea')) keep(event.target.closest('.words'));
});
