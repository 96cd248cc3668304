import { ChildProcess, fork } from 'node:child_process';
import { setPriority } from 'node:os';
import path from 'node:path';
import type { Helper, HelperName } from '@/workers/helpers';

/** Where each begins, from the root of the checkout. */
const SCRIPTS: Record<HelperName, string> = {
  paper: 'src/paper/brief-pdf.worker.ts',
  pictures: 'src/workers/pictures.worker.ts',
};
/** Nicer than a web process: pages come first. */
const NICE = 10;

/** A process beside this one that does jobs as a thread would, in memory of its own. It ends with this one. */
export function helperProcess(name: HelperName): Helper {
  const child = fork(path.join(process.cwd(), SCRIPTS[name]), {
    serialization: 'advanced',
    stdio: 'ignore',
    execArgv: ['--import', 'tsx', '--max-old-space-size=300'],
    // Memory that was freed goes back to the machine instead of into an arena for each thread.
    env: { ...process.env, MALLOC_ARENA_MAX: '2' },
  });
  if (child.pid) setPriority(child.pid, NICE);
  return Object.assign(child, {
    postMessage: (message: unknown) => void child.send(message as object, () => undefined),
    unref: () => {
      ChildProcess.prototype.unref.call(child);
      child.channel?.unref();
    },
    terminate: () => child.kill(),
  });
}
