import { existsSync, readFileSync } from 'node:fs';
import path from 'node:path';

// Ends a test run with the plain line "N passed, N failed", summed over Jest and Playwright.
const folder = process.argv[2];
const read = (name) => {
  const file = path.join(folder, name);
  return existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : null;
};
const jest = read('jest.json');
const halves = ['playwright-1.json', 'playwright-2.json'].map(read).filter(Boolean);
const inHalves = (count) => halves.reduce((sum, half) => sum + count(half), 0);
const passed = (jest?.numPassedTests ?? 0) + inHalves(({ stats }) => (stats?.expected ?? 0) + (stats?.flaky ?? 0));
// A suite that does not even load counts as one failure.
const failed =
  (jest?.numFailedTests ?? 0) +
  (jest?.numRuntimeErrorTestSuites ?? 0) +
  inHalves(({ stats, errors }) => (stats?.unexpected ?? 0) + (errors?.length ?? 0));
console.log(`${passed} passed, ${failed} failed`);
process.exit(failed === 0 && passed > 0 ? 0 : 1);
