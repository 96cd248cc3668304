import { describe, expect, test } from '@jest/globals';
import { deriveBrief } from '@/core/derive/derive';
import type { BriefState } from '@/core/kept/state';
import { calledWhere } from '@/core/workshop/called-where';
import { NOW, shelfOfDemo, stateOfDemo } from '@tests/support/demo-brief';
import { descendantsOf } from './behind';

const shelf = shelfOfDemo();
const demo = { ...stateOfDemo(shelf), log: [], mishaps: [], plans: [], edits: [], runs: [] };
/** A code that no skin of the demo wears. */
const RED = 'TCS 10';
const withItems = (items: readonly (readonly [zone: string, item: string])[], over: Partial<BriefState> = {}) => {
  const asked = items.map(([zone, item], i) => ({
    id: `asked item ${i}`,
    version: 1,
    zone,
    aspect: 'colour' as const,
    item,
  }));
  const ruled = asked.map(({ id }, i) => ({
    ...demo.rulings[0]!,
    id: `ruled item ${i}`,
    questionId: id,
    value: RED,
    basis: 'choice' as const,
    favoured: null,
  }));
  return deriveBrief(
    { ...demo, markings: [], questions: [...demo.questions, ...asked], rulings: [...demo.rulings, ...ruled], ...over },
    shelf,
    { nowUtc: NOW, effort: 0 },
  );
};
const HANDLE = [['cockpit', 'handle']] as const;

describe('a thing of its own', () => {
  const view = withItems([
    ['cockpit', 'handle'],
    ['seat', 'cushion'],
    ['fin-port', 'lamp'],
  ]);
  const steps = new Map(view.route.steps.map((step) => [step.key, step]));

  test('is painted by hand, in a few minutes, and its colour is sprayed on no skin', () => {
    const handle = steps.get('item:cockpit:handle')!;
    expect(handle).toMatchObject({ kind: 'brush', code: RED, zones: ['cockpit'], booth: false });
    expect(handle.title).toMatch(/: handle, /);
    expect(handle.minutes).toBeGreaterThanOrEqual(5);
    expect(handle.minutes).toBeLessThanOrEqual(10);
    expect(view.route.steps.filter(({ code, kind }) => code === RED && kind === 'spray')).toEqual([]);
  });
  test('comes after what is round it, and before that is worked over', () => {
    const after = (first: string, then: string) =>
      expect([first, then, descendantsOf(view.route, [first]).has(then)]).toEqual([first, then, true]);
    for (const { key } of view.route.steps.filter(({ joint }) => joint === 'interior'))
      after(key, 'item:cockpit:handle');
    after('item:cockpit:handle', 'fit-cockpit');
    after('item:seat:cushion', 'fit-cockpit');
    after('item:fin-port:lamp', 'gloss');
  });
  test('has its colour called, bought and told by what it is, with an area of its own', () => {
    const call = view.calls.find(({ code }) => code === RED)!;
    expect(call).toMatchObject({ zones: [], painted: true, way: { way: 'brush' } });
    expect(call.areaCm2).toBeGreaterThan(0);
    expect(call.areaCm2).toBeLessThan(2);
    expect(calledWhere(view.outline, call)).toMatch(/handle \(.*cushion \(.*lamp \(/);
  });
  test('lies in the stack of its zone, and leaves the colour of that as it is', () => {
    const stack = view.standing.stacks.get('cockpit')!;
    expect(stack.filter(({ code }) => code === RED)).toHaveLength(1);
    const none = withItems([]);
    expect(view.wanted.calls).toEqual(none.wanted.calls);
  });
  test('that nobody sees makes no work', () => {
    const hidden = withItems(HANDLE, {
      brief: { ...demo.brief, options: { ...demo.brief.options, state: 'stored' } },
    });
    const isSeen = hidden.route.covered.inside.includes('cockpit');
    expect(hidden.route.steps.some(({ key }) => key === 'item:cockpit:handle')).toBe(isSeen);
  });
});
