import { describe, expect, test } from '@jest/globals';
import { namedPlaces } from './named-places';
import { buildOutline } from './outline';
import { PRESET_NAMES, PRESETS } from './presets';
import { otherSide } from './zones';

const outlineOf = (preset: (typeof PRESET_NAMES)[number]) => {
  const { dimensions, landing } = PRESETS[preset];
  return buildOutline({ preset, dimensions, landing, folded: false });
};

describe.each(PRESET_NAMES)('the named places of a %s', (preset) => {
  const outline = outlineOf(preset);
  const places = namedPlaces(outline);
  const at = new Map(places.map((place) => [place.id, place.at]));

  test('have each a name and a title of their own', () => {
    expect(new Set(places.map(({ id }) => id)).size).toBe(places.length);
    expect(new Set(places.map(({ title }) => title)).size).toBe(places.length);
  });
  test('lie within what the views draw of it', () => {
    const { left, right, top, bottom } = outline.extents.port;
    const { top: port, bottom: starboard } = outline.extents.upper;
    for (const { at: place } of places) {
      expect(place[0]).toBeGreaterThanOrEqual(left - 0.01);
      expect(place[0]).toBeLessThanOrEqual(right + 0.01);
      expect(place[2]).toBeGreaterThanOrEqual(-bottom - 0.01);
      expect(place[2]).toBeLessThanOrEqual(-top + 0.01);
      expect(place[1]).toBeGreaterThanOrEqual(port - 0.01);
      expect(place[1]).toBeLessThanOrEqual(starboard + 0.01);
    }
  });
  test('to port are those to starboard in a mirror', () => {
    for (const { id, at: place } of places) {
      const other = otherSide(id);
      if (!other) {
        expect(place[1]).toBeCloseTo(0);
        continue;
      }
      const opposite = at.get(other)!;
      expect([opposite[0], -opposite[1], opposite[2]].map((v) => v.toFixed(6))).toEqual(place.map((v) => v.toFixed(6)));
    }
  });
});

test('a machine with wings and a tail has six places far apart at least, whatever its layout', () => {
  for (const preset of PRESET_NAMES.filter((name) => PRESETS[name].dimensions.span > 0)) {
    const ids = namedPlaces(outlineOf(preset)).map(({ id }) => id);
    expect(ids.length).toBeGreaterThanOrEqual(10);
    expect(ids).toEqual(expect.arrayContaining(['wing-tip-port', 'wing-tip-starboard', 'end']));
  }
});

test('a longer span moves the tips and nothing of the fuselage', () => {
  const { dimensions, landing } = PRESETS.single;
  const spec = { preset: 'single' as const, dimensions, landing, folded: false };
  const longer = { ...spec, dimensions: { ...dimensions, span: dimensions.span + 1 } };
  const moved = namedPlaces(buildOutline(longer)).flatMap(({ id, at }, i) => {
    const before = namedPlaces(buildOutline(spec))[i]!.at;
    return Math.hypot(...at.map((value, k) => value - before[k]!)) > 0.1 ? [id] : [];
  });
  expect(moved.sort()).toEqual(['wing-tip-port', 'wing-tip-starboard']);
});
