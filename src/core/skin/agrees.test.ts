import { describe, expect, test } from '@jest/globals';
import { isInRegion } from '@/core/geometry/clip';
import { halton, isWithin, type Point } from '@/core/geometry/polygon';
import { schemeOn } from '@/core/markings/placing';
import { project } from '@/core/outline/drawing';
import { VIEWS, type View } from '@/core/outline/zones';
import { fieldsInView, shapesUnderFields } from '@/core/scheme/in-view';
import { viewOfDemo } from '@tests/support/demo-brief';
import { skinOf } from './machine';

/** Seen from where a view of the sheet looks, the machine in space shows the same zones and colours, but where one surface runs into another. */

const { state, outline } = viewOfDemo().view;
const { length } = outline.spec.dimensions;
const pieces = skinOf({ spec: outline.spec, denominator: state.brief.denominator, fields: state.fields, markings: [] });
const painted = schemeOn(outline, state.fields, []);
/** The coordinate that says which of two is nearer to the eye. */
const NEARER: Record<View, (at: readonly number[]) => number> = {
  port: ([, y]) => -y!,
  starboard: ([, y]) => y!,
  upper: ([, , z]) => z!,
  lower: ([, , z]) => -z!,
};

function inSpace(view: View) {
  const triangles = pieces.flatMap(({ positions, index, zone, code, glass }) => {
    if (glass) return [];
    const corners = Array.from({ length: positions.length / 3 }, (_, i) => positions.slice(3 * i, 3 * i + 3));
    const drawn = corners.map(([x, y, z]) => project(view, length, x!, y!, z!));
    return Array.from({ length: index.length / 3 }, (_, t) => {
      const [a, b, c] = [index[3 * t]!, index[3 * t + 1]!, index[3 * t + 2]!];
      return {
        zone,
        code,
        at: [drawn[a]!, drawn[b]!, drawn[c]!] as const,
        depth: [a, b, c].map((k) => NEARER[view]([...corners[k]!])),
      };
    });
  });
  return ([u, v]: Point) => {
    let best: { zone: string; code: string | null; depth: number } | null = null;
    for (const {
      at: [a, b, c],
      depth,
      zone,
      code,
    } of triangles) {
      const whole = (b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0]);
      if (whole === 0) continue;
      const s = ((b[0] - u) * (c[1] - v) - (b[1] - v) * (c[0] - u)) / whole;
      const t = ((c[0] - u) * (a[1] - v) - (c[1] - v) * (a[0] - u)) / whole;
      if (s < 0 || t < 0 || s + t > 1) continue;
      const near = s * depth[0]! + t * depth[1]! + (1 - s - t) * depth[2]!;
      if (!best || near > best.depth) best = { zone, code, depth: near };
    }
    return best && { zone: best.zone, code: best.code };
  };
}

function onSheet(view: View) {
  const shapes = shapesUnderFields(outline.drawings[view], fieldsInView(outline, painted, view));
  return (point: Point) => {
    let best: { zone: string; code: string | null; glass: boolean } | null = null;
    for (const { shape, over } of shapes) {
      if (isWithin(point, shape.points)) best = { zone: shape.zone, code: null, glass: shape.glass ?? false };
      for (const { rings, code } of over) if (best && isInRegion(point, rings)) best = { ...best, code };
    }
    return best;
  };
}

describe.each(VIEWS)('from %s', (view) => {
  test('19 of 20 places show the same zone and colour as the sheet', () => {
    const { left, right, top, bottom } = outline.extents[view];
    const [space, sheet] = [inSpace(view), onSheet(view)];
    const wrong = new Map<string, number>();
    let asked = 0;
    for (let i = 1; asked < 500 && i < 5000; i += 1) {
      const point: Point = [left + halton(i, 2) * (right - left), top + halton(i, 3) * (bottom - top)];
      const drawn = sheet(point);
      // What lies behind glass is drawn on the sheet, and what is open underneath.
      if (!drawn || drawn.glass || /^(canopy|well-)/.test(drawn.zone)) continue;
      asked += 1;
      const seen = space(point);
      if (seen?.zone === drawn.zone && seen.code === drawn.code) continue;
      const says = `${drawn.zone} ${drawn.code} / ${seen?.zone} ${seen?.code}`;
      wrong.set(says, (wrong.get(says) ?? 0) + 1);
    }
    const off = [...wrong.values()].reduce((sum, n) => sum + n, 0);
    // Where a fin or a wing runs into the body the sheet draws the one over the other, and space shows which is nearer.
    expect([off <= asked / 20, [...wrong]]).toEqual([true, [...wrong]]);
  });
});
