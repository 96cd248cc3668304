import { describe, expect, test } from '@jest/globals';
import { bornQuestions } from '@/core/workshop/born';
import { DEFAULT_OPTIONS, optionsFor, type Options } from '@/core/kit/options';
import type { Part } from '@/core/kit/parts';
import { subjectZone, type SubjectSize } from '@/core/kit/subjects';
import { partJobs } from '@/core/kit/part-work';
import { areaOn } from '@/core/outline/chart';
import { buildOutline } from '@/core/outline/outline';
import { machineOf, PRESETS, type PresetName } from '@/core/outline/presets';
import { withSubjects } from '@/core/outline/subject-zones';
import { spokenZones } from '@/core/outline/spoken';
import { STANDARD_CLIMATE } from '@/core/paint/drying';
import { callOf } from '@tests/support/route-call';
import { descendantsOf } from './behind';
import { generalCoats } from './general-coats';
import { buildRoute } from './route';
import type { RouteInput } from './route-input';

const outlineOf = (preset: PresetName, over: Partial<(typeof PRESETS)['ship']['dimensions']> = {}) =>
  buildOutline({ preset, dimensions: { ...PRESETS[preset].dimensions, ...over }, landing: 'wheels', folded: false });
const routeOf = (preset: PresetName, over: Partial<RouteInput> = {}, options: Partial<Options> = {}) =>
  buildRoute({
    outline: outlineOf(preset),
    options: { ...DEFAULT_OPTIONS, ...options },
    climate: STANDARD_CLIMATE,
    denominator: preset === 'ship' ? 350 : 48,
    general: 'airbrush',
    coats: generalCoats(),
    calls: [],
    markings: [],
    layers: [],
    callFor: (code) => callOf(code, []),
    ...over,
  });
type Built = ReturnType<typeof routeOf>;
const keysOf = ({ steps }: Built) => steps.map(({ key }) => key);
const inOrder = (route: Built, ...keys: string[]) =>
  keys.slice(1).forEach((key, i) => {
    const [before, after] = [keys[i]!, key];
    expect([before, after, descendantsOf(route, [before]).has(after)]).toEqual([before, after, true]);
  });

describe('a ship as the main subject', () => {
  const ship = outlineOf('ship');
  const zones = new Map(ship.zones.map((zone) => [zone.key, zone]));

  test('is outlined by its length, beam and height: sides, bottom, decks and an island', () => {
    expect([...zones.keys()]).toEqual(
      expect.arrayContaining([
        'hull-port',
        'hull-starboard',
        'hull-lower',
        'deck',
        'island-port',
        'island-top',
        'fittings',
      ]),
    );
    expect(zones.get('deck')!.faces).toBe('up');
    expect(zones.get('hull-port')!.faces).toBe('port');
    const { length, fuselageWidth, fuselageHeight } = PRESETS.ship.dimensions;
    // A deck is a little smaller than its box, and a side at most as large.
    expect(zones.get('deck')!.areaM2).toBeGreaterThan(0.6 * length * fuselageWidth);
    expect(zones.get('deck')!.areaM2).toBeLessThan(1.05 * length * fuselageWidth);
    expect(zones.get('hull-port')!.areaM2).toBeLessThan(length * fuselageHeight);
    expect(spokenZones(ship.zones, ['hull-port', 'hull-starboard'])).toBe('both sides of the hull');
  });
  test('grows with its beam, and goes without an island', () => {
    const broad = outlineOf('ship', { fuselageWidth: 28 });
    expect(broad.zones.find(({ key }) => key === 'deck')!.areaM2).toBeGreaterThan(1.8 * zones.get('deck')!.areaM2);
    const flat = outlineOf('ship', { canopyLength: 0 });
    expect(flat.zones.some(({ key }) => key.startsWith('island'))).toBe(false);
    expect(flat.zones.some(({ key }) => key === 'fittings')).toBe(true);
  });
  test('an island stands where it is said, on the deck', () => {
    const aside = outlineOf('ship', { engineSpacing: 5 });
    const island = aside.regions.find(({ zone }) => zone === 'island-top')!;
    expect(areaOn(island.chart, island.region)).toBeGreaterThan(0);
    const points = island.region.flat().map((point) => island.chart.at(point));
    for (const [x, y, z] of points) {
      expect(x).toBeGreaterThanOrEqual(PRESETS.ship.dimensions.canopyStation - 1e-9);
      expect(Math.abs(y - 5)).toBeLessThanOrEqual(0.2 * PRESETS.ship.dimensions.fuselageWidth + 1e-9);
      expect(z).toBeGreaterThan(PRESETS.ship.dimensions.fuselageHeight);
    }
  });
  test('is asked for what ships have, and for nothing that they have not', () => {
    const { questions } = bornQuestions(ship, DEFAULT_OPTIONS, { codeLetters: 'D 12', serial: '', name: '' });
    const asked = questions.map(({ zone, aspect, item }) => `${zone} ${aspect} ${item}`.trim());
    expect(asked).toEqual(
      expect.arrayContaining([
        'hull-port colour',
        'deck colour',
        'island-top colour',
        'hull-starboard boundaryPlace waterline',
        'hull-port marking pennant number',
      ]),
    );
    expect(asked.filter((says) => /cockpit|gear|seat|propeller|insignia/.test(says))).toEqual([]);
    const options = optionsFor(machineOf({ preset: 'ship' }));
    expect(options).toEqual(expect.arrayContaining(['tonal', 'weathering']));
    for (const none of ['gear', 'canopy', 'flaps', 'stores', 'doors', 'state'] as const)
      expect(options).not.toContain(none);
  });
  test('is built from the hull to the rigging', () => {
    const route = routeOf('ship', {
      calls: [callOf('HULL', ['hull-port', 'hull-starboard']), callOf('MAST', ['fittings'])],
    });
    inOrder(route, 'check-parts', 'join-hull', 'weld-seams', 'degrease', 'prime', 'gate:colour', 'spray:HULL', 'gloss');
    inOrder(route, 'build-islands', 'degrease');
    inOrder(route, 'build-fittings', 'prime-parts', 'part:MAST', 'fit-fittings', 'aerials', 'last-look');
    inOrder(route, 'matt', 'fit-fittings');
    const words = route.steps.map(({ title }) => title).join('\n');
    expect(words).not.toMatch(/wing|cockpit|fuselage|canopy|wheel|propeller|panel line|airflow/i);
    expect(keysOf(route)).not.toContain('gate:fuselage');
  });
});

test('a base as the main subject is laid, painted, and grown or poured over last', () => {
  const route = routeOf('base', { calls: [callOf('EARTH', ['ground'])] });
  inOrder(route, 'base-slab', 'groundwork', 'degrease', 'prime', 'spray:EARTH', 'matt', 'water-over', 'last-look');
  expect(route.steps.map(({ title }) => title).join('\n')).not.toMatch(/wing|cockpit|fuselage|canopy|hull/i);
  expect(outlineOf('base').zones.map(({ key }) => key)).toEqual(['ground', 'edge']);
});

describe('rails of a subject', () => {
  const SHIP = {
    kind: 'vessel' as const,
    name: 'subject-tender',
    title: 'Tender',
    count: 1,
    place: '',
    byGate: 'end' as const,
    layers: [],
  };
  const rail = (over: Partial<Part> = {}): Part =>
    ({
      id: 'rail',
      number: '12',
      sprue: '',
      title: 'rails',
      count: 4,
      origin: 'etched',
      condition: 'sound',
      zone: 'subject-tender.fittings',
      replacesIds: [],
      orderedUntil: null,
      codes: [],
      painted: 'assembly',
      setTitle: '',
      onOption: null,
      note: '',
      ...over,
    }) as Part;
  const withRail = (part: Part) =>
    routeOf('single', {
      outline: withSubjects(outlineOf('single'), [SHIP], 48),
      subjects: [SHIP],
      parts: partJobs([part]),
    });
  const jobOf = (route: Built, does: RegExp) =>
    route.steps.find(({ family, title }) => family === 'part' && does.test(title))!.key;

  test('are bent at the bench, fitted to what is built, and primed with it', () => {
    const route = withRail(rail());
    inOrder(route, jobOf(route, /bend/), jobOf(route, /^Dry-fit/), jobOf(route, /^Glue/), 'subject-tender:prime');
    inOrder(route, 'subject-tender:build', jobOf(route, /^Dry-fit/));
    expect(descendantsOf(route, ['subject-tender:build'])).not.toContain(jobOf(route, /bend/));
  });
  test('that are painted apart are fixed to what is painted, before it is set in place', () => {
    const route = withRail(rail({ codes: ['GREY'], painted: 'stick' }));
    inOrder(route, jobOf(route, /^Paint in GREY/), jobOf(route, /^Glue/), 'subject-tender:place');
  });
});

test('a machine with more bays takes longer to rig, and has more strut to paint', () => {
  const options = { rigging: 'wire' } as const;
  const of = (wingBays: number) => {
    const outline = outlineOf('biplane', { wingBays });
    const { steps } = routeOf('biplane', { outline }, options);
    const minutes = (key: string) => steps.find((step) => step.key === key)!.minutes;
    return {
      struts: outline.zones.find(({ key }) => key === 'struts')!.areaM2,
      rig: minutes('rig'),
      drill: minutes('drill-rigging'),
    };
  };
  const [one, two, three] = [of(1), of(2), of(3)];
  expect(of(0)).toEqual(two);
  for (const what of ['struts', 'rig', 'drill'] as const) {
    expect(two[what]).toBeGreaterThan(one[what]);
    expect(three[what]).toBeGreaterThan(two[what]);
  }
});

describe('what stands beside the machine', () => {
  const truck = { kind: 'vehicle' as const, name: 'subject-truck', title: 'Truck', count: 2, byGate: 'end' as const };
  const areaOf = (size: SubjectSize, zone: string, denominator: number) => {
    const { zones } = withSubjects(outlineOf('single'), [{ ...truck, ...size }], denominator);
    return zones.find(({ key }) => key === subjectZone(truck.name, zone))!.areaM2;
  };
  test('by its length, breadth and height has so much skin, at any scale the same in reality', () => {
    const size = { lengthM: 6, breadthM: 2.2, heightM: 2.4 };
    const one = areaOf(size, 'body', 48);
    // Roof and sides of its box, both of them, and not twice as much.
    expect(one / 2).toBeGreaterThan(6 * 2.2 + 6 * 2.4);
    expect(one / 2).toBeLessThan(2 * (6 * 2.2 + 2 * (6 + 2.2) * 2.4));
    expect(areaOf(size, 'body', 72)).toBeCloseTo(one, 9);
  });
  test('that nobody measured is as large on the model as such things usually are', () => {
    const onModel = (denominator: number) => areaOf({}, 'body', denominator) / denominator ** 2;
    expect(onModel(72)).toBeCloseTo(onModel(48), 12);
    expect(areaOf({ lengthM: 6, breadthM: 0, heightM: 0 }, 'body', 48)).toBeCloseTo(areaOf({}, 'body', 48), 9);
  });
});
