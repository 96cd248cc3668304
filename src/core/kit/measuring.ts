/** A kit part, a joined assembly or a drawing, against the real machine. */

export const MEASURED = ['part', 'assembly', 'drawing'] as const;
export type Measured = (typeof MEASURED)[number];

export interface Measure {
  of: Measured;
  /** On the real machine, mm. */
  trueMm: number;
  /** On the kit or the drawing, mm; of a pair the left one. */
  measuredMm: number;
  otherMm: number | null;
}

export interface Comparison {
  /** What it should measure at the scale of the kit, mm. */
  shouldMm: number;
  /** Measured less what it should be, mm and per cent. */
  errorMm: number;
  errorPercent: number;
  /** Of a pair: how much the two differ, mm; null for one alone. */
  unlikeMm: number | null;
  /** Of a drawing: its scale, and by how much it is enlarged to the kit's. */
  drawing: { denominator: number; factor: number } | null;
  /** What it means, in a sentence. */
  says: string;
}

/** Below this nobody sees a length differ: half of what a steel rule reads, mm. */
const UNSEEN_MM = 0.25;
/** Per cent by which a length may be off until it is seen beside the true one, and until filler and a shim no longer do. */
const LEAVE_PERCENT = 1.5;
const SHIM_PERCENT = 8;
/** Left and right are looked at side by side: mm. */
const UNLIKE_MM = 0.3;

/** Compares what was measured with the true size at scale. Sizes positive, the denominator at least 1. */
export function compare({ of, trueMm, measuredMm, otherMm }: Measure, denominator: number): Comparison {
  const shouldMm = trueMm / denominator;
  const mean = meanOf({ measuredMm, otherMm });
  const errorMm = mean - shouldMm;
  const errorPercent = (mean / shouldMm - 1) * 100;
  const unlikeMm = otherMm === null ? null : Math.abs(measuredMm - otherMm);
  const drawing = of === 'drawing' ? { denominator: trueMm / mean, factor: shouldMm / mean } : null;
  return { shouldMm, errorMm, errorPercent, unlikeMm, drawing, says: inWords() };

  function inWords(): string {
    if (drawing)
      return `drawn at 1/${round(drawing.denominator, 1)}: enlarge it ${round(drawing.factor, 3)} times for this kit`;
    const percent = `${round(Math.abs(errorPercent), 1)} % ${errorMm < 0 ? 'short' : 'long'}`;
    const size =
      Math.abs(errorMm) < 0.005
        ? 'true to scale'
        : Math.abs(errorMm) < UNSEEN_MM
          ? `${percent}: less than ${UNSEEN_MM} mm, leave it`
          : Math.abs(errorPercent) < LEAVE_PERCENT
            ? `${percent}: leave it`
            : Math.abs(errorPercent) < SHIM_PERCENT
              ? `${percent}: ${errorMm < 0 ? 'shim it' : 'sand it down'}, or replace it`
              : `${percent}: replace it`;
    if (unlikeMm === null) return size;
    return `${size}; left and right ${unlikeMm < UNLIKE_MM ? 'alike' : `differ by ${round(unlikeMm, 1)} mm: match them before they are joined`}`;
  }
}

/** What the kit makes of it, in metres of the real machine. A drawing is no kit: it is to be enlarged anyway. */
export const builtM = (measure: Measure, denominator: number): number | null =>
  measure.of === 'drawing' ? null : (meanOf(measure) * denominator) / 1000;

/** Of a pair the mean of both, mm. */
const meanOf = ({ measuredMm, otherMm }: Pick<Measure, 'measuredMm' | 'otherMm'>): number =>
  otherMm === null ? measuredMm : (measuredMm + otherMm) / 2;

const round = (value: number, digits: number): number => Number(value.toFixed(digits));

/**
 * How long a rod has to be: through the base and up to its socket, mm. `heightMm` is from the top of the base to the socket, the angle that
 * of the rod to the base, over 0 and at most 90 degrees. The depth into the socket comes on top.
 */
export const rodLength = (heightMm: number, baseMm: number, angleDeg: number, socketMm: number): number =>
  (heightMm + baseMm) / Math.sin((angleDeg * Math.PI) / 180) + socketMm;
