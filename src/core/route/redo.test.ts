import { describe, expect, test } from '@jest/globals';
import type { ZoneGroup } from '@/core/outline/zones';
import { redoOf } from './redo';
import { stepOf, type Route, type RouteStep } from '@/core/work/step';

const step = (key: string, minutes: number, over: Partial<RouteStep> = {}): RouteStep =>
  stepOf(key, key, 'sand', 'Whole', minutes, over);
const GROUPS: Record<string, ZoneGroup> = {
  cockpit: 'interior',
  canopy: 'glazing',
  'fin-port': 'tail',
  spine: 'fuselage',
};
const zone = (key: string) => ({ key, group: GROUPS[key]! });
const load = { id: 'x', title: 'x', chemistry: 'WA' as const, kind: 'solid' as const, lightness: 50 };
const link = (from: string, to: string) => ({ from, to, minLag: 0, maxLag: null, why: '' });

/** Fin: masked, sprayed, its decal, sealed with the rest. Fuselage: seams filled, holes drilled before its gate. */
const route: Route = {
  steps: [
    step('drill-fuselage', 10, { lane: 'Fuselage' }),
    step('cockpit', 60, { lane: 'Fuselage', zones: ['cockpit'], load }),
    step('gate:fuselage', 20, { lane: 'Fuselage' }),
    step('fill-seams', 90, { lane: 'Fuselage' }),
    step('mask:TCS 31', 50, {
      zones: ['fin-port'],
      family: 'mask',
      tape: { of: 'spray:TCS 31', goes: 'on' },
    }),
    step('spray:TCS 31', 30, { zones: ['fin-port'], load }),
    step('spray:TCS 14', 40, { zones: ['wing-lower-port'], load }),
    step('marking:fin', 15, { zones: ['fin-port'], family: 'marking' }),
    step('seal', 25, { zones: ['fin-port', 'wing-lower-port'] }),
  ],
  links: [
    link('drill-fuselage', 'gate:fuselage'),
    link('cockpit', 'gate:fuselage'),
    link('gate:fuselage', 'fill-seams'),
    link('fill-seams', 'mask:TCS 31'),
    link('mask:TCS 31', 'spray:TCS 31'),
    link('spray:TCS 31', 'marking:fin'),
    link('marking:fin', 'seal'),
    link('spray:TCS 14', 'seal'),
  ],
} as Route;

describe('what a wrong answer costs', () => {
  test('a colour: its spraying, and all that follows on the same zone', () => {
    const redo = redoOf(route, zone('fin-port'), 'colour', 'colour', false);
    expect(redo.fixing).toEqual(['spray:TCS 31']);
    expect(redo.minutes).toBe(30 + 15 + 25);
    expect(redo.blocks).toEqual(['spray:TCS 31']);
  });
  test('a boundary is fixed by the mask, and costs the spraying behind it too', () => {
    const redo = redoOf(route, zone('fin-port'), 'boundary', 'colour', false);
    expect(redo.fixing).toEqual(['mask:TCS 31']);
    expect(redo.minutes).toBe(50 + 30 + 15 + 25);
  });
  test('a marking costs itself and what seals it, not the coat below', () => {
    expect(redoOf(route, zone('fin-port'), 'marking', 'seal', false).minutes).toBe(15 + 25);
  });
  test('a seam is fixed by the filling, whatever the zone', () => {
    expect(redoOf(route, zone('spine'), 'seam', 'fuselage', false).fixing).toEqual(['fill-seams']);
  });
  test('what was closed in costs opening it: the gate and the work of its lane behind it', () => {
    const open = redoOf(route, zone('cockpit'), 'colour', 'fuselage', false).minutes;
    expect(open).toBe(60);
    expect(redoOf(route, zone('cockpit'), 'colour', 'fuselage', true).minutes).toBe(open + 20 + 90);
  });
  test('before any step settles it, a typical spray is reckoned with, and its gate is what waits', () => {
    const redo = redoOf(route, zone('canopy'), 'colour', 'fuselage', false);
    expect(redo.fixing).toEqual([]);
    expect(redo.minutes).toBe(45);
    expect(redo.blocks).toEqual(['gate:fuselage']);
  });
});
