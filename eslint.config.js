import js from '@eslint/js';
import globals from 'globals';

export default [
    { ignores: ['public/', 'vendor/', 'storage/', 'node_modules/'] },
    js.configs.recommended,
    {
        languageOptions: { ecmaVersion: 2023, sourceType: 'module', globals: globals.browser },
        rules: {
            complexity: ['error', 15],
            eqeqeq: 'error',
            'max-len': ['error', { code: 120, ignoreUrls: true }],
            'no-var': 'error',
            'prefer-const': 'error',
        },
    },
    { files: ['*.config.js', 'tests/Engines/*.js'], languageOptions: { globals: globals.node } },
];
