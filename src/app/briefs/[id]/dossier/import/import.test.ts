import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { listBriefs } from '@/data/brief-list';
import { closePool } from '@/data/database';
import { loadBrief } from '@/data/read-brief';
import { ownDatabase } from '@tests/support/own-database';
import { POST } from './route';

let id = '';
let source = '';
beforeAll(async () => {
  await ownDatabase('import_test', 'demo');
  id = (await listBriefs())[0]!.id;
  source = (await loadBrief(id))!.sources[0]!.title;
});
afterAll(closePool);

const seen = async (value: string) =>
  (await loadBrief(id))!.sightings.filter((sighting) => sighting.value === value).length;
async function send(query: Record<string, string>, value: string) {
  const body = `zone,aspect,source,value\nfin-port,fit,"${source}",${value}\n`;
  const request = new Request(`http://127.0.0.1/import?${new URLSearchParams(query)}`, { method: 'POST', body });
  const response = await POST(request, { params: Promise.resolve({ id }) });
  return { status: response.status, says: ((await response.json()) as { says: string }).says };
}

describe('a table that comes as an act', () => {
  test('twice, since its answer was lost, is taken in once and answered the same', async () => {
    const query = { act: randomUUID(), at: '2026-11-26T18:00:00.000Z' };
    const [first, again] = [await send(query, 'one'), await send(query, 'one')];
    expect(first).toEqual({ status: 200, says: '1 of 1 sighting added.' });
    expect(again).toEqual(first);
    expect(await seen('one')).toBe(1);
  });
  test('by the name of another act is refused in words, and nothing of it is done', async () => {
    const act = randomUUID();
    await send({ act, at: '2026-11-26T18:00:00.000Z' }, 'two');
    const { status, says } = await send({ act, at: '2026-11-26T19:00:00.000Z' }, 'three');
    expect([status, says]).toEqual([409, 'Not taken in; nothing was changed.']);
    expect(await seen('three')).toBe(0);
  });
  test('without a name is an act of its own each time', async () => {
    for (const value of ['four', 'five']) await send({}, value);
    expect([await seen('four'), await seen('five')]).toEqual([1, 1]);
  });
});
