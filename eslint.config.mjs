import js from '@eslint/js';
import reactHooks from 'eslint-plugin-react-hooks';
import globals from 'globals';
import ts from 'typescript-eslint';
import { recordKeys } from './lint/recordKeys.mjs';

export default ts.config(
  { ignores: ['**/.next*/**', '**/node_modules/**', '**/next-env.d.ts', '.inkwell/**', 'test-results/**'] },
  js.configs.recommended,
  ...ts.configs.recommended,
  {
    files: ['**/*.ts', '**/*.tsx'],
    languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
    rules: {
      '@typescript-eslint/no-floating-promises': 'error',
      '@typescript-eslint/no-misused-promises': 'error',
      '@typescript-eslint/switch-exhaustiveness-check': ['error', { considerDefaultExhaustiveForUnions: true }],
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_' }],
      'max-lines-per-function': ['error', { max: 110, skipBlankLines: true, skipComments: true }],
      'max-len': [
        'error',
        {
          code: 140,
          ignoreStrings: true,
          ignoreTemplateLiterals: true,
          ignoreRegExpLiterals: true,
          ignorePattern: '^\\s*<|>.*</|eslint-disable',
        },
      ],
      complexity: ['error', { max: 18, variant: 'modified' }],
      eqeqeq: ['error', 'always', { null: 'ignore' }],
    },
  },
  // Words of the input are no keys of records: every object has a "constructor".
  {
    files: ['packages/*/src/**/*.ts', 'apps/**/*.ts', 'apps/**/*.tsx', 'demo/src/**/*.ts'],
    ignores: ['**/*.test.ts', '**/*.test.tsx', 'packages/core/src/source/lookup.ts'],
    plugins: { inkwell: { rules: { 'record-keys': recordKeys } } },
    rules: { 'inkwell/record-keys': 'error' },
  },
  {
    files: ['apps/web/**/*.ts', 'apps/web/**/*.tsx'],
    plugins: { 'react-hooks': reactHooks },
    rules: { 'react-hooks/rules-of-hooks': 'error', 'react-hooks/exhaustive-deps': 'error' },
  },
  // The engine is pure: what it knows comes in as arguments.
  {
    files: ['packages/core/src/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-globals': [
        'error',
        'window',
        'document',
        'process',
        'Buffer',
        'fetch',
        'setTimeout',
        'setInterval',
        'performance',
        'localStorage',
        'console',
      ],
      'no-restricted-properties': ['error', { object: 'Date', property: 'now' }, { object: 'Math', property: 'random' }],
      'no-restricted-imports': ['error', { patterns: ['node:*', 'react*', 'next*', '@inkwell/*'] }],
    },
  },
  // SQL lives in the store and in the queue; whoever else asks calls what they offer.
  {
    files: ['packages/review/src/**/*.ts', 'packages/formats/src/**/*.ts', 'apps/**/*.ts', 'apps/**/*.tsx', 'demo/src/**/*.ts'],
    ignores: ['**/*.test.ts', '**/testing/**'],
    rules: {
      'no-restricted-imports': ['error', { patterns: ['kysely', 'pg'] }],
      'no-restricted-syntax': [
        'error',
        {
          selector: 'MemberExpression[property.name=/^(selectFrom|insertInto|updateTable|deleteFrom)$/]',
          message: 'SQL lives in the store.',
        },
      ],
    },
  },
  // Links of our own fetch nothing ahead (ui/Link); this comes after the rule above, and says it again.
  {
    files: ['apps/web/**/*.tsx'],
    ignores: ['apps/web/ui/Link.tsx'],
    rules: { 'no-restricted-imports': ['error', { patterns: ['kysely', 'pg', 'next/link'] }] },
  },
  // Markup is tall and says little a line.
  { files: ['**/*.tsx'], rules: { 'max-lines-per-function': ['error', { max: 130, skipBlankLines: true, skipComments: true }] } },
  { files: ['**/*.cjs', '**/*.mjs', 'bin/**'], languageOptions: { globals: { ...globals.node } } },
  { files: ['**/*.test.ts', '**/*.test.tsx', 'e2e/**'], rules: { 'max-lines-per-function': 'off' } },
);
