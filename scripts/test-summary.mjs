import { existsSync, readFileSync } from 'node:fs';
import path from 'node:path';

// Ends a test run with the plain line "N passed, N failed", summed over Jest and Playwright.
const folder = process.argv[2];
const read = (name) => {
  const file = path.join(folder, name);
  return existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : null;
};
const jest = read('jest.json');
const playwright = read('playwright.json');
const passed = (jest?.numPassedTests ?? 0) + (playwright?.stats?.expected ?? 0) + (playwright?.stats?.flaky ?? 0);
// A suite that does not even load counts as one failure.
const failed =
  (jest?.numFailedTests ?? 0) +
  (jest?.numRuntimeErrorTestSuites ?? 0) +
  (playwright?.stats?.unexpected ?? 0) +
  (playwright?.errors?.length ?? 0);
console.log(`${passed} passed, ${failed} failed`);
process.exit(failed === 0 && passed > 0 ? 0 : 1);
