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

export const TYPICAL_SPRAYING = { coats: 2, wetFilmUm: 25, transfer: 0.5, fillings: 1, lossMl: 0.4 } as const;

/** Thinned mixture to spray and the paint in it: area x film x coats / transfer + losses. */
export function paintNeeded(job: SprayJob): { sprayedMl: Ml; paintMl: Ml } {
  const sprayedMl = (job.areaCm2 * job.wetFilmUm * 1e-4 * job.coats) / job.transfer + job.fillings * job.lossMl;
  return { sprayedMl, paintMl: sprayedMl * job.paintFraction };
}
