import js from '@eslint/js';
import svelte from 'eslint-plugin-svelte';
import globals from 'globals';
import ts from 'typescript-eslint';

export default ts.config(
  { ignores: ['src/generated/'] },
  js.configs.recommended,
  ...ts.configs.recommended,
  ...svelte.configs.recommended,
  { languageOptions: { globals: globals.browser } },
  // With types where no component is parsed: components are checked by svelte-check, and their types would cost a minute here.
  {
    files: ['**/*.ts'],
    extends: ts.configs.recommendedTypeCheckedOnly,
    languageOptions: { parserOptions: { projectService: true } },
  },
  {
    files: ['**/*.svelte', '**/*.svelte.ts'],
    languageOptions: { parserOptions: { parser: ts.parser } },
    rules: {
      // Addresses are the hash router's, not a framework's.
      'svelte/no-navigation-without-resolve': 'off',
      // Sets and queries are replaced whole, never changed in place.
      'svelte/prefer-svelte-reactivity': 'off',
    },
  },
  {
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      'no-undef': 'off',
    },
  },
);
