import { afterAll, afterEach, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import { BLANK_LOG_ENTRY } from '@/core/kept/blank';
import { loadBrief } from '@/data/read-brief';
import { closePool } from '@/data/database';
import { DEVICE_HEADER } from '@/wall/device';
import { requestHeaders } from '@tests/support/next-request';
import { ownDatabase } from '@tests/support/own-database';
import { stamp } from '@tests/support/stamp';
import { testBrief } from '@tests/support/test-brief';

/** What a paired device may write, whatever door let it in. */

const { redo, remove, replay, save, undo } = await import('./records');
const { benchPhones } = await import('./phone');

let briefId = '';
const atBench = () => requestHeaders.set(DEVICE_HEADER, 'a phone');
const faults = (result: object) =>
  'faults' in result ? (result.faults as { says: string }[]).map(({ says }) => says) : [];
const entry = {
  ...BLANK_LOG_ENTRY,
  stepKey: 'other:1',
  title: 'Dusted',
  lane: '',
  plannedMinutes: null,
  actualMinutes: 5,
  startedAt: '2026-11-20T18:00:00.000Z',
  endedAt: '2026-11-20T18:05:00.000Z',
};
const saving = (entity: string, fields: object, station = 'log') =>
  save({ act: stamp(), briefId, station, entity, id: null, version: null, fields });

beforeAll(() => ownDatabase('of_device_test'));
beforeEach(async () => {
  briefId = await testBrief();
});
afterEach(() => requestHeaders.delete(DEVICE_HEADER));
afterAll(closePool);

describe('a paired device', () => {
  test('writes into the log', async () => {
    atBench();
    const kept = await saving('log_entry', entry);
    expect(kept.ok).toBe(true);
    expect((await loadBrief(briefId))!.log.map(({ title }) => title)).toEqual(['Dusted']);
  });

  test('changes nothing else: no part, no source, no brief, nothing whole, no phone', async () => {
    atBench();
    const before = await loadBrief(briefId);
    for (const result of [
      await saving('part', { number: '1' }, 'kit'),
      await saving('source', { title: 'x' }, 'evidence'),
      await remove({ act: stamp(), briefId, station: 'kit', entity: 'part', id: crypto.randomUUID(), version: 1 }),
      await replay({ stamp: stamp(), briefId, station: 'markings', added: [], updated: [], removed: [] }),
      await benchPhones(),
    ])
      expect(faults(result).join()).toMatch(/computer/);
    expect(await loadBrief(briefId)).toEqual(before);
  });

  test('takes out what it may write, and the work that came in at the bench', async () => {
    atBench();
    await saving('log_entry', entry);
    const [line] = (await loadBrief(briefId))!.log;
    const takeOut = (entity: string, { id, version }: { id: string; version: number }) =>
      remove({ act: stamp(), briefId, station: 'bench', entity, id, version });
    expect((await takeOut('log_entry', line!)).ok).toBe(true);
    expect((await undo({ briefId, act: stamp() })).ok).toBe(true);
    const unknown = { id: crypto.randomUUID(), version: 1 };
    for (const entity of ['work_run', 'mishap'])
      expect(faults(await takeOut(entity, unknown)).join()).not.toMatch(/computer/);
    expect(faults(await takeOut('weekly_session', unknown)).join()).toMatch(/computer/);
  });

  test('takes back what was done at the bench, not what the computer did after it', async () => {
    await saving('log_entry', entry);
    const weekly = await saving('weekly_session', { weekday: 2, startsAt: '19:30', minutes: 90, booth: true }, 'route');
    expect(faults(weekly)).toEqual([]);
    atBench();
    expect((await undo({ briefId, act: stamp() })).ok).toBe(true);
    // It is the bench's to do again, too.
    expect(await redo({ briefId, act: stamp() })).toMatchObject({ ok: true, value: { undone: { station: 'log' } } });
    expect((await undo({ briefId, act: stamp() })).ok).toBe(true);
    const state = (await loadBrief(briefId))!;
    expect(state.log).toEqual([]);
    expect(state.sessions).toHaveLength(1);
  });
});
