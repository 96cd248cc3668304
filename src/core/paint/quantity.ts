/** Millilitres. */
export type Ml = number;

export interface SprayJob {
  areaCm2: number;
  coats: number;
  /** Wet film of one coat, micrometres. */
  wetFilmUm: number;
  /** Share of the paint that lands on the model. */
  transfer: number;
  fillings: number;
  /** Lost in the cup for each filling. */
  lossMl: Ml;
  /** Share of paint in the thinned mixture. */
  paintFraction: number;
}

/** A coat as builders count them is two crossing passes of 25 um each. */
export const TYPICAL_SPRAYING = { coats: 2, wetFilmUm: 50, transfer: 0.5, fillings: 1, lossMl: 0.4 } as const;

/** What a way of applying takes of a paint, where it differs from an airbrush. */
export type AppliedFigures = Pick<SprayJob, 'wetFilmUm' | 'transfer' | 'lossMl'>;

/** Thinned mixture to spray and the paint in it: area x film x coats / transfer + losses. */
export function paintNeeded(job: SprayJob): { sprayedMl: Ml; paintMl: Ml } {
  const sprayedMl = (job.areaCm2 * job.wetFilmUm * 1e-4 * job.coats) / job.transfer + job.fillings * job.lossMl;
  return { sprayedMl, paintMl: sprayedMl * job.paintFraction };
}

/** One job as it was logged: what it was and what it took. */
export interface LoggedUse {
  areaCm2: number;
  coats: number;
  fillings: number;
  sprayedMl: Ml;
}

/** Fewer jobs than this say little: the typical figures count as one more. */
const TYPICAL_COUNTS_AS = 1;

/**
 * How much this builder sprays beside what the typical figures say: the median of logged over reckoned, drawn towards 1 while there are
 * few. 1 without any.
 */
export function builderFactor(uses: readonly LoggedUse[]): number {
  const ratios = uses
    .map(
      ({ sprayedMl, ...job }) => sprayedMl / paintNeeded({ ...TYPICAL_SPRAYING, ...job, paintFraction: 1 }).sprayedMl,
    )
    .sort((a, b) => a - b);
  if (ratios.length === 0) return 1;
  const half = Math.floor(ratios.length / 2);
  const median = ratios.length % 2 === 1 ? ratios[half]! : Math.sqrt(ratios[half - 1]! * ratios[half]!);
  return median ** (ratios.length / (ratios.length + TYPICAL_COUNTS_AS));
}

/** Drops to the millilitre from a dropper bottle. */
export const DROPS_PER_ML = 20;

/** A usual cup. */
export const CUP_ML: Ml = 2;

export interface Cup {
  cupMl: Ml;
  /** Parts of thinner to one part of paint. */
  thinRatio: number;
  factor: number;
}
export interface CupPlan {
  fillings: number;
  /** For the whole job. */
  sprayedMl: Ml;
  paintMl: Ml;
  thinnerMl: Ml;
  /** Of one filling. */
  paintDrops: number;
  thinnerDrops: number;
}

/**
 * How often a cup is filled for an area, and the drops of paint and thinner in each. Every filling leaves its loss in the cup, so their
 * number is the least that suffices for the film and the losses together.
 */
export function planCup(
  job: Pick<SprayJob, 'areaCm2' | 'coats'> & Partial<AppliedFigures>,
  { cupMl, thinRatio, factor }: Cup,
): CupPlan {
  const figures = { ...TYPICAL_SPRAYING, ...job };
  const film = factor * paintNeeded({ ...figures, fillings: 0, paintFraction: 1 }).sprayedMl;
  const loss = factor * figures.lossMl;
  const fillings = Math.max(1, Math.ceil(film / Math.max(0.05, cupMl - loss)));
  const sprayedMl = film + fillings * loss;
  const paintMl = sprayedMl / (1 + thinRatio);
  const drops = Math.ceil((sprayedMl / fillings) * DROPS_PER_ML);
  const paintDrops = Math.max(1, Math.round(drops / (1 + thinRatio)));
  return {
    fillings,
    sprayedMl,
    paintMl,
    thinnerMl: sprayedMl - paintMl,
    paintDrops,
    thinnerDrops: Math.round(paintDrops * thinRatio),
  };
}
