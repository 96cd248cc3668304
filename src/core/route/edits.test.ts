import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { viewOfDemo } from '@tests/support/demo-brief';
import { editInWords, withEdits, type RouteEdit } from './edits';
import { waitingCircle } from './schedule/network';
import { smallLink as link, smallRoute, smallStep } from '@tests/support/small-route';
import type { Route } from '@/core/work/step';

const step = (key: string) => ({ ...smallStep(key), title: key.toUpperCase() });
const route = smallRoute(
  [step('a'), step('b'), step('c'), { ...step('gate'), gate: 'fuselage' }],
  [link('a', 'b', 30), link('b', 'c', 600), link('c', 'gate')],
);
const edited = (...edits: RouteEdit[]) => withEdits(route, edits);
const keys = (made: Route) => made.steps.map(({ key }) => key);
const arcs = (made: Route) => made.links.map(({ from, to, minLag }) => `${from} ${to} ${minLag}`);

describe('edits of the route', () => {
  test('a step of one’s own goes between others', () => {
    const { route: made, sleeping } = edited({
      kind: 'add',
      key: 'own:1',
      title: 'Test the lights',
      work: 'test',
      lane: 'Fuselage',
      minutes: 15,
      after: ['b'],
      before: ['gate'],
    });
    expect(sleeping).toEqual([]);
    expect(made.steps.at(-1)).toMatchObject({ key: 'own:1', title: 'Test the lights', minutes: 15, kind: 'test' });
    expect(arcs(made)).toEqual(expect.arrayContaining(['b own:1 0', 'own:1 gate 0']));
  });
  test('a step that is left out hands its waits on, the longer of both', () => {
    const { route: made } = edited({ kind: 'off', step: 'b' });
    expect(keys(made)).toEqual(['a', 'c', 'gate']);
    expect(arcs(made)).toContain('a c 600');
  });
  test('what closes for good is neither left out nor split', () => {
    const { route: made, sleeping } = edited(
      { kind: 'off', step: 'gate' },
      {
        kind: 'split',
        step: 'gate',
        parts: [
          { title: 'x', minutes: 5 },
          { title: 'y', minutes: 5 },
        ],
      },
    );
    expect(keys(made)).toEqual(keys(route));
    expect(sleeping.map(({ says }) => says)).toEqual([
      'what closes for good cannot be switched off',
      'what closes for good is not split',
    ]);
  });
  test('split: what came before comes before the first part, what waits waits for the last', () => {
    const { route: made } = edited({
      kind: 'split',
      step: 'b',
      parts: [
        { title: 'left side', minutes: 12 },
        { title: 'right side', minutes: 13 },
      ],
    });
    expect(keys(made)).toEqual(['a', 'b/1', 'b/2', 'c', 'gate']);
    expect(arcs(made)).toEqual(['a b/1 30', 'b/2 c 600', 'c gate 0', 'b/1 b/2 0']);
  });
  test('merged steps take both times and all waits; two coats or two colours are not merged', () => {
    const { route: made } = edited({ kind: 'merge', steps: ['a', 'b'], title: 'both' });
    expect(made.steps[0]).toMatchObject({ key: 'a', title: 'both', minutes: 40 });
    expect(arcs(made)).toEqual(['a c 600', 'c gate 0']);
    const coat = { what: 'colour', chemistry: 'WA', code: 'x', paint: 'x', coats: 1, dries: {} } as const;
    const coats: Route = { ...route, steps: route.steps.map((own) => ({ ...own, lays: [coat] })) };
    expect(withEdits(coats, [{ kind: 'merge', steps: ['a', 'b'], title: 'both' }]).sleeping[0]!.says).toMatch(
      /two coats are two steps/,
    );
  });
  test('a circle is refused and named step by step, in the order of its waits', () => {
    const { route: made, sleeping } = edited({ kind: 'order', first: 'c', then: 'a', wait: 0 });
    expect(arcs(made)).toEqual(arcs(route));
    const named = [...sleeping[0]!.says.matchAll(/“(\w)”/g)].map(([, key]) => key!);
    expect([...named].sort()).toEqual(['A', 'B', 'C']);
    // Each waits for the one before it.
    const round = [...named, named[0]!].map((title) => title.toLowerCase());
    round.slice(1).forEach((to, i) => {
      const isLink = [...route.links, link('c', 'a')].some((one) => one.from === round[i] && one.to === to);
      expect([round[i], to, isLink]).toEqual([round[i], to, true]);
    });
  });
  test('an edit whose step is gone sleeps, and works again when it is back', () => {
    const off: RouteEdit = { kind: 'change', step: 'b', title: 'B, with care', minutes: 45 };
    const gone: Route = { ...route, steps: [step('a')], links: [] };
    expect(withEdits(gone, [off]).sleeping).toEqual([
      { index: 0, says: 'a step that it names is not in the route now' },
    ]);
    expect(edited(off).route.steps[1]).toMatchObject({ title: 'B, with care', minutes: 45 });
  });
  test('said as a builder would', () => {
    const titleOf = (key: string) => key.toUpperCase();
    expect(editInWords({ kind: 'change', step: 'b', title: null, minutes: 45 }, titleOf)).toBe('“B” takes 45 min');
    expect(editInWords({ kind: 'order', first: 'a', then: 'c', wait: 0 }, titleOf)).toBe('“A” comes before “C”');
  });
  test('whatever is edited, the demo’s route has no circle, and every link names steps that are there', () => {
    const { route: demo } = viewOfDemo().view;
    const any = fc.nat(demo.steps.length - 1).map((i) => demo.steps[i]!.key);
    const edit: fc.Arbitrary<RouteEdit> = fc.oneof(
      fc.record({ kind: fc.constant('off' as const), step: any }),
      fc.record({ kind: fc.constant('order' as const), first: any, then: any, wait: fc.nat(500) }),
      fc
        .tuple(any, any)
        .filter(([a, b]) => a !== b)
        .map(([a, b]) => ({ kind: 'merge' as const, steps: [a, b] as [string, string], title: 'both' })),
      fc.record({
        kind: fc.constant('split' as const),
        step: any,
        parts: fc.constant([
          { title: 'one', minutes: 5 },
          { title: 'two', minutes: 5 },
        ]),
      }),
    );
    fc.assert(
      fc.property(fc.array(edit, { maxLength: 12 }), (edits) => {
        const { route: made } = withEdits(demo, edits);
        const known = new Set(keys(made));
        expect(known.size).toBe(made.steps.length);
        for (const { from, to } of made.links) expect([known.has(from), known.has(to)]).toEqual([true, true]);
        const plain = made.steps.map(({ key }) => ({
          id: key,
          minutes: 1,
          splittable: false,
          colour: null,
          needsBooth: false,
        }));
        expect(waitingCircle({ steps: plain, links: made.links })).toBeNull();
      }),
      { numRuns: 30 },
    );
  });
});
