// The application on the demo, with a database and a storage folder of its own.
import { execFileSync, spawn } from 'node:child_process';
import { closeSync, mkdirSync, mkdtempSync, openSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { until } from './drivers.js';

export async function served() {
    const folder = mkdtempSync(join(tmpdir(), 'dusk-rail-engines-'));
    for (const room of ['app/uploads', 'framework/cache/data', 'framework/sessions', 'framework/views', 'logs'])
        mkdirSync(join(folder, 'storage', room), { recursive: true });
    closeSync(openSync(join(folder, 'test.sqlite'), 'w'));
    const env = {
        ...process.env,
        LARAVEL_STORAGE_PATH: join(folder, 'storage'),
        DB_DATABASE: join(folder, 'test.sqlite'),
        APP_ENV: 'local',
        SESSION_DRIVER: 'file',
        CACHE_STORE: 'file',
    };
    for (const task of [['migrate', '--force'], ['demo:load']])
        execFileSync('php', ['artisan', ...task, '--quiet'], { env });
    const port = 8700 + Math.floor(Math.random() * 200);
    const router = '../vendor/laravel/framework/src/Illuminate/Foundation/resources/server.php';
    const server = spawn(
        'php',
        ['-d', 'opcache.enable=1', '-d', 'variables_order=EGPCS', '-S', `127.0.0.1:${port}`, router],
        { cwd: 'public', env, stdio: 'ignore' },
    );
    const url = `http://127.0.0.1:${port}`;
    await until('the server', async () => (await fetch(`${url}/up`)).ok);
    return {
        url,
        stop() {
            server.kill();
            rmSync(folder, { recursive: true, force: true });
        },
    };
}
