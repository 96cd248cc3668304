import { describe, expect, test } from '@jest/globals';
import { readSaidList } from '@/core/evidence/said-list';
import { dimensionsSchema } from './dimension-fields';
import { buildOutline } from './outline';
import { PRESET_NAMES, PRESETS } from './presets';
import { scaledTo } from './scaled';
import { setsOf, zonesCalled } from './zone-sets';

const { zones } = buildOutline({
  preset: 'single',
  dimensions: PRESETS.single.dimensions,
  landing: 'wheels',
  folded: false,
});
const titled = (keys: readonly string[] | null) => keys?.map((key) => zones.find((zone) => zone.key === key)!.title);

describe('zones as somebody writes them', () => {
  test('by key, by title, without the side for both, by a set', () => {
    expect(zonesCalled('fin-port', zones)).toEqual(['fin-port']);
    expect(zonesCalled('Fin and rudder, port', zones)).toEqual(['fin-port']);
    expect(zonesCalled('fin', zones)).toEqual(['fin-port', 'fin-starboard']);
    expect(zonesCalled('Rear fuselage', zones)).toEqual(['fuselage-rear-port', 'fuselage-rear-starboard']);
    expect(zonesCalled('tail of a comet', zones)).toBeNull();
  });
  test('all upper and all lower share no zone, and between them hold the airframe outside', () => {
    const [upper, lower] = [zonesCalled('all upper', zones)!, zonesCalled('All lower', zones)!];
    expect(upper.filter((key) => lower.includes(key))).toEqual([]);
    const outside = zones.filter(({ group }) => ['fuselage', 'wings', 'tail', 'engines'].includes(group));
    expect(new Set([...upper, ...lower])).toEqual(new Set(outside.map(({ key }) => key)));
  });
  test.each(PRESET_NAMES)('%s: every set names zones that there are', (preset) => {
    const all = buildOutline({
      preset,
      dimensions: PRESETS[preset].dimensions,
      landing: PRESETS[preset].landing,
      folded: false,
    }).zones;
    for (const set of setsOf(all)) for (const key of set.zones) expect(all.some((zone) => zone.key === key)).toBe(true);
  });
  test('of a biplane both wings have an upper and a lower side', () => {
    const all = buildOutline({
      preset: 'biplane',
      dimensions: PRESETS.biplane.dimensions,
      landing: 'wheels',
      folded: false,
    }).zones;
    expect(zonesCalled('all upper', all)).toEqual(
      expect.arrayContaining(['upper-wing-upper-port', 'wing-upper-inner-port']),
    );
    expect(zonesCalled('all lower', all)).toEqual(expect.arrayContaining(['upper-wing-lower-port', 'wing-lower-port']));
  });
});

describe('a pasted list', () => {
  test('is read line by line, whatever stands between', () => {
    const { said, faults } = readSaidList('all lower: 14\n\nfin = 27\nspinner\t24', zones);
    expect(faults).toEqual([]);
    expect(said.map(({ zones: of, value }) => [of.length > 2 ? 'many' : titled(of), value])).toEqual([
      ['many', '14'],
      [['Fin and rudder, port', 'Fin and rudder, starboard'], '27'],
      [['Spinner'], '24'],
    ]);
  });
  test('a line that cannot be read says which and why', () => {
    expect(readSaidList('fin 27\nmoon: 3', zones).faults).toEqual([
      { line: 1, says: '"fin 27": write the zone, a colon, then what is said of it' },
      { line: 2, says: 'there is no zone "moon" on this airframe' },
    ]);
  });
});

describe('an outline from length and span alone', () => {
  test('is the layout itself at its own length and span', () => {
    const { dimensions } = PRESETS.twin;
    expect(scaledTo('twin', dimensions.length, dimensions.span)).toEqual(dimensions);
  });
  test.each(PRESET_NAMES)('%s can be drawn half as large again', (preset) => {
    const { dimensions } = PRESETS[preset];
    const across = dimensions.span || dimensions.rotorDiameter;
    const scaled = scaledTo(preset, dimensions.length * 1.5, across * 1.5);
    expect(dimensionsSchema.safeParse(scaled).error?.issues).toBeUndefined();
    expect(scaled.length).toBeCloseTo(dimensions.length * 1.5, 3);
  });
});
