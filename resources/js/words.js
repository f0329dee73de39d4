// Headline, subtitle and source are written where they are.
const parts = (form) => [form.querySelector('.shown'), form.querySelector('textarea')];

/** What is being written: from an opening brace, or from the bar within brackets, to the caret. */
const begun = (field) =>
    /(\{[^{}]*|(?<=\[[^[\]|]*)\|[^[\]|]*)$/.exec(field.value.slice(0, field.selectionStart))?.[0] ?? null;

function offer(form) {
    const [, field] = parts(form);
    const list = form.querySelector('.completions');
    const start = begun(field);
    const fitting =
        start === null
            ? []
            : JSON.parse(field.dataset.offers).filter(
                  (one) => one.toLowerCase().startsWith(start.toLowerCase()) && one !== start,
              );
    list.replaceChildren(
        ...fitting.slice(0, 7).map((text, i) => {
            const item = document.createElement('li');
            item.role = 'option';
            item.textContent = text;
            item.setAttribute('aria-selected', String(i === 0));
            return item;
        }),
    );
    list.hidden = fitting.length === 0;
}

/** Writes out what was begun. */
function take(form, item) {
    const [, field] = parts(form);
    const start = begun(field) ?? '';
    const at = field.selectionStart - start.length;
    field.setRangeText(item.textContent, at, field.selectionStart, 'end');
    form.querySelector('.completions').hidden = true;
    field.focus();
}

function choose(list, by) {
    const items = [...list.children];
    const now = items.findIndex((item) => item.getAttribute('aria-selected') === 'true');
    items.forEach((item, i) =>
        item.setAttribute('aria-selected', String(i === (now + by + items.length) % items.length)),
    );
}

document.addEventListener('input', (event) => {
    if (event.target.matches?.('.words textarea')) offer(event.target.closest('.words'));
});
document.addEventListener('pointerdown', (event) => {
    const item = event.target.closest?.('.completions li');
    if (!item) return;
    event.preventDefault();
    take(item.closest('.words'), item);
});

function open(form) {
    const [shown, field] = parts(form);
    shown.parentElement.hidden = true;
    field.hidden = false;
    form.querySelector('.mark-up')?.removeAttribute('hidden');
    field.focus();
    field.select();
}

function close(form, back) {
    const [shown, field] = parts(form);
    if (back) field.value = field.defaultValue;
    field.hidden = true;
    for (const help of form.querySelectorAll('.completions, .mark-up')) help.hidden = true;
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
    const list = form.querySelector('.completions');
    if (!list.hidden && ['ArrowDown', 'ArrowUp', 'Tab', 'Enter'].includes(event.key)) {
        event.preventDefault();
        if (event.key.startsWith('Arrow')) choose(list, event.key === 'ArrowDown' ? 1 : -1);
        else take(form, list.querySelector('[aria-selected=true]'));
    } else if (!list.hidden && event.key === 'Escape') {
        list.hidden = true;
    } else if (event.key === 'Enter' && !event.shiftKey) {
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

// What is being written stays, with its caret, while an earlier edit is answered.
let writing;
document.addEventListener('htmx:before:swap', () => {
    const field = document.querySelector('.words textarea:not([hidden])');
    writing = field && {
        part: field.closest('.words').dataset.part,
        text: field.value,
        caret: [field.selectionStart, field.selectionEnd],
    };
});
document.addEventListener('htmx:after:swap', () => {
    const form = writing && document.querySelector(`.words[data-part="${writing.part}"]`);
    if (form) {
        open(form);
        const [, field] = parts(form);
        field.value = writing.text;
        field.setSelectionRange(...writing.caret);
    }
    writing = undefined;
});
