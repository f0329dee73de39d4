// @vitest-environment node
// What the pointer and the arrow keys find among the points that the server gives.
import { describe, expect, it } from 'vitest';
import { column, inRow, nearest, placed, pointAt, pointsOf, raised, stepped } from '../../resources/js/points.js';

// Two lines over the periods 5 to 8, ten pixels apart, in tenths; the second has a gap in period 6.
const given = { x: [[0, 100, 200, 300]], y: { tarrow: [0, [500, 400, 300, 200]], marl: [0, [100, null, 120, 600]] } };
const lines = placed(given, 5, ['marl', 'tarrow']);

describe('points of lines', () => {
    it('counts positions from the first period shown, and leaves gaps out', () => {
        expect(pointsOf(lines.get('marl'))).toEqual([
            { key: 'marl', position: 5, x: 0, y: 10 },
            { key: 'marl', position: 7, x: 20, y: 12 },
            { key: 'marl', position: 8, x: 30, y: 60 },
        ]);
        expect([...lines.keys()]).toEqual(['marl', 'tarrow']);
    });

    it('leaves out lines without a point, and has those of a thicket behind those that are drawn alone', () => {
        const some = { x: [[10], [20]], y: { a: [0, [null]], b: [0, [10]], c: [1, [20]] } };
        const placedThem = placed(some, 0, ['a', 'b', 'unknown']);
        expect([...placedThem.keys()]).toEqual(['c', 'b']);
        expect(pointAt(placedThem.get('c'), 0)).toEqual({ key: 'c', position: 0, x: 2, y: 2 });
        expect(pointAt(placedThem.get('c'), 1)).toBeNull();
        expect(pointAt(undefined, 0)).toBeNull();
    });

    it('finds the nearest point of a path that goes to and fro', () => {
        const path = placed({ x: [[300, 50, 200]], y: { a: [0, [10, 20, 30]] } }, 0);
        expect(nearest(path, 6, 2, 10)).toMatchObject({ key: 'a', position: 1, far: 1 });
    });

    it('finds the row that a place is in, and none between rows', () => {
        const rows = placed({ x: [[0, 900]], y: { a: [0, [null, 200]], b: [0, [null, 600]] } }, 7);
        expect(inRow(rows, 34, 14)).toMatchObject({ key: 'a', position: 8, x: 90 });
        expect(inRow(rows, 35, 14)).toBeNull();
        expect(inRow(rows, 46, 14)).toMatchObject({ key: 'b' });
        expect(inRow(new Map(), 46, 14)).toBeNull();
    });

    it('finds the nearest point in both directions, and none beyond the reach', () => {
        expect(nearest(lines, 12, 36, 42)).toMatchObject({ key: 'tarrow', position: 6, far: Math.hypot(2, 4) });
        expect(nearest(lines, 19, 14, 42)).toMatchObject({ key: 'marl', position: 7 });
        expect(nearest(lines, 30, 103, 42)).toBeNull();
        expect(nearest(lines, 30, 102, 42)).toMatchObject({ key: 'marl', position: 8, far: 42 });
        expect(nearest(new Map(), 0, 0, 42)).toBeNull();
    });

    it('sorts the points of one period from the top down', () => {
        expect(column(lines, 8).map((point) => point.key)).toEqual(['tarrow', 'marl']);
        expect(column(lines, 6).map((point) => point.key)).toEqual(['tarrow']);
    });
});

describe('arrow keys', () => {
    const at = (key, position) => pointAt(lines.get(key), position);

    it('start at the end of the line that is drawn last', () => {
        expect(stepped(lines, null, 'ArrowLeft')).toEqual(at('tarrow', 8));
        expect(stepped(lines, null, 'Home')).toEqual(at('tarrow', 5));
    });

    it('pass over gaps and stay on the line at its ends', () => {
        expect(stepped(lines, at('marl', 5), 'ArrowRight')).toEqual(at('marl', 7));
        expect(stepped(lines, at('marl', 8), 'ArrowRight')).toEqual(at('marl', 8));
        expect(stepped(lines, at('marl', 5), 'ArrowLeft')).toEqual(at('marl', 5));
        expect(stepped(lines, at('marl', 7), 'End')).toEqual(at('marl', 8));
    });

    it('go to the neighbour above and below in the same period', () => {
        expect(stepped(lines, at('tarrow', 7), 'ArrowUp')).toEqual(at('marl', 7));
        expect(stepped(lines, at('tarrow', 8), 'ArrowDown')).toEqual(at('marl', 8));
        expect(stepped(lines, at('marl', 7), 'ArrowUp')).toEqual(at('marl', 7));
    });

    it('are no others', () => {
        expect(stepped(lines, at('marl', 7), 'PageUp')).toBeNull();
        expect(stepped(new Map(), null, 'ArrowLeft')).toBeNull();
    });
});

describe('layers', () => {
    it('change places with a neighbour, and go no further than the ends', () => {
        expect(raised(['a', 'b', 'c'], 'a', 1)).toEqual(['b', 'a', 'c']);
        expect(raised(['a', 'b', 'c'], 'c', 1)).toBeNull();
        expect(raised(['a', 'b', 'c'], 'a', -1)).toBeNull();
        expect(raised(['a'], 'x', 1)).toBeNull();
    });
});
