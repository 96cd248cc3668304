import { describe, expect, test } from '@jest/globals';
import { OPTION_CHOICES, OPTION_NAMES, type Options } from '@/core/kit/options';
import { buildOutline } from '@/core/outline/outline';
import { PRESETS } from '@/core/outline/presets';
import { coveredWith } from '@/core/outline/zones';
import { STANDARD_CLIMATE } from '@/core/paint/drying';
import type { RouteCall } from './call';
import { generalCoats } from './general-coats';
import { buildRoute } from './route';
import type { RouteInput } from './route-input';

const { dimensions } = PRESETS.single;
const outline = buildOutline({ preset: 'single', dimensions, profile: null } as never);
const options = Object.fromEntries(
  OPTION_NAMES.map((name) => [name, OPTION_CHOICES[name].choices[0]]),
) as unknown as Options;
const outside = outline.zones.filter(({ group }) => coveredWith(group) === 'outside').map(({ key }) => key);
const call = (zones: string[], kind: 'solid' | 'metallic'): RouteCall => ({
  code: kind,
  name: kind,
  zones,
  lab: [60, 0, 0],
  coats: 2,
  paint: { id: kind, label: kind, kind, finish: 'satin', chemistry: kind === 'metallic' ? 'ML' : 'WA', dries: {} },
});
const routeFor = (finishes: RouteInput['finishes'], kind: 'solid' | 'metallic' = 'solid') =>
  buildRoute({
    outline,
    options: { ...options, weathering: 'in service', washOver: 'gloss', decalGround: 'gloss coat' },
    climate: STANDARD_CLIMATE,
    denominator: 72,
    general: 'airbrush',
    coats: generalCoats(),
    ...(finishes ? { finishes } : {}),
    calls: [call(outside, kind)],
    markings: [],
    layers: [],
    callFor: () => call([], 'solid'),
  });
const zonesOf = (route: ReturnType<typeof routeFor>, key: string) =>
  [...(route.steps.find((step) => step.key === key)?.zones ?? [])].sort();

describe('the last clear', () => {
  const [first, second, ...rest] = outside as [string, string, ...string[]];
  test('is matt where nothing is ruled', () => {
    const route = routeFor(undefined);
    expect(zonesOf(route, 'matt')).toEqual([...outside].sort());
    expect(route.steps.some(({ key }) => ['last-satin', 'last-gloss'].includes(key))).toBe(false);
  });
  test('is what is ruled, zone by zone; every zone ends with one', () => {
    const route = routeFor({ [first]: 'satin', [second]: 'gloss' });
    expect(zonesOf(route, 'last-satin')).toEqual([first]);
    expect(zonesOf(route, 'last-gloss')).toEqual([second]);
    expect(zonesOf(route, 'matt')).toEqual([...rest].sort());
  });
  test('comes after wash and oils also where no zone is matt, and assembly after it', () => {
    const route = routeFor(Object.fromEntries(outside.map((zone) => [zone, 'satin' as const])));
    expect(route.steps.some(({ key }) => key === 'matt')).toBe(false);
    const into = (to: string, seen = new Set<string>()): Set<string> => {
      for (const { from } of route.links.filter((link) => link.to === to))
        if (!seen.has(from)) into(from, seen.add(from));
      return seen;
    };
    expect(into('last-satin')).toContain('streaks');
    expect(into('last-look')).toContain('last-satin');
  });
  test('of a machine in metal: its panels are toned, and nothing of it is toned where nothing is metal', () => {
    const toned = routeFor(undefined, 'metallic').steps.find(({ key }) => key === 'tone-metal');
    expect([...toned!.zones].sort()).toEqual([...outside].sort());
    expect(routeFor(undefined).steps.some(({ key }) => key === 'tone-metal')).toBe(false);
  });
  test('leaves bare metal without a matt coat, and what stays unsealed without any clear', () => {
    const metal = routeFor({ [first]: 'unsealed' }, 'metallic');
    expect(metal.steps.filter(({ key }) => ['matt', 'matt-for-oils', 'last-satin'].includes(key))).toEqual([]);
    expect(zonesOf(metal, 'seal')).toEqual([...outside].filter((zone) => zone !== first).sort());
    const clears = metal.steps.filter(({ lays }) => lays.some(({ what }) => what === 'clear'));
    expect(clears.filter(({ zones }) => zones.includes(first)).map(({ key }) => key)).toEqual([]);
  });
});
