import { spawnSync } from 'node:child_process';

/** Loads the demo once for all stories of a run: each begins with a copy of it. */
export default function loadDemo() {
  const { status, stderr } = spawnSync('npx', ['--no-install', 'tsx', 'tests/support/reset.ts'], {
    encoding: 'utf8',
  });
  if (status !== 0) throw new Error(`the demo could not be loaded: ${stderr}`);
}
