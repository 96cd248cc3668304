import { describe, expect, test } from '@jest/globals';
import { generalCoats } from './general-coats';
import { DEFAULT_OPTIONS } from '@/core/kit/options';
import { buildOutline } from '@/core/outline/outline';
import { PRESETS } from '@/core/outline/presets';
import { CHEMISTRY_NAMES, layOver } from '@/core/paint/chemistry';
import { STANDARD_CLIMATE } from '@/core/paint/drying';
import { barrierBetween, conflictsOf } from '@/core/laid/guard';
import { withRemedies } from './remedies';
import { buildRoute } from './route';
import { stacksIn } from '@tests/support/stacks';

/** Bays in enamel, washed with spirit: that lifts them. */
const outline = buildOutline({
  preset: 'single',
  dimensions: PRESETS.single.dimensions,
  landing: 'wheels',
  folded: false,
});
const bays = outline.zones.filter(({ group }) => group === 'bays').map(({ key }) => key);
const on = { outline, denominator: 48, general: 'airbrush' as const };
const built = buildRoute({
  outline,
  options: { ...DEFAULT_OPTIONS },
  climate: STANDARD_CLIMATE,
  denominator: 48,
  general: 'airbrush',
  coats: generalCoats(),
  calls: [
    {
      code: 'C 1',
      name: 'Bay green',
      zones: bays,
      lab: [50, -10, 20],
      coats: 2,
      paint: { id: 'p', label: 'paint', chemistry: 'EN', kind: 'solid', finish: 'matt' },
    },
  ],
  markings: [],
  layers: [],
  callFor: (code) => ({ code, name: code, zones: [], lab: null, coats: null, paint: null }),
});
const conflicts = conflictsOf(stacksIn(built, outline));
const lifted = conflicts.find(({ verdict }) => verdict === 'no')!;
const pair = { over: lifted.over.step, under: lifted.under.step };

describe('what helps where a layer attacks another', () => {
  test('a barrier is offered only where there is a clear that bears both', () => {
    for (const over of CHEMISTRY_NAMES)
      for (const under of CHEMISTRY_NAMES) {
        const clear = barrierBetween(over, under);
        const bears = (a: typeof over, b: typeof over) =>
          ['ok', 'after cure', 'mist first'].includes(layOver(a, b).verdict);
        if (clear) expect([bears(clear, under), bears(over, clear)]).toEqual([true, true]);
        else for (const one of ['WA', 'AL'] as const) expect(bears(one, under) && bears(over, one)).toBe(false);
      }
  });
  test('a bay in enamel under a wash in spirit has one, and none is taken of itself', () => {
    expect(lifted.remedies.map(({ id }) => id)).toContain('barrier');
    expect(lifted.taken).toBeNull();
  });
  test('a barrier that is taken is a step between the two, and settles it', () => {
    const route = withRemedies(built, on, [{ ...pair, remedy: 'barrier' }]);
    const key = `barrier:${pair.over}:${pair.under}`;
    expect(route.links.some(({ from, to }) => from === pair.under && to === key)).toBe(true);
    expect(route.links.some(({ from, to }) => from === key && to === pair.over)).toBe(true);
    const left = conflictsOf(stacksIn(route, outline));
    expect(left.filter(({ over, under }) => over.step === pair.over && under.step === pair.under)).toEqual([]);
    expect(left.filter(({ verdict }) => verdict === 'no').length).toBeLessThan(
      conflicts.filter(({ verdict }) => verdict === 'no').length,
    );
  });
  test('mist coats that are taken take longer, and the conflict says that they are', () => {
    const route = withRemedies(built, on, [{ ...pair, remedy: 'mist' }]);
    const minutes = (of: typeof route) => of.steps.find(({ key }) => key === pair.over)!.minutes;
    expect(minutes(route)).toBeGreaterThan(minutes(built));
    const told = conflictsOf(stacksIn(route, outline), [{ ...pair, remedy: 'mist' }]);
    expect(told.find(({ over, under }) => over.step === pair.over && under.step === pair.under)!.taken).toBe('mist');
  });
  test('what is taken for steps that are no longer there changes nothing', () => {
    expect(withRemedies(built, on, [{ over: 'gone', under: 'too', remedy: 'barrier' }])).toEqual(built);
  });
});
