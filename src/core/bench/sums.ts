import { checkSize } from '@/core/markings/size';
import { paintNeeded } from '@/core/paint/quantity';
import { atFullSize, atScale } from '@/core/units/length';

/** The bench arithmetic. Lengths in mm, weights in g, volumes in ml. Each answer says how it came about. */

const shown = (value: number): string => String(Math.round(value * 1000) / 1000);

export function scaleSum(given: { realMm: number; denominator: number } | { modelMm: number; denominator: number }) {
  return 'realMm' in given
    ? {
        modelMm: atScale(given.realMm, given.denominator),
        because: [`${shown(given.realMm)} mm / ${given.denominator}`],
      }
    : {
        realMm: atFullSize(given.modelMm, given.denominator),
        because: [`${shown(given.modelMm)} mm x ${given.denominator}`],
      };
}

/** By how much a drawing is enlarged so that a known length on it comes out at the size of the model. */
export function enlargeSum({ drawnMm, realMm, denominator }: { drawnMm: number; realMm: number; denominator: number }) {
  const factor = atScale(realMm, denominator) / drawnMm;
  return {
    factor,
    because: [`${shown(realMm)} mm / ${denominator} = ${shown(realMm / denominator)} mm, drawn ${shown(drawnMm)} mm`],
  };
}

export function markingSum(given: { realMm: number; denominator: number; printedMm: number }) {
  const { modelMm, errorPercent, equalsRealMm, says } = checkSize(given.realMm, given.denominator, given.printedMm);
  return {
    modelMm,
    errorPercent: errorPercent!,
    equalsRealMm: equalsRealMm!,
    because: [
      `true size at scale ${shown(modelMm)} mm, printed ${shown(given.printedMm)} mm: ${says}`,
      `as printed it would be ${shown(equalsRealMm!)} mm on the real machine`,
    ],
  };
}

/** Moments about the main wheels: what lies forward of them must outweigh what lies behind by a margin. Stations from the nose. */
export function noseWeightSum(given: {
  massG: number;
  cgMm: number;
  mainWheelMm: number;
  weightMm: number;
  margin: number;
  densityGPerMl?: number;
}) {
  const { massG, cgMm, mainWheelMm, weightMm, margin, densityGPerMl } = given;
  const behind = massG * (cgMm - mainWheelMm);
  const grams = behind > 0 ? (margin * behind) / (mainWheelMm - weightMm) : 0;
  return {
    grams,
    ...(densityGPerMl === undefined ? {} : { ml: grams / densityGPerMl }),
    because:
      behind > 0
        ? [
            `behind the main wheels ${shown(massG)} g x ${shown(cgMm - mainWheelMm)} mm = ${shown(behind)} g mm`,
            `${margin} times that over an arm of ${shown(mainWheelMm - weightMm)} mm`,
          ]
        : ['it balances ahead of the main wheels without any'],
  };
}

/** How many totals above the least are tried for a truer ratio of whole drops. */
const MORE_DROPS = 24;

/** Paint and thinner for a cup, also in whole drops: the truest ratio among the next few totals, then the least. */
export function cupSum(given: { totalMl: number; paintParts: number; thinnerParts: number; dropMl: number }) {
  const { totalMl, paintParts, thinnerParts, dropMl } = given;
  const share = paintParts / (paintParts + thinnerParts);
  const least = Math.max(1, Math.ceil(totalMl / dropMl - 1e-9));
  let best = { error: Infinity, paintDrops: 0, thinnerDrops: 0 };
  for (let total = least; total <= least + MORE_DROPS; total += 1) {
    const paintDrops = Math.min(total, Math.max(paintParts > 0 ? 1 : 0, Math.round(total * share)));
    const error = Math.abs(paintDrops / total - share);
    if (error < best.error - 1e-12) best = { error, paintDrops, thinnerDrops: total - paintDrops };
  }
  return {
    paintMl: totalMl * share,
    thinnerMl: totalMl * (1 - share),
    paintDrops: best.paintDrops,
    thinnerDrops: best.thinnerDrops,
    because: [
      `${shown(paintParts)} : ${shown(thinnerParts)} of ${shown(totalMl)} ml`,
      `whole drops of ${shown(dropMl)} ml make ${shown((best.paintDrops + best.thinnerDrops) * dropMl)} ml`,
    ],
  };
}

export function paintSum(given: Parameters<typeof paintNeeded>[0]) {
  return {
    ...paintNeeded(given),
    because: [
      `${shown(given.areaCm2)} cm2 x ${given.wetFilmUm} um x ${given.coats} coats / ${given.transfer} + ${given.fillings} fillings x ${given.lossMl} ml`,
      `paint is ${given.paintFraction} of the mixture`,
    ],
  };
}

/** The smallest upright rectangle round a plus sign of length and span that is turned by an angle, with room on every side. */
export function footprintSum(given: { lengthMm: number; spanMm: number; angleDeg: number; marginMm: number }) {
  const { lengthMm, spanMm, angleDeg, marginMm } = given;
  const [cos, sin] = [Math.abs(Math.cos((angleDeg * Math.PI) / 180)), Math.abs(Math.sin((angleDeg * Math.PI) / 180))];
  return {
    widthMm: Math.max(lengthMm * cos, spanMm * sin) + 2 * marginMm,
    depthMm: Math.max(lengthMm * sin, spanMm * cos) + 2 * marginMm,
    because: [
      `length and span as the arms of a cross turned by ${shown(angleDeg)} degrees, ${shown(marginMm)} mm more on each side`,
    ],
  };
}

export function threadSum({
  threadMm,
  denominator,
  realMaxMm,
}: {
  threadMm: number;
  denominator: number;
  realMaxMm?: number;
}) {
  const realMm = atFullSize(threadMm, denominator);
  return {
    realMm,
    ...(realMaxMm === undefined
      ? {}
      : {
          verdict:
            realMm <= realMaxMm ? 'fine enough' : `too thick: ${((realMm / realMaxMm - 1) * 100).toFixed(0)} % over`,
        }),
    because: [`${shown(threadMm)} mm x ${denominator}`],
  };
}

export function propellerSum({ diameterMm, hubHeightMm }: { diameterMm: number; hubHeightMm: number }) {
  const clearanceMm = hubHeightMm - diameterMm / 2;
  return {
    clearanceMm,
    because: [
      `hub ${shown(hubHeightMm)} mm up less half of ${shown(diameterMm)} mm`,
      ...(clearanceMm < 0 ? ['it strikes the ground'] : []),
    ],
  };
}
