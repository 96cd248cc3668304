import { describe, expect, test } from '@jest/globals';
import { polygonArea, rectangle, type Point, type Polygon } from '@/core/geometry/polygon';
import { buildOutline } from '@/core/outline/outline';
import { PRESETS } from '@/core/outline/presets';
import type { View } from '@/core/outline/zones';
import { fieldsFromPattern, type LaidPicture } from './from-drawing';

const outline = buildOutline({
  preset: 'single',
  dimensions: PRESETS.single.dimensions,
  landing: 'wheels',
  folded: false,
});
/** A picture of 1000 by 400 pixels, 10 pixels to the decimetre, its first known point at 100, 200. */
const laid = (over: Partial<LaidPicture> = {}): LaidPicture => ({
  width: 1000,
  height: 400,
  fromPoint: { u: 0.1, v: 0.5, x: 1, y: 1 },
  toPoint: { u: 0.6, v: 0.5, x: 6, y: 1 },
  ...over,
});
const fields = (rings: Polygon[], view: View, picture = laid(), code = 'A') =>
  fieldsFromPattern([{ code, rings }], picture, outline, view);
const cornersOf = (draft: ReturnType<typeof fields>[number]) =>
  draft.shape.kind === 'area' ? draft.shape.corners.map(({ x, y }): Point => [x, y]) : [];

describe('a pattern of the box as fields of the scheme', () => {
  test('lies where its two known points say, in true size', () => {
    const [draft] = fields([rectangle(100, 100, 300, 200)], 'port');
    const xs = cornersOf(draft!).map(([x]) => x);
    const ys = cornersOf(draft!).map(([, y]) => y);
    expect([Math.min(...xs), Math.max(...xs)]).toEqual([expect.closeTo(1, 2), expect.closeTo(3, 2)]);
    // Up in the picture is up on the machine: a metre over the first point.
    expect([Math.min(...ys), Math.max(...ys)]).toEqual([expect.closeTo(1, 2), expect.closeTo(2, 2)]);
    expect(draft!.shape).toMatchObject({ kind: 'area', view: 'port' });
  });
  test('that is turned in its picture is turned back', () => {
    // The second point lies below the first: the drawing was scanned upright.
    const turned = laid({ fromPoint: { u: 0.5, v: 0.1, x: 1, y: 1 }, toPoint: { u: 0.5, v: 0.6, x: 3, y: 1 } });
    const [draft] = fields([rectangle(500, 40, 540, 240)], 'port', turned);
    const xs = cornersOf(draft!).map(([x]) => x);
    expect([Math.min(...xs), Math.max(...xs)]).toEqual([expect.closeTo(1, 2), expect.closeTo(3, 2)]);
  });
  test.each(['port', 'starboard', 'upper', 'lower'] as const)('keeps its area seen from %s', (view) => {
    // On starboard the nose lies to the right: the point further forward lies there.
    const picture =
      view === 'starboard'
        ? laid({ fromPoint: { u: 0.6, v: 0.5, x: 1, y: 1 }, toPoint: { u: 0.1, v: 0.5, x: 6, y: 1 } })
        : laid();
    const [draft] = fields([rectangle(200, 100, 400, 300)], view, picture);
    expect(polygonArea(cornersOf(draft!))).toBeCloseTo(4, 2);
  });
  test('has what is smaller on what is larger, holes filled, and dust left out', () => {
    const ring = [rectangle(100, 50, 700, 350), [...rectangle(300, 150, 400, 250)].reverse()];
    const drafts = fieldsFromPattern(
      [
        { code: 'island', rings: [rectangle(300, 150, 400, 250), rectangle(10, 10, 12, 12)] },
        { code: 'sea', rings: ring },
      ],
      laid(),
      outline,
      'port',
    );
    expect(drafts.map(({ code }) => code)).toEqual(['sea', 'island']);
    expect(polygonArea(cornersOf(drafts[0]!))).toBeCloseTo(18, 1);
  });
});
