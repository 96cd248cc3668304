import cluster from 'node:cluster';
import { mkdtempSync, rmSync } from 'node:fs';
import { availableParallelism, tmpdir } from 'node:os';
import path from 'node:path';
import { setFlagsFromString } from 'node:v8';
import { hangUpHelpers } from '@/workers/helpers';
import { serveSimulated } from '@/services/simulated/serve';
import { BENCH_FOLDER, benchCertificate, localNames } from './certificate';
import { quietConsole } from './quiet-console';
import { helperProcess } from './helper-process';
import { doorOf } from './neighbours';
import { listen } from './web';

/**
 * Serves Build Brief on loopback, one process a core: they hold no state of their own. `--dev` serves one process that reloads as one edits.
 * `PORT` is where; `WEB_PROCESSES` how many, where that should not be the number of cores.
 */
const dev = process.argv.includes('--dev');
const port = Number(process.env.PORT ?? 3000);
const wanted = dev ? 1 : Number(process.env.WEB_PROCESSES ?? availableParallelism());

/** How a process ends that finds its port in other hands: whoever starts it may try another. */
const PORT_TAKEN = 98;

async function listenOrLeave(): Promise<void> {
  if (!dev) hangUpHelpers(helperProcess);
  try {
    await listen(port, dev);
  } catch (error) {
    const { code, port: taken } = error as { code?: string; port?: number };
    if (code !== 'EADDRINUSE') throw error;
    process.stderr.write(`Port ${taken} is taken.\n`);
    process.exit(PORT_TAKEN);
  }
}

// Acts come minutes apart: code that lies still meanwhile would be thrown away, and made anew at the next one.
setFlagsFromString('--no-flush-bytecode');
quietConsole();
if (cluster.isPrimary) {
  if (process.env.BENCH_PORT) {
    // Made once, before there are several who would make it.
    const names = localNames();
    await benchCertificate(BENCH_FOLDER, names);
    process.env.ALLOWED_HOSTS = [process.env.ALLOWED_HOSTS, ...names].filter(Boolean).join(',');
  }
  // One set of instruments and of shops for all processes, unless real ones are named.
  if (!process.env.COLORIMETER_URL || !process.env.SHOPS_URL || !process.env.BENCH_SENSOR_URL) {
    const { url } = await serveSimulated();
    process.env.COLORIMETER_URL ??= url;
    process.env.SHOPS_URL ??= url;
    process.env.BENCH_SENSOR_URL ??= url;
  }
  if (wanted === 1) {
    await listenOrLeave();
    for (const signal of ['SIGINT', 'SIGTERM'] as const) process.on(signal, () => process.exit(0));
  } else {
    // A process gives memory back before it takes more.
    cluster.setupPrimary({ execArgv: [...process.execArgv, '--max-old-space-size=170', '--max-semi-space-size=8'] });
    let ending = false;
    // Nobody but the owner of this house may enter the folder of the inner doors.
    const folder = mkdtempSync(path.join(tmpdir(), 'build-brief-doors-'));
    process.on('exit', () => rmSync(folder, { recursive: true, force: true }));
    const begin = (number: number) => {
      const worker = cluster.fork({ HOUSE_DOORS: folder, HOUSE_COUNT: wanted, HOUSE_NUMBER: number });
      worker.once('exit', (code: number | null) => {
        if (ending) return;
        // Until another stands there, its neighbours answer for its briefs.
        rmSync(doorOf(folder, number), { force: true });
        if (code === PORT_TAKEN) {
          ending = true;
          for (const other of Object.values(cluster.workers ?? {})) other?.kill('SIGTERM');
          process.exit(PORT_TAKEN);
        }
        process.stderr.write(`Web process ${worker.process.pid} ended; another takes its place.\n`);
        setTimeout(() => begin(number), 500);
      });
    };
    for (let number = 0; number < wanted; number += 1) begin(number);
    for (const signal of ['SIGINT', 'SIGTERM'] as const)
      process.on(signal, () => {
        ending = true;
        for (const worker of Object.values(cluster.workers ?? {})) worker?.kill(signal);
        setTimeout(() => process.exit(0), 300);
      });
  }
} else await listenOrLeave();
