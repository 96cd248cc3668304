import { describe, expect, test } from '@jest/globals';
import { smallStep } from '../../../tests/support/small-route';
import type { PlannedWork } from './plan';
import { longTapes, longTapeSaid } from './tape-time';

const DAY = 24 * 60;
const work = (
  key: string,
  goes: 'on' | 'off',
  day: number,
  over: Partial<PlannedWork> = {},
  of = 'canopy',
): PlannedWork => ({
  key,
  step: smallStep(key, 20, { tape: { of, goes }, zones: ['canopy'] }),
  start: '2026-03-01T19:00',
  end: '2026-03-01T19:20',
  segments: [[day * DAY, day * DAY + 20]],
  done: false,
  session: null,
  ...over,
});

describe('tape that a plan leaves on', () => {
  test('for a week says nothing, for longer how long, and what helps', () => {
    expect(longTapes({ work: [work('on', 'on', 0), work('off', 'off', 7)] })).toEqual([]);
    const [long] = longTapes({ work: [work('on', 'on', 0), work('off', 'off', 52)] });
    expect(long).toMatchObject({ step: 'on', days: 52 });
    expect(longTapeSaid(long!)).toMatch(/52 days.*masking fluid.*8 Mar.*lay it anew/);
  });

  test('round the gear is only laid anew: it is no glass', () => {
    const [long] = longTapes({ work: [work('on', 'on', 0, {}, 'gear'), work('off', 'off', 20, {}, 'gear')] });
    expect(long!.helps).toHaveLength(1);
  });

  test('that is off already, or has no zone, is past', () => {
    expect(longTapes({ work: [work('on', 'on', 0, { done: true }), work('off', 'off', 52, { done: true })] })).toEqual(
      [],
    );
    const plug = work('plug', 'on', 0);
    expect(longTapes({ work: [{ ...plug, step: { ...plug.step, zones: [] } }, work('off', 'off', 52)] })).toEqual([]);
  });
});
