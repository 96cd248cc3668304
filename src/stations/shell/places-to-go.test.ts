import { describe, expect, test } from '@jest/globals';
import { deriveBrief } from '@/core/derive/derive';
import { NOW, shelfOfDemo, stateOfDemo } from '@tests/support/demo-brief';
import { placesToGo } from './places-to-go';

const shelf = shelfOfDemo();
const view = deriveBrief(stateOfDemo(shelf), shelf, { nowUtc: NOW, effort: 0 });

describe('what can be found by name', () => {
  const found = placesToGo(view);
  const at = (path: string) => found.filter((place) => place.path.startsWith(path)).map(({ label }) => label);

  test('is every source, called colour and step, each with where it is shown', () => {
    expect(at('evidence?source=')).toEqual(view.state.sources.map(({ title }) => title));
    expect(at('colours?code=')).toHaveLength(view.calls.length);
    expect(at('route')).toEqual(view.plan.work.map(({ step }) => step.title));
  });

  test('names a colour by its code and its name, and asks for it by its code alone', () => {
    const [call] = view.calls.filter(({ official }) => official);
    const path = `colours?code=${encodeURIComponent(call!.code)}`;
    expect(at(path)).toEqual([`${call!.code} ${call!.official!.record.name}`]);
  });
});
