import { describe, expect, test } from '@jest/globals';
import { halton, isInRegion, isWithin, type Point } from '@/core/geometry/polygon';
import { schemeOn } from '@/core/markings/placing';
import { project } from '@/core/outline/drawing';
import { NEARER } from '@/core/outline/standing-out';
import { VIEWS, type View } from '@/core/outline/zones';
import { fieldsInView } from '@/core/scheme/in-view';
import { ringsOf, shapesUnderFields } from '@/core/scheme/shown-field';
import { viewOfDemo } from '@tests/support/demo-brief';
import { skinOf } from './machine';
import { seenFrom } from './seen-from';

/** Seen from where a view of the sheet looks, the machine in space shows the same zones and colours, but where one surface runs into another. */

const { state, outline } = viewOfDemo().view;
const { length } = outline.spec.dimensions;
const { fields, markings } = state;
// Markings lie over both alike; fields hang on them.
const pieces = skinOf({ spec: outline.spec, denominator: state.brief.denominator, fields, markings }).filter(
  ({ marking }) => marking === null,
);
const painted = schemeOn(outline, fields, markings);
/** Points of the picture to a metre. */
const FINE = 60;

function inSpace(view: View) {
  const { left, right, top, bottom } = outline.extents[view];
  const [width, height] = [Math.ceil((right - left) * FINE), Math.ceil((bottom - top) * FINE)];
  // What the view leaves out, as legs from above, hides nothing there.
  const drawn = new Set(outline.drawings[view].shapes.map(({ zone }) => zone));
  const solid = pieces.filter(({ glass, zone }) => !glass && drawn.has(zone));
  const seen = seenFrom(
    solid,
    (at) => {
      const [u, v] = project(view, length, ...at);
      return [(u - left) * FINE, (v - top) * FINE, NEARER[view](at)];
    },
    width,
    height,
  );
  return ([u, v]: Point) => {
    const piece = seen.piece[Math.floor((v - top) * FINE) * width + Math.floor((u - left) * FINE)]!;
    return piece < 0 ? null : { zone: solid[piece]!.zone, code: solid[piece]!.code };
  };
}

function onSheet(view: View) {
  const shapes = shapesUnderFields(outline.drawings[view], fieldsInView(outline, painted, view));
  return (point: Point) => {
    let best: { zone: string; code: string | null; glass: boolean } | null = null;
    for (const { shape, over } of shapes) {
      if (isWithin(point, shape.points)) best = { zone: shape.zone, code: null, glass: shape.glass ?? false };
      for (const piece of over) if (best && isInRegion(point, ringsOf(piece))) best = { ...best, code: piece.code };
    }
    return best;
  };
}

describe.each(VIEWS)('from %s', (view) => {
  test('99 of 100 places show the same zone and colour as the sheet, or nothing on both', () => {
    const { left, right, top, bottom } = outline.extents[view];
    const [space, sheet] = [inSpace(view), onSheet(view)];
    const wrong = new Map<string, number>();
    let asked = 0;
    for (let i = 1; asked < 2000; i += 1) {
      const point: Point = [left + halton(i, 2) * (right - left), top + halton(i, 3) * (bottom - top)];
      const drawn = sheet(point);
      // What lies behind glass is drawn on the sheet.
      if (drawn && (drawn.glass || drawn.zone === 'canopy')) continue;
      asked += 1;
      const seen = space(point);
      if (seen?.zone === drawn?.zone && seen?.code === drawn?.code) continue;
      const says = `${drawn?.zone} ${drawn?.code} on the sheet, ${seen?.zone} ${seen?.code} in space`;
      wrong.set(says, (wrong.get(says) ?? 0) + 1);
    }
    const off = [...wrong.values()].reduce((sum, n) => sum + n, 0);
    expect([off <= asked / 100, [...wrong]]).toEqual([true, [...wrong]]);
  });
});
