import { deltaE00 } from '@/core/colour/difference';
import type { Lab } from '@/core/colour/types';
import { combinedSd, differenceInWords } from '@/core/colour/words';
import type { Finish, Paint, PaintKind } from '@/core/paint/catalogue';

export interface Target {
  lab: Lab;
  /** Uncertainty in dE00. */
  sd: number;
  code: string;
  finish: Finish;
  kind: PaintKind;
}

export interface Match {
  paint: Paint;
  dE00: number;
  /** Combined uncertainty of target and paint, dE00. */
  sd: number;
  says: string;
  /** Its maker says that it is this code. */
  claimed: boolean;
  inDrawer: boolean;
  /** What to do about a finish that differs; null when it fits. */
  finishAdvice: string | null;
}

/**
 * The paints that come nearest to a target by CIEDE2000, those in the drawer first, each group nearest first (ties in catalogue order).
 * Only paints of the target's own kind: a metallic is not matched by Lab to a solid.
 */
export function matchSingle(target: Target, paints: readonly Paint[], most = 8): Match[] {
  const matches = paints.flatMap((paint): Match[] => {
    if (!paint.lab || paint.kind !== target.kind) return [];
    const dE00 = deltaE00(target.lab, paint.lab);
    const sd = combinedSd(target.sd, paint.sd);
    return [
      {
        paint,
        dE00,
        sd,
        says: differenceInWords(target.lab, paint.lab, dE00, sd),
        claimed: paint.claims.includes(target.code),
        inDrawer: paint.ownedMl > 0,
        finishAdvice: paint.finish === target.finish ? null : `${paint.finish}: a ${target.finish} clear over it`,
      },
    ];
  });
  const nearest = (list: Match[]) => list.sort((a, b) => a.dE00 - b.dE00).slice(0, most);
  return [...nearest(matches.filter((m) => m.inDrawer)), ...nearest(matches.filter((m) => !m.inDrawer))];
}

/** Pairs of colours that will hardly be told apart, or whose relation was lost: what a painter wants to know before painting. */
export interface NeighbourPair {
  a: string;
  b: string;
  officialDE: number;
  chosenDE: number;
  says: string;
}

export function compareNeighbours(calls: readonly { code: string; official: Lab; chosen: Lab }[]): NeighbourPair[] {
  return calls.flatMap((a, i) =>
    calls.slice(i + 1).map((b) => {
      const officialDE = deltaE00(a.official, b.official);
      const chosenDE = deltaE00(a.chosen, b.chosen);
      const swapped = (a.official[0] - b.official[0]) * (a.chosen[0] - b.chosen[0]) < 0;
      const says = relationInWords(officialDE, chosenDE, swapped && Math.abs(a.official[0] - b.official[0]) > 1);
      return { a: a.code, b: b.code, officialDE, chosenDE, says };
    }),
  );
}

function relationInWords(officialDE: number, chosenDE: number, swapped: boolean): string {
  if (swapped && chosenDE >= 2) return 'the lighter has become the darker';
  if (chosenDE < 2) return 'these two will hardly show apart';
  if (chosenDE < officialDE * 0.6) return 'nearer to one another than they were';
  if (chosenDE > officialDE * 1.6) return 'further from one another than they were';
  return 'the contrast is kept';
}
