import { describe, expect, test } from '@jest/globals';
import { viewOfDemo } from '@tests/support/demo-brief';
import { codeBook } from '@/core/codes/official';
import { openCount } from './open-count';
import { unaskedZones } from './unasked';

const { view, shelf } = viewOfDemo();

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

describe('how much of a brief is open', () => {
  const open = ({ state }: typeof view) => openCount(state, codeBook(shelf));
  test('is what its stations say: a question that is ruled on the mirrored side is not open', () => {
    const mirrored = view.questions.filter((q) => q.ruledOpposite && !q.open);
    expect(mirrored.length).toBeGreaterThan(0);
    expect(open(view)).toBe(view.questions.filter((q) => q.open).length + view.unasked.length);
  });
  test('grows by one with each ruling that is taken away', () => {
    const [ruled] = view.questions.filter((q) => q.ruling && !q.mirrored);
    const { view: without } = viewOfDemo((state) => {
      state.rulings = state.rulings.filter(({ id }) => id !== ruled!.ruling!.id);
    });
    expect(open(without)).toBe(open(view) + 1);
  });
});
