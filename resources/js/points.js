// Points of lines, as the server gives them: pure functions, without a page.

/**
 * A point of a line in a picture's own pixels.
 * @typedef {{key: string, position: number, x: number, y: number}} Point
 */

/**
 * A line's points: x and y by place from the first position shown on; y is NaN where it has no value.
 * @typedef {{key: string, from: number, x: number[], y: Float64Array, ascends: boolean}} Line
 */

/**
 * Lines by key, in the order in which they are drawn.
 *
 * @param {{x?: number[][], y?: Record<string, [number, (number | null)[]]>}} given lists of x, and of each line the
 *     number of its own and its y, in tenths of a pixel
 * @param {number} from the first position shown
 * @param {string[]} order keys of lines; others come before them
 * @returns {Map<string, Line>}
 */
export function placed(given, from, order = []) {
    const lists = (given.x ?? []).map((tenths) => {
        const x = tenths.map((at) => at / 10);
        return { x, ascends: x.every((at, i) => i === 0 || at >= x[i - 1]) };
    });
    const rest = new Set(Object.keys(given.y ?? {}));
    for (const key of order) rest.delete(key);
    const lines = new Map();
    for (const key of [...rest, ...order]) {
        const [list, heights] = given.y?.[key] ?? [0, []];
        const y = Float64Array.from(heights, (at) => (at === null ? NaN : at / 10));
        if (y.some((at) => !Number.isNaN(at))) lines.set(key, { key, from, ...lists[list], y });
    }
    return lines;
}

/**
 * @param {Line | undefined} line
 * @returns {Point | null} null where it has no value
 */
export function pointAt(line, position) {
    const i = position - (line?.from ?? 0);
    if (!line || Number.isNaN(line.y[i] ?? NaN)) return null;
    return { key: line.key, position, x: line.x[i], y: line.y[i] };
}

/**
 * @param {Line | undefined} line
 * @returns {Point[]} those that it has
 */
export function pointsOf(line) {
    return [...(line?.y ?? [])].flatMap((_, i) => pointAt(line, line.from + i) ?? []);
}

/** The first place of an ascending list that is not below a value. */
function lowest(list, value) {
    let [low, high] = [0, list.length];
    while (low < high) {
        const middle = (low + high) >> 1;
        if (list[middle] < value) low = middle + 1;
        else high = middle;
    }
    return low;
}

/**
 * The point next to a place, not farther than so many pixels; of two equally near the one that is drawn first.
 *
 * @param {Map<string, Line>} lines
 * @returns {(Point & {far: number}) | null} with its distance in pixels
 */
export function nearest(lines, x, y, within) {
    let best = null;
    let at = 0;
    let least = within * within;
    // Lines share their x as a rule: which places are near enough is looked up once.
    let looked = null;
    let [first, end] = [0, 0];
    for (const line of lines.values()) {
        if (looked !== line.x) {
            looked = line.x;
            first = line.ascends ? lowest(line.x, x - within) : 0;
            end = line.ascends ? lowest(line.x, x + within + 1e-9) : line.x.length;
        }
        for (let i = first; i < end; i += 1) {
            const dx = line.x[i] - x;
            const dy = line.y[i] - y;
            const far = dx * dx + dy * dy;
            // Nothing is less than NaN.
            if (far < least || (best === null && far <= least)) [best, at, least] = [line, i, far];
        }
    }
    return best && { ...pointAt(best, best.from + at), far: Math.sqrt(least) };
}

/**
 * The point of the row that a place is in, where each line has one row of its own.
 *
 * @param {Map<string, Line>} lines
 * @param {number} within pixels above and below
 * @returns {Point | null}
 */
export function inRow(lines, y, within) {
    let best = null;
    let least = within;
    for (const line of lines.values()) {
        const point = pointsOf(line).at(-1);
        const far = point ? Math.abs(point.y - y) : Infinity;
        if (far <= least) [best, least] = [point, far];
    }
    return best;
}

/**
 * The points of all lines at one position, the uppermost first.
 *
 * @param {Map<string, Line>} lines
 * @returns {Point[]}
 */
export function column(lines, position) {
    return [...lines.values()].flatMap((line) => pointAt(line, position) ?? []).sort((a, b) => a.y - b.y);
}

/**
 * Where an arrow key leads from a point: along its line, or to its neighbour above or below.
 *
 * @param {Map<string, Line>} lines
 * @param {Point | null} current null before any point is read; then it starts at the end of the line drawn last
 * @param {string} key of the keyboard
 * @returns {Point | null} null where the key is none of these
 */
export function stepped(lines, current, key) {
    const line = pointsOf(current ? lines.get(current.key) : [...lines.values()].at(-1));
    if (line.length === 0) return null;
    const last = line.length - 1;
    if (key === 'ArrowUp' || key === 'ArrowDown') {
        const here = current ?? line[last];
        const others = column(lines, here.position);
        const at = others.findIndex((point) => point.key === here.key) + (key === 'ArrowUp' ? -1 : 1);
        return others[Math.max(0, Math.min(others.length - 1, at))] ?? here;
    }
    const here = current ? line.findIndex((point) => point.position === current.position) : last + 1;
    const to = { ArrowLeft: here - 1, ArrowRight: here + 1, Home: 0, End: last }[key];
    return to === undefined ? null : line[Math.max(0, Math.min(last, to))];
}

/**
 * Keys with one moved so many places up or down; null where there is no place to go.
 *
 * @param {string[]} keys
 * @returns {string[] | null}
 */
export function raised(keys, key, by) {
    const at = keys.indexOf(key);
    if (at < 0 || keys[at + by] === undefined) return null;
    const moved = [...keys];
    [moved[at], moved[at + by]] = [moved[at + by], moved[at]];
    return moved;
}
