import { mkdtempSync, rmSync } from 'node:fs';
import { createServer, request as ask, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { text } from 'node:stream/consumers';
import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { doorOf, knownNeighbours, openInnerDoor, passOn, processOf } from './neighbours';

const uuid = fc.uuid();
const LONG = 'ä'.repeat(100_000);

describe('which process answers for an address', () => {
  test('one for all that is asked of a brief, however it is written', () => {
    const paths = ['', '/', '/evidence', '/now/kit?shell=a', '/pictures/1', '?code=x'];
    fc.assert(
      fc.property(uuid, fc.integer({ min: 1, max: 16 }), (id, count) => {
        const answers = [id, id.toUpperCase()].flatMap((name) =>
          [...paths.map((rest) => `/briefs/${name}${rest}`), `/outbox?brief=${name}`].map((url) =>
            processOf(url, count),
          ),
        );
        expect(new Set(answers).size).toBe(1);
        expect(answers[0]).toBeGreaterThanOrEqual(0);
        expect(answers[0]).toBeLessThan(count);
      }),
    );
  });
  test('briefs are spread over all', () => {
    const counts = [0, 0, 0];
    fc.assert(
      fc.property(uuid, (id) => {
        counts[processOf(`/briefs/${id}/kit`, 3)!]! += 1;
      }),
      { numRuns: 300 },
    );
    expect(Math.min(...counts)).toBeGreaterThan(50);
  });
  test.each([
    '/',
    '/new',
    '/outbox',
    '/shelf/catalogue',
    '/briefs/import',
    '/pictures/3d3fa85c-09b5-476b-9c7f-04ddca3f26cd',
  ])('any for %s', (url) => expect(processOf(url, 2)).toBeNull());
  test('a process that is alone, or was told of none, knows no neighbours', () => {
    expect(knownNeighbours({})).toBeNull();
    expect(knownNeighbours({ HOUSE_DOORS: '/tmp/x', HOUSE_COUNT: '1', HOUSE_NUMBER: '0' })).toBeNull();
    expect(knownNeighbours({ HOUSE_DOORS: '/tmp/x', HOUSE_COUNT: '2', HOUSE_NUMBER: '1' })).toEqual({
      folder: '/tmp/x',
      count: 2,
      own: 1,
    });
  });
});

describe('two processes', () => {
  const folder = mkdtempSync(path.join(tmpdir(), 'doors-'));
  const ids = fc.sample(uuid, { numRuns: 40, seed: 3 });
  const [ofFirst, ofSecond] = [0, 1].map((n) => ids.find((id) => processOf(`/briefs/${id}`, 2) === n)!);
  let front: Server;
  let inner: Server;
  let base = '';
  beforeEach(async () => {
    const isPassedOn = passOn({ folder, count: 2, own: 0 });
    front = createServer((request, response) => {
      if (!isPassedOn(request, response)) response.end('first');
    });
    await new Promise<void>((resolve) => front.listen(0, '127.0.0.1', resolve));
    base = `http://127.0.0.1:${(front.address() as AddressInfo).port}`;
    inner = await openInnerDoor({ folder, count: 2, own: 1 }, (request, response) => {
      void (async () => {
        const body = await text(request);
        if (body === 'end') return response.destroy();
        response.writeHead(201, { 'x-said': 'yes', 'set-cookie': ['a=1', 'b=2'] });
        response.end(`second ${request.method} ${request.url} ${request.headers.host} ${body}`);
      })().catch(() => undefined);
    });
  });
  afterEach(async () => {
    for (const server of [front, inner]) {
      server.closeAllConnections();
      await new Promise((resolve) => server.close(resolve));
    }
    rmSync(doorOf(folder, 1), { force: true });
  });
  const post = (body: string) => fetch(`${base}/briefs/${ofSecond}/kit?a=1`, { method: 'POST', body });

  test('each answers for its own; what is asked and what is answered arrive as they were said', async () => {
    expect(await (await fetch(`${base}/briefs/${ofFirst}/kit`)).text()).toBe('first');
    const answer = await post(LONG);
    expect([answer.status, answer.headers.get('x-said')]).toEqual([201, 'yes']);
    expect(answer.headers.getSetCookie()).toEqual(['a=1', 'b=2']);
    expect(await answer.text()).toBe(`second POST /briefs/${ofSecond}/kit?a=1 ${new URL(base).host} ${LONG}`);
  });
  test('while the neighbour is not there, the one that is asked answers', async () => {
    rmSync(doorOf(folder, 1));
    expect(await (await post('b')).text()).toBe('first');
  });
  test('a neighbour that ends as it answers is a refusal that may be tried again, not silence', async () => {
    const answer = await post('end');
    expect(answer.status).toBe(503);
    expect(answer.headers.get('retry-after')).toBe('1');
    expect((await post('b')).status).toBe(201);
  });
  test('who leaves while it is answered takes nobody with him', async () => {
    await new Promise<void>((resolve) => {
      const asked = ask(`${base}/briefs/${ofSecond}/kit`, { method: 'POST' });
      asked.once('error', () => resolve());
      asked.write('half', () => asked.destroy(new Error('left')));
    });
    expect((await post('b')).status).toBe(201);
  });
});
