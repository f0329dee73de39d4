// In the file that is handed over: names light lines up, the pointer reads points, choices show what was calculated for them.
(() => {
    let kept = null;

    const article = () => document.querySelector('article:not([hidden])');

    function light(key) {
        for (const chart of document.querySelectorAll('.chart')) {
            let found = false;
            for (const part of chart.querySelectorAll('[data-line]')) {
                const lit = key !== null && part.dataset.line === key;
                part.classList.toggle('lit', lit);
                found ||= lit;
            }
            chart.classList.toggle('has-lit', found);
        }
        for (const button of document.querySelectorAll('nav button')) button.setAttribute('aria-pressed', String(button.dataset.line === kept));
    }

    document.addEventListener('click', (event) => {
        const name = event.target.closest('nav button');
        if (name) {
            kept = kept === name.dataset.line ? null : name.dataset.line;
            light(kept);
        }
    });
    document.addEventListener('change', () => {
        const chosen = [...document.querySelectorAll('.choices select')].map((select) => select.value).join(' · ');
        const articles = [...document.querySelectorAll('article')];
        const shown = articles.find((one) => one.dataset.variant === chosen);
        for (const one of shown ? articles : []) one.hidden = one !== shown;
        light(kept);
    });
    for (const [kind, on] of [['pointerover', true], ['focusin', true], ['pointerout', false], ['focusout', false]]) {
        document.addEventListener(kind, (event) => {
            const name = event.target.closest?.('nav button');
            if (name) light(on ? name.dataset.line : kept);
        });
    }

    /** The points of a picture's lines, in the picture's own pixels. */
    function points(picture) {
        picture.points ??= [...picture.querySelectorAll('.series')].flatMap((series) => {
            const path = [...series.querySelectorAll('path[stroke]')].filter((one) => one.getAttribute('stroke') !== 'var(--sheet)').at(-1);
            if (!path?.getAttribute('d')) return [];
            const length = path.getTotalLength();
            const { left, step, from, to } = JSON.parse(picture.dataset.plot);
            const matrix = path.transform.baseVal.getItem(0).matrix;
            const found = [];
            // Walks along the line once, and takes the spot nearest to each period.
            for (let at = 0, position = from; at <= length && position <= to; at += Math.max(0.5, (step * 0.1) / matrix.a)) {
                const spot = path.getPointAtLength(at);
                const x = spot.x * matrix.a;
                while (position <= to && x >= left + (position - from) * step - 0.6) {
                    if (Math.abs(x - (left + (position - from) * step)) <= step * 0.6) found.push({ key: series.dataset.line, position, x, y: spot.y * matrix.a });
                    position++;
                }
            }
            return found;
        });
        return picture.points;
    }

    document.addEventListener('pointermove', (event) => {
        const picture = event.target.closest?.('.picture');
        for (const readout of document.querySelectorAll('.readout')) if (readout.parentElement !== picture) readout.hidden = true;
        if (!picture || !JSON.parse(picture.dataset.plot).step) return;
        const chart = picture.querySelector('.chart');
        const box = chart.getBoundingClientRect();
        const scale = chart.viewBox.baseVal.width / box.width;
        const [x, y] = [(event.clientX - box.left) * scale, (event.clientY - box.top) * scale];
        let best = null;
        for (const point of points(picture)) {
            const far = Math.hypot(point.x - x, point.y - y);
            if (far < 40 && (!best || far < best.far)) best = { ...point, far };
        }
        const readout = picture.querySelector('.readout');
        const about = best && JSON.parse(picture.dataset.readouts)[best.key];
        const said = about?.points[best.position];
        readout.hidden = !said;
        light(best?.key ?? kept);
        if (!said) return;
        readout.textContent = `${about.name}, ${said[0]}\n${said[1]}${said[2] ? `\n${said[2]}` : ''}`;
        readout.style.left = `${Math.min(best.x / scale + 14, box.width - readout.offsetWidth)}px`;
        readout.style.top = `${best.y / scale + 14}px`;
    });
})();
