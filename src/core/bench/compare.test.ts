import { expect, test } from '@jest/globals';
import { compareByLane } from './compare';

test('planned and logged minutes by lane; unplanned work counts in no factor', () => {
  const { lanes, all } = compareByLane([
    { lane: 'Wings', plannedMinutes: 30, actualMinutes: 45 },
    { lane: 'Wings', plannedMinutes: 10, actualMinutes: 15 },
    { lane: 'Cockpit', plannedMinutes: 20, actualMinutes: 20 },
    { lane: '', plannedMinutes: null, actualMinutes: 60 },
  ]);
  expect(lanes).toEqual([
    { lane: 'Wings', planned: 40, actual: 60, factor: 1.5 },
    { lane: 'Cockpit', planned: 20, actual: 20, factor: 1 },
    { lane: 'Other', planned: 0, actual: 60, factor: null },
  ]);
  expect(all.factor).toBeCloseTo(80 / 60, 12);
  expect(compareByLane([]).all).toEqual({ lane: 'All', planned: 0, actual: 0, factor: null });
});
