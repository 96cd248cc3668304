import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import { tellAll } from '@tests/support/house';
import { ownDatabase } from '@tests/support/own-database';
import type { Fields } from '@/core/kept/records';
import { newBrief } from '@/core/kept/new-brief';
import type { BriefState } from '@/core/kept/state';
import { newAct, perform, type ActWriter } from './acts';
import { createBrief } from './briefs';
import { closePool, pool } from './database';
import { knownAt, knownBrief, MOST_BYTES, remember } from './known';
import { loadBrief, type LoadedBrief } from './read-brief';
import { revisionOf } from './revisions';
import { snapshotOf } from './snapshot';
import { tryOut } from './try-out';

/** What a process remembers of a brief is what is kept of it, whoever wrote it. */

beforeAll(() => ownDatabase('known_test'));
afterAll(closePool);

let briefId: string;
beforeEach(async () => {
  briefId = (await createBrief(newBrief('2026-11-23'))).value;
});

const event = (zone: string): Fields<'paint_event'> => ({
  zone,
  onDay: '1951-05-08',
  kind: 'repaint',
  value: '',
  showsUnder: false,
  note: '',
});
const act = <T>(work: (writer: ActWriter) => Promise<T>) => perform(newAct(briefId, 'evidence'), work);
const zonesIn = (state: { events: { zone: string }[] } | null) => state!.events.map(({ zone }) => zone).sort();
const knownNow = async () => knownAt(briefId, (await revisionOf(pool(), briefId))!.number);

describe('within an act', () => {
  test('the brief stands with what the act wrote already; what it did not write are the very objects of before', async () => {
    await act(async (writer) => {
      const before = (await writer.brief())!;
      await writer.insert('paint_event', event('fin-port'));
      const after = (await writer.brief())!;
      expect([zonesIn(before), zonesIn(after)]).toEqual([[], ['fin-port']]);
      expect(after.questions).toBe(before.questions);
      expect(after.airframe).toBe(before.airframe);
    });
  });
  test('what is gone back to a savepoint is seen no more', async () => {
    await act(async (writer) => {
      await writer.brief();
      const mark = writer.mark();
      await writer.client.query('savepoint before_it');
      await writer.insert('paint_event', event('fin-port'));
      expect(zonesIn(await writer.brief())).toEqual(['fin-port']);
      await writer.client.query('rollback to savepoint before_it');
      writer.backTo(mark);
      expect(zonesIn(await writer.brief())).toEqual([]);
    });
  });
});

describe('after an act', () => {
  test('all that it left is known at its revision, as it would be read', async () => {
    await act(async (writer) => {
      await writer.brief();
      await writer.insert('paint_event', event('fin-port'));
      await writer.brief();
    });
    const known = await knownNow();
    expect(known?.revision.number).toBe((await revisionOf(pool(), briefId))!.number);
    expect(known?.state).toEqual(await loadBrief(briefId));
    // A page reads nothing of it again.
    expect((await snapshotOf(briefId))!.brief.state.events).toBe(known?.state.events);
  });
  test('one that wrote after it had read leaves nothing half known', async () => {
    await act(async (writer) => {
      await writer.brief();
      await writer.insert('paint_event', event('fin-port'));
    });
    expect(zonesIn((await snapshotOf(briefId))!.brief.state)).toEqual(['fin-port']);
  });
  test('one that was refused, or only tried, is not remembered', async () => {
    const before = (await snapshotOf(briefId))!.brief;
    const write = async (writer: ActWriter) => {
      await writer.insert('paint_event', event('fin-port'));
      await writer.brief();
    };
    await tryOut(newAct(briefId, 'evidence'), write);
    await expect(
      act(async (writer) => {
        await write(writer);
        throw new Error('refused');
      }),
    ).rejects.toThrow('refused');
    expect(knownBrief(briefId).loaded).toBe(before);
    expect(zonesIn((await snapshotOf(briefId))!.brief.state)).toEqual([]);
  });
});

test('what another process wrote is seen by the next page and the next act', async () => {
  await snapshotOf(briefId);
  await pool().query(
    `insert into paint_event (id, version, brief_id, zone, on_day, kind, value, shows_under, note)
     values (gen_random_uuid(), 1, $1, 'fin-port', '1951-05-08', 'repaint', '', false, '')`,
    [briefId],
  );
  await tellAll();
  expect(zonesIn((await snapshotOf(briefId))!.brief.state)).toEqual(['fin-port']);
  await act(async (writer) => expect(zonesIn(await writer.brief())).toEqual(['fin-port']));
});

describe('how much is remembered', () => {
  const brief = (rows: number): LoadedBrief => ({
    state: { questions: Array.from({ length: rows }, () => ({})) } as unknown as BriefState,
    revision: { number: 1, kinds: {} },
  });
  const open = (rows: number) => {
    const id = randomUUID();
    remember(id, brief(rows));
    return id;
  };
  const isKnown = (id: string) => knownAt(id, 1) !== null;

  test('the briefs that were opened last, small ones more than large ones', () => {
    const countOf = (rows: number) => {
      const ids = Array.from({ length: 40 }, () => open(rows));
      // Who asks makes a brief the newest: the oldest is asked for last.
      const stay = [...ids].reverse().map(isKnown);
      expect(stay.indexOf(false)).toBe(stay.filter(Boolean).length);
      return stay.indexOf(false);
    };
    const [small, large] = [countOf(10), countOf(5000)];
    expect(large).toBeGreaterThanOrEqual(1);
    expect(small).toBeGreaterThan(large);
  });
  test('one that grows makes the others leave; one larger than all may be is known alone', () => {
    const first = open(10);
    const grows = open(10);
    expect([isKnown(first), isKnown(grows)]).toEqual([true, true]);
    remember(grows, brief(MOST_BYTES / 100));
    expect([isKnown(grows), isKnown(first)]).toEqual([true, false]);
  });
});
