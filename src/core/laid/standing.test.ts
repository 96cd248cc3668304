import { describe, expect, test } from '@jest/globals';
import { smallLink, smallRoute, smallStep } from '@tests/support/small-route';
import { STANDARD_CLIMATE } from '@/core/paint/drying';
import type { Layer } from '@/core/work/layer';
import type { LoggedWork } from './laid';
import { minutesOfShare } from './progress';
import { standingOf } from './standing';

/** How a build stands by its log: what lies there, what is left, and what has to follow soon. */

const coat = (code: string, over: Partial<Layer> = {}): Layer => ({
  what: 'colour',
  chemistry: 'WA',
  code,
  paint: code,
  coats: 2,
  ...over,
});
const entry = (stepKey: string, zones: string[], minute: number, over: Partial<LoggedWork> = {}): LoggedWork => ({
  id: `${stepKey} ${minute}`,
  stepKey,
  stepKind: '',
  what: '',
  zones,
  code: '',
  paint: '',
  chemistry: '',
  mixed: null,
  coats: null,
  tempC: null,
  humidity: null,
  startedAt: new Date(Date.UTC(2026, 4, 1, 18, minute)).toISOString(),
  endedAt: new Date(Date.UTC(2026, 4, 1, 18, minute + 10)).toISOString(),
  share: null,
  replaces: false,
  again: false,
  ...over,
});
const sprayed = (stepKey: string, zones: string[], minute: number, over: Partial<LoggedWork> = {}) =>
  entry(stepKey, zones, minute, { what: 'colour', code: 'A', chemistry: 'WA', coats: 2, ...over });

const ZONES = ['a', 'b', 'c'];
const route = smallRoute(
  [
    smallStep('mask', 40, { kind: 'mask', family: 'mask', zones: ZONES, tape: { of: 'spray', goes: 'on' } }),
    smallStep('spray', 60, { kind: 'spray', family: 'colour', zones: ZONES, lays: [coat('A')] }),
    smallStep('unmask', 20, { kind: 'unmask', family: 'mask', zones: ZONES, tape: { of: 'spray', goes: 'off' } }),
    smallStep('look', 20),
  ],
  [smallLink('mask', 'spray'), { ...smallLink('spray', 'unmask', 20), maxLag: 240 }, smallLink('unmask', 'look')],
);
const standing = (log: LoggedWork[], mishaps: Parameters<typeof standingOf>[3] = []) =>
  standingOf(route, ZONES, log, mishaps, STANDARD_CLIMATE, () => 1);

describe('half of a step', () => {
  const half = standing([entry('mask', ['a'], 0), sprayed('spray', ['a'], 10)]);
  test('is done where it was done; what is left has its share of the minutes', () => {
    expect(half.progress.get('spray')).toMatchObject({ done: ['a'], toDo: ['b', 'c'], minutesLeft: 40 });
    expect(half.left.steps.find(({ key }) => key === 'spray')).toMatchObject({ zones: ['b', 'c'], minutes: 40 });
  });
  test('what has to follow it soon is a piece of work by itself, inside its window', () => {
    const now = half.left.steps.find(({ of, zones }) => of === 'unmask' && zones.join() === 'a')!;
    const into = half.left.links.filter(({ to }) => to === now.key);
    expect(into.some(({ maxLag }) => maxLag === 240)).toBe(true);
    const keys = new Set(half.left.steps.map(({ key }) => key));
    for (const { from, to } of half.left.links) expect([keys.has(from), keys.has(to)]).toEqual([true, true]);
    // What follows the whole of it waits for both pieces.
    expect(half.left.links.filter(({ to }) => to === 'look').length).toBe(2);
  });
  test('its tape is on, until the paint no longer gives', () => {
    const [tape] = half.taped.get('a')!;
    expect(tape).toMatchObject({ of: 'spray', entry: 0 });
    const last = Date.parse(sprayed('spray', ['a'], 10).endedAt);
    expect(Date.parse(tape!.until) - last).toBe(4 * 60 * 60_000);
    const off = standing([entry('mask', ['a'], 0), sprayed('spray', ['a'], 10), entry('unmask', ['a'], 30)]);
    expect(off.taped.size).toBe(0);
  });
  test('every share of a step takes ten minutes, or a quarter of it where that is less', () => {
    expect([
      minutesOfShare(100, 0.01),
      minutesOfShare(20, 0.01),
      minutesOfShare(60, 0.5),
      minutesOfShare(60, 0),
    ]).toEqual([10, 5, 30, 0]);
  });
});

describe('the same work again', () => {
  test('is a second coat, unless it stands for the first', () => {
    const twice = [sprayed('spray', ZONES, 0), sprayed('spray', ['a'], 60)];
    expect(
      standing(twice)
        .laid.get('a')!
        .map(({ entry: place }) => place),
    ).toEqual([0, 1]);
    const instead = [twice[0]!, { ...twice[1]!, replaces: true }];
    expect(
      standing(instead)
        .laid.get('a')!
        .map(({ entry: place }) => place),
    ).toEqual([1]);
    expect(
      standing(instead)
        .laid.get('b')!
        .map(({ entry: place }) => place),
    ).toEqual([0]);
  });
  test('that has to be done again lies there and does not count', () => {
    const bad = standing([sprayed('spray', ZONES, 0, { again: true })]);
    expect(bad.laid.get('a')).toHaveLength(1);
    expect(bad.progress.get('spray')!.toDo).toEqual(ZONES);
  });
});

describe('what an entry leaves out', () => {
  test('without zones it counts for those of its step, and that is said', () => {
    const lies = standing([sprayed('spray', [], 0)]).laid;
    for (const zone of ZONES) expect(lies.get(zone)).toMatchObject([{ assumed: true, code: 'A' }]);
  });
  test('of an earlier house it laid what its step lays; of a step that is gone, its colour', () => {
    expect(standing([entry('spray', ['a'], 0, { what: null })]).laid.get('a')).toMatchObject([
      { what: 'colour', code: 'A' },
    ]);
    const gone = standing([entry('gone', ['a'], 0, { what: null, code: 'B' })]);
    expect(gone.laid.get('a')).toMatchObject([{ what: 'colour', code: 'B' }]);
  });
  test('a zone that is gone keeps its layers; a zone named twice has one', () => {
    const lies = standing([sprayed('spray', ['gone', 'a', 'a'], 0)]).laid;
    expect([lies.get('gone')!.length, lies.get('a')!.length]).toEqual([1, 1]);
  });
  test('two entries of one minute lie in the order in which they are listed', () => {
    const lies = standing([sprayed('x', ['a'], 0, { code: 'B' }), sprayed('spray', ['a'], 0)]).laid;
    expect(lies.get('a')!.map(({ code }) => code)).toEqual(['B', 'A']);
  });
});

describe('a mishap', () => {
  const loss = {
    happenedAt: new Date(Date.UTC(2026, 4, 2)).toISOString(),
    run: { steps: [{ key: 'mend' }], lost: [{ step: 'spray', zones: ['a'] }] },
  };
  test('takes a layer off when its repair is logged, and not before', () => {
    const told = standing([sprayed('spray', ZONES, 0)], [loss]);
    expect(told.laid.get('a')).toMatchObject([{ goneBy: null, comesOffBy: 0 }]);
    const mended = standing([sprayed('spray', ZONES, 0), entry('mend', ['a'], 24 * 60)], [loss]);
    expect(mended.laid.get('a')).toMatchObject([{ goneBy: 0 }]);
    expect(mended.progress.get('spray')!.toDo).toEqual(['a']);
  });
  test('does not reach a coat that was laid after the repair', () => {
    const again = standing(
      [sprayed('spray', ZONES, 0), entry('mend', ['a'], 24 * 60), sprayed('spray', ['a'], 25 * 60)],
      [loss],
    );
    expect(again.laid.get('a')!.map(({ goneBy }) => goneBy)).toEqual([0, null]);
    expect(again.progress.get('spray')!.isFinished).toBe(true);
  });
});

test('work that is planned over a coat waits for it, in the air in which it dried', () => {
  const over = smallRoute(
    [smallStep('clear', 20, { zones: ['a'], lays: [coat('', { what: 'clear', code: null })] })],
    [],
  );
  const cold = [sprayed('spray', ['a'], 0, { chemistry: 'EN', tempC: 10, humidity: 50 })];
  const [wait] = standingOf(over, ZONES, cold, [], STANDARD_CLIMATE, () => 1).waits.get('clear')!;
  // Enamel bears the next coat after 12 h, and twice as long at 10 °C.
  expect(wait!.minutes).toBeGreaterThanOrEqual(2 * 12 * 60);
});
