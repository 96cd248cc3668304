import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { paintOf } from '@tests/support/paints';
import type { Machine } from '@/core/kit/machine';
import { buildOutline } from '@/core/outline/outline';
import { machineOf, PRESET_NAMES, PRESETS } from '@/core/outline/presets';
import { deltaE00 } from '@/core/colour/difference';
import type { Lab } from '@/core/colour/types';
import { EFFECT_NAMES, EFFECTS, type EffectName } from './effects';
import type { SeenEffect } from './from-evidence';
import { lookOf, looksUnder } from './looks';
import { planWash } from './wash';
import { CARES, CLIMATES, GROUNDS, SKINS, type Exposure } from './exposure';
import { planWeathering, passesOver, type WeatheredZone } from './plan';

const USUAL: Exposure = { ground: 'grass', climate: 'temperate', skin: 'metal', care: 'as usual' };
const drawer = [
  paintOf({ id: 'dust', name: 'Dust', lab: [52, 6, 18], ownedMl: 10 }),
  paintOf({ id: 'white', name: 'White', lab: [95, 0, 2], ownedMl: 10 }),
  paintOf({ id: 'soot', name: 'Soot', lab: [22, 2, 6], ownedMl: 5 }),
  paintOf({ id: 'gone', name: 'Gone', lab: [50, 6, 18], ownedMl: 0 }),
];
const zonesOf = (preset: keyof typeof PRESETS): WeatheredZone[] =>
  buildOutline({ preset, dimensions: PRESETS[preset].dimensions, landing: 'wheels' } as never).zones.map(
    ({ key, group, faces, station, areaM2 }) => ({ key, group, faces, station, areaM2, lab: [40, -8, 12], top: 'WA' }),
  );
const plan = (over: Partial<Exposure> = {}, denominator = 48, preset: keyof typeof PRESETS = 'single') =>
  planWeathering(zonesOf(preset), machineOf({ preset }), { ...USUAL, ...over }, denominator, drawer);
const of = (layers: ReturnType<typeof plan>, effect: string) => layers.find((layer) => layer.effect === effect);

describe('what weather and use leave', () => {
  test('takes longer the larger the model is and the stronger it shows, and never no time', () => {
    for (const { effect, minutes, strength } of plan({}, 144)) {
      const larger = of(plan({}, 48), effect)!;
      expect([effect, minutes < larger.minutes]).toEqual([effect, true]);
      expect(minutes).toBeGreaterThanOrEqual(2);
      const stronger = of(plan({ climate: 'desert', care: 'neglected' }, 144), effect);
      if (stronger && stronger.strength > strength && stronger.zones.length > 0)
        expect([effect, stronger.minutes >= minutes]).toEqual([effect, true]);
    }
  });
  test('sun fades what faces up and nothing else; a desert more than the north', () => {
    const fade = of(plan(), 'fade')!;
    expect(fade.zones.length).toBeGreaterThan(0);
    expect(fade.zones.every((zone) => zone.includes('upper'))).toBe(true);
    expect(of(plan({ climate: 'desert' }), 'fade')!.strength).toBeGreaterThan(fade.strength);
  });
  test('metal shows under chips only where the skin is metal', () => {
    const lightness = (skin: Exposure['skin']) => of(plan({ skin }), 'chips')!.colour;
    expect(lightness('metal')[0]).toBeGreaterThan(70);
    expect(Math.abs(lightness('metal')[2])).toBeLessThan(5);
    expect(lightness('wood and fabric')[2]).toBeGreaterThan(15);
  });
  test('salt comes of the sea, dust of the ground that the wheels rolled on', () => {
    expect(of(plan(), 'salt')).toBeUndefined();
    expect(of(plan({ climate: 'sea' }), 'salt')).toBeDefined();
    expect(of(plan({ ground: 'deck' }), 'dust')).toBeUndefined();
    expect(of(plan({ ground: 'dirt' }), 'dust')!.strength).toBeGreaterThan(
      of(plan({ ground: 'tarmac' }), 'dust')!.strength,
    );
  });
  test('a mark is as large as the scale makes it, and said to be lost where the eye no longer tells it', () => {
    const [large, small] = [of(plan({}, 24), 'streaks')!.mark!, of(plan({}, 288), 'streaks')!.mark!];
    expect(large.modelMm).toBeCloseTo(large.realMm / 24, 9);
    expect(large.isSeen).toBe(true);
    expect(small.isSeen).toBe(false);
  });
  test('a paint is one that the drawer has, and the nearest of them', () => {
    expect(of(plan(), 'dust')!.paint!.id).toBe('dust');
    expect(of(plan(), 'leak')!.paint!.id).toBe('soot');
  });
  test('a filter is told in passes and by how much it changes the colour, and never drowns it', () => {
    const { passes } = of(plan({ care: 'neglected' }), 'filter')!;
    expect(passes!.dE00).toBeGreaterThan(0.1);
    expect(passes!.dE00).toBeLessThanOrEqual(6);
    const base: [number, number, number] = [40, -8, 12];
    const [one, , three] = passesOver(base)(drawer[0]!, 3).map((lab) => deltaE00(base, lab));
    expect(three!).toBeGreaterThan(one!);
  });
  test('over a pale colour a dark filter is thinned until one pass still lets it be itself', () => {
    const zones = zonesOf('single').map((zone) => ({ ...zone, lab: [92, 0, 3] as Lab }));
    const soot = [drawer[2]!];
    const { passes } = of(planWeathering(zones, machineOf({ preset: 'single' }), USUAL, 48, soot), 'filter')!;
    expect(passes!.percent).toBeLessThan(5);
    expect(passes!.dE00).toBeLessThanOrEqual(6);
  });
  test('spirit over an enamel that is not sealed is warned of', () => {
    const zones = zonesOf('single').map((zone) => ({ ...zone, top: 'EN' as const }));
    const layers = planWeathering(zones, machineOf({ preset: 'single' }), USUAL, 48, drawer);
    expect(of(layers, 'filter')!.guard).toContain('seal it first');
    expect(of(plan(), 'filter')!.guard).toBe('');
  });
  test('a machine without an engine has no exhaust and no oil', () => {
    const glider: Machine = { ...machineOf({ preset: 'single' }), power: 'none', exhausts: 'none' };
    const layers = planWeathering(zonesOf('single'), glider, USUAL, 48, drawer);
    expect(of(layers, 'exhaust')).toBeUndefined();
    expect(of(layers, 'leak')).toBeUndefined();
  });
  test('what was seen is there however clean she was kept, on the zones where it was seen; what was not is still offered', () => {
    const kept = { ...USUAL, care: 'kept clean' as const };
    const seen = new Map([
      ['exhaust', { zones: ['fin-port'], says: 'a picture', isAbsent: false }],
      ['salt', { zones: [], says: 'a picture', isAbsent: true }],
    ] as const) as unknown as Map<EffectName, SeenEffect>;
    const [machine, zones] = [machineOf({ preset: 'single' }), zonesOf('single')];
    const without = of(planWeathering(zones, machine, kept, 48, drawer), 'exhaust')!;
    const layers = planWeathering(zones, machine, kept, 48, drawer, seen);
    const exhaust = of(layers, 'exhaust')!;
    expect(exhaust.strength).toBeGreaterThan(without.strength);
    expect(exhaust.zones).toContain('fin-port');
    expect(without.zones).not.toContain('fin-port');
    expect(of(layers, 'salt')).toBeUndefined();
  });
  test('from afar a zone looks between its own colour and what lies on it, nearer to that the more of it there is', () => {
    const [base, soot]: [Lab, Lab] = [
      [60, 0, 20],
      [20, 0, 0],
    ];
    const look = (share: number) => lookOf(base, [{ colour: soot, share }]);
    expect(deltaE00(look(0), base)).toBeLessThan(1e-6);
    expect(deltaE00(look(1), soot)).toBeLessThan(1e-6);
    expect(look(0.3)[0]).toBeLessThan(base[0]);
    expect(look(0.6)[0]).toBeLessThan(look(0.3)[0]);
    // Light mixes, not lightness: half of each looks lighter than midway.
    expect(look(0.5)[0]).toBeGreaterThan(40);
  });
  test('a zone fades from its own colour', () => {
    const layers = plan().filter(({ effect }) => effect === 'fade');
    const [zone] = layers[0]!.zones;
    const look = looksUnder(new Map([[zone!, [30, 40, 20]]]), layers, USUAL).get(zone!)!;
    expect(look[0]).toBeGreaterThan(30);
    expect(look[1]).toBeGreaterThan(0);
    expect(look[1]).toBeLessThan(40);
  });
  test('a wash runs along the lines over gloss, over everything on matt where the scale bears it, and is never black on pale paint', () => {
    const pale: Lab = [85, 0, 3];
    expect(planWash(pale, 32, 'gloss', false).kind).toBe('pin');
    expect(planWash(pale, 32, 'matt', true).kind).toBe('overall');
    expect(planWash(pale, 144, 'matt', true).kind).toBe('pin');
    for (const scale of [24, 32, 48, 72, 144]) {
      const { colour } = planWash(pale, scale, 'gloss', false);
      expect(colour[0]).toBeLessThan(pale[0]);
      expect(colour[0]).toBeGreaterThan(30);
    }
    expect(planWash(pale, 144, 'gloss', false).colour[0]).toBeGreaterThan(planWash(pale, 32, 'gloss', false).colour[0]);
  });
  test('on any machine, anywhere: known zones, finite figures, in the order of laying, a better kept one never more of anything', () => {
    const exposures = fc.record({
      ground: fc.constantFrom(...GROUNDS),
      climate: fc.constantFrom(...CLIMATES),
      skin: fc.constantFrom(...SKINS),
      care: fc.constantFrom(...CARES),
    });
    fc.assert(
      fc.property(
        exposures,
        fc.constantFrom(...PRESET_NAMES),
        fc.constantFrom(24, 32, 48, 72, 144),
        (exposure, preset, denominator) => {
          const zones = zonesOf(preset);
          const layers = planWeathering(zones, machineOf({ preset }), exposure, denominator, drawer);
          const known = new Set(zones.map(({ key }) => key));
          for (const layer of layers) {
            expect(layer.zones.every((zone) => known.has(zone))).toBe(true);
            expect(Number.isFinite(layer.strength) && layer.strength > 0 && layer.strength <= 2).toBe(true);
          }
          const order = layers.map(({ effect }) => EFFECT_NAMES.indexOf(effect));
          expect(order).toEqual([...order].sort((a, b) => a - b));
          const clean = planWeathering(
            zones,
            machineOf({ preset }),
            { ...exposure, care: 'kept clean' },
            denominator,
            drawer,
          );
          for (const layer of clean)
            expect(layer.strength).toBeLessThanOrEqual(
              layers.find(({ effect }) => effect === layer.effect)?.strength ?? Infinity,
            );
        },
      ),
      { numRuns: 30 },
    );
  });
  test('effects lie in the order of their places: ground, body, last', () => {
    const places = EFFECT_NAMES.map((name) => ['ground', 'body', 'last'].indexOf(EFFECTS[name].place));
    expect(places).toEqual([...places].sort());
  });
});
