/**
 * Writes the name of a lit line at its end, where the picture has none there.
 *
 * Also part of the file that is handed over, as it is: so it uses nothing of the page.
 *
 * @param {SVGSVGElement} chart
 * @param {string | null} key of the line; null for none
 */
export function nameLit(chart, key) {
    for (const old of chart.querySelectorAll('.lit-name')) old.remove();
    const ofLine = (what) => [...chart.querySelectorAll(what)].filter((part) => part.dataset.line === key);
    const series = key === null ? undefined : ofLine('.series').at(-1);
    if (!series?.dataset.name || series.closest('.panel') || ofLine('.end-label, .name').length > 0) return;
    const drawn = [...series.querySelectorAll('path, circle')].filter((part) => !part.closest('.point-mark'));
    let [x, y] = [-Infinity, 0];
    for (const part of drawn) {
        const box = part.getBBox();
        const end =
            part instanceof SVGPathElement
                ? part.getPointAtLength(part.getTotalLength())
                : { x: box.x + box.width / 2, y: box.y };
        const at = new DOMPoint(end.x, end.y).matrixTransform(
            chart.getScreenCTM().inverse().multiply(part.getScreenCTM()),
        );
        if (at.x >= x) [x, y] = [at.x, at.y];
    }
    if (!Number.isFinite(x)) return;
    const name = document.createElementNS(chart.namespaceURI, 'text');
    name.setAttribute('class', 'lit-name');
    name.textContent = series.dataset.name;
    chart.append(name);
    const wide = name.getBBox().width;
    const room = chart.viewBox.baseVal.width || chart.clientWidth;
    const isOut = x + 8 + wide > room;
    name.setAttribute('x', String(isOut ? Math.max(0, x - 6 - wide) : x + 8));
    name.setAttribute('y', String(Math.max(12, isOut ? y - 8 : y + 4)));
}
