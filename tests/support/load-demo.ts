import { spawnSync } from 'node:child_process';

/** Begins every run of the browser tests with nothing but the demo. */
export default function loadDemo() {
  const { status, stderr } = spawnSync('npx', ['--no-install', 'tsx', 'tests/support/reset.ts', 'demo'], {
    encoding: 'utf8',
  });
  if (status !== 0) throw new Error(`the demo could not be loaded: ${stderr}`);
}
