import { defineConfig } from 'vite';
import laravel from 'laravel-vite-plugin';

export default defineConfig({
    plugins: [laravel({ input: ['resources/css/app.scss', 'resources/js/app.js'], refresh: false })],
    build: {
        rolldownOptions: {
            output: {
                // The library stays apart from our own code, whose size has a budget.
                advancedChunks: { groups: [{ name: 'htmx', test: /node_modules[\\/]htmx/ }] },
            },
        },
    },
});
