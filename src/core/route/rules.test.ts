import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { DEFAULT_OPTIONS, OPTION_CHOICES, OPTION_NAMES, type Options } from '@/core/kit/options';
import { optionsSchema } from '@/core/kit/option-fields';
import { isSeen } from '@/core/kit/seen';
import { MARKING_METHODS } from '@/core/markings/kinds';
import { buildOutline, type Outline } from '@/core/outline/outline';
import { PRESET_NAMES, PRESETS } from '@/core/outline/presets';
import { CHEMISTRY_NAMES } from '@/core/paint/chemistry';
import { dryingTime, STANDARD_CLIMATE, waitFor } from '@/core/paint/drying';
import { buildRoute } from './route';
import type { RouteCall } from './call';
import { LANES } from '@/core/work/kinds';
import { ASSUMED_COATS, generalCoats } from './general-coats';
import { RULES } from './rules';
import { waitingCircle } from './schedule/network';

const nameOf = (after: (typeof RULES)[number]['after'][number]) => (typeof after === 'string' ? after : after.step);

describe('the rules as data', () => {
  test('each key once; each waits only for rules that there are', () => {
    const keys = RULES.map((rule) => rule.key);
    expect(new Set(keys).size).toBe(keys.length);
    for (const rule of RULES) for (const after of rule.after) expect(keys).toContain(nameOf(after));
  });
  test('every wait says why, and a greatest wait is longer than the least', () => {
    for (const rule of RULES)
      for (const after of rule.after) {
        if (typeof after === 'string' || 'when' in after) continue;
        if ('until' in after) {
          expect(after.why.length).toBeGreaterThan(5);
          // What a step waits for to dry is something that the other one laid.
          expect(RULES.find(({ key }) => key === after.step)!.lays).toBeDefined();
          continue;
        }
        // The rules name their waits; only what is built from data may bring its own.
        if ('minutes' in after) throw new Error(`${rule.key} waits for literal minutes`);
        const { minutes, most, says } = waitFor(after.wait, { tempC: 20, humidity: 50 });
        expect(says.length).toBeGreaterThan(5);
        if (most !== null) expect(most).toBeGreaterThan(minutes);
      }
  });
  test('whatever sprays or cuts or sands carries its caution', () => {
    for (const rule of RULES) {
      if (rule.lays && (rule.kind === 'spray' || rule.kind === 'seal'))
        expect(rule.caution?.protection).toContain('dust mask');
      if (/^(Sand|Fill|Clean up)/.test(rule.title) && rule.minutes !== 0) expect(rule.caution).toBeDefined();
    }
  });
  test('the gates are the points of no return that questions refer to', () => {
    expect(RULES.flatMap((rule) => (rule.gate ? [rule.gate] : []))).toEqual(['fuselage', 'wings', 'colour', 'seal']);
  });
  test('a wash in spirit waits until the clear under it has cured', () => {
    const wash = RULES.find(({ key }) => key === 'wash:upper')!;
    expect(wash.after).toContainEqual(expect.objectContaining({ step: 'seal', until: 'cure' }));
    const clear = ASSUMED_COATS[RULES.find(({ key }) => key === 'seal')!.lays!];
    // A water-based clear is through after two days.
    expect(dryingTime(clear, 'cure', STANDARD_CLIMATE)).toBe(48 * 60);
  });
  test('each lane is one of the strip', () => {
    for (const rule of RULES) expect(LANES).toContain(rule.lane);
  });
});

const anyOptions: fc.Arbitrary<Options> = fc
  .record(Object.fromEntries(OPTION_NAMES.map((name) => [name, fc.constantFrom(...OPTION_CHOICES[name].choices)])))
  .map((options) => optionsSchema.parse(options));

const anyCalls: fc.Arbitrary<RouteCall[]> = fc
  .uniqueArray(
    fc.record({
      code: fc.integer({ min: 1, max: 40 }),
      zone: fc.constantFrom(
        'fin-port',
        'fuselage-lower',
        'cockpit',
        'well-nose',
        'spinner',
        'gear-main',
        'wing-lower-port',
      ),
      L: fc.integer({ min: 5, max: 95 }),
      chemistry: fc.option(fc.constantFrom(...CHEMISTRY_NAMES), { nil: null }),
    }),
    { selector: (call) => call.code, maxLength: 8 },
  )
  .map((calls) =>
    calls.map(({ code, zone, L, chemistry }): RouteCall => ({
      code: `C ${code}`,
      name: `Colour ${code}`,
      zones: [zone],
      lab: [L, 0, 0],
      coats: 2,
      paint: chemistry && { id: `p${code}`, label: 'paint', chemistry, kind: 'solid', finish: 'matt' },
    })),
  );

/** What nobody will see, and what the machine has not got, is not painted. */
const seenOf = (calls: readonly RouteCall[], options: Options, { zones }: Outline) =>
  calls.filter((call) => call.zones.some((key) => zones.some((zone) => zone.key === key && isSeen(zone, options))));

describe('for any build', () => {
  const routes = fc
    .record({
      preset: fc.constantFrom(...PRESET_NAMES),
      options: anyOptions,
      calls: anyCalls,
      methods: fc.array(fc.constantFrom(...MARKING_METHODS), { maxLength: 5 }),
    })
    .map(({ preset, ...made }) => ({
      ...made,
      outline: buildOutline({
        preset,
        dimensions: PRESETS[preset].dimensions,
        landing: made.options.landing,
        folded: made.options.wings === 'folded',
        swept: made.options.sweep === 'swept',
      }),
    }))
    .map(({ outline, options, calls, methods }) => ({
      options,
      calls,
      outline,
      route: buildRoute({
        outline,
        options,
        climate: { tempC: 20, humidity: 50 },
        denominator: 48,
        general: 'airbrush',
        coats: generalCoats(),
        calls,
        markings: methods.map((method, i) => ({
          id: `m${i}`,
          title: `marking ${i}`,
          name: `marking ${i}`,
          zones: ['fin-port'],
          method,
        })),
        layers: [],
        callFor: (code) => ({ code, name: code, zones: [], lab: null, coats: null, paint: null }),
      }),
    }));

  test('the network has no circle, no loose end, and no link to nothing', () => {
    fc.assert(
      fc.property(routes, ({ route }) => {
        const keys = new Set(route.steps.map((step) => step.key));
        expect(keys.size).toBe(route.steps.length);
        for (const link of route.links) {
          expect(keys.has(link.from)).toBe(true);
          expect(keys.has(link.to)).toBe(true);
          expect(link.minLag).toBeGreaterThanOrEqual(0);
        }
        const plan = route.steps.map((step) => ({
          id: step.key,
          minutes: step.minutes,
          splittable: false,
          colour: null,
          needsBooth: false,
        }));
        expect(waitingCircle({ steps: plan, links: route.links })).toBeNull();
        for (const step of route.steps) expect(step.minutes).toBeGreaterThan(0);
      }),
      { numRuns: 40 },
    );
  });

  test('every call is sprayed exactly once for each kind of place, and never the lighter after the darker', () => {
    fc.assert(
      fc.property(routes, ({ route, calls, options, outline }) => {
        const base = route.steps.filter((step) => step.key.startsWith('spray:'));
        const lightness = base.map((step) => calls.find((call) => call.code === step.code)!.lab![0]);
        expect(lightness).toEqual([...lightness].sort((a, b) => b - a));
        for (const call of seenOf(calls, options, outline))
          expect(route.steps.filter((step) => step.code === call.code)).toHaveLength(1);
        for (const call of calls.filter((one) => !seenOf(calls, options, outline).includes(one)))
          expect(route.steps.some((step) => step.code === call.code)).toBe(false);
      }),
      { numRuns: 40 },
    );
  });

  test('an unpainted choice is said to be assumed; a chosen paint is not', () => {
    fc.assert(
      fc.property(routes, ({ route, calls, options, outline }) => {
        for (const call of seenOf(calls, options, outline)) {
          const step = route.steps.find((candidate) => candidate.code === call.code)!;
          expect(step.why.startsWith('no paint chosen yet')).toBe(call.paint === null);
        }
      }),
      { numRuns: 40 },
    );
  });
});

test('the defaults are options that there are', () => {
  expect(optionsSchema.parse(DEFAULT_OPTIONS)).toEqual(DEFAULT_OPTIONS);
  expect(optionsSchema.safeParse({ ...DEFAULT_OPTIONS, gear: 'sideways' }).success).toBe(false);
});
