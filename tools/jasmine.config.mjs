export default {
  spec_dir: '.',
  spec_files: [
    'core/**/*.spec.ts',
    'words/**/*.spec.ts',
    'exchange/**/*.spec.ts',
    'server/**/*.spec.ts',
    'cli/**/*.spec.ts',
    'demo/**/*.spec.ts',
  ],
  helpers: ['tools/jasmine.helper.mjs'],
  env: { random: true, failSpecWithNoExpectations: true },
};
