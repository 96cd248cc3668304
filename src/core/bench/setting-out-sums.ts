import { shown } from './sum-figures';

/** Sums of setting out: strips, letters, holes; and of a bottle that is lent. Lengths in mm on the model. Each says how it came about. */

/** n equal strips from a width, with what each cut takes. */
export function stripsSum({ widthMm, count, cutMm }: { widthMm: number; count: number; cutMm: number }) {
  const lost = (count - 1) * cutMm;
  const eachMm = (widthMm - lost) / count;
  return {
    eachMm,
    marksMm: Array.from({ length: Math.max(0, count - 1) }, (_, i) => (i + 1) * eachMm + i * cutMm),
    because: [
      `(${shown(widthMm)} mm - ${count - 1} cuts of ${shown(cutMm)} mm) / ${count}`,
      eachMm <= 0 ? 'the cuts take more than there is' : 'marked from one edge, all of them, so that no fault adds up',
    ],
  };
}

/**
 * Where a hole lies on a body by a strip of paper laid round it: half of the way round is the line opposite. `fromTopDeg` is the angle from the
 * top of a round body.
 */
export function girthSum({ girthMm, fromTopDeg }: { girthMm: number; fromTopDeg: number }) {
  const arcMm = (girthMm * fromTopDeg) / 360;
  return {
    arcMm,
    oppositeMm: girthMm / 2,
    diameterMm: girthMm / Math.PI,
    because: [
      `a strip once round it is ${shown(girthMm)} mm; folded in two it marks the line opposite, at ${shown(girthMm / 2)} mm`,
      `${shown(fromTopDeg)}° of 360° of it are ${shown(arcMm)} mm, along the skin, if it is round`,
    ],
  };
}

/** Letters on a line: the gap that fills it, or the length that they take with a gap; and where each middle lies from its beginning. */
export function lettersSum({ lineMm, count, letterMm }: { lineMm: number; count: number; letterMm: number }) {
  const room = lineMm - count * letterMm;
  const gapMm = count > 1 ? room / (count - 1) : 0;
  const from = count > 1 ? 0 : room / 2;
  return {
    gapMm,
    middlesMm: Array.from({ length: count }, (_, i) => from + letterMm / 2 + i * (letterMm + gapMm)),
    because: [
      count > 1
        ? `(${shown(lineMm)} mm - ${count} x ${shown(letterMm)} mm) / ${count - 1} gaps`
        : `one letter in the middle of ${shown(lineMm)} mm`,
      room < 0
        ? `they are ${shown(-room)} mm longer than their line: they overlap`
        : 'middles measured from the beginning of the line',
    ],
  };
}

/** A bottle that is lent: what is left of it by weight, and what is to be given back beside it. Weights in g, volumes in ml. */
export function lentSum(given: { bottleMl: number; fullG: number; emptyG: number; lentG: number; nowG: number }) {
  const { bottleMl, fullG, emptyG, lentG, nowG } = given;
  const mlPerG = bottleMl / (fullG - emptyG);
  const leftMl = Math.max(0, (nowG - emptyG) * mlPerG);
  const usedMl = Math.max(0, (lentG - nowG) * mlPerG);
  return {
    leftMl,
    usedMl,
    cameMl: (lentG - emptyG) * mlPerG,
    because: [
      `a full one holds ${shown(bottleMl)} ml in ${shown(fullG - emptyG)} g: ${shown(mlPerG, 3)} ml a gram`,
      `it came with ${shown((lentG - emptyG) * mlPerG)} ml, ${shown(usedMl)} ml are used, ${shown(leftMl)} ml are left`,
    ],
  };
}
