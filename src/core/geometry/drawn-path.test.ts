import { describe, expect, test } from '@jest/globals';
import { drawnPath } from './drawn-path';
import { ringsOfPath } from './svg-paths';
import { ellipse, polygonArea, rectangle, type Point } from './polygon';

describe('a path as it is drawn', () => {
  test('is told in whole millimetres, each point from the one before', () => {
    expect(drawnPath([rectangle(1, 0.5, 2.25, 1)], 10)).toBe('M1000 500l1250 0 0 500-1250 0z');
    expect(
      drawnPath(
        [
          [
            [0, 0],
            [-0.0001, -0.2],
            [0.3, -0.2],
          ],
        ],
        10,
        false,
      ),
    ).toBe('M0 0l0-200 300 0');
  });

  test('leaves out what lies straight between two others, and nothing that could be seen', () => {
    const straight: Point[] = [
      [0, 0],
      [1, 0.0005],
      [2, 0],
      [2, 1],
      [0, 1],
    ];
    expect(drawnPath([straight], 20)).toBe('M0 0l2000 0 0 1000-2000 0z');
    // On a machine of a metre half a millimetre is seen.
    expect(drawnPath([straight], 1)).toBe('M0 0l1000 1 1000-1 0 1000-2000 0z');
  });

  test('surrounds what its rings do, holes among them', () => {
    const [outer, hole] = [ellipse(3, 2, 1.5, 1, 90), ellipse(3, 2, 0.5, 0.25, 60)];
    const [outerMm, holeMm] = ringsOfPath(drawnPath([outer, hole], 12), 1);
    expect(polygonArea(outerMm!) / 1e6).toBeCloseTo(polygonArea(outer), 2);
    expect(polygonArea(holeMm!) / 1e6).toBeCloseTo(polygonArea(hole), 2);
  });

  test('of nothing is none', () => {
    expect(drawnPath([], 10)).toBe('');
    expect(drawnPath([[]], 10)).toBe('');
  });
});
