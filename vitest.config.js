import { defineConfig } from 'vitest/config';

export default defineConfig({
    test: { include: ['tests/Script/*.test.js'], environment: 'jsdom' },
});
