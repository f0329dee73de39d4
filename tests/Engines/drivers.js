// Firefox over WebDriver BiDi and WebKit over WebDriver, behind the same few steps.
import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import WebSocket from 'ws';

const SECONDS = 20;

/** Asks again and again until there is an answer. */
export async function until(what, ask) {
    let last;
    for (const end = Date.now() + SECONDS * 1000; Date.now() < end; await wait(100)) {
        try {
            const answer = await ask();
            if (answer) return answer;
        } catch (problem) {
            last = problem;
        }
    }
    throw new Error(`Waited ${SECONDS} s for ${what}${last ? `: ${last.message}` : ''}`);
}

function started(command, ...options) {
    const program = spawn(command, options, { stdio: 'ignore' });
    program.on('error', () => undefined);
    return program;
}

/** Moves, clicks and keys, in the form that both protocols share. */
const pointed = (x, y, ...then) => ({
    type: 'pointer',
    id: 'mouse',
    parameters: { pointerType: 'mouse' },
    actions: [{ type: 'pointerMove', x: Math.round(x), y: Math.round(y) }, ...then],
});
const CLICK = [
    { type: 'pointerDown', button: 0 },
    { type: 'pointerUp', button: 0 },
];
const keyed = (keys) => ({
    type: 'key',
    id: 'keys',
    actions: [...keys].flatMap((value) => [
        { type: 'keyDown', value },
        { type: 'keyUp', value },
    ]),
});

/** What a user does, on top of a driver that can go to a page, run a script and perform actions. */
class User {
    /** Once it is still. */
    async middle(selector) {
        let before = '';
        return until(`${selector} to be seen`, async () => {
            const at = await this.place(selector);
            const stands = at !== null && String(at) === before;
            before = String(at);
            return stands ? at : null;
        });
    }

    place(selector) {
        return this.run(`const part = document.querySelector(${JSON.stringify(selector)});
                if (!part) return null;
                part.scrollIntoView({ block: 'nearest' });
                const box = part.getBoundingClientRect();
                const at = [box.x + box.width / 2, box.y + box.height / 2];
                const hit = document.elementFromPoint(...at);
                return box.width > 0 && hit && (part.contains(hit) || hit.contains(part)) ? at : null;`);
    }

    async click(selector) {
        await this.act([pointed(...(await this.middle(selector)), ...CLICK)]);
    }

    async point(selector, part = 0.5) {
        const [x, y] = await this.run(`const box = document.querySelector(${JSON.stringify(selector)})
            .getBoundingClientRect(); return [box.x + box.width * ${part}, box.y + box.height / 2];`);
        await this.act([pointed(x, y)]);
    }

    type(keys) {
        return this.act([keyed(keys)]);
    }

    sees(selector, text) {
        return until(`“${text}” in ${selector}`, () =>
            this.run(`return document.querySelector(${JSON.stringify(selector)})?.textContent
                .replace(/\\s+/g, ' ').includes(${JSON.stringify(text)}) ?? false`),
        );
    }

    is(what, expression) {
        return until(what, () => this.run(`return Boolean(${expression})`));
    }
}

export class Firefox extends User {
    static async open() {
        const user = new Firefox();
        user.profile = mkdtempSync(join(tmpdir(), 'dusk-rail-firefox-'));
        const port = 9300 + Math.floor(Math.random() * 300);
        const browser = process.env.FIREFOX ?? 'firefox-esr';
        user.program = started(
            browser,
            ...['--headless', '--no-remote', '--profile', user.profile],
            ...['--remote-debugging-port', String(port), '--width', '1280', '--height', '800'],
        );
        user.socket = await until('Firefox', () => connected(`ws://127.0.0.1:${port}/session`));
        user.calls = new Map();
        user.problems = [];
        user.socket.on('message', (data) => user.heard(JSON.parse(String(data))));
        await user.send('session.new', { capabilities: {} });
        await user.send('session.subscribe', { events: ['log.entryAdded'] });
        user.context = (await user.send('browsingContext.getTree', {})).contexts[0].context;
        await user.send('browsingContext.setViewport', {
            context: user.context,
            viewport: { width: 1280, height: 800 },
        });
        return user;
    }

    heard({ id, type, result, message, method, params }) {
        if (method === 'log.entryAdded' && params.level === 'error') this.problems.push(params.text);
        const call = this.calls.get(id);
        this.calls.delete(id);
        if (type === 'success') call?.resolve(result);
        else call?.reject(new Error(message));
    }

    send(method, params) {
        const id = (this.last = (this.last ?? 0) + 1);
        return new Promise((resolve, reject) => {
            this.calls.set(id, { resolve, reject });
            this.socket.send(JSON.stringify({ id, method, params }));
        });
    }

    go(url) {
        return this.send('browsingContext.navigate', { context: this.context, url, wait: 'complete' });
    }

    async run(script) {
        const { result, exceptionDetails } = await this.send('script.evaluate', {
            expression: `JSON.stringify((() => { ${script} })() ?? null)`,
            target: { context: this.context },
            awaitPromise: false,
        });
        if (exceptionDetails) throw new Error(exceptionDetails.text);
        return JSON.parse(result.value);
    }

    act(actions) {
        return this.send('input.performActions', { context: this.context, actions });
    }

    async close() {
        this.socket?.close();
        this.program.kill();
        await wait(500);
        rmSync(this.profile, { recursive: true, force: true });
    }
}

export class WebKit extends User {
    static async open() {
        const user = new WebKit();
        const port = 9600 + Math.floor(Math.random() * 300);
        user.problems = [];
        user.program = started('xvfb-run', '-a', 'WebKitWebDriver', `--port=${port}`);
        user.base = `http://127.0.0.1:${port}`;
        await until('WebKitWebDriver', async () => (await fetch(`${user.base}/status`)).ok);
        const browser = process.env.WEBKIT ?? '/usr/lib/x86_64-linux-gnu/webkit2gtk-4.1/MiniBrowser';
        const { sessionId } = await user.send('POST', '/session', {
            capabilities: {
                alwaysMatch: { 'webkitgtk:browserOptions': { binary: browser, args: ['--automation'] } },
            },
        });
        user.base += `/session/${sessionId}`;
        await user.send('POST', '/window/rect', { width: 1280, height: 860 });
        return user;
    }

    async send(method, path, body) {
        const answer = await fetch(this.base + path, { method, body: body && JSON.stringify(body) });
        const { value } = await answer.json();
        if (!answer.ok) throw new Error(value?.message ?? String(answer.status));
        return value;
    }

    async go(url) {
        await this.send('POST', '/url', { url });
        // Errors of the page's own scripts, from here on.
        await this.run(`window.faults ??= []; addEventListener('error', (e) => window.faults.push(e.message));`);
    }

    async run(script) {
        return this.send('POST', '/execute/sync', { script, args: [] });
    }

    act(actions) {
        return this.send('POST', '/actions', { actions });
    }

    async close() {
        await this.send('DELETE', '').catch(() => undefined);
        this.program.kill();
    }
}

function connected(url) {
    return new Promise((resolve, reject) => {
        const socket = new WebSocket(url);
        socket.once('open', () => resolve(socket));
        socket.once('error', reject);
    });
}
