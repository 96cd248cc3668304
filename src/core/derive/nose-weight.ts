import { noseWeightSum } from '@/core/bench/sums';
import { skinBalance } from '@/core/outline/balance';
import type { Outline } from '@/core/outline/outline';
import { atScale } from '@/core/units/length';

/** What a kit weighs by its skin: usual walls of moulded styrene. */
const SHELL = { wallMm: 1.2, gramsPerMl: 1.05 };
/** So much more than balances it is put in, since it has to stand on any table. */
const MARGIN = 1.25;
/** Weight goes before the cockpit: so far along the way from the nose to the main wheels. */
const WHERE = 0.35;

/** What the nose takes so that the model stands on its nose wheel, by its own outline. */
export interface NoseWeight {
  /** Of the empty shell. */
  massG: number;
  /** Stations on the model, mm aft of the nose. */
  centreMm: number;
  wheelsMm: number;
  weightMm: number;
  /** 0 where it stands without. */
  grams: number;
  because: string[];
}

/** The sum of moments about the main wheels, with the skin's centre as that of the shell. */
export function noseWeightOf(outline: Outline, denominator: number): NoseWeight {
  const { areaM2, centreM } = skinBalance(outline);
  const mm = (m: number) => atScale(m * 1000, denominator);
  const skinMm2 = (areaM2 * 1e6) / denominator ** 2;
  const massG = (skinMm2 * SHELL.wallMm * SHELL.gramsPerMl) / 1000;
  const d = outline.spec.dimensions;
  const wheelsMm = mm(d.mainWheelStation);
  const weightMm = WHERE * mm(Math.min(d.canopyStation || d.mainWheelStation, d.mainWheelStation));
  const { grams, because } = noseWeightSum({
    massG,
    cgMm: mm(centreM),
    mainWheelMm: wheelsMm,
    weightMm,
    margin: MARGIN,
  });
  return {
    massG,
    centreMm: mm(centreM),
    wheelsMm,
    weightMm,
    grams,
    because: [
      `skin of ${(skinMm2 / 100).toFixed(0)} cm² x ${SHELL.wallMm} mm x ${SHELL.gramsPerMl} g/ml = ${massG.toFixed(0)} g`,
      `its centre lies ${mm(centreM).toFixed(0)} mm aft of the nose, the main wheels ${wheelsMm.toFixed(0)} mm`,
      ...because,
    ],
  };
}

/** "about 14 g, 30 mm behind the nose" */
export const noseWeightInWords = ({ grams, weightMm }: NoseWeight): string =>
  grams > 0
    ? `by the outline about ${Math.ceil(grams)} g, ${weightMm.toFixed(0)} mm behind the nose`
    : 'by the outline it stands without any';
