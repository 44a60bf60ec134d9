// Mutation tests of a folder of the core: `npm run mutate -- src/core/proof`. See docs/testing.md.
const [target = 'src/core'] = (process.env.MUTATE ?? '').split(' ').filter(Boolean);
const files = target.endsWith('.ts') ? target : `${target}/**/*.ts`;

const config = {
  mutate: [files, '!**/*.test.ts', '!**/*.d.ts', '!**/index.ts'],
  testRunner: 'jest',
  testRunnerNodeArgs: ['--experimental-vm-modules', '--no-warnings'],
  jest: { configFile: 'jest.mutate.config.mjs', enableFindRelatedTests: true },
  coverageAnalysis: 'perTest',
  ignoreStatic: true,
  // Words for people are looked at, not tested letter by letter.
  mutator: { excludedMutations: ['StringLiteral'] },
  concurrency: 2,
  timeoutMS: 20_000,
  // A file that everything stands on has most tests of the core as its own.
  dryRunTimeoutMinutes: 30,
  disableTypeChecks: false,
  reporters: ['clear-text', 'progress', 'json'],
  jsonReporter: { fileName: `test-results/mutation-${target.replaceAll('/', '-')}.json` },
  clearTextReporter: { allowColor: false, reportTests: false },
  tempDirName: '.stryker',
  ignorePatterns: ['.next', 'dist/_*', 'test-results', 'data', 'docs', 'e2e'],
};

export default config;
