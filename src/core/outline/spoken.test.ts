import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { buildOutline } from './outline';
import { PRESET_NAMES, PRESETS } from './presets';
import { spokenZones, titleOfKey } from './spoken';
import { setsOf, ZONE_SETS } from './zone-sets';

const zonesOf = (preset: (typeof PRESET_NAMES)[number]) =>
  buildOutline({ preset, dimensions: PRESETS[preset].dimensions, landing: 'wheels', folded: false }).zones;
const twin = zonesOf('twin');
const say = (...keys: string[]) => spokenZones(twin, keys);

describe('zones in a sentence', () => {
  test('one, with its side where it has one', () => {
    expect(say('cockpit')).toMatch(/^the (cockpit|flight deck and cabin)$/);
    expect(say('well-main-port')).toBe('the port main-wheel bay');
    expect(say('fin-starboard')).toBe('the starboard side of the fin and rudder');
    expect(say('fuselage-lower')).toBe('the fuselage underside');
  });
  test('both sides are said once', () => {
    expect(say('well-main-port', 'well-main-starboard')).toBe('both main-wheel bays');
    expect(say('fin-starboard', 'fin-port')).toBe('both sides of the fin and rudder');
    expect(say('nacelle-port', 'wing-lower-port', 'wing-lower-starboard')).toBe(
      'the port nacelle and both wing undersides',
    );
  });
  test('what hangs is said by its place', () => {
    const hung = (['port', 'starboard'] as const).map((side) => ({
      key: `store-inner-${side}`,
      title: `Drop tank, ${side} inner`,
    }));
    expect(spokenZones(hung, ['store-inner-port'])).toBe('the port inner drop tank');
    expect(
      spokenZones(
        hung,
        hung.map(({ key }) => key),
      ),
    ).toBe('both inner drop tanks');
  });
  test('many are said by what they have in common, and by the little that it lacks', () => {
    const upper = setsOf(twin).find(({ key }) => key === 'upper')!.zones;
    const lower = setsOf(twin).find(({ key }) => key === 'lower')!.zones;
    expect(say(...upper)).toBe('all upper surfaces');
    expect(say(...upper, ...lower)).toBe('the whole outside');
    expect(say(...upper.filter((key) => key !== 'fin-port'))).toBe(
      'all upper surfaces but the port side of the fin and rudder',
    );
    expect(say(...upper, 'cockpit')).toBe('all upper surfaces and the cockpit');
    // What is left out comes last: nobody takes what follows for left out too.
    expect(say('cockpit', ...upper.filter((key) => key !== 'fin-port'))).toBe(
      'the cockpit and all upper surfaces but the port side of the fin and rudder',
    );
  });
  test('very many that have nothing in common are counted', () => {
    const keys = twin.filter((_, i) => i % 3 === 0).map(({ key }) => key);
    expect(say(...keys)).toBe(`${keys.length} zones`);
  });
  test('a set is said only of zones that are meant, of any airframe and any choice of them', () => {
    for (const preset of PRESET_NAMES) {
      const zones = zonesOf(preset);
      const sets = setsOf(zones);
      fc.assert(
        fc.property(fc.subarray(zones), (some) => {
          const keys = new Set(some.map(({ key }) => key));
          const said = spokenZones(zones, [...keys]);
          for (const { said: words, key } of ZONE_SETS) {
            if (!said.includes(words)) continue;
            const lacks = sets.find((set) => set.key === key)!.zones.filter((zone) => !keys.has(zone));
            expect(lacks.length).toBeLessThanOrEqual(2);
            expect(said.includes(`${words} but`)).toBe(lacks.length > 0);
          }
        }),
        { numRuns: 60, seed: 11 },
      );
    }
  });
  test('no key of the data is ever said, of any airframe', () => {
    for (const preset of PRESET_NAMES)
      for (const { key } of zonesOf(preset)) {
        const said = spokenZones(zonesOf(preset), [key]);
        expect(said).toMatch(/^the [a-z]/);
        expect(said).not.toMatch(/wing (upper|lower)|well|gear-/);
      }
  });
});

test('a zone that the airframe lost with another outline is still spoken of, never by its key', () => {
  expect(titleOfKey('wing-upper-inner-port')).toBe('Inner wing top, port');
  expect(titleOfKey('main-gear-doors')).toBe('Main gear doors');
  expect(spokenZones([], ['wing-upper-inner-port'])).toBe('the port inner wing top');
});
