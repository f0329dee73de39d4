// A short form of the browser tests in the engines that Chromium is not: bin/test --engines.
import assert from 'node:assert/strict';
import { after, before, describe, it } from 'node:test';
import { Firefox, until, WebKit } from './drivers.js';
import { served } from './served.js';

const ESCAPE = '\uE00C';
const BACKSPACE = '\uE003';
const RIGHT = '\uE014';
let application;

before(async () => {
    application = await served();
});
after(() => application?.stop());

for (const [name, engine] of Object.entries({ Firefox, WebKit }))
    describe(name, () => {
        let user;
        before(async () => {
            user = await engine.open();
        });
        after(() => user?.close());

        it('shows the studies, and opens one', async () => {
            await user.go(application.url);
            await user.is('cards with pictures', `document.querySelectorAll('.card svg').length >= 3`);
            await user.is('nothing on its way', `!document.querySelector('.htmx-request')`);
            await user.go(`${application.url}/studies/1`);
            await user.is('24 lines', `document.querySelectorAll('.chart .series').length === 24`);
        });

        it('puts a line in focus, takes it back, and keeps the keyboard', async () => {
            const before = await user.run(`return document.querySelector('.headline').textContent`);
            await user.click('#row-tarrow .pick');
            await user.is('Tarrow in focus', `document.querySelector('#row-tarrow.f')`);
            await user.is('the keyboard in the roster', `document.activeElement.closest('#row-tarrow')`);
            await user.click('[data-history=undo]');
            await user.is('what it was', `!document.querySelector('#row-tarrow.f')`);
            assert.equal(await user.run(`return document.querySelector('.headline').textContent`), before);
        });

        it('adds a calculation, changes it, and says so in the rail', async () => {
            await user.click('[popovertarget=editor-add]');
            await user.click('#editor-add .all button[hx-vals*="rolling"]');
            await user.is('its editor', `document.querySelector('.editor:popover-open select')`);
            await user.sees('.rail', '12-month mean');
            await user.type(ESCAPE);
            await user.is('the editor to be closed', `!document.querySelector('.editor:popover-open')`);
        });

        it('reads what the pointer is at', async () => {
            await user.point('#chart svg', 0.4);
            await user.sees('#readout', '20');
        });

        it('goes through the views and back by the address', async () => {
            for (const view of ['overlay', 'stack', 'scatter', 'sparks', 'figures'])
                await user
                    .click(`[data-view=${view}]`)
                    .then(() => user.is(view, `location.search.startsWith('?view=${view}')`));
            await user.run('history.back()');
            await user.is('the view before', `document.querySelector('[data-view=sparks].on')`);
            await user.click('[data-view=lines]');
            await user.is('lines', `document.querySelector('[data-view=lines].on')`);
        });

        it('opens every editor beside the chart, and closes it', async () => {
            const editors = await user.run(`return [...document.querySelectorAll('.tools [popovertarget]')]
                .map((button) => button.getAttribute('popovertarget'))`);
            assert.ok(editors.length >= 8);
            for (const editor of editors) {
                await user.click(`.tools [popovertarget="${editor}"]`);
                await user.is(editor, `document.getElementById('${editor}').matches(':popover-open')`);
                const free = await user.run(`const box = document.getElementById('${editor}').getBoundingClientRect();
                    return box.left >= -1 && box.right <= innerWidth + 1 && box.bottom <= innerHeight + 1;`);
                assert.ok(free, `${editor} is within the window`);
                await user.type(ESCAPE);
                await user.is(`${editor} closed`, `!document.querySelector('.editor.dock:popover-open')`);
            }
        });

        it('changes the headline where it stands', async () => {
            await user.click('.headline .shown');
            await user.is('the field', `document.activeElement.matches('.headline textarea')`);
            await user.run(`document.activeElement.select()`);
            await user.type(`${BACKSPACE}Halved at Tarrow`);
            await user.type('\uE007');
            await user.sees('.headline', 'Halved at Tarrow');
        });

        it('moves the range by the keyboard, and keeps its place', async () => {
            await user.run(`document.querySelector('#track [role=slider]').focus()`);
            const revision = await user.run(`return document.getElementById('workspace').dataset.revision`);
            await user.type(RIGHT);
            await until('a revision', async () =>
                (await user.run(`return document.getElementById('workspace').dataset.revision`)) !== revision);
            await user.is('the keyboard at the handle', `document.activeElement.getAttribute('role') === 'slider'`);
        });

        it('reports no fault of a script or of the policy', async () => {
            const faults = [...user.problems, ...((await user.run('return window.faults ?? []')) ?? [])];
            assert.deepEqual(faults, []);
        });
    });
