import { distance, homographyOf, MeasureFault, projectPoint, type XY } from './homography';

/**
 * How a picture is measured. `length`: one known length between two points gives mm per px, good for what lies in the same plane,
 * square to the camera. `panel`: four corners of a known rectangle on a flat panel, in order from its upper left, rectify what lies on it.
 */
export type Calibration =
  | { kind: 'length'; points: readonly XY[]; mm: number; sdMm: number }
  | { kind: 'panel'; points: readonly XY[]; widthMm: number; heightMm: number; sdMm: number };

export const TOOLS = {
  length: { title: 'Length', points: 2, unit: 'mm' },
  diameter: { title: 'Diameter', points: 3, unit: 'mm' },
  angle: { title: 'Angle', points: 3, unit: '°' },
} as const;
export type Tool = keyof typeof TOOLS;

/** A measured figure with its uncertainty (one standard deviation) and where that comes from. */
export interface Measured {
  value: number;
  sd: number;
  /** The part of `sd` from clicking the measured points, from clicking the scale's points, and from the known size itself. */
  parts: { points: number; scale: number; known: number };
}

/** Points as clicked are off by about this much, px of the picture at full zoom. */
export const CLICK_SD_PX = 0.7;

/** From picture px to mm. Throws MeasureFault for a scale of zero, or points that fix nothing. */
function toMm(calibration: Calibration): (point: XY) => XY {
  if (calibration.kind === 'length') {
    const [a, b] = calibration.points;
    const px = a && b ? distance(a, b) : 0;
    if (!(calibration.mm > 0)) throw new MeasureFault('The known length must be above 0 mm');
    if (px < 1) throw new MeasureFault('The two points of the scale lie on one another: the scale would be zero');
    const per = calibration.mm / px;
    return ([x, y]) => [x * per, y * per];
  }
  const { widthMm: w, heightMm: h } = calibration;
  if (!(w > 0) || !(h > 0)) throw new MeasureFault('The panel needs a width and a height above 0 mm');
  const homography = homographyOf(calibration.points, [
    [0, 0],
    [w, 0],
    [w, h],
    [0, h],
  ]);
  return (point) => projectPoint(homography, point);
}

/** The figure itself, in mm or degrees, from points in mm. */
function figure(tool: Tool, points: readonly XY[]): number {
  const [a, b, c] = points;
  if (points.length < TOOLS[tool].points)
    throw new MeasureFault(`${TOOLS[tool].title}: ${TOOLS[tool].points} points are needed`);
  if (tool === 'length') return distance(a!, b!);
  if (tool === 'angle') {
    // At the second point, between the first and the third.
    const one = Math.atan2(a![1] - b![1], a![0] - b![0]);
    const two = Math.atan2(c![1] - b![1], c![0] - b![0]);
    if (distance(a!, b!) === 0 || distance(c!, b!) === 0)
      throw new MeasureFault('Angle: the points must differ from the corner');
    const turn = Math.abs(one - two) % (2 * Math.PI);
    return ((turn > Math.PI ? 2 * Math.PI - turn : turn) * 180) / Math.PI;
  }
  // Circle through three points: twice the circumradius, abc / (2 x area).
  const [x, y, z] = [distance(a!, b!), distance(b!, c!), distance(c!, a!)];
  const twiceArea = Math.abs((b![0] - a![0]) * (c![1] - a![1]) - (b![1] - a![1]) * (c![0] - a![0]));
  if (twiceArea < 1e-6 * Math.max(x, y, z) ** 2)
    throw new MeasureFault('Diameter: three points on the rim, not in a line');
  return (x * y * z) / twiceArea;
}

/**
 * Measures in a picture. Angles in a picture without a scale are those of the picture plane. The uncertainty is propagated to first
 * order: every coordinate is moved by its click error, every known size by its own, and the changes are added in squares
 * (GUM 2008, section 5.1.2). Throws MeasureFault.
 */
export function measure(
  tool: Tool,
  points: readonly XY[],
  calibration: Calibration | null,
  clickSd: number = CLICK_SD_PX,
): Measured {
  const plain: Calibration = {
    kind: 'length',
    points: [
      [0, 0],
      [1, 0],
    ],
    mm: 1,
    sdMm: 0,
  };
  if (!calibration && tool !== 'angle') throw new MeasureFault('Set a scale first: a known length, or a known panel');
  const known = calibration ?? plain;
  const evaluate = (marks: readonly XY[], scale: Calibration) => figure(tool, marks.map(toMm(scale)));
  const value = evaluate(points, known);

  const moved = (marks: readonly XY[], i: number, axis: 0 | 1, by: number): XY[] =>
    marks.map((mark, k) =>
      k === i ? ([mark[0] + (axis === 0 ? by : 0), mark[1] + (axis === 1 ? by : 0)] as const) : mark,
    );
  /** Central difference over one click error, which also averages a little of the curvature. */
  const effect = (plus: () => number, minus: () => number) => (plus() - minus()) / 2;
  const overPoints = (marks: readonly XY[], use: (marks: readonly XY[]) => number) =>
    Math.hypot(
      ...marks.flatMap((_, i) =>
        ([0, 1] as const).map((axis) =>
          effect(
            () => use(moved(marks, i, axis, clickSd)),
            () => use(moved(marks, i, axis, -clickSd)),
          ),
        ),
      ),
    );
  const parts = {
    points: overPoints(points, (marks) => evaluate(marks, known)),
    scale: calibration ? overPoints(known.points, (marks) => evaluate(points, { ...known, points: marks })) : 0,
    known: calibration ? knownSizeEffect(known, (scale) => evaluate(points, scale)) : 0,
  };
  return { value, sd: Math.hypot(parts.points, parts.scale, parts.known), parts };
}

function knownSizeEffect(known: Calibration, figureBy: (scale: Calibration) => number): number {
  const by = known.sdMm;
  if (by === 0) return 0;
  // A size that is off by more than it is would turn the plane over: half of it is the most that is tried.
  if (known.kind === 'length') {
    const step = Math.min(by, known.mm / 2);
    return (
      ((figureBy({ ...known, mm: known.mm + step }) - figureBy({ ...known, mm: known.mm - step })) / 2) * (by / step)
    );
  }
  const [dw, dh] = [Math.min(by, known.widthMm / 2), Math.min(by, known.heightMm / 2)];
  return Math.hypot(
    ((figureBy({ ...known, widthMm: known.widthMm + dw }) - figureBy({ ...known, widthMm: known.widthMm - dw })) / 2) *
      (by / dw),
    ((figureBy({ ...known, heightMm: known.heightMm + dh }) - figureBy({ ...known, heightMm: known.heightMm - dh })) /
      2) *
      (by / dh),
  );
}

/** A figure rounded to what its uncertainty bears: two digits of the uncertainty at the most. */
export function roundToSd(value: number, sd: number): { value: number; sd: number } {
  if (!(sd > 0)) return { value: Math.round(value * 100) / 100, sd: 0 };
  const step = 10 ** (Math.floor(Math.log10(sd)) - (sd / 10 ** Math.floor(Math.log10(sd)) < 3 ? 1 : 0));
  const round = (x: number) => Number((Math.round(x / step) * step).toPrecision(12));
  return { value: round(value), sd: round(sd) };
}
