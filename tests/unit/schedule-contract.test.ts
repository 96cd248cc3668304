import { describe, expect, test } from '@jest/globals';
import { CONTRACTS } from '@/core/interchange/contracts/commands';
import { elapsedToLocal, midnightUtc } from '@/core/route/calendar';
import { violations } from '@/core/route/schedule/validate';

const DAY = 24 * 60;

interface Out {
  feasible: boolean;
  steps: { id: string; segments: [number, number][] }[];
  finish: number;
  finishLocal: string;
  loads: number;
  sessions: number;
  lowerBound: number;
  proven: boolean;
  holding: { kind: string; step: string }[];
  because: { links: [string, string][]; says: string; wouldHelp: string[] }[];
  broken?: { links: [string, string][] }[];
}

/** An instance in a zone, with a session of `minutes` at a local time on each of the days. */
function instance(
  origin: string,
  timeZone: string,
  evenings: number,
  over: Record<string, unknown> = {},
  minutes = 120,
) {
  const originUtc = midnightUtc(origin, timeZone);
  const local = (elapsed: number) => elapsedToLocal(elapsed, timeZone, originUtc);
  // Sessions begin at 19:30 on the wall; the clock may have moved since the origin.
  const windows = Array.from({ length: evenings }, (_, i) => {
    let start = i * DAY + 19 * 60 + 30;
    const off = Number(local(start).slice(11, 13)) * 60 + Number(local(start).slice(14, 16)) - (19 * 60 + 30);
    start -= off;
    return { id: `w${i}`, start, end: start + minutes, startLocal: local(start), endLocal: local(start + minutes) };
  });
  return {
    format: 'kit-schedule/1',
    id: 'case',
    timeZone,
    origin: `${origin}T00:00`,
    originUtc,
    windows,
    boothWindows: windows.map(({ start, end, startLocal, endLocal }) => ({ start, end, startLocal, endLocal })),
    steps: [],
    links: [],
    splitRule: 'window-end',
    now: null,
    actuals: [],
    airbrush: {
      initial: 'clean',
      resetEachWindow: false,
      colours: [{ id: 'a' }, { id: 'b' }],
      cleanOut: { clean: { a: 3, b: 3 }, a: { b: 8 }, b: { a: 12 } },
    },
    ...over,
  };
}
const hand = (id: string, minutes: number, over = {}) => ({
  id,
  minutes,
  splittable: false,
  colour: null,
  needsBooth: false,
  ...over,
});
const spray = (id: string, colour: string, minutes = 20) => hand(id, minutes, { colour, needsBooth: true });
const run = (input: ReturnType<typeof instance>) => CONTRACTS.schedule.run(input) as unknown as Out;
const check = (input: ReturnType<typeof instance>, out: Out) =>
  expect(violations(input as never, out.steps)).toEqual([]);

describe('schedule, through the contract', () => {
  test('drying over the night in which the clock goes forward is an hour longer on the wall', () => {
    const input = instance('2026-03-28', 'Europe/Berlin', 4, {
      steps: [spray('coat', 'a', 30), hand('mask', 30)],
      links: [{ from: 'coat', to: 'mask', minLag: DAY, maxLag: null }],
    });
    const out = run(input);
    check(input, out);
    // 24 h after 20:03 on Saturday it is 21:03 on Sunday: the session ends 21:30, too soon for 30 minutes.
    expect(out.steps.find((step) => step.id === 'mask')!.segments[0]![0]).toBe(input.windows[2]!.start);
  });

  test('over the night in which it goes back there is an hour to spare', () => {
    const input = instance('2026-10-24', 'Europe/Berlin', 4, {
      steps: [spray('coat', 'a', 30), hand('mask', 30)],
      links: [{ from: 'coat', to: 'mask', minLag: DAY, maxLag: null }],
    });
    const out = run(input);
    check(input, out);
    expect(out.finishLocal.slice(0, 10)).toBe('2026-10-25');
    expect(out.steps.find((step) => step.id === 'mask')!.segments[0]![0]).toBe(input.windows[1]!.start);
  });

  test('with the same date either way, fewer fillings of the airbrush are preferred', () => {
    const input = instance('2026-01-06', 'Europe/Berlin', 3, {
      steps: [spray('a1', 'a'), spray('b1', 'b'), spray('a2', 'a')],
    });
    const out = run(input);
    check(input, out);
    expect(out.loads).toBe(2);
    expect(out.sessions).toBe(1);
    expect(out.proven).toBe(true);
  });

  test('what is done outside the sessions counts, and its colour is still in the airbrush', () => {
    const input = instance('2026-01-06', 'Europe/Berlin', 3, {
      now: 1170,
      steps: [spray('done', 'a'), spray('same', 'a'), spray('other', 'b')],
      actuals: [{ id: 'done', start: 600, end: 630 }],
    });
    const out = run(input);
    check(input, out);
    expect(out.steps.find((step) => step.id === 'done')!.segments).toEqual([[600, 630]]);
    expect(out.steps.find((step) => step.id === 'same')!.segments[0]![0]).toBe(1170);
    expect(out.loads).toBe(1);
  });

  test('a step whose part is still on order begins no sooner than that arrives', () => {
    const steps = [
      { id: 'leg', minutes: 30, splittable: false, colour: null, needsBooth: false, notBefore: 3 * DAY },
      { id: 'sand', minutes: 30, splittable: false, colour: null, needsBooth: false },
    ];
    const out = run(instance('2026-01-06', 'Europe/Berlin', 6, { steps }));
    const startOf = (id: string) => out.steps.find((step) => step.id === id)!.segments[0]![0];
    expect(startOf('leg')).toBeGreaterThanOrEqual(3 * DAY);
    // The date is that of the part, and one session holds both.
    expect([out.finishLocal.slice(0, 10), out.sessions]).toEqual(['2026-01-09', 1]);
    expect(out.steps).toHaveLength(2);
  });
  test('a greatest wait that is over is reported and does not stop the plan', () => {
    const out = run(
      instance('2026-01-06', 'Europe/Berlin', 4, {
        now: 2 * DAY,
        steps: [hand('wash', 10), hand('wipe', 10)],
        links: [{ from: 'wash', to: 'wipe', minLag: 15, maxLag: 40 }],
        actuals: [{ id: 'wash', start: 1170, end: 1180 }],
      }),
    );
    expect(out.feasible).toBe(true);
    expect(out.broken).toEqual([
      { links: [['wash', 'wipe']], says: 'the greatest wait of 40 minutes was already over' },
    ]);
  });

  test('a wet window longer than any session names its link and what would help', () => {
    const out = run(
      instance('2026-01-06', 'Europe/Berlin', 5, {
        steps: [hand('lay', 80), hand('work', 60)],
        links: [{ from: 'lay', to: 'work', minLag: 5, maxLag: 30 }],
      }),
    );
    expect(out).toMatchObject({
      feasible: false,
      because: [{ links: [['lay', 'work']], wouldHelp: ['a session of 145 minutes'] }],
    });
  });

  test('nothing to do is finished at once', () => {
    expect(run(instance('2026-01-06', 'Europe/Berlin', 1, { now: 50 }))).toMatchObject({
      feasible: true,
      steps: [],
      finish: 50,
      proven: true,
    });
  });

  test('everything done: the finish is its last end', () => {
    const out = run(
      instance('2026-01-06', 'Europe/Berlin', 1, {
        now: 3000,
        steps: [hand('a', 10)],
        actuals: [{ id: 'a', start: 100, end: 140 }],
      }),
    );
    expect(out).toMatchObject({ feasible: true, finish: 140, loads: 0, sessions: 0 });
  });

  test('the chain that holds the finish begins with its last step', () => {
    const input = instance('2026-01-06', 'Europe/Berlin', 6, {
      steps: [spray('coat', 'a'), hand('mask', 40), spray('second', 'b')],
      links: [
        { from: 'coat', to: 'mask', minLag: DAY, maxLag: null },
        { from: 'mask', to: 'second', minLag: 0, maxLag: null },
      ],
    });
    const out = run(input);
    check(input, out);
    expect(out.holding[0]!.step).toBe('second');
    expect(out.holding.map((item) => item.kind)).toContain('lag');
  });

  test.each<[string, Record<string, unknown>, RegExp]>([
    ['a colour nobody knows', { steps: [spray('s', 'z')] }, /there is no colour "z"/],
    ['a spray that could be split', { steps: [{ ...spray('s', 'a'), splittable: true }] }, /cannot be split/],
    ['a step of no minutes', { steps: [hand('s', 0)] }, /at least 1/],
    ['a half minute', { steps: [hand('s', 1.5)] }, /whole number/],
    [
      'a greatest wait below the least',
      { steps: [hand('a', 5), hand('b', 5)], links: [{ from: 'a', to: 'b', minLag: 10, maxLag: 5 }] },
      /shorter than the least/,
    ],
    ['an actual of nothing', { actuals: [{ id: 'x', start: 0, end: 5 }] }, /there is no step "x"/],
    ['the same step twice', { steps: [hand('a', 5), hand('a', 5)] }, /there twice/],
    ['another format', { format: 'kit-schedule/2' }, /kit-schedule\/1/],
    ['an unknown field', { colour: 'blue' }, /colour: unknown field/],
  ])('refuses %s', (_, over, message) => {
    expect(() => run(instance('2026-01-06', 'Europe/Berlin', 2, over))).toThrow(message);
  });
});
