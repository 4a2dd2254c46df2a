import js from '@eslint/js';
import reactHooks from 'eslint-plugin-react-hooks';
import globals from 'globals';
import ts from 'typescript-eslint';

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
      'max-lines-per-function': ['error', { max: 90, skipBlankLines: true, skipComments: true }],
      complexity: ['error', { max: 18, variant: 'modified' }],
      eqeqeq: ['error', 'always', { null: 'ignore' }],
    },
  },
  { files: ['apps/web/**/*.ts', 'apps/web/**/*.tsx'], plugins: { 'react-hooks': reactHooks }, rules: { 'react-hooks/rules-of-hooks': 'error', 'react-hooks/exhaustive-deps': 'error' } },
  // The engine is pure: what it knows comes in as arguments.
  {
    files: ['packages/core/src/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-globals': ['error', 'window', 'document', 'process', 'Buffer', 'fetch', 'setTimeout', 'setInterval', 'performance', 'localStorage', 'console'],
      'no-restricted-properties': ['error', { object: 'Date', property: 'now' }, { object: 'Math', property: 'random' }],
      'no-restricted-imports': ['error', { patterns: ['node:*', 'react*', 'next*', '@inkwell/*'] }],
    },
  },
  { files: ['**/*.cjs', '**/*.mjs', 'bin/**'], languageOptions: { globals: { ...globals.node } } },
  { files: ['**/*.test.ts', '**/*.test.tsx', 'e2e/**'], rules: { 'max-lines-per-function': 'off' } },
);
