import { describe, expect, test } from '@jest/globals';
import { viewOfDemo } from '@tests/support/demo-brief';
import { OPTION_CHOICES, optionsFor, type OptionName } from '@/core/kit/options';
import { machineOf } from '@/core/outline/presets';
import type { BriefView } from '@/core/derive/derive';
import { consequenceOf, otherChoices } from './consequences';

const { view } = viewOfDemo();
const of = (option: OptionName, choice: string, from: BriefView = view) => consequenceOf(from, { option, choice });

describe('what another choice would do', () => {
  test('may be asked of every choice that is not the present one', () => {
    const names = optionsFor(machineOf(view.state.airframe));
    const choices = names.reduce((sum, name) => sum + OPTION_CHOICES[name].choices.length - 1, 0);
    const others = otherChoices(view);
    expect(others).toHaveLength(choices);
    for (const { option, choice } of others) expect(view.state.brief.options[option]).not.toBe(choice);
  });
  test('gear up takes its steps and zones away, and cannot stand on it', () => {
    const up = of('gear', 'up');
    expect(up.removes.map(({ key }) => key)).toEqual(expect.arrayContaining(['build-gear', 'fit-gear']));
    expect(up.hides.length).toBeGreaterThan(0);
    expect(up.minutes).toBeLessThan(0);
    expect(up.says[0]).toMatchObject({ never: true, says: expect.stringContaining('stand') });
  });
  test('stores bring steps of their own, and make those longer in which they are primed with the rest', () => {
    const { view: clean } = viewOfDemo((state) => {
      state.brief = { ...state.brief, options: { ...state.brief.options, stores: 'none' } };
    });
    const tanks = of('stores', 'tanks', clean);
    expect(tanks.adds.map(({ key }) => key)).toEqual(
      expect.arrayContaining(['store:port inner:drill', 'store:port inner:hang']),
    );
    const own = tanks.adds.reduce((sum, { minutes }) => sum + minutes, 0);
    const primed = view.route.steps.find(({ key }) => key === 'prime-parts')!;
    expect(own).toBeGreaterThan(0);
    expect(tanks.minutes).toBeGreaterThanOrEqual(own);
    expect(tanks.minutes).toBeLessThan(own + 2 * primed.minutes);
    expect(tanks.removes).toEqual([]);
  });
  test('is to be decided before the first planned step that it changes', () => {
    const { removes, decideBy } = of('weathering', 'none');
    const starts = view.plan.work
      .filter(({ key }) => removes.some((step) => step.key === key))
      .map(({ start }) => start)
      .sort();
    expect(starts.length).toBeGreaterThan(0);
    expect(decideBy! <= starts[0]!).toBe(true);
  });
});
