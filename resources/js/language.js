/** Texts by what they are in English, as the page brings them where its language is another. */
const texts = JSON.parse(document.getElementById('texts')?.textContent || '{}');

/**
 * A text in the language of the page.
 *
 * @param {string} text in English; `:name` stands for what `filled` has under that name
 * @param {Record<string, string>} filled
 */
export function translated(text, filled = {}) {
    return (texts[text] ?? text).replace(/:(\w+)/g, (whole, name) => filled[name] ?? whole);
}
