import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { difference, grown, intersection, regionArea, stroked, union } from './clip';
import { betweenBorders, isConvex, lengthWithin, overhang, toArea } from './distance';
import { narrowest } from './narrowest';
import { ellipse, rectangle, type Point, type Polygon } from './polygon';
import { faultOf, selfCrossing } from './simple';

const square = rectangle(0, 0, 10, 10);
const turned = (polygon: Polygon, deg: number): Polygon => {
  const [c, s] = [Math.cos((deg * Math.PI) / 180), Math.sin((deg * Math.PI) / 180)];
  return polygon.map(([x, y]): Point => [x * c - y * s, x * s + y * c]);
};

describe('what is a shape', () => {
  test.each<[string, Polygon, RegExp | null]>([
    ['a square', square, null],
    ['a square whose first point is said again', [...square, square[0]!], null],
    ['two points', square.slice(0, 2), /at least three/],
    [
      'a bow tie',
      [
        [0, 0],
        [10, 10],
        [10, 0],
        [0, 10],
      ],
      /crosses itself at \[5, 5\], between points 1 and 3/,
    ],
    [
      'a line there and back',
      [
        [0, 0],
        [10, 0],
        [5, 0],
      ],
      /crosses itself|no area/,
    ],
    [
      'no size',
      [
        [1, 1],
        [1, 1],
        [1, 1],
      ],
      /no size/,
    ],
    [
      'what is no number',
      [
        [0, 0],
        [NaN, 1],
        [1, 1],
      ],
      /finite/,
    ],
  ])('%s', (_, polygon, fault) => {
    if (fault) expect(faultOf(polygon)).toMatch(fault);
    else expect(faultOf(polygon)).toBeNull();
  });

  test('a star drawn in one line crosses itself, its outline does not', () => {
    const tip = (i: number, r: number): Point => [r * Math.sin((i * Math.PI) / 5), r * Math.cos((i * Math.PI) / 5)];
    expect(selfCrossing([0, 4, 8, 2, 6].map((i) => tip(i, 10)))).not.toBeNull();
    expect(selfCrossing(Array.from({ length: 10 }, (_, i) => tip(i, i % 2 ? 4 : 10)))).toBeNull();
  });
});

describe('clipping', () => {
  test('what lies in both and what only in one make up the whole', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -12, max: 12, noNaN: true }),
        fc.double({ min: -12, max: 12, noNaN: true }),
        fc.double({ min: 1, max: 9, noNaN: true }),
        (x, y, r) => {
          const disc = ellipse(x, y, r, r, 60);
          const both = regionArea(intersection([square], [disc]));
          expect(both + regionArea(difference([square], [disc]))).toBeCloseTo(100, 4);
          expect(regionArea(union([square], [disc]))).toBeCloseTo(100 + regionArea([disc]) - both, 3);
        },
      ),
      { numRuns: 40 },
    );
  });
  test('a square grown by 1 has its corners rounded: 100 + 40 + pi', () => {
    expect(regionArea(grown([square], 1, 'round', 0.0001))).toBeCloseTo(140 + Math.PI, 2);
    expect(regionArea(grown([square], 1, 'sharp'))).toBeCloseTo(144, 4);
    expect(regionArea(grown([square], -1))).toBeCloseTo(64, 4);
  });
  test('a stroke of 2 along 10 covers 20', () => {
    expect(
      regionArea(
        stroked(
          [
            [
              [0, 0],
              [10, 0],
            ],
          ],
          2,
        ),
      ),
    ).toBeCloseTo(20, 5);
  });
});

describe('distances', () => {
  test('inside, over one side, over a corner, and far off', () => {
    expect(overhang(rectangle(1, 1, 9, 9), square)).toBe(0);
    expect(overhang(square, square)).toBe(0);
    expect(overhang(rectangle(5, 5, 12, 9), square)).toBeCloseTo(2, 9);
    expect(overhang(rectangle(5, 5, 13, 14), square)).toBeCloseTo(5, 9);
    expect(toArea([5, -3], square)).toBe(3);
  });
  test('out of a field with a bay the middle of the bay is furthest', () => {
    const bay: Polygon = [
      [0, 0],
      [30, 0],
      [30, 20],
      [20, 20],
      [20, 4],
      [10, 4],
      [10, 20],
      [0, 20],
    ];
    expect(isConvex(bay)).toBe(false);
    expect(isConvex(square)).toBe(true);
    // Within the bay, 10 wide and open above, no point of a bar over it is further than 5 from a wall until it is over the rim.
    expect(overhang(rectangle(2, 10, 28, 18), bay)).toBeCloseTo(5, 6);
  });
  test('the overhang of a turned square is where its corner lies', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 90, noNaN: true }), (deg) => {
        const marking = turned(rectangle(-6, -6, 6, 6), deg).map(([x, y]): Point => [x + 5, y + 5]);
        const far = Math.max(...marking.map((point) => toArea(point, square)));
        expect(overhang(marking, square)).toBeCloseTo(far, 6);
      }),
      { numRuns: 40 },
    );
  });
  test('the least distance between borders, and none where they meet', () => {
    expect(betweenBorders(rectangle(2, 3, 8, 7), square)).toBe(2);
    expect(betweenBorders(rectangle(5, 5, 15, 7), square)).toBe(0);
  });
  test('how much of a line lies within', () => {
    const line: Polygon = [
      [-5, 5],
      [15, 5],
    ];
    expect(lengthWithin(line, square)).toBeCloseTo(10, 9);
    expect(
      lengthWithin(
        [
          [-5, 0],
          [15, 0],
        ],
        square,
      ),
    ).toBe(0);
    expect(
      lengthWithin(
        [
          [2, 2],
          [4, 2],
        ],
        square,
      ),
    ).toBeCloseTo(2, 9);
  });
});

describe('the narrowest stroke', () => {
  const within1Percent = (found: number, right: number) => expect(Math.abs(found / right - 1)).toBeLessThan(0.01);
  test.each<[string, Polygon[], number]>([
    ['a bar of 40 by 3', [rectangle(0, 0, 40, 3)], 3],
    ['a square of 10', [square], 10],
    ['a disc of 12', [ellipse(0, 0, 6, 6, 240)], 12],
    [
      'a cross with arms of 2',
      [
        [
          [-10, -1],
          [-1, -1],
          [-1, -10],
          [1, -10],
          [1, -1],
          [10, -1],
          [10, 1],
          [1, 1],
          [1, 10],
          [-1, 10],
          [-1, 1],
          [-10, 1],
        ],
      ],
      2,
    ],
    [
      'two blocks joined by a neck of 1',
      [
        [
          [0, 0],
          [10, 0],
          [10, 4.5],
          [14, 4.5],
          [14, 0],
          [24, 0],
          [24, 10],
          [14, 10],
          [14, 5.5],
          [10, 5.5],
          [10, 10],
          [0, 10],
        ],
      ],
      1,
    ],
    [
      'an hourglass with a waist of 2',
      [
        [
          [-10, -10],
          [10, -10],
          [1, 0],
          [10, 10],
          [-10, 10],
          [-1, 0],
        ],
      ],
      // The waist lies between two corners: the discs that pass touch both.
      2,
    ],
    ['a ring of 1.5', [ellipse(0, 0, 10, 10, 360), ellipse(0, 0, 8.5, 8.5, 360)], 1.5],
    [
      'an equilateral triangle of 10: twice its inradius',
      [
        [
          [0, 0],
          [10, 0],
          [5, 8.660254],
        ],
      ],
      10 / Math.sqrt(3),
    ],
  ])('of %s', (_, region, right) => within1Percent(narrowest(region), right));

  test('follows the size, however small or large', () => {
    for (const size of [1e-3, 1, 1e4])
      within1Percent(narrowest([rectangle(0, 0, 40, 3).map(([x, y]): Point => [x * size, y * size])]), 3 * size);
  });
});
