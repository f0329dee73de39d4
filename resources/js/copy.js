// The picture on the clipboard, as PNG, as large as it would be handed over.
import { translated } from './language.js';
import { tell } from './server.js';

/** @param {HTMLFormElement} form that says the size and the resolution */
export function addressOf(base, form) {
    const query = new URLSearchParams();
    for (const [name, value] of new FormData(form)) query.set(name, String(value));
    return `${base}?${query}`;
}

document.addEventListener('click', async (event) => {
    const button = event.target.closest?.('[data-copy-image]');
    if (!button) return;
    const said = button.textContent;
    button.disabled = true;
    try {
        // The picture may come later than the click: a browser takes the promise of one.
        const picture = fetch(addressOf(button.dataset.copyImage, button.form)).then((answer) => {
            if (!answer.ok) throw new Error(String(answer.status));
            return answer.blob();
        });
        await navigator.clipboard.write([new ClipboardItem({ 'image/png': picture })]);
        button.textContent = translated('Copied');
        setTimeout(() => (button.textContent = said), 4000);
    } catch {
        tell(translated('The image could not be copied. Save it as PNG instead.'));
    }
    button.disabled = false;
});
