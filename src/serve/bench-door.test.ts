import { spawn, spawnSync } from 'node:child_process';
import { cp, mkdtemp, readFile, rm } from 'node:fs/promises';
import { createServer, request, type Server } from 'node:https';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { connect } from 'node:tls';
import { X509Certificate } from 'node:crypto';
import { afterAll, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import { deviceOf, listDevices, makePairingCode, pairDevice, revokeDevice } from '@/data/bench-devices';
import { closePool, pool } from '@/data/database';
import { ownDatabase } from '@tests/support/own-database';
import { DEVICE_HEADER } from '@/wall/device';
import { benchDoor } from './bench-door';
import { benchCertificate, madeLeaf, type BenchCertificate } from './certificate';

/** The door of the bench: unpaired nothing but the page that pairs, paired the Bench and the Log. */

const BRIEF = '0b0e7b1e-0000-4000-8000-000000000001';
const NAMES = ['127.0.0.1', '10.77.1.1', 'bench.local'];
let folder = '';
let certificate: BenchCertificate;
let door: Server;
let port = 0;

interface Answered {
  status: number;
  headers: Record<string, string | string[] | undefined>;
  body: string;
}

function ask(
  url: string,
  {
    method = 'GET',
    headers = {},
    body = '',
  }: { method?: string; headers?: Record<string, string>; body?: string } = {},
): Promise<Answered> {
  return new Promise((resolve, reject) => {
    const asked = request(
      {
        host: '127.0.0.1',
        port,
        path: url,
        method,
        ca: certificate.root,
        servername: 'localhost',
        headers: { connection: 'close', ...headers },
      },
      (answer) => {
        let text = '';
        answer.on('data', (chunk: Buffer) => (text += chunk.toString()));
        answer.on('end', () => resolve({ status: answer.statusCode!, headers: answer.headers, body: text }));
      },
    );
    asked.on('error', reject);
    asked.end(body);
  });
}
const page = { accept: 'text/html' };
const pair = (code: string, name = 'My phone') =>
  ask('/pair', {
    method: 'POST',
    headers: { origin: `https://127.0.0.1:${port}`, 'content-type': 'application/x-www-form-urlencoded' },
    body: new URLSearchParams({ code, name }).toString(),
  });
const cookieOf = ({ headers }: Answered) => String(headers['set-cookie']).split(';')[0]!;

beforeAll(async () => {
  await ownDatabase('bench_door_test');
  folder = await mkdtemp(path.join(tmpdir(), 'bench-door-'));
  certificate = await benchCertificate(folder, NAMES);
  door = benchDoor({
    certificate,
    hosts: NAMES,
    home: () => Promise.resolve(`/briefs/${BRIEF}/bench`),
    actions: {
      a1: { filename: 'src/actions/mishaps.ts', exportedName: 'takeOnMishap' },
      a2: { filename: 'src/actions/records.ts', exportedName: 'save' },
      a3: { filename: 'src/actions/records.ts', exportedName: 'replay' },
      a4: { filename: 'src/actions/phone.ts', exportedName: 'pairingCode' },
    },
    answer: (asked, answer) => answer.end(`for ${String(asked.headers[DEVICE_HEADER])}`),
  });
  await new Promise<void>((resolve) => door.listen(0, '0.0.0.0', resolve));
  port = (door.address() as AddressInfo).port;
}, 60_000);
beforeEach(() => pool().query('truncate pairing_code, pairing_try, bench_device'));
afterAll(async () => {
  door.closeAllConnections();
  await new Promise((resolve) => door.close(resolve));
  await rm(folder, { recursive: true });
  await closePool();
});

describe('who is not paired', () => {
  test('finds the page that pairs, the root certificate, and nothing else', async () => {
    expect(await ask('/pair')).toMatchObject({ status: 200 });
    expect((await ask('/pair/root.crt')).body).toBe(certificate.root);
    for (const url of [
      '/',
      `/briefs/${BRIEF}/bench`,
      `/briefs/${BRIEF}/log`,
      '/shelf',
      `/briefs/${BRIEF}/brief.json`,
    ]) {
      expect(await ask(url, { headers: page })).toMatchObject({ status: 302, headers: { location: '/pair' } });
      expect((await ask(url)).status).toBe(401);
    }
    for (const url of ['/outbox', '/pictures'])
      expect((await ask(url, { method: 'POST', headers: { origin: `https://127.0.0.1:${port}` } })).status).toBe(401);
    expect((await ask('/_next/static/x.js')).status).toBe(401);
  });
  test('is not let in by a made-up token, a foreign name, or a form of another page', async () => {
    expect((await ask('/health', { headers: { cookie: `__Host-bench=${'a'.repeat(43)}` } })).status).toBe(401);
    expect((await ask('/pair', { headers: { host: 'elsewhere.test' } })).status).toBe(421);
    const code = await makePairingCode();
    const foreign = await ask('/pair', {
      method: 'POST',
      headers: { origin: 'https://elsewhere.test' },
      body: `code=${code}`,
    });
    expect(foreign.status).toBe(403);
    expect(await listDevices()).toEqual([]);
  });
  test('a code guessed a thousand times lets nobody in, and after a few nothing is listened to', async () => {
    const code = await makePairingCode();
    const guesses = Array.from({ length: 1000 }, (_, i) => `GUESS${String(i).padStart(3, '0')}`);
    const statuses: number[] = [];
    for (let i = 0; i < guesses.length; i += 50)
      statuses.push(...(await Promise.all(guesses.slice(i, i + 50).map(async (guess) => (await pair(guess)).status))));
    expect(statuses.filter((status) => status === 403)).toHaveLength(5);
    expect(statuses.filter((status) => status === 429)).toHaveLength(995);
    // The right one comes too late.
    expect((await pair(code)).status).toBe(429);
    expect(await listDevices()).toEqual([]);
  }, 60_000);
  test('many devices that guess are counted together', async () => {
    await makePairingCode();
    const answers = [];
    for (let i = 0; i < 30; i += 1) answers.push(await pairDevice('WRONG', 'x', `10.0.0.${i}`));
    expect(answers.slice(-10).every((answer) => 'refused' in answer && answer.refused === 'too many')).toBe(true);
  });
});

describe('a paired device', () => {
  test('has the Bench and the Log and what they ask for; the rest stays on the computer', async () => {
    const answer = await pair((await makePairingCode()).toLowerCase());
    expect(answer).toMatchObject({ status: 303, headers: { location: `/briefs/${BRIEF}/bench` } });
    expect(String(answer.headers['set-cookie'])).toMatch(/Secure; HttpOnly; SameSite=Lax/);
    const headers = { cookie: cookieOf(answer), [DEVICE_HEADER]: 'somebody else' };
    const [device] = await listDevices();
    for (const url of [
      `/briefs/${BRIEF}/bench`,
      `/briefs/${BRIEF}/log`,
      `/briefs/${BRIEF}/made/fin-port`,
      `/briefs/${BRIEF}/now/bench?shell=1&page=1`,
      `/briefs/${BRIEF}/film`,
      `/briefs/${BRIEF}/history`,
      '/sw.js',
      '/outbox',
      `/outbox?brief=${BRIEF}`,
      '/offline/files',
    ])
      expect(await ask(url, { headers })).toMatchObject({ status: 200, body: `for ${device!.id}` });
    for (const url of [
      `/briefs/${BRIEF}/colours`,
      `/briefs/${BRIEF}/now/colours`,
      `/briefs/${BRIEF}/brief.json`,
      '/shelf',
      '/new',
      '/briefs/import',
    ])
      expect((await ask(url, { headers })).status).toBe(403);
    expect(await ask('/', { headers })).toMatchObject({ status: 302, headers: { location: `/briefs/${BRIEF}/bench` } });
  });
  test('calls the actions of the Bench and the Log, and no other', async () => {
    const cookie = cookieOf(await pair(await makePairingCode()));
    const call = async (action?: string, url = `/briefs/${BRIEF}/bench`) =>
      (
        await ask(url, {
          method: 'POST',
          headers: {
            cookie,
            origin: `https://127.0.0.1:${port}`,
            ...(action ? { 'next-action': action } : {}),
          },
        })
      ).status;
    expect(await call('a1')).toBe(200);
    expect(await call('a2')).toBe(200);
    for (const other of ['a3', 'a4', 'unknown', 'constructor', undefined]) expect(await call(other)).toBe(403);
    expect(await call(undefined, '/outbox')).toBe(200);
  });
  test('is paired once by a code; its token is not kept, and worth nothing once it is let go', async () => {
    const code = await makePairingCode();
    const cookie = cookieOf(await pair(code));
    expect((await pair(code)).status).toBe(403);
    const token = cookie.split('=')[1]!;
    const kept = await pool().query('select * from bench_device');
    expect(JSON.stringify(kept.rows)).not.toContain(token);
    const device = (await deviceOf(token))!;
    expect(device.name).toBe('My phone');
    await revokeDevice(device.id);
    expect((await ask(`/briefs/${BRIEF}/bench`, { headers: { cookie } })).status).toBe(401);
    expect(await listDevices()).toEqual([]);
  });
  test('a code that has run out, or that a newer one replaced, pairs nothing', async () => {
    const first = await makePairingCode();
    const second = await makePairingCode();
    expect((await pair(first)).status).toBe(403);
    await pool().query(`update pairing_code set expires_at = clock_timestamp() - interval '1 second'`);
    expect((await pair(second)).status).toBe(403);
  });
});

describe('the certificate', () => {
  test('is signed by the house’s own root, for all names; kept, and made anew where the computer is called otherwise', async () => {
    const root = new X509Certificate(certificate.root);
    const leaf = new X509Certificate(certificate.cert);
    expect(leaf.verify(root.publicKey)).toBe(true);
    expect(leaf.checkIP('10.77.1.1')).toBe('10.77.1.1');
    expect(leaf.checkHost('bench.local')).toBe('bench.local');
    expect(await benchCertificate(folder, NAMES)).toEqual(certificate);
    const copy = await mkdtemp(path.join(tmpdir(), 'bench-door-'));
    await cp(folder, copy, { recursive: true });
    const moved = await benchCertificate(copy, [...NAMES, '192.168.4.7', '192.0.2.7']);
    expect(moved.root).toBe(certificate.root);
    expect(new X509Certificate(moved.cert).checkIP('192.168.4.7')).toBe('192.168.4.7');
    // An address that all the world can reach is none of this house's.
    expect(new X509Certificate(moved.cert).checkIP('192.0.2.7')).toBeUndefined();
    const renamed = await benchCertificate(copy, [...NAMES, 'attic.local']);
    expect(renamed.root).not.toBe(certificate.root);
    await rm(copy, { recursive: true });
  }, 30_000);
  test('lasts a year, the root no longer, and neither outlives the other', () => {
    const [root, leaf] = [certificate.root, certificate.cert].map((pem) => new X509Certificate(pem));
    const days = (from: string, to: string) => (Date.parse(to) - Date.parse(from)) / 86_400_000;
    expect(days(root!.validFrom, root!.validTo)).toBeLessThan(367);
    expect(Date.parse(leaf!.validTo)).toBeLessThanOrEqual(Date.parse(root!.validTo));
  });
  test.each([
    ['bench.local', null],
    ['bank.example', /permitted subtree violation/],
    ['8.8.8.8', /permitted subtree violation/],
    ['10.77.1.1', null],
  ])('its root signs %s, and a device says to it %s', async (name, refused) => {
    const key = await readFile(path.join(folder, 'root.key'), 'utf8');
    const signed = await madeLeaf({ key, cert: certificate.root }, [name]);
    const server = createServer({ key: signed.key, cert: signed.cert }, (_, response) => response.end('in'));
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
    const { port } = server.address() as AddressInfo;
    const said = await new Promise<string>((resolve) => {
      const socket = connect(
        { port, host: '127.0.0.1', ca: certificate.root, checkServerIdentity: () => undefined },
        () => resolve('trusted'),
      );
      socket.on('error', (error) => resolve(error.message));
    });
    server.close();
    server.closeAllConnections();
    if (refused) expect(said).toMatch(refused);
    else expect(said).toBe('trusted');
  });
});

const ip = (...words: string[]) => spawnSync('ip', words, { encoding: 'utf8' }).status === 0;
const SPACE = `bench${process.pid}`;
/** Another machine, as far as the network goes; only where this one may make such. */
const hasSpaces =
  process.getuid?.() === 0 &&
  ip('netns', 'add', SPACE) &&
  ip('link', 'add', `${SPACE}a`, 'type', 'veth', 'peer', 'name', `${SPACE}b`) &&
  ip('link', 'set', `${SPACE}b`, 'netns', SPACE) &&
  ip('addr', 'add', '10.77.1.1/24', 'dev', `${SPACE}a`) &&
  ip('link', 'set', `${SPACE}a`, 'up') &&
  ip('-n', SPACE, 'addr', 'add', '10.77.1.2/24', 'dev', `${SPACE}b`) &&
  ip('-n', SPACE, 'link', 'set', `${SPACE}b`, 'up');
if (!hasSpaces) ip('netns', 'del', SPACE);
const inSpace = hasSpaces ? describe : describe.skip;
inSpace('from another network namespace', () => {
  afterAll(() => {
    ip('link', 'del', `${SPACE}a`);
    ip('netns', 'del', SPACE);
  });
  test('unpaired there is the pairing page only; loopback is not reached at all', async () => {
    const there = (script: string) =>
      new Promise<string>((resolve) => {
        const child = spawn('ip', ['netns', 'exec', SPACE, process.execPath, '-e', script]);
        let out = '';
        child.stdout.on('data', (chunk: Buffer) => (out += chunk.toString()));
        child.on('close', () => resolve(out.trim()));
      });
    const get = (url: string) =>
      `require('https').get(${JSON.stringify(url)}, { ca: ${JSON.stringify(certificate.root)} }, (a) => { console.log(a.statusCode); a.resume(); }).on('error', (e) => console.log(e.code));`;
    expect(await there(get(`https://10.77.1.1:${port}/pair`))).toBe('200');
    expect(await there(get(`https://10.77.1.1:${port}/briefs/${BRIEF}/bench`))).toBe('401');
    expect(await there(get(`https://127.0.0.1:${port}/pair`))).toMatch(/ECONNREFUSED|ENETUNREACH/);
  }, 30_000);
});
