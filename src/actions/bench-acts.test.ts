import { nowMs } from '@/clock/now';
import { afterAll, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import { isOther } from '@/core/bench/other-work';
import { BLANK_LOG_ENTRY } from '@/core/kept/blank';
import { loadBrief } from '@/data/read-brief';
import { lookAt } from '@/data/snapshot';
import { closePool, pool } from '@/data/database';
import { revisionOf } from '@/data/revisions';
import { sentSchema, type BenchAct } from '@/outbox/queued';
import '@tests/support/next-request';
import { ownDatabase } from '@tests/support/own-database';
import { tellAll } from '@tests/support/house';
import { stamp } from '@tests/support/stamp';
import { testBrief } from '@tests/support/test-brief';

/** What devices at the bench send, at once or a week later: nothing doubled, nothing lost, and a wrong clock does no harm. */

const { performBenchAct } = await import('./bench-acts');
const { viewOf } = await import('./brief-of');

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
  stepKey: 'wash-sprues',
  title: 'Wash the sprues',
  lane: 'Whole',
  plannedMinutes: 20,
  actualMinutes: 25,
};
type Of<K extends BenchAct['kind']> = Extract<BenchAct, { kind: K }>;
const finish = (over: Partial<Of<'finish'>> = {}): Of<'finish'> => ({
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
  fields: { ...logged, stepKey: 'other:1', lane: '', title: 'Dusted', startedAt: from, endedAt: to },
  pictureId: null,
});
const testPiece = (): BenchAct => ({
  kind: 'test piece',
  briefId,
  act: stamp(),
  fields: {
    title: 'Green over grey',
    stepKey: 'wash-sprues',
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
const timer = (startedAt: string, id = crypto.randomUUID()): Of<'timer'> => ({
  kind: 'timer',
  briefId,
  act: stamp(),
  id,
  fields: { stepKey: 'wash-sprues', label: 'Dry', startedAt, minutes: 60, closesMin: null, factor: 1 },
});

beforeAll(async () => {
  await ownDatabase('bench_acts_test');
  briefId = await testBrief();
});
beforeEach(async () => {
  await pool().query('delete from log_entry; delete from timer; delete from spray_out');
  await tellAll();
});
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

  test('two devices that finish the same step at the same moment finish it once, and its clocks stop', async () => {
    await performBenchAct({ ...timer(ago(60_000)), fields: { ...timer(ago(60_000)).fields, stepKey: 'wash-sprues' } });
    const other = timer(ago(50_000));
    await performBenchAct({ ...other, fields: { ...other.fields, stepKey: 'check-parts' } });
    const answers = await Promise.all([performBenchAct(finish()), performBenchAct(finish())]);
    expect(answers.map(({ state }) => state).sort()).toEqual(['conflict', 'done']);
    const { log, timers } = await kept();
    expect(log).toHaveLength(1);
    expect(timers.map(({ stepKey }) => stepKey)).toEqual(['check-parts']);
  });

  test('a step done on some of its zones is done there; the others are done once, whoever does them', async () => {
    const [prime, zones] = await (async () => {
      const { view } = await lookAt(briefId, viewOf);
      const step = view.route.steps.find(({ key }) => key === 'prime')!;
      return [step, step.zones] as const;
    })();
    const entry = {
      ...logged,
      stepKey: prime.key,
      stepKind: 'spray' as const,
      what: 'primer' as const,
      title: 'Prime',
    };
    const [first, ...others] = zones;
    expect(await performBenchAct(finish({ entry: { ...entry, zones: [first!] } }))).toMatchObject({ state: 'done' });
    expect(await performBenchAct(finish({ entry: { ...entry, zones: [first!] } }))).toMatchObject({
      state: 'conflict',
    });
    expect(await performBenchAct(finish({ entry: { ...entry, zones: [...zones] } }))).toMatchObject({ state: 'done' });
    const { log } = await kept();
    expect(log.flatMap((own) => own.zones).sort()).toEqual([first!, ...others].sort());
    const { standing } = (await lookAt(briefId, viewOf)).view;
    expect(standing.progress.get(prime.key)).toMatchObject({ isFinished: true, toDo: [], minutesLeft: 0 });
  });

  test('work without zones may be half done: the rest stays, with its share', async () => {
    await performBenchAct(finish({ entry: { ...logged, share: 0.5 } }));
    const half = (await lookAt(briefId, viewOf)).view.standing.progress.get('wash-sprues')!;
    expect(half).toMatchObject({ isFinished: false, share: 0.5 });
    await performBenchAct(finish());
    const whole = (await lookAt(briefId, viewOf)).view.standing.progress.get('wash-sprues')!;
    expect(whole).toMatchObject({ isFinished: true, minutesLeft: 0 });
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

  test('other work of a device whose clock is wrong was done when it was, not when that clock says', async () => {
    const behind = 3 * DAY;
    await performBenchAct(otherWork(ago(behind + 90 * 60_000), ago(behind + 60 * 60_000)), behind);
    const [entry] = (await kept()).log;
    expect(Math.abs(Date.parse(entry!.startedAt) - (nowMs() - 90 * 60_000))).toBeLessThan(10_000);
    expect(Math.abs(Date.parse(entry!.endedAt) - (nowMs() - 60 * 60_000))).toBeLessThan(10_000);
  });

  test.each([
    ['1951-05-01T10:00:00.000Z', /nobody worked on this build/],
    ['2099-05-01T10:00:00.000Z', /has not come yet/],
  ])('other work of %s is refused in words', async (at, says) => {
    expect(await performBenchAct(otherWork(at, at))).toMatchObject({
      state: 'refused',
      says: expect.stringMatching(says),
    });
    expect((await kept()).log).toEqual([]);
  });

  test.each(['1951-05-01T10:00:00.000Z', '2099-05-01T10:00:00.000Z'])(
    'a step that a clock of %s saw done is done now: it is not lost',
    async (at) => {
      await performBenchAct(finish({ act: { ...stamp(), at } }));
      const [entry] = (await kept()).log;
      expect(Math.abs(Date.parse(entry!.endedAt) - nowMs())).toBeLessThan(10_000);
    },
  );

  test('another act of the same name is told, not taken for the one that is there', async () => {
    const first = finish();
    await performBenchAct(first);
    const at = new Date(Date.parse(first.act.at) - DAY).toISOString();
    const second = { ...testPiece(), act: { ...first.act, at } };
    expect(await performBenchAct(second)).toMatchObject({ state: 'refused', says: expect.stringMatching(/name/) });
    expect((await kept()).sprayOuts).toEqual([]);
  });

  test('a clock whose name another has is told, and the other runs on', async () => {
    const id = crypto.randomUUID();
    await performBenchAct(timer(ago(60_000), id));
    const second = await performBenchAct(timer(ago(30_000), id));
    expect(second).toMatchObject({ state: 'refused', says: expect.stringMatching(/kept aside/) });
    expect((await kept()).timers).toHaveLength(1);
  });

  test('a clock that is stopped before its start arrives never runs', async () => {
    const id = crypto.randomUUID();
    await performBenchAct({ kind: 'stop', briefId, act: stamp(), id });
    expect(await performBenchAct(timer(ago(60_000), id))).toMatchObject({ state: 'done' });
    expect((await kept()).timers).toEqual([]);
  });

  test('a clock whose step has ended since does not start, in whatever order the two arrive', async () => {
    await performBenchAct(finish({ act: { ...stamp(), at: ago(0) } }));
    await performBenchAct({ ...timer(ago(DAY)), fields: { ...timer(ago(DAY)).fields, stepKey: logged.stepKey } });
    expect((await kept()).timers).toEqual([]);
  });

  test('a step that the brief has not any more is kept as other work', async () => {
    const entry = { ...logged, stepKey: 'spray:GONE 1', title: 'Spray what was ruled then' };
    expect(await performBenchAct(finish({ entry }))).toMatchObject({ state: 'done' });
    const [written] = (await kept()).log;
    expect(isOther(written!)).toBe(true);
    expect(written!.title).toBe('Spray what was ruled then');
  });

  test('a zone that the machine has not is told in words, and the rest is kept', async () => {
    await performBenchAct(finish({ entry: { ...logged, zones: ['fin-port', 'gone-port'], note: 'two coats' } }));
    const [entry] = (await kept()).log;
    expect(entry).toMatchObject({ zones: ['fin-port'], note: 'two coats; on gone-port' });
    expect(isOther(entry!)).toBe(true);
  });

  test('work that ended before it began, and work for a brief that is gone, are refused in words', async () => {
    expect(await performBenchAct(otherWork(ago(DAY), ago(2 * DAY)))).toMatchObject({ state: 'refused' });
    const gone = { ...testPiece(), briefId: crypto.randomUUID() };
    expect(await performBenchAct(gone)).toMatchObject({ state: 'refused', says: expect.stringMatching(/gone/) });
    const { log, sprayOuts } = await kept();
    expect([log, sprayOuts]).toEqual([[], []]);
  });
});
