import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { checkFourPoints, homographyOf, MeasureFault, projectPoint, type XY } from './homography';
import { CLICK_SD_PX, measure, roundToSd, type Calibration } from './measure';

/** A pinhole camera before the panel z = 0: turned about the vertical, tilted, `away` mm off, 1200 px of focal length. */
function camera(turn: number, tilt: number, away: number): (point: XY) => XY {
  const [ct, st, cp, sp] = [Math.cos(turn), Math.sin(turn), Math.cos(tilt), Math.sin(tilt)];
  return ([x, y]) => {
    const [x1, z1] = [ct * x, st * x];
    const [y2, z2] = [cp * y - sp * z1, sp * y + cp * z1];
    return [600 + (1200 * x1) / (away + z2), 400 + (1200 * y2) / (away + z2)];
  };
}
const PANEL: XY[] = [
  [0, 0],
  [800, 0],
  [800, 500],
  [0, 500],
];
const panelSeenBy = (see: (point: XY) => XY): Calibration => ({
  kind: 'panel',
  points: PANEL.map(see),
  widthMm: 800,
  heightMm: 500,
  sdMm: 0,
});
const straight: Calibration = {
  kind: 'length',
  points: [
    [0, 0],
    [100, 0],
  ],
  mm: 1000,
  sdMm: 0,
};

describe('a panel photographed obliquely', () => {
  test('is rectified: a length on it comes out within 1 % from points as they are clicked', () => {
    for (const [turn, tilt] of [
      [0.5, 0.2],
      [-0.8, 0.1],
      [0.3, -0.6],
    ] as const) {
      const see = camera(turn, tilt, 2500);
      // Clicked to whole px, as a mouse does.
      const click = ([x, y]: XY): XY => [Math.round(x), Math.round(y)];
      const calibration = { ...panelSeenBy(see), points: PANEL.map(see).map(click) } as Calibration;
      const found = measure('length', [click(see([100, 60])), click(see([700, 380]))], calibration);
      expect(Math.abs(found.value / Math.hypot(600, 320) - 1)).toBeLessThan(0.01);
    }
  });
  test('gives diameters and angles of what lies on it', () => {
    const see = camera(0.6, -0.3, 2200);
    const rim = [0.2, 2.1, 4.4].map((a): XY => [400 + 150 * Math.cos(a), 250 + 150 * Math.sin(a)]);
    expect(measure('diameter', rim.map(see), panelSeenBy(see)).value).toBeCloseTo(300, 6);
    const corner: XY[] = [
      [600, 100],
      [200, 100],
      [200 + 300 * Math.cos(0.7), 100 + 300 * Math.sin(0.7)],
    ];
    expect(measure('angle', corner.map(see), panelSeenBy(see)).value).toBeCloseTo((0.7 * 180) / Math.PI, 6);
  });
  test('the projection takes the four points where they belong, whatever quadrangle they are', () => {
    const jitter = fc.double({ min: -90, max: 90, noNaN: true });
    fc.assert(
      fc.property(fc.array(fc.tuple(jitter, jitter), { minLength: 4, maxLength: 4 }), (moves) => {
        const seen = PANEL.map(([x, y], i): XY => [x + moves[i]![0], y + moves[i]![1]]);
        const h = homographyOf(seen, PANEL);
        seen.forEach((point, i) => {
          const [x, y] = projectPoint(h, point);
          expect(x).toBeCloseTo(PANEL[i]![0], 5);
          expect(y).toBeCloseTo(PANEL[i]![1], 5);
        });
      }),
    );
  });
  test.each<[string, XY[], RegExp]>([
    [
      'in a line',
      [
        [0, 0],
        [10, 0],
        [20, 0],
        [30, 0],
      ],
      /in a line/,
    ],
    [
      'three in a line',
      [
        [0, 0],
        [10, 0.02],
        [20, 0],
        [10, 30],
      ],
      /in a line/,
    ],
    [
      'crossing over',
      [
        [0, 0],
        [10, 10],
        [10, 0],
        [0, 10],
      ],
      /cross over/,
    ],
    [
      'all in one place',
      [
        [5, 5],
        [5, 5],
        [5, 5],
        [5, 5],
      ],
      /one and the same/,
    ],
  ])('four points %s are refused', (_, points, says) => {
    expect(() => checkFourPoints(points, 'Points')).toThrow(says);
    expect(() =>
      measure(
        'length',
        [
          [0, 0],
          [1, 1],
        ],
        { kind: 'panel', points, widthMm: 800, heightMm: 500, sdMm: 0 },
      ),
    ).toThrow(MeasureFault);
  });
});

describe('a known length', () => {
  test('turns px into mm', () => {
    expect(
      measure(
        'length',
        [
          [0, 0],
          [30, 40],
        ],
        straight,
      ).value,
    ).toBeCloseTo(500, 9);
    expect(
      measure(
        'diameter',
        [
          [0, 0],
          [10, 10],
          [20, 0],
        ],
        straight,
      ).value,
    ).toBeCloseTo(200, 9);
  });
  test('a scale of zero, or none, is refused with the reason', () => {
    const line: XY[] = [
      [0, 0],
      [30, 40],
    ];
    expect(() => measure('length', line, { ...straight, mm: 0 })).toThrow(/above 0 mm/);
    expect(() =>
      measure('length', line, {
        ...straight,
        points: [
          [7, 7],
          [7, 7],
        ],
      }),
    ).toThrow(/scale would be zero/);
    expect(() => measure('length', line, null)).toThrow(/Set a scale/);
    expect(() =>
      measure(
        'diameter',
        [
          [0, 0],
          [1, 1],
          [2, 2],
        ],
        straight,
      ),
    ).toThrow(/not in a line/);
    expect(() =>
      measure(
        'angle',
        [
          [0, 0],
          [0, 0],
          [2, 2],
        ],
        straight,
      ),
    ).toThrow(/differ from the corner/);
  });
  test('an angle needs no scale: it is that of the picture', () => {
    expect(
      measure(
        'angle',
        [
          [10, 0],
          [0, 0],
          [0, 10],
        ],
        null,
      ).value,
    ).toBeCloseTo(90, 9);
    expect(
      measure(
        'angle',
        [
          [-10, 1],
          [0, 0],
          [-10, -1],
        ],
        null,
      ).value,
    ).toBeLessThan(12);
  });
});

describe('plus or minus', () => {
  const line: XY[] = [
    [200, 300],
    [500, 700],
  ];
  test('of a plain length follows from its parts: two ends clicked, two ends of the scale, the known length', () => {
    // L = d x mm / s: along the line each end adds its click error, so sd(d) = sqrt(2) clicks; likewise sd(s).
    const known: Calibration = { ...straight, sdMm: 8 };
    const { value, sd, parts } = measure('length', line, known);
    expect(value).toBeCloseTo(5000, 9);
    expect(parts.points).toBeCloseTo(Math.SQRT2 * CLICK_SD_PX * 10, 3);
    expect(parts.scale).toBeCloseTo((5000 * Math.SQRT2 * CLICK_SD_PX) / 100, 1);
    expect(parts.known).toBeCloseTo(5000 * 0.008, 6);
    expect(sd).toBeCloseTo(Math.hypot(parts.points, parts.scale, parts.known), 9);
  });
  test('agrees with what repeated clicking scatters, on an oblique panel', () => {
    const see = camera(0.6, 0.25, 2500);
    const calibration = panelSeenBy(see);
    const points = [see([100, 60]), see([700, 380])];
    const { sd } = measure('length', points, calibration);
    // Sums of twelve uniform numbers are nearly normal; the generator is fixed, so the test is repeatable.
    let state = 12345;
    const uniform = () => (state = (state * 16807) % 2147483647) / 2147483647;
    const noise = () => CLICK_SD_PX * (Array.from({ length: 12 }, uniform).reduce((a, b) => a + b, 0) - 6);
    const shaken = (marks: readonly XY[]): XY[] => marks.map(([x, y]) => [x + noise(), y + noise()]);
    const values = Array.from(
      { length: 2000 },
      () => measure('length', shaken(points), { ...calibration, points: shaken(calibration.points) }).value,
    );
    const mean = values.reduce((a, b) => a + b, 0) / values.length;
    const scatter = Math.sqrt(values.reduce((a, b) => a + (b - mean) ** 2, 0) / values.length);
    expect(Math.abs(sd / scatter - 1)).toBeLessThan(0.08);
  });
  test('grows with the click error, and never goes away', () => {
    const one = measure('length', line, straight, 0.5).sd;
    expect(measure('length', line, straight, 1).sd).toBeCloseTo(2 * one, 1);
    expect(one).toBeGreaterThan(0);
  });
  test.each([
    [412.3456, 6.2, 412, 6],
    [412.3456, 0.1234, 412.35, 0.12],
    [9123, 152, 9120, 150],
    [5, 0, 5, 0],
  ])('%s ± %s is written %s ± %s', (value, sd, shown, plusMinus) => {
    expect(roundToSd(value, sd)).toEqual({ value: shown, sd: plusMinus });
  });
});
