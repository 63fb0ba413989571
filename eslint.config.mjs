import angular from 'angular-eslint';
import prettier from 'eslint-config-prettier';
import { createTypeScriptImportResolver } from 'eslint-import-resolver-typescript';
import boundaries from 'eslint-plugin-boundaries';
import { importX } from 'eslint-plugin-import-x';
import tseslint from 'typescript-eslint';

/** Which room may import which; what is not listed is forbidden. */
const DIRECTIONS = {
  core: ['core'],
  words: ['core', 'words'],
  exchange: ['core', 'words', 'exchange'],
  demo: ['core', 'words', 'exchange', 'demo'],
  server: ['core', 'words', 'exchange', 'server', 'demo'],
  cli: ['core', 'words', 'exchange', 'cli', 'server', 'demo'],
  web: ['core', 'words', 'web'],
  e2e: ['core', 'words', 'e2e', 'demo', 'web'],
  bench: ['core', 'words', 'bench', 'demo', 'e2e'],
  tools: ['core', 'words', 'web', 'tools'],
};

/** Each file is linted with the types of the part that it belongs to. */
const PROJECTS = ['node', 'app', 'worker', 'spec', 'e2e'].map((part) => `tsconfig.${part}.json`);

export default tseslint.config(
  { ignores: ['dist/', 'node_modules/', '.angular/', 'data/', '.demo-data/', 'docs/', 'test-results/', '.tmp/'] },
  {
    files: ['**/*.ts'],
    extends: [...tseslint.configs.recommendedTypeChecked],
    languageOptions: { parserOptions: { project: PROJECTS } },
    plugins: { boundaries, 'import-x': importX },
    settings: {
      'boundaries/elements': Object.keys(DIRECTIONS).map((room) => ({ type: room, pattern: room })),
      'import/resolver': { typescript: { project: ['tsconfig.json'] } },
      ...importX.flatConfigs.typescript.settings,
      'import-x/resolver-next': [createTypeScriptImportResolver({ project: ['tsconfig.json'] })],
    },
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/consistent-type-imports': ['error', { fixStyle: 'inline-type-imports' }],
      '@typescript-eslint/switch-exhaustiveness-check': ['error', { considerDefaultExhaustiveForUnions: true }],
      'import-x/no-cycle': 'error',
      eqeqeq: 'error',
      'boundaries/dependencies': [
        'error',
        {
          default: 'disallow',
          policies: [
            ...Object.entries(DIRECTIONS).map(([room, allowed]) => ({
              from: { element: { type: room } },
              allow: { to: { element: { types: { anyOf: allowed } } } },
            })),
            { from: { element: { type: '*' } }, allow: { to: { module: { origin: 'external' } } } },
            { from: { element: { type: '*' } }, allow: { to: { module: { origin: 'core' } } } },
          ],
        },
      ],
    },
  },
  {
    files: ['core/**/*.ts'],
    ignores: ['**/*.spec.ts', 'core/testing/**'],
    rules: {
      'no-restricted-imports': [
        'error',
        { patterns: [{ regex: '^(?!zod$|\\.)', message: 'core imports zod, and nothing else from outside.' }] },
      ],
      'no-restricted-globals': ['error', 'setTimeout', 'setInterval', 'performance', 'process', 'window', 'document'],
      'no-restricted-properties': [
        'error',
        { object: 'Date', property: 'now', message: 'core knows no clock: pass the time in.' },
        { object: 'Math', property: 'random', message: 'core knows no chance: pass a random generator in.' },
      ],
    },
  },
  {
    files: ['web/**/*.ts'],
    extends: [...angular.configs.tsRecommended],
    processor: angular.processInlineTemplates,
    rules: {
      '@angular-eslint/component-selector': [
        'error',
        { type: ['element', 'attribute'], prefix: 'jl', style: 'kebab-case' },
      ],
      '@angular-eslint/directive-selector': ['error', { type: 'attribute', prefix: 'jl', style: 'camelCase' }],
      '@angular-eslint/prefer-on-push-component-change-detection': 'error',
    },
  },
  {
    files: ['web/**/*.html'],
    extends: [...angular.configs.templateRecommended, ...angular.configs.templateAccessibility],
    rules: {
      // Controls of PrimeNG, and our own, hold an input of their own.
      '@angular-eslint/template/label-has-associated-control': [
        'error',
        { controlComponents: ['jl-number', 'p-select', 'p-checkbox'] },
      ],
    },
  },
  {
    // Replies of a server and of pages are of no type here; what is expected of them is what the spec says.
    files: ['**/*.spec.ts', '**/testing/**/*.ts', 'e2e/**/*.ts', 'bench/**/*.ts'],
    rules: {
      '@typescript-eslint/no-unsafe-assignment': 'off',
      '@typescript-eslint/no-unsafe-member-access': 'off',
      '@typescript-eslint/no-unsafe-argument': 'off',
      '@typescript-eslint/no-unsafe-return': 'off',
      '@typescript-eslint/no-unsafe-call': 'off',
      // What stands in for something that takes its time promises as it does.
      '@typescript-eslint/require-await': 'off',
    },
  },
  prettier,
);
