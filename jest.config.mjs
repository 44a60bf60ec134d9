const transform = {
  '^.+\\.(t|j|mj)sx?$': [
    '<rootDir>/scripts/jestTransform.mjs',
    {
      jsc: {
        parser: { syntax: 'typescript', tsx: true },
        transform: { react: { runtime: 'automatic' } },
        target: 'es2022',
      },
      module: { type: 'es6' },
    },
  ],
};

const shared = {
  rootDir: import.meta.dirname,
  moduleNameMapper: { '^@/(.*)$': '<rootDir>/src/$1' },
  extensionsToTreatAsEsm: ['.ts', '.tsx'],
  transform,
  setupFilesAfterEnv: ['<rootDir>/scripts/testSeed.mjs'],
};

const config = {
  globalSetup: '<rootDir>/scripts/testDatabase.mjs',
  // Machines are shared: a test that hangs is found all the same, and a slow minute fails nothing.
  testTimeout: 600_000,
  // Most tests keep one core busy. A process that has grown large starts anew: modules of finished files stay in it.
  maxWorkers: 2,
  workerIdleMemoryLimit: '3GB',
  projects: [
    {
      ...shared,
      displayName: 'core and server',
      testEnvironment: 'node',
      testMatch: ['<rootDir>/{src,demo,benchmarks}/**/*.test.ts'],
    },
    {
      ...shared,
      displayName: 'interface',
      testEnvironment: 'jsdom',
      testMatch: ['<rootDir>/src/**/*.test.tsx'],
      setupFilesAfterEnv: [...shared.setupFilesAfterEnv, '<rootDir>/src/ui/testSetup.ts'],
    },
  ],
};

export default config;
