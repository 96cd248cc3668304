import { describe, expect, test } from '@jest/globals';
import { DEFAULT_OPTIONS } from '@/core/kit/options';
import { PLAIN_PRINTING, type Printing } from '@/core/markings/printing';
import { STANDARD_CLIMATE } from '@/core/paint/drying';
import { outlineFor } from '@tests/support/outline-for';
import { callOf } from '@tests/support/route-call';
import { leastBetween } from '@tests/support/route-rules';
import type { RouteMarking } from './call';
import { fixingSteps } from './fixing';
import { generalCoats } from './general-coats';
import { buildRoute } from './route';

const outline = outlineFor(DEFAULT_OPTIONS, 'single');
const marking = (id: string, printing: Partial<Printing> = {}, over: Partial<RouteMarking> = {}): RouteMarking => ({
  id,
  title: id,
  name: id,
  zones: ['fuselage-rear-port'],
  method: 'own decal',
  pieces: 2,
  painted: { edgeMm: 80, areaCm2: 4, ofCodes: [] },
  printing: { ...PLAIN_PRINTING, ...printing },
  ...over,
});
const routeWith = (markings: RouteMarking[], general: 'airbrush' | 'brush' = 'airbrush') =>
  buildRoute({
    outline,
    options: DEFAULT_OPTIONS,
    denominator: 48,
    general,
    coats: generalCoats(),
    climate: STANDARD_CLIMATE,
    calls: [
      callOf(
        'A',
        outline.zones.map(({ key }) => key),
        { lab: [60, 0, 0] },
      ),
    ],
    markings,
    layers: [],
    callFor: (code) => callOf(code, []),
  });
const step = (route: ReturnType<typeof routeWith>, key: string) => route.steps.find((one) => one.key === key);

describe('decals that are printed at home', () => {
  test('are printed, dry, sealed twice, dry, cut and tried before the first of them is placed', () => {
    const route = routeWith([marking('name', { spares: 3 }), marking('badge')]);
    const answer = route as unknown as Parameters<typeof leastBetween>[0];
    const between = (from: string, to: string) => leastBetween(answer, from, to);
    expect(between('print-decals', 'seal-prints')).toBeGreaterThanOrEqual(120);
    expect(step(route, 'seal-prints')!.passes).toBe(2);
    // A water-based clear is in the hand after four hours.
    expect(between('seal-prints', 'cut-decals')).toBeGreaterThanOrEqual(240);
    for (const id of ['name', 'badge']) {
      expect(between('cut-decals', 'dip-prints')).not.toBeNull();
      expect(between('dip-prints', `marking:${id}`)).not.toBeNull();
    }
    expect(step(route, 'print-decals')!.title).toMatch(/badge/);
    // Two of each, three and one to spare.
    expect(step(route, 'print-decals')!.title).toMatch(/8 pieces/);
  });
  test('are asked about before they are printed: they are work on the zones of their markings', () => {
    const route = routeWith([marking('name'), marking('badge', {}, { zones: ['fin-port'] })]);
    expect([...step(route, 'print-decals')!.zones].sort()).toEqual(['fin-port', 'fuselage-rear-port']);
    const fin = outline.zones.find(({ key }) => key === 'fin-port')!;
    expect(fixingSteps(route, fin, 'size').map(({ key }) => key)).toContain('print-decals');
  });
  test('wait for a brushed seal as well', () => {
    const route = routeWith([marking('name')], 'brush');
    const answer = route as unknown as Parameters<typeof leastBetween>[0];
    expect(leastBetween(answer, 'seal-prints', 'cut-decals')).toBeGreaterThanOrEqual(240);
  });
  test('make no work where none is printed', () => {
    const route = routeWith([marking('name', {}, { method: 'decal' }), marking('band', {}, { method: 'mask' })]);
    for (const key of ['print-decals', 'seal-prints', 'cut-decals', 'dip-prints'])
      expect(step(route, key)).toBeUndefined();
  });
  test('have white laid under them on clear film as it was chosen, and on white film none', () => {
    const ground = (printing: Partial<Printing>) => step(routeWith([marking('name', printing)]), 'marking-ground:name');
    expect(ground({ white: 'painted' })).toMatchObject({ kind: 'brush', lays: [{ what: 'undercoat' }] });
    expect(ground({ white: 'spare decal' })).toMatchObject({ kind: 'decal', lays: [{ what: 'decal' }] });
    for (const none of [{}, { white: 'printed' as const }, { white: 'painted' as const, film: 'white' as const }])
      expect(ground(none)).toBeUndefined();
  });
  test('painted white may be wetted before the print goes over it', () => {
    const route = routeWith([marking('name', { white: 'painted' })]);
    const answer = route as unknown as Parameters<typeof leastBetween>[0];
    expect(leastBetween(answer, 'marking-ground:name', 'marking:name')).toBeGreaterThanOrEqual(24 * 60);
  });
});
