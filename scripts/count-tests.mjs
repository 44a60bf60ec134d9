// Adds up what Jest and Playwright report and prints `N passed, N failed` as the last line.
import { readFileSync } from 'node:fs';

const [unitPath, browserPath] = process.argv.slice(2);
const read = (path) => {
  try {
    return JSON.parse(readFileSync(path, 'utf8'));
  } catch {
    console.error(`${path} is missing: that run did not get far enough to report`);
    return null;
  }
};
const unit = read(unitPath);
const browser = read(browserPath);
const passed = (unit?.numPassedTests ?? 0) + (browser?.stats.expected ?? 0) + (browser?.stats.flaky ?? 0);
const broken = (unit?.numFailedTests ?? 0) + (unit?.numRuntimeErrorTestSuites ?? 0);
const failed =
  broken + (browser?.stats.unexpected ?? 0) + (unit === null ? 1 : 0) + (browser === null ? 1 : 0);
console.log(`${passed} passed, ${failed} failed`);
process.exit(failed === 0 && passed > 0 ? 0 : 1);
