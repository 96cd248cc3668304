import { describe, expect, test } from '@jest/globals';
import { generalCoats } from './general-coats';
import fc from 'fast-check';
import { outlineFor } from '@tests/support/outline-for';
import { partOf } from '@tests/support/part';
import { coatsBy, generalWay, suggestWay } from '@/core/kit/applying';
import type { Tool } from '@/core/kit/tools';
import { BENCH_MASK_RATES } from '@/core/work/mask-order';
import { minutesOf } from '@/core/work/minutes';
import { conflictsByPair } from '@/core/laid/guard';
import { wantedStacks } from '@/core/laid/stack';
import { isGrave, layOver, type Chemistry } from '@/core/paint/chemistry';
import { DEFAULT_OPTIONS, OPTION_CHOICES, OPTION_NAMES, optionsFor, type Options } from '@/core/kit/options';
import { partJobs } from '@/core/kit/part-work';
import { PART_CONDITIONS, PART_ORIGINS, type Part } from '@/core/kit/parts';
import { hangsInside, STORE_STATIONS, type StoreAt, type StoreStation } from '@/core/kit/stores';
import { sightOf } from '@/core/kit/seen';
import { BASE_LAYERS, SUBJECT_KINDS, subjectName, subjectZone } from '@/core/kit/subjects';
import { modelAreaOfZones } from '@/core/outline/outline';
import { machineOf, PRESETS, type PresetName } from '@/core/outline/presets';
import { withSubjects } from '@/core/outline/subject-zones';
import { STANDARD_CLIMATE } from '@/core/paint/drying';
import { descendantsOf } from './behind';
import { planRoute } from './plan';
import { buildRoute } from './route';
import type { RouteInput } from './route-input';
import { waitingCircle } from './schedule/network';
import type { Route } from '@/core/work/step';
import type { RouteCall } from './call';

function routeFor(
  over: Partial<Options> = {},
  { preset = 'single', ...input }: Partial<Omit<RouteInput, 'options'>> & { preset?: PresetName } = {},
): Route {
  const options = { ...DEFAULT_OPTIONS, landing: PRESETS[preset].landing, ...over };
  return buildRoute({
    outline: outlineFor(options, preset),
    options,
    climate: STANDARD_CLIMATE,
    denominator: 48,
    general: 'airbrush',
    coats: generalCoats(),
    calls: [],
    markings: [],
    layers: [],
    callFor: (code) => call(code, []),
    ...input,
  });
}

const call = (code: string, zones: string[], over: Partial<RouteCall> = {}): RouteCall => ({
  code,
  name: code,
  zones,
  lab: [40, 0, 0],
  coats: 2,
  paint: { id: code, label: code, chemistry: 'WA', kind: 'solid', finish: 'matt' },
  ...over,
});

const keysOf = (route: Route) => route.steps.map(({ key }) => key);
const has = (route: Route, key: string) => keysOf(route).includes(key);
const follows = (route: Route, from: string, to: string) => descendantsOf(route, [from]).has(to);
const stepIn = (route: Route, key: string) => route.steps.find((step) => step.key === key)!;
/** Each of these is there, and comes after the one before it. */
function order(route: Route, ...keys: string[]) {
  keys.slice(1).forEach((key, i) => {
    expect([keys[i], key, has(route, keys[i]!) && follows(route, keys[i]!, key)]).toEqual([keys[i], key, true]);
  });
}
const isSound = (route: Route) => {
  expect(new Set(keysOf(route)).size).toBe(route.steps.length);
  for (const { from, to } of route.links) {
    expect(has(route, from)).toBe(true);
    expect(has(route, to)).toBe(true);
  }
  expect(waitingCircle({ steps: route.steps.map(({ key }) => ({ id: key }) as never), links: route.links })).toBeNull();
};

describe('what an option adds to the route and takes from it', () => {
  const cases: [string, Partial<Options>, string[], string[], PresetName?][] = [
    ['running', { state: 'running' }, ['turning'], ['chocks']],
    ['hovering', { state: 'hovering', stand: 'a rod' }, ['turning', 'rod-socket'], [], 'rotorcraft'],
    ['flying', { state: 'flying', stand: 'a rod', gear: 'up' }, ['turning', 'close-bays'], ['build-gear', 'chocks']],
    ['stored', { state: 'stored' }, ['covers', 'fit-covers'], ['chocks']],
    ['derelict', { state: 'derelict' }, ['open-panels', 'flat-tyres'], ['chocks']],
    ['canopy open', { canopy: 'open' }, ['open-canopy', 'paint-hood-inside'], []],
    ['doors open', { doors: 'open' }, ['open-doors', 'paint-doors-inside'], ['close-doors']],
    [
      'gear up',
      { gear: 'up', stand: 'a rod' },
      ['close-bays'],
      ['build-gear', 'fit-gear', 'nose-bay', 'plug-bays', 'nose-weight'],
    ],
    ['skis', { landing: 'skis' }, ['true-skis', 'nose-weight'], ['chocks', 'nose-bay']],
    ['floats', { landing: 'floats' }, ['rig-floats'], ['chocks', 'nose-bay', 'dust']],
    ['skids', { landing: 'skids' }, ['level-skids'], ['chocks']],
    ['flaps down', { flaps: 'down' }, ['flaps', 'fit-flaps'], []],
    ['folded', { wings: 'folded' }, ['hinges', 'fit-folded'], []],
    ['swept', { sweep: 'swept' }, ['set-sweep'], [], 'swing-wing'],
    ['blades level', { blades: 'level' }, ['set-blades'], ['droop-blades'], 'rotorcraft'],
    ['blades tied down', { blades: 'tied down' }, ['tie-blades'], ['droop-blades'], 'rotorcraft'],
    ['tanks', { stores: 'tanks' }, ['build-stores', 'drill-wings', 'fit-stores'], []],
    ['loads', { stores: 'loads' }, ['build-stores', 'fit-stores'], []],
    ['crew aboard', { crew: 'aboard' }, ['paint-crew', 'seat-crew'], []],
    ['lenses', { lights: 'lenses' }, ['lenses'], ['lights']],
    ['lit', { lights: 'lit' }, ['wire-lights', 'try-lights', 'lenses'], ['lights']],
    ['a rod', { stand: 'a rod' }, ['rod-socket', 'mount'], ['nose-weight', 'chocks']],
    ['a base', { stand: 'a base' }, ['base-ground', 'mount'], []],
    ['plain coats', { tonal: 'plain' }, [], ['shade']],
    ['a black base', { tonal: 'black base' }, ['black-base', 'marble'], ['shade']],
    ['no weathering', { weathering: 'none' }, [], ['wash:upper', 'wipe:port', 'matt-for-oils', 'chips', 'dust']],
    ['neglected', { weathering: 'neglected' }, ['neglect'], ['streaks']],
    ['derelict paint', { weathering: 'derelict' }, ['neglect', 'derelict', 'rust', 'growth', 'chalk'], ['streaks']],
  ];
  test.each(cases)('%s', (_, over, adds, removes, preset = 'single') => {
    const before = routeFor({}, { preset });
    const after = routeFor(over, { preset });
    isSound(after);
    for (const key of adds) expect(has(after, key)).toBe(true);
    for (const key of removes) expect([key, has(before, key), has(after, key)]).toEqual([key, true, false]);
  });
  test('no choice that a machine has is without consequence', () => {
    for (const preset of ['single', 'rotorcraft', 'swing-wing'] as const)
      for (const name of optionsFor(machineOf({ preset })))
        // Undercoats come with the paints of the colours: see the brief.
        for (const choice of name === 'undercoats' ? [] : OPTION_CHOICES[name].choices) {
          if (choice === { ...DEFAULT_OPTIONS, landing: PRESETS[preset].landing }[name]) continue;
          const changed = keysOf(routeFor({ [name]: choice } as Partial<Options>, { preset })).join();
          expect([preset, name, choice, changed === keysOf(routeFor({}, { preset })).join()]).toEqual([
            preset,
            name,
            choice,
            false,
          ]);
        }
  });
  test('what the halves hide lies before its gate, what is open is fitted last', () => {
    const route = routeFor({ lights: 'lit', crew: 'aboard', doors: 'open', flaps: 'down', stand: 'a rod' });
    for (const key of ['wire-lights', 'seat-crew', 'rod-socket', 'fit-hatches'])
      expect(follows(route, key, 'gate:fuselage')).toBe(true);
    for (const key of ['open-doors', 'fit-flaps']) expect(follows(route, 'matt', key)).toBe(true);
  });
  test('gear up: the doors are closed and seamed before primer', () => {
    expect(follows(routeFor({ gear: 'up', stand: 'a rod' }), 'close-bays', 'prime')).toBe(true);
  });
  test('steps that the builder leaves out pass their waits on', () => {
    const route = routeFor({}, { leftOut: ['ejector-marks'] });
    isSound(route);
    expect(has(route, 'ejector-marks')).toBe(false);
    expect(follows(route, 'check-parts', 'tub')).toBe(true);
  });
});

let made = 0;
const part = (over: Partial<Part> = {}): Part => {
  made += 1;
  return partOf({ id: `p${made}`, number: String(made), name: 'part', ...over });
};

describe('parts make steps', () => {
  const withParts = (parts: Part[], over: Partial<RouteInput> = {}) =>
    routeFor({}, { parts: partJobs(parts), ...over });
  test('sound parts make none', () => {
    expect(withParts([part(), part()]).steps).toHaveLength(routeFor().steps.length);
  });
  test('resin is degreased before anything of its zone is built, since masks lift paint from it', () => {
    const route = withParts([
      part({ origin: 'resin', zone: 'cockpit', number: '1' }),
      part({ origin: 'resin', zone: 'cockpit' }),
    ]);
    const step = stepIn(route, 'box:degrease:cockpit');
    expect(step.why).toMatch(/masks/);
    expect(follows(route, step.key, 'tub')).toBe(true);
    isSound(route);
  });
  test.each([
    ['broken', 'mend', 'gear-main', 'build-gear'],
    ['missing', 'make', 'propeller', 'build-propeller'],
    ['short', 'build-up', 'wing-upper-inner-port', 'gate:wings'],
    ['cloudy', 'polish', 'canopy', 'mask-canopy'],
  ] as const)('%s: %s before the %s is needed', (condition, job, zone, before) => {
    const route = withParts([part({ condition, zone, number: '9' })]);
    expect(follows(route, `box:C 9:${job}`, before)).toBe(true);
    isSound(route);
  });
  test('a part lost after its assembly was built holds up what fits it last', () => {
    const jobs = [part({ condition: 'missing', zone: 'gear-main', number: '9' })];
    const route = withParts(jobs, { done: ['build-gear'] });
    expect(route.links.some(({ from, to }) => from === 'box:cement:gear-main' && to === 'fit-gear')).toBe(true);
    expect(follows(route, 'box:C 9:make', 'box:cement:gear-main')).toBe(true);
  });
  test.each([
    ['etched', 'cockpit', ['box:cut:cockpit', 'box:fit:cockpit', 'box:glue:cockpit', 'tub']],
    [
      'resin',
      'gear-main',
      ['box:saw:gear-main', 'box:degrease:gear-main', 'box:fit:gear-main', 'box:glue:gear-main', 'build-gear'],
    ],
    ['printed', 'cockpit', ['box:wash:cockpit', 'box:smooth:cockpit', 'box:fit:cockpit', 'box:glue:cockpit', 'tub']],
    ['scratch-built', 'propeller', ['box:C 9:make', 'box:fit:propeller', 'box:cement:propeller', 'build-propeller']],
  ] as const)('%s: made or cut, washed, tried in its place, and glued before what needs it', (origin, zone, way) => {
    const route = withParts([part({ origin, zone, number: '9' })]);
    way.slice(1).forEach((key, i) => expect([way[i], key, follows(route, way[i]!, key)]).toEqual([way[i], key, true]));
    isSound(route);
  });
  test('what is painted on a stick is tried before, and glued once its paint may be handled', () => {
    const route = withParts([
      part({ origin: 'resin', zone: 'cockpit', number: '9', codes: ['TCS 24'], painted: 'stick' }),
    ]);
    const paint = 'box:paint TCS 24 on a stick:cockpit';
    expect(follows(route, 'box:fit:cockpit', paint)).toBe(true);
    const link = route.links.find(({ from, to }) => from === paint && to === 'box:glue:cockpit')!;
    expect(link.minLag).toBeGreaterThanOrEqual(4 * 60);
    isSound(route);
  });
  test('one part may take the place of several, which make no work then', () => {
    const olds = ['7', '8'].map((number) => part({ condition: 'broken', number, id: number, name: 'half' }));
    const route = withParts([
      ...olds,
      part({ sprue: 'PE', number: '1', origin: 'etched', replacesIds: ['7', '8'], zone: 'cockpit' }),
    ]);
    for (const { number } of olds) expect(has(route, `box:C ${number}:mend`)).toBe(false);
    expect(stepIn(route, 'box:PE 1:replace').title).toBe(
      'Leave C 7 half and C 8 half off, and in its place dry-fit PE 1 part',
    );
    isSound(route);
  });
  test('a part that hangs on an option makes work with that choice only, and then replaces nothing', () => {
    const old = part({ condition: 'broken', number: '7', id: 'old', zone: 'canopy' });
    const hood = part({
      sprue: 'V',
      number: '1',
      origin: 'spare',
      zone: 'canopy',
      replacesIds: ['old'],
      onOption: { option: 'canopy', choice: 'open' },
    });
    const jobs = (canopy: string) => partJobs([old, hood], { canopy }).map(({ key }) => key);
    expect(jobs('open')).toContain('box:V 1:replace');
    expect(jobs('open')).not.toContain('box:C 7:mend');
    expect(jobs('closed')).toEqual(['box:C 7:mend']);
  });
  test('what is missing and scratch-built is made once', () => {
    const route = withParts([part({ origin: 'scratch-built', condition: 'missing', zone: 'gear-main', number: '9' })]);
    const made = stepIn(route, 'box:C 9:make');
    expect(made.title).toBe('Make C 9 part');
    expect(made.minutes).toBe(45);
  });
  test('what is replaced makes no work; its replacement is fitted in its place', () => {
    const old = part({ condition: 'broken', number: '9', name: 'leg' });
    const route = withParts([
      old,
      part({ sprue: 'T', number: '1', origin: 'turned', replacesIds: [old.id], zone: 'gear-main' }),
    ]);
    expect(has(route, 'box:C 9:mend')).toBe(false);
    const replace = stepIn(route, 'box:T 1:replace');
    expect(replace.title).toBe('Leave C 9 leg off, and in its place dry-fit T 1 part');
    // Once the legs are built the old one is glued.
    const glued = stepIn(
      withParts([old, part({ sprue: 'T', number: '1', origin: 'turned', replacesIds: [old.id], zone: 'gear-main' })], {
        done: ['build-gear'],
      }),
      'box:T 1:replace',
    );
    expect(glued.title).toBe('Cut C 9 leg away, and in its place dry-fit T 1 part');
    expect(glued.minutes).toBeGreaterThan(replace.minutes);
  });
  test('a part on order keeps its step from being planned before it arrives, and says so', () => {
    const route = withParts([
      part({ orderedUntil: '2026-12-10', condition: 'missing', zone: 'gear-main', number: '9' }),
    ]);
    const step = stepIn(route, 'box:C 9:unpack');
    expect(step.notBefore).toBe('2026-12-10');
    const plan = planRoute(
      route,
      [],
      {
        timeZone: 'Europe/Berlin',
        startOn: '2026-11-23',
        nowUtc: '2026-11-23T08:00:00Z',
        weekly: [
          { weekday: 2, startsAt: '19:30', minutes: 120, booth: true },
          { weekday: 6, startsAt: '10:00', minutes: 180, booth: true },
        ],
      },
      100,
    );
    const planned = (key: string) => plan.work.find((item) => item.key === key)!.start;
    expect(planned('box:C 9:unpack') >= '2026-12-10').toBe(true);
    expect(planned('build-gear') >= '2026-12-10').toBe(true);
    expect(planned('tub') < '2026-12-10').toBe(true);
  });
  test('any register gives a sound network, and adding a part changes no other key', () => {
    const zones = outlineFor(DEFAULT_OPTIONS, 'single').zones.map(({ key }) => key);
    const anyParts = fc
      .array(
        fc.record({
          origin: fc.constantFrom(...PART_ORIGINS),
          condition: fc.constantFrom(...PART_CONDITIONS),
          zone: fc.constantFrom('', ...zones),
          count: fc.integer({ min: 1, max: 5 }),
          orderedUntil: fc.constantFrom(null, '2026-12-10'),
        }),
        { maxLength: 25 },
      )
      .map((list) => list.map((over, i) => part({ ...over, id: `q${i}`, number: String(i) })));
    fc.assert(
      fc.property(anyParts, (parts) => {
        const route = withParts(parts);
        isSound(route);
        const fewer = keysOf(withParts(parts.slice(0, -1)));
        expect(keysOf(route)).toEqual(expect.arrayContaining(fewer));
      }),
      { numRuns: 40 },
    );
  });
});

describe('schools', () => {
  test('a paint as primer is sanded only once it is hard, a primer as soon as it may be handled', () => {
    const wait = (route: Route, from: string) =>
      route.links.find((one) => one.from === from && one.to === 'inspect')!.minLag;
    const [primer, paint] = [routeFor(), routeFor({ priming: 'paint as primer' })];
    expect(has(paint, 'prime')).toBe(false);
    expect(wait(paint, 'prime-paint')).toBeGreaterThan(wait(primer, 'prime'));
    expect(follows(paint, 'prime-paint-again', 'gate:colour')).toBe(true);
    isSound(paint);
  });
  test('a cockpit on sticks is painted, then joined, then fitted; assembled first it is the other way', () => {
    const zones = ['cockpit'];
    const [sticks, first] = (['painted on sticks', 'assembled first'] as const).map((cockpit) =>
      routeFor({ cockpit }, { calls: [call('IN 1', zones)] }),
    );
    expect(follows(sticks!, 'interior:IN 1', 'join-tub') && follows(sticks!, 'join-tub', 'fit-cockpit')).toBe(true);
    expect(has(sticks!, 'tub')).toBe(false);
    expect(follows(first!, 'tub', 'interior:IN 1')).toBe(true);
    isSound(sticks!);
  });
  test('gear before paint is set, wrapped before anything is primed, and unwrapped after the last clear', () => {
    const route = routeFor({ gearOn: 'before paint' });
    expect(has(route, 'fit-gear')).toBe(false);
    expect(follows(route, 'legs-first', 'wrap-gear') && follows(route, 'wrap-gear', 'prime')).toBe(true);
    expect(follows(route, 'matt', 'unwrap-gear') && follows(route, 'unwrap-gear', 'chocks')).toBe(true);
    expect(has(routeFor({ gearOn: 'before paint', gear: 'up', stand: 'a rod' }), 'legs-first')).toBe(false);
    isSound(route);
  });
  test('legs that can only be assembled inside the bays are painted and there before these close', () => {
    const route = routeFor({ gearOn: 'inside its bays' }, { calls: [call('GR', ['gear-main'])] });
    order(route, 'part:GR', 'legs-in-bays', 'gate:wings');
    order(route, 'try-clearance', 'legs-in-bays', 'gate:fuselage');
    order(route, 'legs-in-bays', 'wrap-gear', 'prime', 'unwrap-gear');
    for (const key of ['fit-gear', 'legs-first']) expect(has(route, key)).toBe(false);
    isSound(route);
    const fixed = routeFor({ gearOn: 'inside its bays' }, { preset: 'biplane' });
    order(fixed, 'legs-first', 'wrap-gear');
  });
  test('a canopy that goes on after paint is painted apart over a plugged cockpit, and fixed last', () => {
    const calls = [call('FR 1', ['canopy-frames'])];
    const route = routeFor({ clearParts: 'after paint' }, { calls });
    expect(has(route, 'fit-canopy')).toBe(false);
    expect(follows(route, 'plug-cockpit', 'prime') && follows(route, 'unmask-canopy', 'close-canopy')).toBe(true);
    expect(follows(route, 'unplug', 'close-canopy')).toBe(true);
    isSound(route);
  });
  test('over matt the wash comes after the matt coat, over gloss before it; oils come after both', () => {
    const [matt, gloss] = [routeFor({ washOver: 'matt' }), routeFor()];
    expect(follows(matt, 'matt-for-wash', 'wash:upper') && follows(matt, 'wash:upper', 'streaks')).toBe(true);
    expect(has(matt, 'matt-for-oils')).toBe(false);
    expect(follows(gloss, 'wash:upper', 'matt-for-oils')).toBe(true);
    isSound(matt);
  });
});

describe('steps that builders regret not having made', () => {
  test('seams by what they are: a weld, a liquid filler, a putty or shim, each with its own wait before it is sanded', () => {
    const route = routeFor();
    const waitsOf = (step: string) =>
      Object.fromEntries(route.links.filter(({ to }) => to === step).map(({ from, minLag }) => [from, minLag / 60]));
    expect(waitsOf('seams-fuselage')).toMatchObject({ 'weld-seams': 16 });
    expect(waitsOf('sand-seams')).toMatchObject({ 'fill-shallow': 1, 'fill-seams': 12 });
  });
  test('a seam is welded, then sanded, then filled, never the other way', () => {
    const route = routeFor();
    for (const fill of ['fill-shallow', 'fill-seams']) {
      expect(follows(route, 'weld-seams', 'seams-fuselage')).toBe(true);
      expect(follows(route, 'seams-fuselage', fill)).toBe(true);
      expect(follows(route, fill, 'sand-seams')).toBe(true);
    }
  });
  test('blades that turn in the air do not droop', () => {
    const has = (state: Options['state']) =>
      routeFor({ blades: 'drooping', state, stand: 'a rod' }, { preset: 'rotorcraft' }).steps.some(
        ({ key }) => key === 'droop-blades',
      );
    expect([has('parked'), has('hovering'), has('flying')]).toEqual([true, false, false]);
  });
  test('nothing is left to do after the last look', () => {
    for (const preset of ['single', 'twin', 'jet', 'rotorcraft'] satisfies PresetName[])
      for (const general of ['airbrush', 'brush'] as const) {
        const route = routeFor({ weathering: 'in service', tonal: 'pre-shaded' }, { preset, general });
        const followed = new Set(route.links.map(({ from }) => from));
        expect(route.steps.filter(({ key }) => !followed.has(key)).map(({ key }) => key)).toEqual(['last-look']);
      }
  });
  test('the trunk of a jet is joined, filled, smoothed and painted before the halves close', () => {
    const route = routeFor({}, { preset: 'swing-wing' });
    for (const [a, b] of [
      ['trunk', 'fill-trunk'],
      ['fill-trunk', 'sand-trunk'],
      ['sand-trunk', 'jet-pipe'],
      ['jet-pipe', 'gate:fuselage'],
    ] as const)
      expect([a, follows(route, a, b)]).toEqual([a, true]);
  });
  test('an engine that is seen is built and fitted before the halves close; one behind closed panels is not built', () => {
    const route = routeFor({ doors: 'open' });
    expect(follows(route, 'engine', 'fit-engine') && follows(route, 'fit-engine', 'gate:fuselage')).toBe(true);
    expect(has(routeFor(), 'engine')).toBe(false);
  });
  test('mixtures are sprayed out before the colours begin; a fluid is tried on the gloss where decals go on', () => {
    const route = routeFor();
    expect(follows(route, 'spray-out', 'gate:colour')).toBe(true);
    expect(has(route, 'test-decal')).toBe(false);
  });
  test('metal is polished for, and faded panels are upper ones only', () => {
    const metal = { paint: { id: 'm', label: 'm', chemistry: 'ML', kind: 'metallic', finish: 'gloss' } } as const;
    const shiny = routeFor({}, { calls: [call('ME 1', ['wing-upper-port'], metal)] });
    expect(follows(shiny, 'prime-again', 'polish-ground') && follows(shiny, 'polish-ground', 'gate:colour')).toBe(true);
    expect(has(routeFor(), 'polish-ground')).toBe(false);
    expect(stepIn(routeFor(), 'highlight').zones.some((zone) => /lower|under/.test(zone))).toBe(false);
  });
  test('panels are faded with the paint that they are in: enamel over enamel, and dry like it', () => {
    const enamel = { paint: { id: 'e', label: 'e', chemistry: 'EN', kind: 'solid', finish: 'matt' } } as const;
    const upper = ['wing-upper-inner-port', 'wing-upper-outer-port', 'wing-upper-inner-starboard'];
    const route = routeFor(
      {},
      { calls: [call('TCS 27', upper, enamel), call('TCS 12', ['wing-upper-outer-starboard'])] },
    );
    expect(stepIn(route, 'highlight').lays[0]!.chemistry).toBe('EN');
    expect(stepIn(route, 'highlight').load!.chemistry).toBe('EN');
    expect(stepIn(routeFor(), 'highlight').lays[0]!.chemistry).toBe('WA');
  });
  test('parts that take the place of others are crossed out in the instructions before anything is built', () => {
    const parts = partJobs([
      partOf({ id: 'old', number: '7' }),
      partOf({ id: 'new', number: '8', origin: 'etched', replacesIds: ['old'] }),
    ]);
    expect(follows(routeFor({}, { parts }), 'mark-replaced', 'tub')).toBe(true);
    expect(has(routeFor(), 'mark-replaced')).toBe(false);
  });
});

describe('stores by station', () => {
  test('holes before the halves close over them, hung last', () => {
    const route = routeFor(
      { stores: 'tanks' },
      {
        storesAt: [
          { station: 'centre line', carries: 'drop tank' },
          { station: 'port inner', carries: 'drop tank' },
        ],
      },
    );
    expect(follows(route, 'store:centre line:drill', 'gate:fuselage')).toBe(true);
    expect(follows(route, 'store:port inner:drill', 'gate:wings')).toBe(true);
    expect(follows(route, 'matt', 'store:port inner:hang')).toBe(true);
    // Each station has its own steps: none besides for all of them at once.
    for (const key of ['build-stores', 'drill-wings', 'fit-stores']) expect(has(route, key)).toBe(false);
    const dry = route.links.find(({ from, to }) => from === 'store:port inner:build' && to === 'prime-parts');
    expect(dry?.minLag).toBe(120);
    isSound(route);
  });
  test('nothing hangs without stores', () => {
    const route = routeFor({}, { storesAt: [{ station: 'centre line', carries: 'tank' }] });
    expect(keysOf(route).some((key) => key.startsWith('store:'))).toBe(false);
  });
  test('what hangs in the bay is painted and on its racks before the halves close over it', () => {
    const options = { ...DEFAULT_OPTIONS, stores: 'loads' } as const;
    const storesAt: StoreAt[] = [{ station: 'bay', carries: 'marker buoys' }];
    const outline = outlineFor(options, 'single', { stores: storesAt });
    const inBay = outline.zones.find(({ title }) => title === 'Marker buoys, bay')!;
    const calls = [call('LOAD', [inBay.key])];
    const route = routeFor(options, { storesAt, outline, calls });
    order(route, 'store:bay:build', 'prime-interior', 'interior:LOAD', 'store:bay:hang', 'gate:fuselage');
    expect(follows(route, 'wipe-bays', 'store:bay:hang')).toBe(true);
    expect(has(route, 'store:bay:drill')).toBe(false);
    expect(stepIn(route, 'store:bay:hang').title).toBe('Hang the marker buoys on the racks of the bay');
    expect(sightOf(inBay, options).sight).toBe('plain');
    expect(modelAreaOfZones(outline, [inBay.key], 48)).toBeGreaterThan(1);
    isSound(route);
  });
  test.each(STORE_STATIONS.filter((station) => !hangsInside(station)))('%s has its own steps', (station) => {
    const route = routeFor({ stores: 'loads' }, { storesAt: [{ station, carries: 'pannier' }] });
    const where = station === 'centre line' ? station : `${station} station`;
    expect(stepIn(route, `store:${station}:hang`).title).toBe(`Hang the pannier at the ${where}`);
    isSound(route);
  });
  test('the same on both sides is one job, of more minutes than one and fewer than two', () => {
    const hung = (...at: [StoreStation, string][]) =>
      routeFor({ stores: 'tanks' }, { storesAt: at.map(([station, carries]) => ({ station, carries })) });
    const stores = (route: Route) => route.steps.filter(({ family }) => family === 'store');
    const both = hung(['starboard outer', 'drop tank'], ['port outer', 'drop tank']);
    expect(stores(both).map(({ title }) => title)).toEqual(
      expect.arrayContaining([
        'Drill for the drop tank at each outer station',
        'Hang the drop tank at each outer station',
      ]),
    );
    expect(stores(both)).toHaveLength(3);
    expect(stores(hung(['port outer', 'drop tank'], ['starboard outer', 'pannier']))).toHaveLength(6);
    expect(stores(hung(['port outer', 'drop tank'], ['starboard inner', 'drop tank']))).toHaveLength(6);
    const minutes = (route: Route) => stepIn(route, 'store:port outer:drill').minutes;
    const one = minutes(hung(['port outer', 'drop tank']));
    expect(minutes(both)).toBeGreaterThan(one);
    expect(minutes(both)).toBeLessThan(2 * one);
    isSound(both);
  });
});

describe('rulings about structure make work', () => {
  const ruled = (
    aspect: 'seam' | 'gearCover' | 'aerial' | 'fit',
    zone: string,
    value: string,
    over: Partial<Options> = {},
  ) => routeFor(over, { structure: [{ aspect, zone, item: '', value }] });
  test('a smooth wheel cover fills the holes of the hub before the gear is built', () => {
    const route = ruled('gearCover', 'gear-main', 'full');
    expect(follows(route, 'structure:smooth-cover:gear-main', 'build-gear')).toBe(true);
  });
  test('no seam there is filled, a real panel line is kept', () => {
    expect(stepIn(ruled('seam', 'fuselage-mid-port', 'not real'), 'structure:fill-seam:fuselage-mid-port').kind).toBe(
      'fill',
    );
    expect(stepIn(ruled('seam', 'fuselage-mid-port', 'real'), 'structure:keep-seam:fuselage-mid-port').title).toMatch(
      /panel line/,
    );
  });
  test('an aerial that is not there leaves a hole to fill; other equipment removed is filled by its words', () => {
    expect(has(ruled('aerial', 'fuselage-mid-port', 'none'), 'structure:fill-aerial:fuselage-mid-port')).toBe(true);
    expect(has(ruled('fit', 'fin-port', 'mirror removed'), 'structure:remove-fit:fin-port')).toBe(true);
    expect(has(ruled('fit', 'fin-port', 'mirror fitted'), 'structure:remove-fit:fin-port')).toBe(false);
  });
  test('what the options hide makes none', () => {
    expect(
      has(ruled('gearCover', 'gear-main', 'full', { gear: 'up', stand: 'a rod' }), 'structure:smooth-cover:gear-main'),
    ).toBe(false);
  });
});

describe('subjects', () => {
  const crowd = {
    kind: 'figure' as const,
    title: 'Ground crew',
    count: 4,
    place: 'by the wing',
    byGate: 'end' as const,
    layers: [],
  };
  const withOne = (
    given: {
      kind: (typeof SUBJECT_KINDS)[number];
      title: string;
      count: number;
      place: string;
      byGate: 'fuselage' | 'end';
      layers: readonly (typeof BASE_LAYERS)[number][];
    },
    calls: RouteCall[] = [],
  ) => {
    const options = DEFAULT_OPTIONS;
    const subject = { ...given, name: subjectName(given.title) };
    return buildRoute({
      outline: withSubjects(outlineFor(options, 'single'), [subject], 48),
      options,
      climate: STANDARD_CLIMATE,
      denominator: 48,
      general: 'airbrush',
      coats: generalCoats(),
      calls,
      markings: [],
      layers: [],
      callFor: (code) => call(code, []),
      subjects: [subject],
    });
  };
  test('several are painted in one spraying: the minutes of one times their count, and it says so', () => {
    const calls = [call('TCS 31', [subjectZone('subject-ground-crew', 'clothes')])];
    const one = stepIn(withOne({ ...crowd, count: 1 }, calls), 'subject-ground-crew:colour:TCS 31');
    const four = stepIn(withOne(crowd, calls), 'subject-ground-crew:colour:TCS 31');
    expect(four.minutes).toBe(4 * one.minutes);
    expect(four.minutesFrom).toMatch(/4 of them/);
    expect(four.title).toBe('TCS 31 on Ground crew (4), clothes');
  });
  test('are painted by the way that was chosen for their colour', () => {
    const clothes = [subjectZone('subject-ground-crew', 'clothes')];
    const by = (way: RouteCall['way']) =>
      stepIn(withOne(crowd, [call('TCS 31', clothes, { way })]), 'subject-ground-crew:colour:TCS 31');
    expect(by('brush')).toMatchObject({ kind: 'brush', load: null, booth: false });
    expect(by('airbrush')).toMatchObject({ kind: 'spray', booth: true });
  });
  test('who sits inside is in place before the fuselage closes, the others when the machine is done', () => {
    expect(follows(withOne({ ...crowd, byGate: 'fuselage' }), 'subject-ground-crew:place', 'gate:fuselage')).toBe(true);
    const route = withOne(crowd);
    expect(follows(route, 'subject-ground-crew:place', 'gate:fuselage')).toBe(false);
    expect(follows(route, 'aerials', 'subject-ground-crew:place')).toBe(true);
    isSound(route);
  });
  test('water of a base is poured in layers, a day of drying before the next', () => {
    const route = withOne({
      kind: 'base',
      title: 'Quay',
      count: 1,
      place: '',
      byGate: 'end',
      layers: ['foam', 'water', 'water'],
    });
    const wait = route.links.find(
      ({ from, to }) => from === 'subject-quay:layer:2:water' && to === 'subject-quay:layer:3:water',
    )!;
    expect(wait.minLag).toBe(24 * 60);
    expect(follows(route, 'subject-quay:layer:1:foam', 'subject-quay:place')).toBe(true);
    isSound(route);
  });
  test.each(SUBJECT_KINDS)('a %s has a sound network', (kind) => {
    isSound(withOne({ kind, title: 'Thing', count: 2, place: 'there', byGate: 'end', layers: [...BASE_LAYERS] }));
  });
});

describe('ways of applying', () => {
  const painted = (way: RouteCall['way'], coats = 3, maskOrder: string[] = []) =>
    routeFor(
      {},
      {
        maskOrder,
        calls: [
          call('TCS 14', ['fuselage-lower'], { lab: [70, 0, 0] }),
          call('TCS 31', ['fin-port', 'fin-starboard'], { way, coats }),
        ],
      },
    );
  test('a brushed colour needs no booth and no airbrush to clean', () => {
    const step = stepIn(painted('brush'), 'spray:TCS 31');
    expect(step).toMatchObject({ booth: false, load: null, kind: 'brush' });
    expect(step.title).toMatch(/^Brush TCS 31/);
    expect(step.minutesFrom).toMatch(/30 min to dry between coats are no work/);
    expect(step.splittable).toBe(true);
    expect(stepIn(painted('airbrush'), 'spray:TCS 31')).toMatchObject({ booth: true, kind: 'spray' });
  });
  test('a colour from a can comes first, while there is nothing to mask for it', () => {
    const { steps } = painted('spray can');
    const sprays = steps.filter(({ key }) => key.startsWith('spray:')).map(({ key }) => key);
    expect(sprays).toEqual(['spray:TCS 31', 'spray:TCS 14']);
    expect(steps.some(({ key }) => key === 'mask:TCS 31')).toBe(false);
  });
  test('a spray can wants all else masked where it comes later, and dries twice as long', () => {
    const route = painted('spray can', 3, ['TCS 14', 'TCS 31']);
    expect(stepIn(route, 'mask:TCS 31').title).toMatch(/everything/);
    expect(
      stepIn(route, 'spray:TCS 31')
        .cautions.map(({ says }) => says)
        .join(),
    ).toMatch(/dry day/);
    const wait = (from: Route) =>
      Math.max(...from.links.filter((link) => link.from === 'spray:TCS 31').map(({ minLag }) => minLag));
    expect(wait(route)).toBe(2 * wait(painted('airbrush')));
  });
  test('a sponge or a pen needs no mask', () => {
    for (const way of ['sponge', 'pen'] as const) {
      const route = painted(way);
      expect(has(route, 'mask:TCS 31')).toBe(false);
      expect(follows(route, 'spray:TCS 14', 'spray:TCS 31')).toBe(true);
      isSound(route);
    }
  });
});

test('every option is of some machine', () => {
  const machines = Object.keys(PRESETS).map((name) => optionsFor(machineOf({ preset: name as PresetName })));
  for (const name of OPTION_NAMES) expect(machines.some((options) => options.includes(name))).toBe(true);
});

describe('a builder without an airbrush', () => {
  const over: Partial<Options> = { tonal: 'pre-shaded', weathering: 'in service' };
  const general = (way: RouteInput['general']) =>
    routeFor(over, {
      general: way,
      coats: generalCoats(),
      calls: [call('TCS 14', ['fuselage-lower', 'wing-upper-inner-port'], { way })],
      markings: [{ id: 'band', title: 'Band', name: 'Band', zones: ['fuselage-lower'], method: 'mask' }],
    });
  const keys = (way: RouteInput['general']) => general(way).steps.map(({ key }) => key);

  test('sprays nothing by brush alone: primer, clears and markings are brushed, and nothing is cleaned out', () => {
    const { steps } = general('brush');
    expect(steps.filter(({ kind, booth, load }) => kind === 'spray' || booth || load)).toEqual([]);
    expect(stepIn(general('brush'), 'prime').title).toBe('Prime, by brush');
    expect(stepIn(general('brush'), 'prime').lays).toHaveLength(1);
  });

  test('has primer and clears from the can where one is owned, outdoors or in the booth', () => {
    const prime = stepIn(general('spray can'), 'prime');
    expect(prime).toMatchObject({ kind: 'spray', booth: true, load: null, title: 'Prime, from the can' });
    expect(prime.cautions.map(({ says }) => says).join()).toMatch(/dry day/);
    expect(stepIn(general('spray can'), 'matt').kind).toBe('seal');
  });

  test('mists nothing: what stands in for a fade and a stain is on the route, a pre-shade is left out', () => {
    for (const way of ['brush', 'spray can'] as const) {
      expect(keys(way)).toEqual(expect.arrayContaining(['highlight-brushed', 'exhaust-pigment']));
      for (const mist of ['shade', 'highlight', 'exhaust']) expect(keys(way)).not.toContain(mist);
    }
    expect(keys('airbrush')).toEqual(expect.arrayContaining(['shade', 'highlight', 'exhaust']));
    expect(keys('airbrush')).not.toContain('exhaust-pigment');
  });

  test('waits longer for what a can laid than for what an airbrush would have', () => {
    const wait = (way: RouteInput['general']) =>
      Math.max(
        ...general(way)
          .links.filter(({ from }) => from === 'prime')
          .map(({ minLag }) => minLag),
      );
    expect(wait('spray can')).toBe(2 * wait('airbrush'));
    expect(wait('brush')).toBe(wait('airbrush'));
  });
});

describe('the way that suits a colour', () => {
  const tools = (kinds: Tool['kind'][]): Tool[] =>
    kinds.map((kind) => ({
      kind,
      name: '',
      needleMm: null,
      lineMm: null,
      filmUm: null,
      wasteMl: null,
      minutes: null,
    }));

  test('what comes from a bottle is not sprayed from a can', () => {
    const job = { areaCm2: 200, edge: 'hard' as const, metallic: false };
    expect(suggestWay(job, tools(['spray can', 'brush'])).way).toBe('spray can');
    expect(suggestWay({ ...job, bottled: true }, tools(['spray can', 'brush'])).way).toBe('brush');
  });

  test('is a brush for little only where that is less work than an airbrush with its cleaning', () => {
    for (const areaCm2 of [0.1, 0.5, 1, 1.9, 2.1, 5, 40]) {
      const { way } = suggestWay({ areaCm2, edge: 'hard', metallic: false }, tools(['airbrush', 'brush']));
      const brushed = minutesOf({ kind: 'brush', areaCm2, coats: coatsBy('brush', 2) });
      const sprayed = minutesOf({ kind: 'spray', areaCm2, coats: 2 }) + BENCH_MASK_RATES.cleanOutMinutes;
      if (way === 'brush') expect([areaCm2, brushed <= sprayed]).toEqual([areaCm2, true]);
    }
  });

  test('general coats are misted by whoever lists no tools, else brought on with what is owned', () => {
    expect(generalWay([])).toBe('airbrush');
    expect(generalWay(tools(['brush', 'spray can', 'airbrush']))).toBe('airbrush');
    expect(generalWay(tools(['brush', 'spray can']))).toBe('spray can');
    expect(generalWay(tools(['brush']))).toBe('brush');
    expect(generalWay([], ['brush', 'spray can'])).toBe('spray can');
    expect(generalWay([], ['brush', 'brush'])).toBe('brush');
    expect(generalWay([], ['brush', null])).toBe('airbrush');
    expect(generalWay(tools(['airbrush']), ['brush'])).toBe('airbrush');
  });
});

test.each(['in service', 'neglected', 'derelict'] as const)(
  'weathering %s lays nothing that attacks what the route itself laid',
  (weathering) => {
    const zones = outlineFor(DEFAULT_OPTIONS, 'single').zones.map(({ key }) => key);
    const route = routeFor({ weathering }, { calls: [call('TCS 14', zones, { coats: 2 })] });
    const grave = conflictsByPair(wantedStacks(route, zones)).filter(({ verdict }) => isGrave(verdict));
    expect(grave.map(({ over, under, says }) => [over.step, under.step, says])).toEqual([]);
  },
);

describe('bare metal', () => {
  const wings = ['wing-upper-inner-port', 'wing-upper-outer-port', 'wing-lower-port', 'fuselage-lower'];
  const inMetal = (chemistry: Chemistry, zones = wings, others = ['fin-port', 'fin-starboard']) =>
    routeFor(
      { tonal: 'pre-shaded', weathering: 'in service', chips: 'sponge on top' },
      {
        calls: [
          call('TCS 90', zones, {
            coats: 2,
            paint: { id: 'm', label: 'Bright metal', chemistry, dries: {}, kind: 'metallic', finish: 'gloss' },
          }),
          call('TCS 14', others),
        ],
      },
    );

  test.each(['WA', 'SA', 'AL', 'ML', 'EN'] satisfies Chemistry[])(
    'of %s lies on a ground that the house assumes, and that bears it',
    (chemistry) => {
      const route = inMetal(chemistry);
      const [ground] = stepIn(route, 'spray:TCS 90:ground').lays;
      expect(layOver(chemistry, ground!.chemistry).verdict).toBe('ok');
      const faults = conflictsByPair(wantedStacks(route, wings)).filter(
        ({ over, under }) => over.step.startsWith('spray:TCS 90') && under.step !== 'nothing',
      );
      expect(faults).toEqual([]);
    },
  );

  test('is not pre-shaded, faded or chipped to a primer that it has not got', () => {
    const route = inMetal('ML');
    for (const key of ['shade', 'highlight', 'chips']) {
      const step = route.steps.find((one) => one.key === key);
      for (const zone of wings) expect([key, step?.zones.includes(zone) ?? false]).toEqual([key, false]);
    }
    expect(stepIn(route, 'shade').zones).toContain('fin-port');
  });

  test('all over leaves no such step', () => {
    const all = outlineFor(DEFAULT_OPTIONS, 'single').zones.map(({ key }) => key);
    const keys = inMetal('ML', all).steps.map(({ key }) => key);
    expect(keys).not.toContain('shade');
    expect(keys).not.toContain('highlight');
  });

  test('is taped with low tack', () => {
    const route = inMetal('AL', ['wing-upper-inner-port'], ['wing-upper-outer-port']);
    expect(stepIn(route, 'mask:TCS 14').why).toMatch(/low tack/);
  });
});

describe('what comes before what at a bench', () => {
  test('aerials are strung when nothing else is fitted that the hand holds the model for', () => {
    const route = routeFor({ canopy: 'open', flaps: 'down', wings: 'folded', stores: 'tanks', doors: 'open' });
    for (const fitted of [
      'fit-gear',
      'fit-propeller',
      'fit-stores',
      'fit-flaps',
      'fit-folded',
      'fit-exhausts',
      'open-canopy',
      'open-doors',
    ])
      order(route, fitted, 'aerials', 'last-look');
    isSound(route);
  });

  test('gear and propeller are tried for clearance before the gear is glued, whenever that is', () => {
    order(routeFor(), 'build-propeller', 'try-clearance', 'fit-gear');
    order(routeFor({ gearOn: 'before paint' }), 'try-clearance', 'legs-first');
    expect(has(routeFor({}, { preset: 'jet' }), 'try-clearance')).toBe(false);
  });

  test('flaps and missing panels are cut while the halves are open', () => {
    order(routeFor({ flaps: 'down' }), 'dry-fit-wings', 'flaps', 'gate:wings');
    const derelict = routeFor({ state: 'derelict' });
    order(derelict, 'open-panels', 'gate:fuselage');
    order(derelict, 'open-panels', 'gate:wings');
  });

  test('every mixture is tried before the first of the small parts is painted with it', () => {
    const route = routeFor({}, { calls: [call('SP', ['spinner'])] });
    order(route, 'spray-out', 'part:SP', 'fit-propeller');
  });

  test('a canopy that is painted apart is clear of its tape long before the airframe has its last clear', () => {
    for (const over of [{ canopy: 'open' }, { clearParts: 'after paint' }] as const) {
      const route = routeFor(over, { calls: [call('FR 1', ['canopy-frames'])] });
      order(route, 'mask-canopy', 'frames-inside', 'clear-frames', 'unmask-canopy');
      expect(follows(route, 'matt', 'unmask-canopy')).toBe(false);
      const off = route.links.find(({ from, to }) => from === 'clear-frames' && to === 'unmask-canopy')!;
      expect(off.maxLag).toBe(240);
    }
    order(routeFor(), 'matt', 'unmask-canopy');
  });

  test('cabin windows are masked after the halves are closed, and before anything is primed', () => {
    const route = routeFor({}, { preset: 'transport' });
    order(route, 'windows', 'gate:fuselage');
    expect(follows(route, 'mask-windows', 'gate:fuselage')).toBe(false);
    order(route, 'mask-windows', 'prime', 'unmask-windows');
  });

  test('doors of a cabin open no engine', () => {
    expect(has(routeFor({ doors: 'open' }, { preset: 'transport' }), 'engine')).toBe(false);
    expect(has(routeFor({ doors: 'open' }), 'engine')).toBe(true);
  });

  test('figures that go in before the halves close take the place of the crew of the kit', () => {
    const figure = {
      kind: 'figure' as const,
      name: 'pilot',
      title: 'Pilot',
      count: 1,
      place: 'front seat',
      byGate: 'fuselage' as const,
      layers: [],
    };
    const route = routeFor({ crew: 'aboard' }, { subjects: [figure] });
    expect(has(route, 'seat-crew') || has(route, 'paint-crew')).toBe(false);
    expect(has(routeFor({ crew: 'aboard' }, { subjects: [{ ...figure, byGate: 'end' as const }] }), 'seat-crew')).toBe(
      true,
    );
  });

  test('what is written on propeller and tanks is done while these lie on the bench, over their own colour', () => {
    const tips = { id: 'tips', title: 'Blade tips', name: 'tips', zones: ['propeller'], pieces: 3 };
    const calls = [call('PR', ['propeller'])];
    const masked = routeFor({}, { calls, markings: [{ ...tips, method: 'mask', calls: [call('YE', ['propeller'])] }] });
    order(masked, 'part:PR', 'marking-mask:tips', 'marking-spray:tips', 'marking-unmask:tips', 'fit-propeller');
    const placed = routeFor({}, { calls, markings: [{ ...tips, method: 'decal' }] });
    order(placed, 'part:PR', 'marking:tips', 'fit-propeller');
    for (const route of [masked, placed]) {
      isSound(route);
      const own = route.steps.filter(({ marking }) => marking === 'tips');
      expect(new Set(own.map(({ stage }) => stage))).toEqual(new Set(['small-parts']));
      // Nothing of the airframe waits for it, nor it for that.
      expect(own.some(({ key }) => follows(route, 'seal', key))).toBe(false);
    }
  });

  test('what is sprayed in pieces comes off its tape in time for the last of them', () => {
    const skin = outlineFor({ ...DEFAULT_OPTIONS }, 'transport').zones.flatMap(({ key, group }) =>
      group === 'wings' || group === 'fuselage' ? [key] : [],
    );
    const [first, ...rest] = skin;
    const route = routeFor(
      {},
      {
        preset: 'transport',
        denominator: 24,
        calls: [call('A', [first!], { lab: [90, 0, 0] }), call('B', rest, { coats: 3 })],
        hides: [],
      },
    );
    const pieces = route.steps.filter(({ key }) => key === 'spray:B' || key.startsWith('spray:B:piece'));
    expect(pieces.length).toBeGreaterThan(1);
    const limits = pieces.map(
      ({ key }) => route.links.find(({ from, to }) => from === key && to === 'unmask:B')!.maxLag,
    );
    expect(limits.slice(0, -1)).toEqual(limits.slice(0, -1).map(() => null));
    expect(limits.at(-1)).toBe(240);
  });
});
