import { describe, expect, test } from '@jest/globals';
import { buildOutline } from '@/core/outline/outline';
import { PRESETS } from '@/core/outline/presets';
import { VIEWS } from '@/core/outline/zones';
import { PLAIN_FIELD, type SchemeField } from '@/core/scheme/field';
import { ringsOfPath } from '@/core/geometry/svg-paths';
import { extentOf, type Point, type Polygon } from '@/core/geometry/polygon';
import { BAND } from '@tests/support/band';
import { shownViews } from './views';

const outline = buildOutline({
  preset: 'single',
  dimensions: PRESETS.single.dimensions,
  landing: 'wheels',
  folded: false,
});
const field: SchemeField = {
  ...PLAIN_FIELD,
  id: 'f',
  title: 'Upper colour',
  code: 'TCS 31',
  keptTo: [],
  rank: 0,
  shape: {
    kind: 'area',
    view: 'port',
    smooth: false,
    corners: [
      { x: 2, y: 0.4, on: null },
      { x: 4, y: 0.4, on: null },
      { x: 4, y: 1.2, on: null },
      { x: 2, y: 1.2, on: null },
    ],
  },
};
/** How far a point (m) lies from a ring (mm), m. */
const offFrom = ([u, v]: Point, ring: Polygon): number =>
  Math.min(
    ...ring.map(([ax, ay], i) => {
      const [bx, by] = ring[(i + 1) % ring.length]!;
      const [dx, dy] = [bx - ax, by - ay];
      const along = Math.max(0, Math.min(1, ((u * 1000 - ax) * dx + (v * 1000 - ay) * dy) / (dx * dx + dy * dy || 1)));
      return Math.hypot(u * 1000 - ax - along * dx, v * 1000 - ay - along * dy) / 1000;
    }),
  );

describe('the views as they are sent', () => {
  const views = shownViews(outline, [field], [BAND]);

  test('are what the outline draws, to 3 mm, and plain data', () => {
    for (const view of VIEWS) {
      expect(JSON.parse(JSON.stringify(views[view]))).toEqual(views[view]);
      const drawn = outline.drawings[view].shapes;
      expect(views[view].shapes.map(({ zone }) => zone)).toEqual(drawn.map(({ zone }) => zone));
      views[view].shapes.forEach(({ path }, i) => {
        const [ring] = ringsOfPath(path, 1);
        for (const point of drawn[i]!.points) expect(offFrom(point, ring!)).toBeLessThan(0.003);
      });
    }
  });

  test('have the field where it was drawn, in the view that looks at it alone', () => {
    const shown = views.port.fields.filter(({ field: id }) => id === 'f');
    const { left, right } = extentOf(shown.flatMap(({ path }) => ringsOfPath(path, 1)));
    expect(left / 1000).toBeCloseTo(2, 1);
    expect(right / 1000).toBeCloseTo(4, 1);
    expect(views.starboard.fields).toEqual([]);
  });

  test('have a marking with its name, so that who shows another day can leave it out', () => {
    expect(views.port.artwork.map(({ marking }) => marking)).toEqual(['m']);
    expect(views.starboard.artwork).toEqual([]);
  });

  test('are the very same for the same scheme, and others once it is changed', () => {
    expect(shownViews(outline, [{ ...field }], [BAND])).toBe(views);
    expect(shownViews(outline, [], [BAND]).port.fields).toEqual([]);
    expect(shownViews(outline, [field], []).port.artwork).toEqual([]);
  });
});
