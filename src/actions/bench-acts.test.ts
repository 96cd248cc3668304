import { nowMs } from '@/clock/now';
import { afterAll, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import { BLANK_LOG_ENTRY } from '@/core/kept/blank';
import { loadBrief } from '@/data/briefs';
import { closePool, pool } from '@/data/database';
import { revisionOf } from '@/data/revisions';
import { sentSchema, type BenchAct } from '@/outbox/queued';
import '@tests/support/next-request';
import { ownDatabase } from '@tests/support/own-database';
import { stamp } from '@tests/support/stamp';
import { testBrief } from '@tests/support/test-brief';

/** What devices at the bench send, at once or a week later: nothing doubled, nothing lost, and a wrong clock does no harm. */

const { performBenchAct } = await import('./bench-acts');

const DAY = 24 * 3_600_000;
const ago = (ms: number) => new Date(nowMs() - ms).toISOString();
let briefId = '';
const kept = async () => (await loadBrief(briefId))!;

const {
  startedAt: _,
  endedAt: __,
  pictureId: ___,
  ...blank
} = BLANK_LOG_ENTRY as typeof BLANK_LOG_ENTRY & {
  startedAt?: string;
  endedAt?: string;
};
const logged = {
  ...blank,
  stepKey: 'wash',
  title: 'Wash the sprues',
  lane: 'Whole',
  plannedMinutes: 20,
  actualMinutes: 25,
};
const finish = (over: Partial<Extract<BenchAct, { kind: 'finish' }>> = {}): BenchAct => ({
  kind: 'finish',
  briefId,
  act: stamp(),
  entry: logged,
  pictureId: null,
  timers: [],
  ...over,
});
const otherWork = (from: string, to: string): BenchAct => ({
  kind: 'other work',
  briefId,
  act: stamp(),
  fields: { ...logged, stepKey: 'other:1', title: 'Dusted', startedAt: from, endedAt: to },
  pictureId: null,
});
const testPiece = (): BenchAct => ({
  kind: 'test piece',
  briefId,
  act: stamp(),
  fields: {
    title: 'Green over grey',
    stepKey: 'wash',
    onDay: '2026-11-20',
    paint: '',
    chemistry: '',
    mixed: null,
    pressureBar: null,
    undercoat: '',
    result: 'rough',
    note: '',
  },
  pictureId: null,
});
const timer = (startedAt: string, id = crypto.randomUUID()): BenchAct => ({
  kind: 'timer',
  briefId,
  act: stamp(),
  id,
  fields: { stepKey: 'wash', label: 'Dry', startedAt, minutes: 60, closesMin: null, factor: 1 },
});

beforeAll(async () => {
  await ownDatabase('bench_acts_test');
  briefId = await testBrief();
});
beforeEach(() => pool().query('delete from log_entry; delete from timer; delete from spray_out'));
afterAll(closePool);

describe('what arrives', () => {
  test.each([
    ['a step done', () => finish()],
    ['other work', () => otherWork(ago(DAY), ago(DAY - 60_000))],
    ['a test piece', testPiece],
    ['a timer', () => timer(ago(60_000))],
  ] as const)('%s is what a device may send, and twice the same is done once', async (_name, make) => {
    const act = make();
    expect(sentSchema.safeParse({ sentAt: ago(0), act }).error?.issues ?? []).toEqual([]);
    const answers = [await performBenchAct(act), await performBenchAct(act)];
    // With the revision of the brief that shows it first.
    const { number } = (await revisionOf(pool(), briefId))!;
    expect(answers).toEqual([0, 1].map(() => ({ state: 'done', revision: number })));
    const { log, timers, sprayOuts } = await kept();
    expect(log.length + timers.length + sprayOuts.length).toBe(1);
  });

  test('a step that was finished on another device meanwhile is finished once; the answer says what stands there', async () => {
    expect(await performBenchAct(finish({ entry: { ...logged, actualMinutes: 18, note: 'by hand' } }))).toMatchObject({
      state: 'done',
    });
    expect(await performBenchAct(finish())).toMatchObject({
      state: 'conflict',
      theirs: { title: 'Wash the sprues', minutes: 18, note: 'by hand' },
    });
    expect((await kept()).log).toHaveLength(1);
  });

  test('a device whose clock is three days behind says when it was all the same', async () => {
    const behind = 3 * DAY;
    const act = { ...stamp(), at: ago(behind + 60_000) };
    await performBenchAct(finish({ act }), behind);
    const [entry] = (await kept()).log;
    expect(Math.abs(Date.parse(entry!.endedAt) - (nowMs() - 60_000))).toBeLessThan(10_000);
    expect(Date.parse(entry!.endedAt) - Date.parse(entry!.startedAt)).toBe(25 * 60_000);
  });

  test('a timer from the future starts now', async () => {
    await performBenchAct(timer(ago(-DAY)));
    const [started] = (await kept()).timers;
    expect(Date.parse(started!.startedAt)).toBeLessThanOrEqual(nowMs());
  });

  test('a timer that was stopped elsewhere is stopped either way', async () => {
    const id = crypto.randomUUID();
    await performBenchAct(timer(ago(60_000), id));
    for (let i = 0; i < 2; i += 1)
      expect(await performBenchAct({ kind: 'stop', briefId, act: stamp(), id })).toMatchObject({ state: 'done' });
    expect((await kept()).timers).toEqual([]);
  });

  test('work that ended before it began, and work for a brief that is gone, are refused in words', async () => {
    expect(await performBenchAct(otherWork(ago(DAY), ago(2 * DAY)))).toMatchObject({ state: 'refused' });
    const gone = { ...testPiece(), briefId: crypto.randomUUID() };
    expect(await performBenchAct(gone)).toMatchObject({ state: 'refused', says: expect.stringMatching(/gone/) });
    const { log, sprayOuts } = await kept();
    expect([log, sprayOuts]).toEqual([[], []]);
  });
});
