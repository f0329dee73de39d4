// Parts of the page that calculate: limits of the axis, places in panels, cells for a spreadsheet, names in the roster.
import { beforeEach, describe, expect, it, vi } from 'vitest';

vi.mock('htmx.org/dist/htmx.esm.js', () => ({ default: { ajax: vi.fn(), process: vi.fn() } }));

const { limit } = await import('../../resources/js/axis.js');
const { positionAt, reordered } = await import('../../resources/js/panels.js');
const { asTabs } = await import('../../resources/js/figures.js');
const { asked, stepTo, written } = await import('../../resources/js/address.js');
const { light, shown } = await import('../../resources/js/light.js');

describe('pulling the axis', () => {
    // 0 to 100 over 200 pixels, from 220 up to 20.
    const scale = { top: '20', bottom: '220', low: '0', high: '100', log: '0' };

    it('brings what was grabbed under the pointer', () => {
        // The value 75, grabbed at 70 and pulled to 120, where half of the height is below it.
        expect(limit(scale, { y: 70, upper: true }, 120)).toBe(150);
        // The value 25, grabbed at 170 and pulled up to 120: the lower limit goes down so that it is there.
        expect(limit(scale, { y: 170, upper: false }, 120)).toBe(-50);
    });

    it('works in ratios on a logarithmic axis', () => {
        const log = { top: '0', bottom: '200', low: '1', high: '100', log: '1' };
        expect(limit(log, { y: 100, upper: true }, 150)).toBe(10000);
    });

    it('has no limit where the axis would never end', () => {
        expect(limit(scale, { y: 70, upper: true }, 215)).toBeNull();
    });
});

describe('panels', () => {
    const panel = { step: '10', from: '36', width: '110' };

    it('know the period under a place', () => {
        expect(positionAt(0, panel)).toBe(36);
        expect(positionAt(14.9, panel)).toBe(37);
        expect(positionAt(15.1, panel)).toBe(38);
        expect(positionAt(115, panel)).toBe(47);
        expect(positionAt(-7, panel)).toBeNull();
        expect(positionAt(117, panel)).toBeNull();
    });

    it('have one period where there is only one', () => {
        expect(positionAt(40, { ...panel, step: '0' })).toBe(36);
    });

    it('are put at another place among the others', () => {
        expect(reordered(['a', 'b', 'c'], 'a', 2)).toEqual(['b', 'c', 'a']);
        expect(reordered(['a', 'b', 'c'], 'c', -1)).toEqual(['c', 'a', 'b']);
        expect(reordered(['a', 'b', 'c'], 'a', 9)).toEqual(['b', 'c', 'a']);
    });
});

describe('figures copied as tabs', () => {
    it('are numbers that a spreadsheet takes, and headings without their arrows', () => {
        document.body.innerHTML = `<table id="t">
            <tr><th>Period</th><th>Veldmere ↓</th></tr>
            <tr><th>Jan 2024</th><td>−1,234.5</td></tr>
            <tr hidden><th>Feb 2024</th><td>7</td></tr>
            <tr><th>Mar 2024</th><td>–</td></tr></table>`;
        expect(asTabs(document.getElementById('t'))).toBe('Period\tVeldmere\nJan 2024\t-1234.5\nMar 2024\t');
    });
});

describe('lighting a line up', () => {
    beforeEach(() => {
        shown.lit = null;
        document.body.innerHTML = `<svg class="chart"><g class="series" data-line="a"></g>
            <g class="series" data-line="b"></g></svg><li data-line="a"></li>`;
    });

    it('lights its name too, and draws it over the others', () => {
        light('a');
        expect([...document.querySelectorAll('.lit')].map((part) => part.tagName.toLowerCase())).toEqual(['g', 'li']);
        expect([...document.querySelectorAll('.series')].map((part) => part.dataset.line)).toEqual(['b', 'a']);
        expect(document.querySelector('.chart').classList.contains('has-lit')).toBe(true);
    });

    it('puts all out again', () => {
        light('a');
        light(null);
        expect(document.querySelectorAll('.lit, .has-lit')).toHaveLength(0);
    });
});

describe('the address', () => {
    it('is read as it is written', () => {
        const seen = { view: 'lines', split: 'entity', open: 'set-panels' };
        expect(asked(written(seen))).toEqual(seen);
        expect(written({ view: 'stack', split: 'none', open: '' })).toBe('?view=stack');
    });

    it('has a step for another view and for an editor, and none for closing it', () => {
        const seen = (view, open = '', split = 'none') => ({ view, split, open });
        expect(stepTo(seen('stack'), seen('lines'))).toBe('push');
        expect(stepTo(seen('lines', '', 'entity'), seen('lines'))).toBe('push');
        expect(stepTo(seen('lines', 'set-axis'), seen('lines'))).toBe('push');
        expect(stepTo(seen('lines', 'set-peers'), seen('lines', 'set-axis'))).toBe('stay');
        expect(stepTo(seen('lines'), seen('lines', 'set-axis'))).toBe('back');
        expect(stepTo(seen('lines'), seen(''))).toBe('stay');
    });

    it('asks for nothing that is no name', () => {
        expect(asked('?view=<b>&split=a b&open=%22]')).toEqual({ view: '', split: '', open: '' });
    });
});
