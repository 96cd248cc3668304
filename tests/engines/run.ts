import { spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { listBriefs } from '../../src/data/brief-list';
import { closePool } from '../../src/data/database';
import { stand } from '../support/house';
import { firefox } from './firefox';
import { waitFor } from './hand';
import { tellAll, type House } from './thread';
import { webkit } from './webkit';

// `./test engines [WORDS]`: the thread in Firefox and WebKitGTK, against a server that is stopped and started as a story asks.

const PORT = Number(process.env.ENGINES_PORT);
const url = `http://127.0.0.1:${PORT}`;
let server: ChildProcess | null = null;

async function start(): Promise<void> {
  server = spawn('node', ['--import', 'tsx', 'scripts/serve.ts'], {
    env: { ...process.env, PORT: String(PORT), NODE_ENV: 'production' },
    stdio: 'ignore',
  });
  await waitFor('the server', async () => (await fetch(`${url}/health`)).ok);
}
async function stop(): Promise<void> {
  if (!server) return;
  const gone = once(server, 'exit');
  server.kill('SIGTERM');
  await gone;
  server = null;
}

let failed = 0;
let passed = 0;
const only = process.argv.slice(2).join(' ');
try {
  await stand('demo');
  await start();
  for (const open of [firefox, () => webkit(PORT + 1)]) {
    const engine = await open();
    try {
      await stand('demo');
      const brief = (await listBriefs())[0]!.id;
      const house: House = {
        url,
        brief,
        start,
        stop,
        file: async () => (await fetch(`${url}/briefs/${brief}/brief.json`)).json() as ReturnType<House['file']>,
      };
      const told = await tellAll(
        engine,
        house,
        async () => {
          if (!server) await start();
          await stand('demo');
        },
        only,
      );
      passed += told.passed;
      failed += told.failed;
    } finally {
      await engine.close();
    }
  }
} finally {
  await stop();
  await closePool();
}
console.log(`${passed} passed, ${failed} failed`);
process.exitCode = failed > 0 || passed === 0 ? 1 : 0;
