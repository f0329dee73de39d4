// In the Figures view, a stop that is pointed at shows its figures as they are there.
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
