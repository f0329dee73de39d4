// The pages are the server's, and what is found in them is known by its selector: whatever such an element may be
// asked for is allowed here, so that the check is of our own functions and their docblocks.
interface EventTarget {
    [member: string]: any;
}
interface Event {
    [member: string]: any;
}
interface Document {
    fonts: any;
}

/** In the file that is handed over, from lit-name.js. */
declare function nameLit(chart: SVGSVGElement, key: string | null): void;
