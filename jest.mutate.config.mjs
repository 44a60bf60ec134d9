import config from './jest.config.mjs';

const [core] = config.projects;

/** The tests of the core alone, with the environment that tells which test runs which line. */
const mutate = {
  ...core,
  testEnvironment: '@stryker-mutator/jest-runner/jest-env/node',
  testTimeout: 300_000,
};
export default mutate;
