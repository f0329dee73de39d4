// Points of lines, as the server gives them: pure functions, without a page.

/**
 * A point of a line in a picture's own pixels.
 * @typedef {{key: string, position: number, x: number, y: number}} Point
 */

/**
 * Points by line, in the order in which the lines are drawn.
 *
 * @param {Record<string, ([number, number] | null)[]>} given x and y from the first position shown on, by line
 * @param {number} from the first position shown
 * @param {string[]} order keys of lines; others come after them
 * @returns {Map<string, Point[]>}
 */
export function placed(given, from, order = Object.keys(given)) {
    const lines = new Map();
    for (const key of order) {
        const points = (given[key] ?? []).flatMap((at, i) =>
            at ? [{ key, position: from + i, x: at[0], y: at[1] }] : [],
        );
        if (points.length > 0) lines.set(key, points);
    }
    return lines;
}

/**
 * The point next to a place, not farther than so many pixels; of two equally near the one that is drawn first.
 *
 * @param {Map<string, Point[]>} lines
 * @returns {(Point & {far: number}) | null} with its distance in pixels
 */
export function nearest(lines, x, y, within) {
    let best = null;
    let least = within * within;
    for (const points of lines.values()) {
        for (const point of points) {
            const dx = point.x - x;
            if (dx > within || dx < -within) continue;
            const dy = point.y - y;
            const far = dx * dx + dy * dy;
            if (far < least || (best === null && far <= least)) [best, least] = [point, far];
        }
    }
    return best && { ...best, far: Math.sqrt(least) };
}

/**
 * The points of all lines at one position, the uppermost first.
 *
 * @param {Map<string, Point[]>} lines
 * @returns {Point[]}
 */
export function column(lines, position) {
    return [...lines.values()]
        .flatMap((points) => points.filter((point) => point.position === position))
        .sort((a, b) => a.y - b.y);
}

/**
 * Where an arrow key leads from a point: along its line, or to its neighbour above or below.
 *
 * @param {Map<string, Point[]>} lines
 * @param {Point | null} current null before any point is read; then it starts at the end of the line drawn last
 * @param {string} key of the keyboard
 * @returns {Point | null} null where the key is none of these
 */
export function stepped(lines, current, key) {
    const line = current ? lines.get(current.key) : [...lines.values()].at(-1);
    if (!line) return null;
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
