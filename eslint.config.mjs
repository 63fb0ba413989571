import angular from 'angular-eslint';
import prettier from 'eslint-config-prettier';
import tseslint from 'typescript-eslint';

/** Each file is linted with the types of the part that it belongs to. */
const PROJECTS = ['node', 'worker', 'spec'].map((part) => `tsconfig.${part}.json`);

export default tseslint.config(
  { ignores: ['dist/', 'node_modules/', '.angular/', 'data/', '.demo-data/', 'docs/', 'test-results/', '.tmp/'] },
  {
    files: ['**/*.ts'],
    extends: [...tseslint.configs.recommendedTypeChecked],
    languageOptions: { parserOptions: { project: PROJECTS } },
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/consistent-type-imports': ['error', { fixStyle: 'inline-type-imports' }],
      '@typescript-eslint/switch-exhaustiveness-check': ['error', { considerDefaultExhaustiveForUnions: true }],
      eqeqeq: 'error',
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
