import { describe, expect, test } from '@jest/globals';
import { viewOfDemo } from '@tests/support/demo-brief';
import { unaskedZones } from './unasked';

const { view } = viewOfDemo();

describe('what nobody asked yet', () => {
  test('is every zone that will be seen, while nothing is asked', () => {
    const { options } = view.state.brief;
    expect(unaskedZones(view.outline, options, [])).toHaveLength(view.outline.zones.length);
  });
  test('wheels up, nobody sees legs and bays', () => {
    const hidden = unaskedZones(view.outline, { ...view.state.brief.options, gear: 'up' }, []);
    expect(hidden.some(({ group }) => group === 'gear' || group === 'bays')).toBe(false);
    expect(hidden.length).toBeGreaterThan(10);
  });
  test('a brief from which every question was taken is open in every zone', () => {
    const { view: empty } = viewOfDemo((state) => {
      state.questions = [];
      state.rulings = [];
      state.sightings = [];
    });
    expect(empty.unasked.map(({ key }) => key)).toEqual(empty.outline.zones.map(({ key }) => key));
    const asked = new Set(view.questions.map(({ record }) => record.zone));
    for (const { key } of view.unasked)
      expect(view.questions.some(({ record }) => record.zone === key && record.aspect === 'colour')).toBe(false);
    expect(asked.size).toBeGreaterThan(0);
  });
});
