import js from '@eslint/js';
import globals from 'globals';
import reactHooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

const typed = [
  'packages/*/src/**/*.{ts,tsx}',
  'packages/web/build/*.ts',
  'packages/web/offline/*.ts',
  'packages/*/test/**/*.{ts,tsx}',
  'e2e/**/*.ts',
];

export default tseslint.config(
  { ignores: ['**/dist/', '.cache/', '.data/', 'test-results/', 'playwright-report/'] },
  js.configs.recommended,
  { files: ['**/*.{mjs,cjs}'], languageOptions: { globals: globals.node } },
  // Part of the bench script runs inside the page.
  {
    files: [
      'scripts/bench.mjs',
      'scripts/lib/layoutFigures.mjs',
      'scripts/lib/practicePaint.mjs',
      'scripts/sound.mjs',
      'packages/web/public/*.js',
    ],
    languageOptions: { globals: globals.browser },
  },
  { files: ['scripts/test/**'], languageOptions: { globals: globals.jest } },
  {
    files: typed,
    extends: [tseslint.configs.recommendedTypeChecked],
    languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
    rules: {
      eqeqeq: 'error',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/consistent-type-imports': 'error',
    },
  },
  {
    // Jest's asymmetric matchers are typed any.
    files: ['packages/*/test/**/*.ts'],
    rules: { '@typescript-eslint/no-unsafe-assignment': 'off' },
  },
  {
    files: ['packages/web/src/**/*.tsx', 'packages/web/src/**/*.ts'],
    plugins: { 'react-hooks': reactHooks },
    rules: { 'react-hooks/rules-of-hooks': 'error', 'react-hooks/exhaustive-deps': 'error' },
  },
);
