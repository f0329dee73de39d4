/* global nameLit */
// In the file that is handed over: names light lines up, the pointer reads points, choices show what was calculated for
// them.
(() => {
    let kept = null;

    function light(key) {
        for (const chart of document.querySelectorAll('.chart')) {
            let found = false;
            for (const part of chart.querySelectorAll('[data-line]')) {
                const lit = key !== null && part.dataset.line === key;
                part.classList.toggle('lit', lit);
                found ||= lit;
            }
            chart.classList.toggle('has-lit', found);
            if (chart instanceof SVGSVGElement) nameLit(chart, key);
        }
        for (const button of document.querySelectorAll('nav button'))
            button.setAttribute('aria-pressed', String(button.dataset.line === kept));
    }

    document.addEventListener('click', (event) => {
        const name = event.target.closest('nav button');
        if (name) {
            kept = kept === name.dataset.line ? null : name.dataset.line;
            light(kept);
        }
    });
    document.addEventListener('change', (event) => {
        for (const kind of (event.target.dataset.marks ?? '').split(' ').filter(Boolean))
            document.body.classList.toggle(`no-${kind}`, !event.target.checked);
        const chosen = [...document.querySelectorAll('.choices select')].map((select) => select.value).join(' · ');
        const articles = [...document.querySelectorAll('article')];
        const shown = articles.find((one) => one.dataset.variant === chosen);
        for (const one of shown ? articles : []) one.hidden = one !== shown;
        light(kept);
    });
    for (const kind of ['pointerover', 'focusin', 'pointerout', 'focusout']) {
        const on = kind === 'pointerover' || kind === 'focusin';
        document.addEventListener(kind, (event) => {
            const name = event.target.closest?.('nav button');
            if (name) light(on ? name.dataset.line : kept);
        });
    }

    /** The lists of x, and of each line the number of its own and its y, in tenths of the picture's own pixels. */
    function points(picture) {
        picture.points ??= JSON.parse(picture.dataset.points);
        return picture.points;
    }

    /** The point next to the pointer, with its distance in pixels; null where none is near. */
    function nearest(picture, x, y) {
        let best = null;
        const { x: lists, y: lines } = points(picture);
        const from = Number(picture.dataset.from);
        const near = lists.map((list) => list.flatMap((at, i) => (Math.abs(at / 10 - x) <= 40 ? [i] : [])));
        for (const [key, [list, heights]] of Object.entries(lines)) {
            for (const i of near[list]) {
                if (heights[i] === null || heights[i] === undefined) continue;
                const [atX, atY] = [lists[list][i] / 10, heights[i] / 10];
                const far = Math.hypot(atX - x, atY - y);
                if (far < 40 && (!best || far < best.far)) best = { key, position: from + i, x: atX, y: atY, far };
            }
        }
        return best;
    }

    /** What is said of the points of a line, each with its period where that is not the usual one of its position. */
    function words(picture, key) {
        picture.words ??= new Map();
        if (!picture.words.has(key)) {
            const said = picture.querySelector(`script[data-said="${CSS.escape(key)}"]`);
            picture.words.set(key, said && JSON.parse(said.textContent));
        }
        return picture.words.get(key);
    }

    function say(picture, best, scale, width) {
        const readout = picture.querySelector('.readout');
        const about = best && words(picture, best.key);
        const said = about?.points[best.position];
        readout.hidden = !said;
        light(best?.key ?? kept);
        if (!said) return;
        picture.periods ??= JSON.parse(picture.dataset.periods);
        const period = said[0] || picture.periods[best.position];
        readout.textContent = `${about.name}, ${period}\n${said[1]}${said[2] ? `\n${said[2]}` : ''}`;
        readout.style.left = `${Math.min(best.x / scale + 14, width - readout.offsetWidth)}px`;
        readout.style.top = `${best.y / scale + 14}px`;
    }

    document.addEventListener('pointermove', (event) => {
        const picture = event.target.closest?.('.picture');
        for (const readout of document.querySelectorAll('.readout'))
            if (readout.parentElement !== picture) readout.hidden = true;
        if (!picture) return;
        const chart = picture.querySelector('.chart');
        const box = chart.getBoundingClientRect();
        const scale = chart.viewBox.baseVal.width / box.width;
        const best = nearest(picture, (event.clientX - box.left) * scale, (event.clientY - box.top) * scale);
        say(picture, best, scale, box.width);
    });
})();
