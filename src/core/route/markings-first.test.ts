import { describe, expect, test } from '@jest/globals';
import { DEFAULT_OPTIONS } from '@/core/kit/options';
import { STANDARD_CLIMATE } from '@/core/paint/drying';
import { waitingCircle } from '@/core/route/schedule/network';
import { outlineFor } from '@tests/support/outline-for';
import { callOf } from '@tests/support/route-call';
import type { RouteCall, RouteMarking } from './call';
import { generalCoats } from './general-coats';
import { buildRoute } from './route';
import { descendantsOf } from './behind';

/** A pattern whose lines are measured from a painted marking: the marking is there first, and is covered while they are sprayed. */

const outline = outlineFor(DEFAULT_OPTIONS, 'single');
const skin = outline.zones.filter(({ group }) => group === 'fuselage' || group === 'wings').map(({ key }) => key);
const SIDE = 'fuselage-rear-port';
const call = (code: string, zones: string[], light: number) => callOf(code, zones, { lab: [light, 0, 0] });
const band: RouteMarking = {
  id: 'band',
  title: 'Band',
  name: 'band',
  zones: [SIDE],
  method: 'mask',
  pieces: 1,
  painted: { edgeMm: 80, areaCm2: 4, ofCodes: [{ edgeMm: 80, areaCm2: 4 }] },
  calls: [call('W', [SIDE], 92)],
};
const routeWith = (markings: RouteMarking[], calls = [call('A', skin, 70), call('B', [SIDE, 'wing-upper-port'], 40)]) =>
  buildRoute({
    outline,
    options: DEFAULT_OPTIONS,
    denominator: 48,
    general: 'airbrush',
    coats: generalCoats(),
    climate: STANDARD_CLIMATE,
    calls,
    markings,
    layers: [],
    callFor: (code) => call(code, [], 50),
  });
const comesAfter = (route: ReturnType<typeof routeWith>, first: string, then: string) =>
  descendantsOf(route, [first]).has(then);

describe('a painted marking', () => {
  test('comes after the colours where nothing is measured from it', () => {
    const route = routeWith([band]);
    expect(comesAfter(route, 'spray:B', 'marking-mask:band')).toBe(true);
    expect(route.steps.some(({ key }) => key === 'marking-cover:band')).toBe(false);
  });

  test('comes before the pattern that is measured from it, and is covered until the last colour round it is on', () => {
    const route = routeWith([{ ...band, measures: ['B'] }]);
    const order = [
      'spray:A',
      'marking-mask:band',
      'marking-spray:band',
      'marking-cover:band',
      'spray:B',
      'marking-uncover:band',
    ];
    order.slice(1).forEach((key, i) => {
      expect([order[i], key, comesAfter(route, order[i]!, key)]).toEqual([order[i], key, true]);
    });
    const off = route.links.find(({ from, to }) => from === 'spray:B' && to === 'marking-uncover:band')!;
    // A water-based coat gives for four hours.
    expect(off.maxLag).toBe(240);
  });

  test('may be the first of all, and closes no circle', () => {
    const route = routeWith([{ ...band, measures: ['A', 'B'] }]);
    expect(comesAfter(route, 'marking-spray:band', 'spray:A')).toBe(true);
    expect(comesAfter(route, 'spray:B', 'marking-uncover:band')).toBe(true);
    expect(comesAfter(route, 'gate:colour', 'marking-mask:band')).toBe(true);
    const { steps, links } = route;
    expect(waitingCircle({ steps: steps.map(({ key }) => ({ id: key })), links })).toBeNull();
    const titles = steps.map(({ title }) => title);
    expect(new Set(titles).size).toBe(titles.length);
  });
});

describe('the white ground of a painted marking', () => {
  const red: RouteCall = { ...call('R', [SIDE], 45), lab: [45, 60, 40] };
  const white = call('W', [SIDE], 95);
  const grounds = (calls: RouteCall[], skinCalls?: RouteCall[]) =>
    routeWith([{ ...band, calls }], skinCalls).steps.filter(({ key }) => key === 'marking-ground:band').length;
  test('lies under what hides badly', () => {
    expect(grounds([red])).toBe(1);
  });
  test('is left out where the marking itself begins with white, and over a white skin', () => {
    expect(grounds([red, white])).toBe(0);
    expect(grounds([red], [call('S', skin, 94)])).toBe(0);
  });
  test('is laid again between two strong colours of which the later would turn: blue over red, but not over white or a second red', () => {
    const blue: RouteCall = { ...call('B', [SIDE], 30), lab: [30, 10, -45] };
    const maroon: RouteCall = { ...call('M', [SIDE], 30), lab: [30, 45, 20] };
    const stepsOf = (calls: RouteCall[]) =>
      routeWith([{ ...band, calls }]).steps.flatMap(({ key, lays }) =>
        key.startsWith('marking-') && lays.length > 0 ? [`${lays[0]!.what} ${lays[0]!.code ?? ''}`.trim()] : [],
      );
    expect(stepsOf([blue, red])).toEqual(['undercoat', 'marking R', 'undercoat', 'marking B']);
    expect(stepsOf([blue, white])).toEqual(['marking W', 'marking B']);
    expect(stepsOf([maroon, red])).toEqual(['undercoat', 'marking R', 'marking M']);
    const route = routeWith([{ ...band, calls: [blue, red] }]);
    expect(comesAfter(route, 'marking-spray:band', 'marking-ground:band:B')).toBe(true);
    expect(comesAfter(route, 'marking-ground:band:B', 'marking-spray:band:B')).toBe(true);
  });
});
