import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
import { chmodSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { expect, test } from '../support/story';

/** One house served twice: ./start as a builder types it, on a folder of its own. */

interface Started {
  process: ChildProcess;
  base: string;
  says: () => string;
}

function start(data: string, env: Record<string, string> = {}): Promise<Started> {
  const { DATABASE_URL: _, ...own } = process.env;
  const child = spawn('./start', ['--empty'], { env: { ...own, HOUSE_DATA: data, WEB_PROCESSES: '1', ...env } });
  let said = '';
  return new Promise((resolve, reject) => {
    const hear = (chunk: Buffer) => {
      said += chunk.toString();
      const base = /Build Brief: (http:\S+)/.exec(said)?.[1];
      if (base) resolve({ process: child, base, says: () => said });
    };
    child.stdout.on('data', hear);
    child.stderr.on('data', hear);
    child.once('exit', () => reject(new Error(`it ended: ${said}`)));
  });
}

async function end({ process: child }: Started) {
  const ended = new Promise((resolve) => child.once('exit', resolve));
  child.kill('SIGTERM');
  await ended;
}

test.describe('./start twice on one house', () => {
  test.setTimeout(180_000);

  test('the second joins and leaves; a database that comes back is found again', async () => {
    const data = mkdtempSync(path.join(tmpdir(), 'buildbrief-two-'));
    chmodSync(data, 0o755);
    const health = async (base: string) => {
      const response = await fetch(`${base}/health`);
      return { status: response.status, says: ((await response.json()) as { says?: string }).says };
    };
    const first = await start(data);
    let third: Started | null = null;
    try {
      const second = await start(data);
      expect(second.says()).toMatch(/joined its database on port \d+/);
      expect(second.base).not.toBe(first.base);
      await end(second);
      expect((await fetch(first.base)).status).toBe(200);
      expect(await health(first.base)).toEqual({ status: 200, says: undefined });

      // The database falls, as when a machine runs out of memory.
      process.kill(Number(readFileSync(path.join(data, 'pg', 'postmaster.pid'), 'utf8').split('\n')[0]), 'SIGQUIT');
      await expect.poll(async () => (await health(first.base)).status).toBe(503);
      expect((await health(first.base)).says).toMatch(/The database does not answer/);
      third = await start(data);
      expect(await health(first.base)).toEqual({ status: 200, says: undefined });
      expect((await fetch(first.base)).status).toBe(200);
    } finally {
      if (third) await end(third);
      await end(first);
      rmSync(data, { recursive: true, force: true });
    }
  });

  test('equal ports and a port that is taken are refused before anything is started', () => {
    const { DATABASE_URL: _, ...own } = process.env;
    const refused = (env: Record<string, string>) =>
      spawnSync('./start', ['--empty', '--bench'], {
        env: { ...own, HOUSE_DATA: '/nonexistent/house', ...env },
        encoding: 'utf8',
      }).stderr;
    expect(refused({ PORT: '3951', BENCH_PORT: '3951' })).toMatch(/PORT and BENCH_PORT are both 3951/);
    const taken = process.env.E2E_PORT ?? '3700';
    expect(refused({ PORT: taken })).toMatch(`Port ${taken} is taken`);
  });
});
