import { describe, expect, test } from '@jest/globals';
import { buildOutline } from '@/core/outline/outline';
import { PRESETS } from '@/core/outline/presets';
import { VIEWS } from '@/core/outline/zones';
import { PLAIN_FIELD, type SchemeField } from '@/core/scheme/field';
import { ringsOf } from '@/core/scheme/shown-field';
import { extentOf } from '@/core/geometry/polygon';
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
describe('the views as they are sent', () => {
  const views = shownViews(outline, [field], [BAND]);

  test('are what the outline draws, to half a millimetre, and plain data', () => {
    for (const view of VIEWS) {
      expect(JSON.parse(JSON.stringify(views[view]))).toEqual(views[view]);
      expect(views[view].shapes.map(({ zone }) => zone)).toEqual(outline.drawings[view].shapes.map(({ zone }) => zone));
      views[view].shapes.forEach(({ points }, i) =>
        points.forEach(([u, v], k) => {
          const [exactU, exactV] = outline.drawings[view].shapes[i]!.points[k]!;
          expect(Math.abs(u - exactU)).toBeLessThanOrEqual(0.000501);
          expect(Math.abs(v - exactV)).toBeLessThanOrEqual(0.000501);
        }),
      );
    }
  });

  test('have the field where it was drawn, in the view that looks at it alone', () => {
    const shown = views.port.fields.filter(({ field: id }) => id === 'f');
    const { left, right } = extentOf(shown.flatMap((piece) => ringsOf(piece)));
    expect(left).toBeCloseTo(2, 1);
    expect(right).toBeCloseTo(4, 1);
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
