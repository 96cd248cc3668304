import { describe, expect, test } from '@jest/globals';
import { step } from '../../../../tests/support/plan-problem';
import type { PlanProblem, PlanStep } from './problem';
import { endOf, startOf, Timeline } from './timeline';

const DAY = 24 * 60;
const spray = (id: string, colour: string, minutes = 20) => step(id, minutes, { colour });

/** Two sessions of 100 minutes, a day apart, from minute 1000 on. */
function timelineOf(over: Partial<PlanProblem> = {}) {
  const windows = [0, 1].map((i) => ({ id: `w${i}`, start: 1000 + i * DAY, end: 1100 + i * DAY }));
  return new Timeline({
    windows,
    boothWindows: windows,
    steps: [],
    links: [],
    airbrush: null,
    now: null,
    actuals: [],
    ...over,
  });
}

function put(timeline: Timeline, what: PlanStep, notBefore = 0) {
  const placed = timeline.earliest(what, notBefore);
  if (!placed) throw new Error(`no room for ${what.id}`);
  timeline.place(placed);
  return placed;
}

describe('gaps', () => {
  test('a later step is let into an earlier gap that is long enough', () => {
    const timeline = timelineOf();
    put(timeline, step('late', 40), 1050);
    const early = put(timeline, step('early', 50));
    expect([startOf(early), endOf(early)]).toEqual([1000, 1050]);
    const third = put(timeline, step('third', 15));
    expect(startOf(third)).toBe(1000 + DAY);
    expect(startOf(put(timeline, step('fourth', 10)))).toBe(1090);
  });

  test('a step that is taken out leaves its room free again', () => {
    const timeline = timelineOf();
    const placed = put(timeline, step('a', 90));
    expect(startOf(timeline.earliest(step('b', 90), 0)!)).toBe(1000 + DAY);
    timeline.remove(placed);
    expect(startOf(timeline.earliest(step('b', 90), 0)!)).toBe(1000);
  });

  test('nothing is placed before now, nor in a session that is over', () => {
    const timeline = timelineOf({ now: 1060 });
    expect(startOf(put(timeline, step('a', 40)))).toBe(1060);
    expect(startOf(put(timeline, step('b', 10)))).toBe(1000 + DAY);
  });

  test('a step longer than every gap has no place', () => {
    expect(timelineOf().earliest(step('long', 101), 0)).toBeNull();
  });
});

describe('splitting', () => {
  test('goes on at the very start of the next session', () => {
    const placed = put(timelineOf(), step('sand', 130, { splittable: true }), 1040);
    expect(placed.segments).toEqual([
      [1040, 1100],
      [1000 + DAY, 1070 + DAY],
    ]);
  });

  test('not over a next session whose start is taken', () => {
    const timeline = timelineOf();
    put(timeline, step('fixed', 30), 1000 + DAY);
    expect(timeline.earliest(step('sand', 130, { splittable: true }), 0)).toBeNull();
    expect(timeline.earliest(step('short', 95, { splittable: true }), 0)!.segments).toEqual([[1000, 1095]]);
  });

  test('not beyond the last session', () => {
    expect(timelineOf().earliest(step('endless', 500, { splittable: true }), 0)).toBeNull();
  });
});

describe('the airbrush', () => {
  const airbrush = {
    initial: 'clean',
    resetEachWindow: false,
    cleanOut: { clean: { a: 2, b: 2, c: 2 }, a: { b: 10, c: 5 }, b: { a: 10, c: 5 }, c: { b: 30 } },
  };

  test('the clean-out lies directly before the spray, inside the session', () => {
    const timeline = timelineOf({ airbrush });
    expect(startOf(put(timeline, spray('one', 'a')))).toBe(1002);
    expect(startOf(put(timeline, spray('two', 'b')))).toBe(1032);
    expect(startOf(put(timeline, spray('three', 'b')))).toBe(1052);
    expect(timeline.loads()).toBe(2);
  });

  test('its state is kept over night, unless every session begins clean', () => {
    const kept = timelineOf({ airbrush });
    put(kept, spray('one', 'a'));
    expect(startOf(put(kept, spray('two', 'b'), DAY))).toBe(1010 + DAY);
    const reset = timelineOf({ airbrush: { ...airbrush, resetEachWindow: true } });
    put(reset, spray('one', 'a'));
    expect(startOf(put(reset, spray('two', 'b'), DAY))).toBe(1002 + DAY);
    expect(reset.loads()).toBe(2);
  });

  test('a spray let in before another must leave room for that one’s new clean-out', () => {
    const timeline = timelineOf({ airbrush });
    put(timeline, spray('first', 'a', 10));
    // 1012 to 1040 is free; the spray at 1040 has its 10 minutes from 1030.
    const later = put(timeline, spray('later', 'b', 10), 1040);
    expect(later.clean).toBe(10);
    // c would be done by 1022, but from c to b takes 30 minutes, which do not fit before 1040.
    expect(startOf(timeline.earliest(spray('between', 'c', 5), 0)!)).toBeGreaterThan(1040);
  });

  test('what was sprayed last before now decides the first clean-out', () => {
    const done = spray('done', 'a');
    const timeline = timelineOf({
      airbrush,
      now: 1000,
      steps: [done],
      actuals: [{ id: 'done', start: 900, end: 920 }],
    });
    expect(startOf(put(timeline, spray('next', 'b')))).toBe(1010);
    expect(startOf(put(timeline, spray('same', 'a'), DAY))).toBe(1010 + DAY);
  });

  test('the booth binds the spray, not its clean-out', () => {
    const timeline = timelineOf({ airbrush, boothWindows: [{ start: 1030, end: 1060 }] });
    const placed = put(timeline, { ...spray('one', 'a', 30), needsBooth: true });
    expect([startOf(placed), endOf(placed)]).toEqual([1030, 1060]);
    expect(timeline.earliest({ ...spray('two', 'a', 31), needsBooth: true }, 0)).toBeNull();
  });
});

test('sessions with any work are counted once', () => {
  const timeline = timelineOf();
  put(timeline, step('a', 10));
  put(timeline, step('b', 10));
  expect(timeline.sessionsUsed()).toBe(1);
  put(timeline, step('c', 10), DAY);
  expect(timeline.sessionsUsed()).toBe(2);
});
