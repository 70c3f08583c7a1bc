import js from '@eslint/js';
import svelte from 'eslint-plugin-svelte';
import globals from 'globals';
import ts from 'typescript-eslint';

export default ts.config(
  { ignores: ['src/generated/'] },
  js.configs.recommended,
  ...ts.configs.recommended,
  ...ts.configs.recommendedTypeCheckedOnly,
  { languageOptions: { parserOptions: { projectService: true, extraFileExtensions: ['.svelte'] } } },
  ...svelte.configs.recommended,
  { languageOptions: { globals: globals.browser } },
  {
    files: ['**/*.svelte', '**/*.svelte.ts'],
    languageOptions: { parserOptions: { parser: ts.parser } },
    rules: {
      // Addresses are the hash router's, not a framework's.
      'svelte/no-navigation-without-resolve': 'off',
      // Sets and queries are replaced whole, never changed in place.
      'svelte/prefer-svelte-reactivity': 'off',
      // To this parser what a component is generic in, or hands to a function given to it, is of any type; svelte-check
      // knows it, and asks.
      '@typescript-eslint/no-unnecessary-type-assertion': 'off',
      '@typescript-eslint/no-unsafe-argument': 'off',
      '@typescript-eslint/no-unsafe-assignment': 'off',
      '@typescript-eslint/no-unsafe-call': 'off',
      '@typescript-eslint/no-unsafe-member-access': 'off',
      '@typescript-eslint/no-unsafe-return': 'off',
    },
  },
  {
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      'no-undef': 'off',
    },
  },
);
