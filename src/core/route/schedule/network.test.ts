import { describe, expect, test } from '@jest/globals';
import { link, step } from '../../../../tests/support/plan-problem';
import { earliestEnds, latestStarts } from './backward';
import { lowerBound } from './bound';
import { Calendar } from './calendar';
import { networkOf, waitingCircle } from './network';
import { overlaps, type PlanProblem } from './problem';

const DAY = 24 * 60;
const problem = (over: Partial<PlanProblem>): PlanProblem => {
  const windows = Array.from({ length: 10 }, (_, i) => ({ id: `w${i}`, start: i * DAY, end: i * DAY + 100 }));
  return { windows, boothWindows: [], steps: [], links: [], airbrush: null, now: null, actuals: [], ...over };
};

describe('the network', () => {
  test('greatest waits tie steps into blocks, with whatever lies between them', () => {
    const network = networkOf(
      problem({
        steps: ['a', 'b', 'c', 'd'].map((id) => step(id)),
        links: [link('a', 'b'), link('b', 'c'), link('a', 'c', 0, 60), link('c', 'd')],
      }),
    );
    const blocks = network.blocks.map((block) => block.map((i) => network.problem.steps[i]!.id)).sort();
    expect(blocks).toEqual([['a', 'b', 'c'], ['d']]);
  });

  test('least waits alone tie nothing', () => {
    const network = networkOf(problem({ steps: [step('a'), step('b')], links: [link('a', 'b', 600)] }));
    expect(network.blocks).toHaveLength(2);
  });

  test('what is done belongs to no block', () => {
    const network = networkOf(
      problem({
        now: 200,
        steps: [step('a'), step('b')],
        links: [link('a', 'b', 0, 500)],
        actuals: [{ id: 'a', start: 0, end: 10 }],
      }),
    );
    expect(network.blocks).toEqual([[1]]);
    expect(network.broken).toEqual([]);
  });

  test('a greatest wait that was over before now is broken, one that still runs is not', () => {
    const given = (now: number) =>
      problem({
        now,
        steps: [step('a'), step('b')],
        links: [link('a', 'b', 0, 100)],
        actuals: [{ id: 'a', start: 0, end: 10 }],
      });
    expect(networkOf(given(110)).broken).toHaveLength(0);
    expect(networkOf(given(111)).broken).toHaveLength(1);
  });

  test('a circle of waits is named; a long chain is none', () => {
    expect(
      waitingCircle({
        steps: [step('a'), step('b'), step('c')],
        links: [link('a', 'b'), link('b', 'a'), link('b', 'c')],
      }),
    ).toEqual(['a', 'b', 'c']);
    const chain = Array.from({ length: 3000 }, (_, i) => step(`s${i}`));
    const links = chain.slice(1).map((s, i) => link(`s${i}`, s.id, 0, 9));
    expect(waitingCircle({ steps: chain, links })).toBeNull();
    expect(networkOf(problem({ steps: chain, links })).blocks).toHaveLength(1);
  });
});

describe('the calendar', () => {
  const calendar = new Calendar(problem({ boothWindows: [{ start: 50, end: 90 }] }));
  test('forward: work is cut into what the sessions hold', () => {
    expect(calendar.advance(0, 100)).toBe(100);
    expect(calendar.advance(0, 101)).toBe(DAY + 1);
    expect(calendar.advance(60, 100)).toBe(DAY + 60);
    expect(calendar.advance(0, 1001)).toBe(Infinity);
  });
  test('a step that cannot be split waits for a session with room', () => {
    expect(calendar.earliestEnd(step('s', 60), 30)).toBe(90);
    expect(calendar.earliestEnd(step('s', 60), 50)).toBe(DAY + 60);
    expect(calendar.earliestEnd(step('s', 101), 0)).toBe(Infinity);
    expect(calendar.earliestEnd(step('s', 101, { splittable: true }), 0)).toBe(DAY + 1);
  });
  test('a step in the booth waits for the booth', () => {
    expect(calendar.earliestEnd(step('s', 20, { needsBooth: true }), 0)).toBe(70);
    expect(calendar.earliestEnd(step('s', 41, { needsBooth: true }), 0)).toBe(Infinity);
  });
  test('backward: the latest start that still ends in time', () => {
    expect(calendar.latestStart(step('s', 30), DAY + 50)).toBe(DAY + 20);
    expect(calendar.latestStart(step('s', 30), DAY + 20)).toBe(70);
    expect(calendar.latestStart(step('s', 130, { splittable: true }), DAY + 50)).toBe(20);
    expect(calendar.latestStart(step('s', 30), 10)).toBe(-Infinity);
  });
});

describe('heads, tails and the bound', () => {
  test('a chain with drying over night', () => {
    const given = problem({ steps: [step('a', 50), step('b', 50)], links: [link('a', 'b', 600)] });
    const network = networkOf(given);
    expect(earliestEnds(network)).toEqual([50, DAY + 50]);
    expect(lowerBound(network)).toBe(DAY + 50);
    expect(latestStarts(network, 2 * DAY + 100)).toEqual([DAY + 50, 2 * DAY + 50]);
  });
  test('one person: three steps of 50 minutes need two sessions though none waits for another', () => {
    const given = problem({ steps: ['a', 'b', 'c'].map((id) => step(id, 50)) });
    expect(lowerBound(networkOf(given))).toBe(DAY + 50);
  });
  test('work that is followed by a wait ends no earlier than the wait', () => {
    const given = problem({
      steps: [step('a', 50), step('b', 50), step('end', 10)],
      links: [link('a', 'end', 70), link('b', 'end', 70)],
    });
    expect(lowerBound(networkOf(given))).toBeGreaterThanOrEqual(100 + 70 + 10);
  });
});

test('overlaps of sessions and booth', () => {
  expect(
    overlaps(
      [
        { start: 0, end: 10 },
        { start: 20, end: 30 },
      ],
      [
        { start: 5, end: 22 },
        { start: 28, end: 40 },
      ],
    ),
  ).toEqual([
    { start: 5, end: 10 },
    { start: 20, end: 22 },
    { start: 28, end: 30 },
  ]);
});
