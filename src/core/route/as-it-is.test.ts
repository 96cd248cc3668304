import { describe, expect, test } from '@jest/globals';
import { generalCoats } from './general-coats';
import fc from 'fast-check';
import { outlineFor } from '@tests/support/outline-for';
import { bornQuestions } from '@/core/workshop/born';
import { DEFAULT_OPTIONS, OPTION_CHOICES, OPTION_NAMES, optionsFor, type Options } from '@/core/kit/options';
import { sightOf } from '@/core/kit/seen';
import { ownOutline } from '@/core/outline/outline';
import { COCKPITS, machineOf, PRESET_NAMES, PRESETS, type AsBuilt } from '@/core/outline/presets';
import { coveredWith, SURFACES, type Surfaces } from '@/core/outline/zones';
import { STANDARD_CLIMATE } from '@/core/paint/drying';
import { descendantsOf } from './behind';
import { fixingSteps } from './fixing';
import { buildRoute } from './route';
import { waitingCircle } from './schedule/network';

/** Machines as they are, from the outline to questions, options and steps: open cockpits, fabric, wood, wires, pods. */

const LAYOUT: Surfaces = { fuselage: '', wings: '', tail: '' };

function built(as: AsBuilt & { surfaces?: Surfaces }, over: Partial<Options> = {}) {
  const { preset, gear = '', cockpit = '', surfaces = LAYOUT } = as;
  const options = { ...DEFAULT_OPTIONS, landing: PRESETS[preset].landing, ...over };
  const outline = outlineFor(options, preset, ownOutline({ gear, spinner: true, cockpit, surfaces }));
  const route = buildRoute({
    outline,
    options,
    climate: STANDARD_CLIMATE,
    denominator: 48,
    general: 'airbrush',
    coats: generalCoats(),
    calls: [],
    markings: [],
    layers: [],
    callFor: (code) => ({ code, name: code, zones: [], lab: null, coats: 2, paint: null }),
  });
  const keys = new Set(route.steps.map(({ key }) => key));
  const { questions } = bornQuestions(outline, options, { codeLetters: '', serial: '', name: '' });
  return { outline, options, route, keys, questions, machine: machineOf(as) };
}
const zonesOf = ({ route }: ReturnType<typeof built>, key: string) =>
  route.steps.filter((step) => step.key === key).flatMap(({ zones }) => zones);
const isAfter = ({ route }: ReturnType<typeof built>, first: string, then: string) =>
  descendantsOf(route, [first]).has(then);

describe('an open cockpit', () => {
  test('has no canopy to choose, mask or fix, and windscreens instead', () => {
    const open = built({ preset: 'tail-wheel', cockpit: 'open' });
    expect(optionsFor(open.machine)).not.toContain('canopy');
    expect(optionsFor(open.machine)).not.toContain('clearParts');
    expect(open.outline.zones.map(({ key }) => key)).toEqual(expect.arrayContaining(['cockpit', 'seat', 'windscreen']));
    expect(open.outline.zones.some(({ key }) => key === 'canopy' || key.endsWith('-rear'))).toBe(false);
    for (const gone of ['mask-canopy', 'fit-canopy', 'open-canopy', 'close-canopy', 'windows', 'mask-windows'])
      expect(open.keys).not.toContain(gone);
    for (const there of ['mask-screens', 'plug-cockpit', 'unplug', 'fit-screens']) expect(open.keys).toContain(there);
    expect(isAfter(open, 'unplug', 'fit-screens')).toBe(true);
  });
  test('is looked into whatever is closed, and hidden by covers alone', () => {
    const { outline, options } = built({ preset: 'tail-wheel', cockpit: 'open' });
    const cockpit = outline.zones.find(({ key }) => key === 'cockpit')!;
    expect(sightOf(cockpit, options).sight).toBe('plain');
    expect(sightOf(cockpit, { ...options, state: 'stored' }).sight).toBe('hidden');
    expect(
      sightOf(
        built({ preset: 'tail-wheel' }).outline.zones.find(({ key }) => key === 'cockpit')!,
        options,
      ).sight,
    ).toBe('through glass');
  });
  test('behind another is a room of its own: asked about, painted, fitted', () => {
    const two = built({ preset: 'biplane', cockpit: 'two open' });
    for (const zone of ['cockpit-rear', 'seat-rear', 'instrument-panel-rear', 'windscreen-rear'])
      expect(two.questions.some((one) => one.zone === zone && one.aspect === 'colour')).toBe(true);
    for (const key of ['panel-rear', 'belts-rear']) {
      expect(two.keys).toContain(key);
      expect(isAfter(two, key, 'fit-cockpit')).toBe(true);
    }
    expect(built({ preset: 'biplane', cockpit: 'open' }).keys).not.toContain('panel-rear');
  });
});

describe('engines', () => {
  test('of a glider make no exhausts, and no stains of them', () => {
    const { keys } = built({ preset: 'glider' }, { weathering: 'in service' });
    for (const none of ['exhausts', 'fit-exhausts', 'exhaust']) expect(keys).not.toContain(none);
    expect([...built({ preset: 'twin' }, { weathering: 'in service' }).keys]).toEqual(
      expect.arrayContaining(['exhausts', 'fit-exhausts', 'exhaust']),
    );
  });
  test('at the tail hang beside it, and clear of the wing', () => {
    const { outline } = built({ preset: 'tail-jet' });
    const { length, wingStation, rootChord } = outline.spec.dimensions;
    const pod = outline.regions.find(({ zone }) => zone === 'nacelle-port')!.chart.on;
    const [first, last] = pod.kind === 'body' ? [pod.body.sections[0]!.x, pod.body.sections.at(-1)!.x] : [0, 0];
    expect(first).toBeGreaterThan(wingStation + rootChord);
    expect(last).toBeLessThan(length);
  });
});

describe('what a machine is skinned with', () => {
  test('is said part by part; engines are cowled in metal, and glass, legs and rooms have no skin', () => {
    const { outline } = built({ preset: 'tail-wheel', surfaces: { fuselage: 'wood', wings: 'fabric', tail: '' } });
    const surface = (key: string) => outline.zones.find((zone) => zone.key === key)!.surface;
    expect(surface('fuselage-mid-port')).toBe('wood');
    expect(surface('wing-lower-starboard')).toBe('fabric');
    expect(surface('fin-port')).toBe('metal');
    expect(surface('cowling-port')).toBe('metal');
    for (const none of ['canopy', 'gear-main', 'cockpit', 'well-main-port']) expect(surface(none)).toBeNull();
  });
  test('fabric is looked over rib by rib before primer, and shaded along its ribs in place of a wash in panel lines', () => {
    const mixed = built({ preset: 'tail-wheel', surfaces: { ...LAYOUT, wings: 'fabric' } });
    const wings = mixed.outline.zones.filter(({ surface }) => surface === 'fabric').map(({ key }) => key);
    expect(wings.length).toBeGreaterThan(3);
    expect(zonesOf(mixed, 'ribs').sort()).toEqual([...wings].sort());
    expect(zonesOf(mixed, 'shade-ribs').sort()).toEqual([...wings].sort());
    expect(isAfter(mixed, 'ribs', 'prime')).toBe(true);
    expect(isAfter(mixed, 'shade-ribs', 'matt')).toBe(true);
    for (const face of ['upper', 'lower'])
      expect(zonesOf(mixed, `wash:${face}`).filter((zone) => wings.includes(zone))).toEqual([]);
    expect(zonesOf(mixed, 'wash:port')).toContain('fuselage-mid-port');
    const metal = built({ preset: 'tail-wheel' });
    expect(metal.keys).not.toContain('ribs');
    expect(metal.keys).not.toContain('shade-ribs');
  });
});

describe('a biplane', () => {
  test('is drilled and tried before paint, joined when both wings are finished, and rigged last', () => {
    const she = built({ preset: 'biplane' });
    expect(she.outline.zones.find(({ key }) => key === 'struts')).toMatchObject({ group: 'struts' });
    expect(coveredWith('struts')).toBe('apart');
    for (const [first, then] of [
      ['drill-rigging', 'prime'],
      ['try-upper-wing', 'prime'],
      ['prime-parts', 'join-upper-wing'],
      ['matt', 'join-upper-wing'],
      ['join-upper-wing', 'rig'],
      ['rig', 'aerials'],
    ] as const)
      expect([first, then, isAfter(she, first, then)]).toEqual([first, then, true]);
    expect(she.questions).toContainEqual({ zone: 'struts', aspect: 'fit', item: 'rigging' });
    const struts = she.outline.zones.find(({ key }) => key === 'struts')!;
    expect(fixingSteps(she.route, struts, 'fit').map(({ key }) => key)).toEqual(['drill-rigging', 'try-upper-wing']);
  });
  test('that is not rigged needs no holes, and stands on its struts all the same', () => {
    const { keys } = built({ preset: 'biplane' }, { rigging: 'none' });
    expect(keys).not.toContain('rig');
    expect(keys).not.toContain('drill-rigging');
    expect(keys).toContain('join-upper-wing');
  });
  test('alone is asked how it is rigged', () => {
    expect(optionsFor(machineOf({ preset: 'biplane' }))).toContain('rigging');
    expect(optionsFor(machineOf({ preset: 'twin' }))).not.toContain('rigging');
  });
});

test('a jet with pods has its engines on the wing, and no propeller', () => {
  const { outline, machine, keys } = built({ preset: 'podded-jet' });
  expect(machine.power).toBe('jet');
  expect(outline.zones.map(({ key }) => key)).toEqual(expect.arrayContaining(['nacelle-port', 'nacelle-starboard']));
  expect(outline.zones.some(({ group }) => group === 'propeller')).toBe(false);
  expect(keys).not.toContain('fit-propeller');
});

test('whatever a machine is, its route has no circle, works on zones that it has, and asks about no other', () => {
  const surface = fc.constantFrom('' as const, ...SURFACES);
  fc.assert(
    fc.property(
      fc.record({
        preset: fc.constantFrom(...PRESET_NAMES),
        gear: fc.constantFrom('' as const, 'fixed' as const, 'retracts' as const),
        cockpit: fc.constantFrom('' as const, ...COCKPITS),
        surfaces: fc.record({ fuselage: surface, wings: surface, tail: surface }),
      }),
      fc.record(
        Object.fromEntries(OPTION_NAMES.map((name) => [name, fc.constantFrom(...OPTION_CHOICES[name].choices)])),
      ) as fc.Arbitrary<Options>,
      (as, chosen) => {
        const { outline, route, questions } = built(as, { ...chosen, landing: PRESETS[as.preset].landing });
        const known = new Set(outline.zones.map(({ key }) => key));
        expect(
          waitingCircle({ steps: route.steps.map(({ key }) => ({ id: key }) as never), links: route.links }),
        ).toBeNull();
        const there = new Set(route.steps.map(({ key }) => key));
        for (const { from, to } of route.links) expect(there.has(from) && there.has(to)).toBe(true);
        for (const { zones } of route.steps) expect(zones.filter((zone) => !known.has(zone))).toEqual([]);
        expect(questions.filter(({ zone }) => !known.has(zone))).toEqual([]);
      },
    ),
    { numRuns: 80 },
  );
});
