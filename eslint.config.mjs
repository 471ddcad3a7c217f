import prettier from 'eslint-config-prettier';
import vue from 'eslint-plugin-vue';
import ts from 'typescript-eslint';
import vueParser from 'vue-eslint-parser';

/* Arrows point down: web and server → contract → core; a subject of core enters another one only by its index. */
const noImports = (patterns) => ({ 'no-restricted-imports': ['error', { patterns }] });

export default ts.config(
  {
    ignores: [
      '**/node_modules/**',
      '**/dist/**',
      '.aspecta/**',
      'test-results/**',
      'playwright-report/**',
      'bench/built*.js',
      '**/*.d.ts',
    ],
  },
  ...ts.configs.recommended,
  ...vue.configs['flat/essential'],
  {
    files: ['**/*.vue'],
    languageOptions: { parser: vueParser, parserOptions: { parser: ts.parser, extraFileExtensions: ['.vue'] } },
    rules: { 'vue/multi-word-component-names': 'off' },
  },
  {
    files: ['**/*.{ts,mts,vue,mjs}'],
    rules: {
      'no-undef': 'off',
      eqeqeq: 'error',
      'no-console': 'error',
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/no-unused-vars': [
        'error',
        { argsIgnorePattern: '^_', varsIgnorePattern: '^_', ignoreRestSiblings: true },
      ],
      '@typescript-eslint/no-unused-expressions': ['error', { allowTernary: true }],
    },
  },
  {
    files: ['core/src/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      ...noImports([
        {
          group: ['@aspecta/*', 'node:*', 'vue*', 'express*', 'typeorm*'],
          message: 'Core stands on nothing of the house and on no platform.',
        },
        { group: ['../*/*', '!../*/index.ts', '!../../*'], message: 'Enter another subject by its index.ts.' },
      ]),
      'no-restricted-globals': ['error', 'window', 'document', 'fetch', 'process', 'performance', 'setTimeout'],
      'no-restricted-properties': [
        'error',
        { object: 'Math', property: 'random', message: 'Randomness is a parameter.' },
        { object: 'Date', property: 'now', message: 'The clock is a parameter.' },
      ],
    },
  },
  {
    files: ['contract/src/**/*.ts'],
    rules: noImports([
      {
        group: ['@aspecta/server*', '@aspecta/web*', 'vue*', 'express*', 'typeorm*'],
        message: 'The contract stands on core only.',
      },
    ]),
  },
  {
    files: ['server/src/**/*.ts'],
    rules: noImports([
      { group: ['@aspecta/web*', 'vue*', 'naive-ui'], message: 'The server knows nothing of the page.' },
    ]),
  },
  {
    // The kit alone speaks to the control library, and makes what a person presses or fills in.
    files: ['web/src/**/*.{ts,vue}'],
    ignores: ['web/src/kit/**'],
    rules: {
      'vue/no-restricted-html-elements': [
        'error',
        ...['button', 'input', 'select', 'textarea', 'dialog', 'table', 'details', 'progress'].map((element) => ({
          element,
          message: `Take it from web/src/kit instead of <${element}>.`,
        })),
      ],
      ...noImports([
        { group: ['naive-ui', 'naive-ui/*'], message: 'Controls come from web/src/kit.' },
        {
          group: ['@aspecta/server*', 'express*', 'typeorm*', 'node:*', '@aspecta/contract/*/schemas', 'joi'],
          message: 'The page knows the contract and core only, and leaves schemas to the server.',
        },
      ]),
    },
  },
  {
    files: ['web/src/kit/**/*.{ts,vue}'],
    rules: noImports([{ group: ['../*', '@aspecta/*'], message: 'The kit knows nothing of the house.' }]),
  },
  prettier,
);
