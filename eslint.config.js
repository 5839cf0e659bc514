import js from '@eslint/js';
import prettier from 'eslint-config-prettier';
import reactHooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

/** Packages that each part of the house must not reach. */
const PARTS = [
  {
    files: ['packages/core/**'],
    no: ['@keypost/*', 'react', 'react-*', 'expo*', 'fastify', '@electric-sql/*', 'node:*', '**/apps/**'],
  },
  {
    files: ['packages/api/**'],
    no: ['@keypost/server', '@keypost/app', 'react', 'react-*', 'expo*', 'fastify', 'node:*', '**/apps/**'],
  },
  { files: ['apps/server/**'], no: ['@keypost/app', 'react', 'react-*', 'expo*', '**/apps/app/**'] },
  {
    files: ['apps/app/**'],
    no: [
      '@keypost/server',
      'fastify',
      '@electric-sql/*',
      'node:*',
      '**/apps/server/**',
      'date-fns',
      'date-fns/*',
    ],
    also: [
      {
        group: ['@keypost/core/units'],
        importNames: ['parseIn', 'numberIn'],
        message: 'What is typed is read in the style of the open job: see ui/typedNumbers.ts.',
      },
      {
        group: ['@rn-primitives/radio-group'],
        message: 'By itself it loses arrows on a busy page: see ui/Radios.tsx.',
      },
    ],
  },
];

const restricted = (group, message, also = []) => ['error', { patterns: [{ group, message }, ...also] }];

export default tseslint.config(
  {
    ignores: [
      '**/node_modules/**',
      '**/dist/**',
      '**/.expo/**',
      '.cache/**',
      'test-results/**',
      'apps/app/*.config.js',
      '.dependency-cruiser.cjs',
    ],
  },
  js.configs.recommended,
  ...tseslint.configs.recommended,
  prettier,
  { plugins: { 'react-hooks': reactHooks }, rules: reactHooks.configs.recommended.rules },
  {
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/no-non-null-assertion': 'error',
      'max-lines': ['error', { max: 400, skipBlankLines: true }],
      'max-lines-per-function': ['error', { max: 60, skipBlankLines: true, skipComments: true }],
      complexity: ['error', 24],
      eqeqeq: 'error',
      'no-console': 'off',
    },
  },
  {
    files: ['**/*.test.ts', '**/*.test.tsx', 'e2e/**', 'bench/**', '**/demo/**', '**/catalog/**'],
    rules: { 'max-lines-per-function': 'off' },
  },
  {
    // The solver's innermost loops: a checked entry costs a seventh of all its time.
    files: ['characteristics', 'elimination', 'linear', 'lu', 'newton', 'resistances', 'stamps'].map(
      (name) => `packages/core/src/circuit/${name}.ts`,
    ),
    rules: { '@typescript-eslint/no-non-null-assertion': 'off' },
  },
  {
    files: ['scripts/**', 'eslint.config.js', 'jest.config.js'],
    languageOptions: {
      globals: { Buffer: 'readonly', console: 'readonly', process: 'readonly', URL: 'readonly' },
    },
  },
  ...PARTS.map(({ files, no, also }) => ({
    files,
    rules: {
      'no-restricted-imports': restricted(
        no,
        'This part of the house may not use that one; see docs/architecture.md.',
        also,
      ),
    },
  })),
  {
    // Dates are worded in one place, typed numbers read in one, radios made in one.
    files: ['dates.ts', 'typedNumbers.ts', 'Radios.tsx'].map((name) => `apps/app/src/ui/${name}`),
    rules: { 'no-restricted-imports': 'off' },
  },
  {
    files: ['packages/core/src/**'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-globals': [
        'error',
        'window',
        'document',
        'localStorage',
        'fetch',
        'setTimeout',
        'setInterval',
        'process',
      ],
      'no-restricted-properties': [
        'error',
        { object: 'Math', property: 'random', message: 'The core is deterministic.' },
        { object: 'Date', property: 'now', message: 'The core has no clock.' },
      ],
      'no-restricted-syntax': [
        'error',
        {
          selector: "NewExpression[callee.name='Date'][arguments.length=0]",
          message: 'The core has no clock.',
        },
      ],
    },
  },
);
