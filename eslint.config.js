import { builtinModules } from 'node:module';
import js from '@eslint/js';
import prettier from 'eslint-config-prettier';
import svelte from 'eslint-plugin-svelte';
import globals from 'globals';
import ts from 'typescript-eslint';
import svelteConfig from './apps/web/svelte.config.js';
import readNotCast from './scripts/lint/read-not-cast.js';
import rolesNotNames from './scripts/lint/roles-not-names.js';

/** What the core must never reach for: the platform it happens to run on, or anything built on top of it. */
const coreBoundary = {
  files: ['packages/core/src/**/*.ts'],
  ignores: ['**/*.test.ts'],
  rules: {
    'no-restricted-imports': [
      'error',
      {
        paths: builtinModules.map((name) => ({ name, message: 'The core does no input or output.' })),
        patterns: [
          { group: ['node:*'], message: 'The core does no input or output.' },
          {
            group: ['@hulvek/web', '@hulvek/cli', '$lib/*', '$app/*', 'svelte', 'svelte/*', '@sveltejs/*'],
            message: 'The core knows nothing of the programs that use it.',
          },
          { regex: '^(\\.\\./)+(apps|cli|web)/', message: 'The core imports only itself.' },
          {
            regex: '(^|/)texts/en/|^\\./en/',
            message: 'A language is named in one place: import from texts/language.ts.',
          },
        ],
      },
    ],
    'no-restricted-globals': [
      'error',
      ...[
        'window',
        'document',
        'navigator',
        'localStorage',
        'fetch',
        'console',
        'process',
        'Buffer',
        'setTimeout',
        'setInterval',
        'performance',
      ].map((name) => ({ name, message: 'Pass it in as an argument: the core is pure.' })),
    ],
    'no-restricted-properties': [
      'error',
      { object: 'Math', property: 'random', message: 'Pass a seed: the core is deterministic.' },
      { object: 'Date', property: 'now', message: 'Pass the time: the core is deterministic.' },
    ],
  },
};

/** The server answers with documents and words of the line between; what draws pages is not its business. */
const serverBoundary = {
  files: ['apps/web/src/lib/{server,contract}/**/*.ts', 'apps/web/src/worker/**/*.ts'],
  rules: {
    'no-restricted-imports': [
      'error',
      {
        patterns: [
          {
            regex: '(^\\$lib|\\.\\.)/(features|ui|drawing|device|job)/',
            message: 'The server imports its own folder, the contract and the core.',
          },
        ],
      },
    ],
  },
};

/** Marks and drawings know no feature; what a device keeps knows no page. */
const sharedBoundary = {
  files: ['apps/web/src/lib/{ui,drawing,device,job}/**/*.{ts,svelte}'],
  ignores: ['**/*.test.ts'],
  rules: {
    'no-restricted-imports': [
      'error',
      {
        patterns: [
          {
            regex: '^(\\$lib|\\.\\.)/features/',
            message: 'Features import what is shared, not the other way round.',
          },
        ],
      },
    ],
  },
};

/** What judges a computation knows nothing of it: else both could be wrong together. */
const judgesApart = {
  files: ['packages/core/test/references/**/*.ts'],
  rules: {
    'no-restricted-imports': [
      'error',
      {
        patterns: [
          {
            regex: '(^@hulvek/core$|/src/(proofs|findings|plan)/)',
            message: 'A reference imports nothing of what it judges, nor the door behind which that stands.',
          },
        ],
      },
    ],
  },
};

const hulvek = { rules: { 'read-not-cast': readNotCast, 'roles-not-names': rolesNotNames } };

export default ts.config(
  {
    ignores: [
      '**/node_modules/',
      'apps/web/build/',
      '**/.svelte-kit/',
      '.hulvek/',
      'apps/web/drizzle/',
      // Another dialect, checked by its own compiler.
      'packages/core/kernel/*.ts',
      '**/test-results/',
    ],
  },
  js.configs.recommended,
  ...ts.configs.recommended,
  ...svelte.configs.recommended,
  prettier,
  ...svelte.configs.prettier,
  { languageOptions: { globals: { ...globals.browser, ...globals.node } } },
  {
    files: ['**/*.svelte', '**/*.svelte.ts'],
    languageOptions: { parserOptions: { parser: ts.parser, svelteConfig } },
  },
  {
    rules: {
      'no-undef': 'off',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/consistent-type-imports': 'error',
      'svelte/no-navigation-without-resolve': 'off',
      // Documents are replaced, never changed in place: plain Map, Set and Date are read only here.
      'svelte/prefer-svelte-reactivity': 'off',
    },
  },
  coreBoundary,
  { files: ['packages/core/src/texts/language.ts'], rules: { 'no-restricted-imports': 'off' } },
  serverBoundary,
  judgesApart,
  sharedBoundary,
  {
    files: ['apps/web/src/**/*.{ts,svelte}', 'packages/*/src/**/*.ts'],
    ignores: ['**/*.test.ts', 'apps/web/src/lib/device/testing/**'],
    plugins: { hulvek },
    rules: { 'hulvek/read-not-cast': 'error' },
  },
  {
    files: ['apps/web/src/**/*.{ts,svelte}', 'packages/*/src/**/*.ts'],
    ignores: [
      '**/*.test.ts',
      'packages/core/src/{vocabulary,methods,texts,demo}/**',
      'apps/web/src/lib/words/**',
    ],
    plugins: { hulvek },
    rules: { 'hulvek/roles-not-names': 'error' },
  },
);
