import { describe, expect, test } from '@jest/globals';
import { generalCoats } from './general-coats';
import { DEFAULT_OPTIONS, type Options } from '@/core/kit/options';
import { buildOutline } from '@/core/outline/outline';
import { formOf, PRESET_NAMES, PRESETS } from '@/core/outline/presets';
import { STANDARD_CLIMATE } from '@/core/paint/drying';
import { cleanOut } from './cleanout';
import { gateOf } from './gates';
import { planRoute, workBySession, type PlanSettings } from './plan';
import { buildRoute } from './route';
import type { RouteCall } from './call';
import type { RouteInput } from './route-input';
import { lightToDark } from './colour-order';
import { waitingCircle } from './schedule/network';

const paint = (label: string, chemistry: 'WA' | 'EN' | 'AL' = 'WA', kind: 'solid' | 'metallic' = 'solid') => ({
  id: label,
  label,
  chemistry,
  kind,
  finish: 'matt' as const,
});
const call = (code: string, L: number, zones: string[], over: Partial<RouteCall> = {}): RouteCall => ({
  code,
  name: code,
  zones,
  lab: [L, 0, 0],
  coats: 2,
  paint: paint(code),
  ...over,
});

const CALLS = [
  call('TCS 31', 35, ['fuselage-mid-port', 'wing-upper-inner-port']),
  call('TCS 14', 72, ['fuselage-lower', 'wing-lower-port']),
  call('TCS 27', 45, ['fin-port', 'wing-upper-outer-port', 'fuselage-rear-port']),
  call('TCS 60', 55, ['cockpit', 'well-nose']),
  call('TCS 24', 20, ['spinner', 'gear-main']),
];

function input(over: Partial<Omit<RouteInput, 'options'>> & { options?: Partial<Options> } = {}): RouteInput {
  return {
    outline: buildOutline({
      preset: 'single',
      dimensions: PRESETS.single.dimensions,
      landing: 'wheels',
      folded: false,
    }),
    climate: STANDARD_CLIMATE,
    denominator: 48,
    general: 'airbrush',
    coats: generalCoats(),
    calls: CALLS,
    markings: [
      { id: 'm1', title: 'insignia', name: 'insignia', zones: ['wing-upper-outer-port'], method: 'decal' },
      { id: 'm2', title: 'band', name: 'band', zones: ['fuselage-rear-port'], method: 'mask' },
    ],
    layers: [],
    callFor: (code) => call(code, 50, []),
    ...over,
    options: { ...DEFAULT_OPTIONS, ...over.options },
  };
}

const settings: PlanSettings = {
  timeZone: 'Europe/Berlin',
  startOn: '2026-11-23',
  nowUtc: '2026-11-23T08:00:00Z',
  weekly: [
    { weekday: 2, startsAt: '19:30', minutes: 120, booth: true },
    { weekday: 6, startsAt: '10:00', minutes: 180, booth: true },
  ],
};

/** Whether `to` comes after `from` by any chain of links. */
function follows(route: ReturnType<typeof buildRoute>, from: string, to: string): boolean {
  const open = [from];
  const seen = new Set<string>();
  while (open.length > 0) {
    const current = open.pop()!;
    if (current === to) return true;
    if (seen.has(current)) continue;
    seen.add(current);
    open.push(...route.links.filter((link) => link.from === current).map((link) => link.to));
  }
  return false;
}

describe('the route of a build', () => {
  const route = buildRoute(input());
  const keys = route.steps.map((step) => step.key);

  test('at least 45 steps, each once, every link between steps that exist, no circle', () => {
    expect(keys.length).toBeGreaterThanOrEqual(45);
    expect(new Set(keys).size).toBe(keys.length);
    for (const link of route.links) for (const end of [link.from, link.to]) expect(keys).toContain(end);
    expect(
      waitingCircle({
        steps: route.steps.map((s) => ({ id: s.key, minutes: 1, splittable: false, colour: null, needsBooth: false })),
        links: route.links,
      }),
    ).toBeNull();
  });

  test('light colours before dark ones, each masked before it is sprayed', () => {
    const sprays = keys.filter((key) => key.startsWith('spray:'));
    expect(sprays).toEqual(['spray:TCS 14', 'spray:TCS 27', 'spray:TCS 31']);
    expect(keys).not.toContain('mask:TCS 14');
    const wait = route.links.find((link) => link.from === 'spray:TCS 14' && link.to === 'mask:TCS 27');
    expect(wait?.minLag).toBe(24 * 60);
    expect(
      lightToDark([
        call('dark', 10, []),
        call('metal', 90, [], { paint: paint('m', 'AL', 'metallic') }),
        call('light', 80, []),
      ]).map((c) => c.code),
    ).toEqual(['light', 'dark', 'metal']);
  });

  test('cockpit, nose weight and bay come before the fuselage closes, seams after; colours before markings', () => {
    for (const before of ['interior:TCS 60', 'bay:TCS 60', 'nose-weight', 'belts'])
      expect(follows(route, before, 'gate:fuselage')).toBe(true);
    expect(follows(route, 'gate:fuselage', 'seams-fuselage')).toBe(true);
    expect(follows(route, 'spray:TCS 31', 'gate:seal')).toBe(true);
    expect(follows(route, 'gate:seal', 'marking:m1')).toBe(true);
    // A painted band is masked and sprayed with the colours, before the gloss coat.
    expect(follows(route, 'marking-spray:m2', 'gloss')).toBe(true);
    expect(follows(route, 'gate:colour', 'marking-mask:m2')).toBe(true);
  });

  test('a wash is wiped between 15 and 40 minutes', () => {
    expect(route.links.find((link) => link.from === 'wash-interior' && link.to === 'wipe-interior')).toMatchObject({
      minLag: 15,
      maxLag: 40,
    });
  });

  test('options take steps away and bring others', () => {
    const plain = buildRoute(
      input({ options: { weathering: 'none', tonal: 'plain', gear: 'up', stand: 'a rod', stores: 'tanks' } }),
    ).steps.map((step) => step.key);
    for (const gone of ['wash:upper', 'wipe:upper', 'shade', 'fit-gear', 'nose-weight'])
      expect(plain).not.toContain(gone);
    for (const there of ['rod-socket', 'build-stores', 'drill-wings', 'mount']) expect(plain).toContain(there);
    const mount = buildRoute(input({ options: { weathering: 'none' } }));
    expect(follows(mount, 'seal', 'matt')).toBe(true);
  });

  test('lacquer over enamel is planned with its warning and a full cure', () => {
    const bad = buildRoute(
      input({
        calls: [
          call('A', 70, ['wing-upper-inner-port'], { paint: paint('e', 'EN') }),
          call('B', 30, ['wing-upper-outer-port'], { paint: paint('l', 'AL') }),
        ],
      }),
    );
    expect(
      bad.steps
        .find((step) => step.key === 'spray:B')!
        .cautions.map(({ says }) => says)
        .join(' '),
    ).toMatch(/wrinkles/);
    expect(bad.links.find((link) => link.from === 'spray:A' && link.to === 'spray:B')!.minLag).toBe(72 * 60);
  });

  test('a mask waits as long as the line says that its paint takes', () => {
    const waitsFor = (dries: { mask?: number }) => {
      const [upper, lower, ...rest] = CALLS;
      const quick = { ...lower!, paint: { ...paint(lower!.code), dries } };
      return buildRoute(input({ calls: [upper!, quick, ...rest] })).links.filter(
        (link) => link.from === `spray:${lower!.code}` && link.to.startsWith('mask:'),
      );
    };
    expect(waitsFor({ mask: 90 }).map(({ minLag }) => minLag)).toEqual([90]);
    expect(waitsFor({}).map(({ minLag }) => minLag)).toEqual([24 * 60]);
  });
  test('without any call there is still a whole route', () => {
    const bare = buildRoute(input({ calls: [], markings: [] }));
    expect(follows(bare, 'gate:colour', 'look-over')).toBe(true);
    expect(follows(bare, 'prime-interior', 'gate:fuselage')).toBe(true);
  });

  test.each(PRESET_NAMES)('%s can be planned, and everything ends before its last look', (preset) => {
    const outline = buildOutline({ preset, dimensions: PRESETS[preset].dimensions, landing: 'wheels', folded: false });
    // A ship at the scale of an aircraft would be as long as the room.
    const denominator = formOf(preset) === 'ship' ? 350 : 48;
    const made = buildRoute(input({ outline, denominator }));
    const plan = planRoute(made, [], settings, 200);
    expect(plan.because).toEqual([]);
    expect(plan.work.at(-1)!.key).toBe('last-look');
  });
});

describe('how markings go on', () => {
  const marked = (over: object) =>
    buildRoute(
      input({
        markings: [
          { id: 'm', title: 'No step', name: 'No step', zones: ['wing-upper-inner-port'], method: 'decal', ...over },
        ],
      }),
    );
  const stepIn = (route: ReturnType<typeof marked>) => route.steps.find(({ key }) => key === 'marking:m')!;
  test('many pieces take longer than one, and the step says how many', () => {
    expect(stepIn(marked({ pieces: 12 })).minutes).toBeGreaterThan(stepIn(marked({})).minutes);
    expect(stepIn(marked({ pieces: 12 })).title).toBe('Place No step, 12 of them');
  });
  test('stencils that are listed need no general step for stencils; they are softened and cleaned like the rest', () => {
    const has = (route: ReturnType<typeof marked>) => route.steps.some(({ key }) => key === 'stencils');
    expect(has(marked({}))).toBe(true);
    const listed = marked({ isStencil: true, pieces: 40 });
    expect(has(listed)).toBe(false);
    expect(follows(listed, 'marking:m', 'soften')).toBe(true);
    expect(follows(listed, 'soften', 'seal')).toBe(true);
  });
  test('a masked marking is sprayed from light to dark over a white ground where its colours hide badly', () => {
    const call = (code: string, lab: [number, number, number]) => ({
      code,
      name: code,
      zones: ['wing-upper-inner-port'],
      lab,
      coats: 2,
      paint: null,
    });
    const route = marked({ method: 'mask', calls: [call('red', [40, 55, 35]), call('cream', [90, 1, 12])] });
    const order = ['marking-mask:m', 'marking-ground:m', 'marking-spray:m', 'marking-spray:m:red', 'marking-unmask:m'];
    order.slice(1).forEach((key, i) => expect([key, follows(route, order[i]!, key)]).toEqual([key, true]));
    expect(route.steps.find(({ key }) => key === 'marking-spray:m')!.code).toBe('cream');
    const plain = marked({ method: 'mask', calls: [call('black', [12, 0, 0])] });
    expect(plain.steps.some(({ key }) => key === 'marking-ground:m')).toBe(false);
  });
  test('large metal comes before all other colours, over gloss black; small metal last', () => {
    const metal = (zones: string[]) => ({
      ...CALLS[0]!,
      code: 'M 1',
      zones,
      lab: [70, 0, 0] as [number, number, number],
      paint: { id: 'm', label: 'metal', chemistry: 'ML' as const, kind: 'metallic' as const, finish: 'satin' as const },
    });
    const outside = CALLS.map((one) => ({ ...one, zones: ['fin-port'] }));
    const wings = ['wing-lower-port', 'wing-lower-starboard', 'wing-upper-inner-port', 'wing-upper-inner-starboard'];
    const large = buildRoute(input({ calls: [...outside, metal(wings)] }));
    expect(follows(large, 'spray:M 1', `spray:${CALLS[0]!.code}`)).toBe(true);
    expect(large.steps.find(({ key }) => key === 'spray:M 1:ground')!.lays[0]).toMatchObject({ what: 'undercoat' });
    const small = buildRoute(
      input({ calls: [...CALLS.map((one) => ({ ...one, zones: wings })), metal(['fin-starboard'])] }),
    );
    expect(follows(small, `spray:${CALLS[0]!.code}`, 'spray:M 1')).toBe(true);
    expect(small.steps.some(({ key }) => key === 'spray:M 1:ground')).toBe(false);
  });
});

describe('how a colour is laid', () => {
  const laid = (over: Partial<RouteCall>) =>
    buildRoute(input({ calls: CALLS.map((one) => (one.code === 'TCS 31' ? { ...one, ...over } : one)) }));
  const filter = { label: 'Hask 9', percent: 5, passes: 2, chemistry: 'WA' as const };
  test('a ground that was chosen is a step of its own under the colour, masked like it', () => {
    const route = laid({ ground: 'Pink' });
    expect(follows(route, 'spray:TCS 31:ground', 'spray:TCS 31')).toBe(true);
    expect(follows(route, 'mask:TCS 31', 'spray:TCS 31:ground')).toBe(true);
    const step = route.steps.find(({ key }) => key === 'spray:TCS 31:ground')!;
    expect(step.lays[0]).toMatchObject({ what: 'undercoat', paint: 'Pink ground' });
    expect(step.zones).toEqual(CALLS[0]!.zones);
  });
  test('an older coat lies under the ground of the first colour, not only under the colour', () => {
    const older = { kind: 'first' as const, value: 'TCS 60', since: null, showsUnder: true };
    const route = buildRoute(
      input({
        calls: CALLS.map((one) => ({ ...one, ground: 'Pink' })),
        layers: [
          {
            zone: 'fuselage-lower',
            layers: [older, { ...older, kind: 'repaint', value: 'TCS 14', since: '1951-01-01' }],
          },
        ],
      }),
    );
    expect(follows(route, 'layer:fuselage-lower:first:TCS 60', 'spray:TCS 14:ground')).toBe(true);
  });
  test('a filter goes over it once it may be recoated, before what comes next is masked', () => {
    const route = laid({ filter });
    const wait = route.links.find(({ from, to }) => from === 'spray:TCS 31' && to === 'spray:TCS 31:filter')!;
    expect(wait.minLag).toBe(30);
    expect(route.steps.find(({ key }) => key === 'spray:TCS 31:filter')!.title).toMatch(/5 % Hask 9/);
    expect(follows(route, 'spray:TCS 31:filter', 'look-over')).toBe(true);
  });
  test('more coats take longer, and the step says why', () => {
    const minutes = (coats: number) => laid({ coats }).steps.find(({ key }) => key === 'spray:TCS 31')!;
    expect(minutes(4).minutes).toBeGreaterThan(minutes(2).minutes);
    expect(minutes(4).minutesFrom).toMatch(/4 coats over/);
  });
  test('a small part with its own ground is still a network without circles', () => {
    const route = buildRoute(input({ calls: CALLS.map((one) => ({ ...one, ground: 'White', filter })) }));
    expect(
      waitingCircle({ steps: route.steps.map(({ key }) => ({ id: key }) as never), links: route.links }),
    ).toBeNull();
    expect(follows(route, 'part:TCS 24:ground', 'part:TCS 24')).toBe(true);
  });
});

describe('the plan', () => {
  const route = buildRoute(input());
  test('gives each step a date and time inside a session, and a finish', () => {
    const plan = planRoute(route, [], settings, 200);
    expect(plan.work).toHaveLength(route.steps.length);
    for (const item of plan.work) expect(item.session).not.toBeNull();
    expect(plan.finish).toBe(plan.work.at(-1)!.end);
    expect(plan.lowerBound! <= plan.finish!).toBe(true);
    expect(workBySession(plan).flatMap(({ work }) => work.map((item) => item.key)).length).toBeGreaterThanOrEqual(
      route.steps.length,
    );
  });
  test('what is logged is done; the rest moves behind now', () => {
    const nowUtc = '2026-12-05T09:00:00Z';
    const plan = planRoute(
      route,
      [
        { stepKey: 'wash-sprues', startedAt: '2026-11-24T18:30:00Z', endedAt: '2026-11-24T18:55:00Z' },
        { stepKey: 'no-such-step', startedAt: nowUtc, endedAt: nowUtc },
      ],
      { ...settings, nowUtc },
      200,
    );
    const wash = plan.work.find((item) => item.key === 'wash-sprues')!;
    expect(wash).toMatchObject({ done: true, start: '2026-11-24T19:30' });
    for (const item of plan.work.filter((w) => !w.done)) expect(item.start >= '2026-12-05T10:00').toBe(true);
  });
  test('without sessions there is no plan, and it says why', () => {
    const plan = planRoute(route, [], { ...settings, weekly: [] }, 200);
    expect(plan.finish).toBeNull();
    expect(plan.because.length).toBeGreaterThan(0);
  });
  test('without a booth nothing can be sprayed', () => {
    const plan = planRoute(route, [], { ...settings, weekly: [{ ...settings.weekly[0]!, booth: false }] }, 200);
    expect(plan.because[0]!.says).toMatch(/booth/);
  });
});

describe('gates', () => {
  const outline = buildOutline({
    preset: 'single',
    dimensions: PRESETS.single.dimensions,
    landing: 'wheels',
    folded: false,
  });
  test('the room that closes decides, then paint, then markings', () => {
    expect(gateOf(outline, 'well-nose', 'colour')).toBe('fuselage');
    expect(gateOf(outline, 'well-main-port', 'colour')).toBe('wings');
    expect(gateOf(outline, 'fin-port', 'colour')).toBe('colour');
    expect(gateOf(outline, 'fin-port', 'size')).toBe('seal');
  });
});

test('cleaning out: a rinse towards dark, more towards light, another solvent and after metal', () => {
  const load = (id: string, lightness: number, over = {}) => ({
    id,
    title: id,
    chemistry: 'WA' as const,
    kind: 'solid' as const,
    lightness,
    ...over,
  });
  expect(cleanOut(load('a', 80), load('a', 80))).toBe(0);
  expect(cleanOut(load('a', 80), load('b', 20))).toBe(4);
  expect(cleanOut(load('b', 20), load('a', 80))).toBe(8);
  expect(cleanOut(load('m', 80, { kind: 'metallic', chemistry: 'AL' }), load('b', 20))).toBe(12);
});
