import type { Lab } from '@/core/colour/types';
import { combinedSd } from '@/core/colour/words';
import type { Paint } from '@/core/paint/catalogue';
import type { Way } from '@/core/kit/applying';
import type { AppliedFigures, CupPlan } from '@/core/paint/quantity';
import type { PlannedCoats } from '@/core/paint/planned-coats';
import { counted } from '@/core/units/words';

/** What figures at this station come from, as they open. */

const labInWords = ([L, a, b]: Lab, sd: number) =>
  `L* ${L.toFixed(1)} a* ${a.toFixed(1)} b* ${b.toFixed(1)} ± ${sd.toFixed(1)}`;

/** Both colours, and what lies between them. */
export const differenceFrom = (
  call: { code: string; lab: Lab | null; sd: number },
  paint: Pick<Paint, 'lab' | 'sd'>,
): string =>
  call.lab && paint.lab
    ? `${call.code}: ${labInWords(call.lab, call.sd)}. Paint: ${labInWords(paint.lab, paint.sd)}. The difference that the eye sees between them (CIEDE2000) is known to ± ${combinedSd(call.sd, paint.sd).toFixed(1)}.`
    : 'One of the two colours is not known.';

/** Area, film, coats, what lands, what is lost: how much goes through the cup, and how much of it is paint. */
export function needFrom(
  {
    areaCm2,
    coats,
    cup,
    chosen,
    laid,
  }: {
    areaCm2: number;
    coats: PlannedCoats | null;
    cup: CupPlan | null;
    chosen: { thinRatio: number } | null;
    laid: { takes: AppliedFigures; by: Way };
  },
  factor: number,
): string {
  if (!coats || !cup) return 'Not known until it is said what makes the colour.';
  const { wetFilmUm, transfer, lossMl } = laid.takes;
  const own = factor === 1 ? '' : ` × ${factor.toFixed(2)} by your own log`;
  return (
    `${areaCm2.toFixed(0)} cm² × ${wetFilmUm} µm × ${counted(coats.coats, 'coat')} ÷ ${transfer * 100} % that lands, and ${lossMl} ml lost in each of ` +
    `${counted(cup.fillings, 'filling')}${own} = ${cup.sprayedMl.toFixed(1)} ml ${laid.by === 'airbrush' || laid.by === 'spray can' ? 'sprayed' : 'laid'}; paint is 1 in ${(1 + (chosen?.thinRatio ?? 1)).toFixed(1).replace('.0', '')} of it. ` +
    `Coats: ${coats.because}.`
  );
}
