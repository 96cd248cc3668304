import { deltaE00 } from '@/core/colour/difference';
import type { Lab } from '@/core/colour/types';
import { ALIKE, JUST_NOTICEABLE, combinedSd, differenceInWords } from '@/core/colour/words';
import type { Finish, Flop, MetalGround, Paint, PaintKind } from '@/core/paint/catalogue';

export interface Target {
  lab: Lab;
  /** Uncertainty in dE00. */
  sd: number;
  code: string;
  finish: Finish;
  kind: PaintKind;
  /** Of a metallic; '' where it is not known. */
  ground?: MetalGround;
  flop?: Flop;
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

export interface MatchFilter {
  chemistry?: string;
  line?: string;
  finish?: string;
  /** At most so much a bottle; what is owned costs nothing, and what is priced in another currency, or not at all, cannot be told to be cheaper. */
  price?: { mostCents: number; currency: string };
}

export function passes(paint: Paint, { chemistry, line, finish, price }: MatchFilter): boolean {
  return (
    (!chemistry || paint.chemistry === chemistry) &&
    (!line || paint.line === line) &&
    (!finish || paint.finish === finish) &&
    (!price ||
      paint.ownedMl > 0 ||
      (paint.priceCents !== null && paint.currency === price.currency && paint.priceCents <= price.mostCents))
  );
}

/**
 * The paints for a target: those in the drawer first, then those whose makers claim the code, then the rest; each group nearest first by
 * CIEDE2000 (ties in catalogue order), `most` of each. Only paints of the target's own kind: a metallic is not matched by Lab, but by
 * ground and flop and then by how light it is.
 */
export function matchSingle(target: Target, paints: readonly Paint[], most = 8, filter: MatchFilter = {}): Match[] {
  const metal = target.kind === 'metallic';
  const ranked = paints.flatMap((paint) => {
    if (!paint.lab || paint.kind !== target.kind || !passes(paint, filter)) return [];
    return [{ paint, rank: metal ? metalRank(target, paint) : deltaE00(target.lab, paint.lab) }];
  });
  ranked.sort((a, b) => a.rank - b.rank);
  const claims = ({ paint }: { paint: Paint }) => paint.claims.includes(target.code);
  const owned = ranked.filter(({ paint }) => paint.ownedMl > 0);
  const claimed = ranked.filter((entry) => entry.paint.ownedMl === 0 && claims(entry));
  const others = ranked.filter((entry) => entry.paint.ownedMl === 0 && !claims(entry));
  return [owned, claimed, others].flatMap((group) => group.slice(0, most).map(({ paint }) => matchOf(target, paint)));
}

/** The nearest that is owned, and the nearest that is to be had: where no eye tells two apart, the one that claims the code. */
export function bestOfEach(matches: readonly Match[]): { owned: Match | null; toBeHad: Match | null } {
  const first = (group: Match[]): Match | null => {
    const [nearest, ...others] = [...group].sort((a, b) => a.dE00 - b.dE00);
    if (!nearest || nearest.claimed) return nearest ?? null;
    return others.find(({ claimed, dE00 }) => claimed && dE00 - nearest.dE00 < JUST_NOTICEABLE) ?? nearest;
  };
  return {
    owned: first(matches.filter(({ inDrawer }) => inDrawer)),
    toBeHad: first(matches.filter(({ inDrawer }) => !inDrawer)),
  };
}

/** What is further off than this is not taken only because it is owned. */
const GOOD_ENOUGH = 4;

/** The one to take: what is owned, as long as it is no more than a shade off; else the best there is. */
export function bestToTake(matches: readonly Match[]): Match | null {
  const { owned, toBeHad } = bestOfEach(matches);
  if (!owned || !toBeHad) return owned ?? toBeHad;
  return owned.dE00 < GOOD_ENOUGH || owned.dE00 <= toBeHad.dE00 ? owned : toBeHad;
}

/** "claims TCS 31, and cannot be told apart from it"; "claims TCS 31, but is 3.2 off". */
export function claimInWords({ paint, says, dE00 }: Pick<Match, 'paint' | 'says' | 'dE00'>, code: string): string {
  if (paint.kind === 'metallic') return `claims ${code}`;
  if (says === ALIKE) return `claims ${code}, and cannot be told apart from it`;
  return dE00 < SLIGHT
    ? `claims ${code}, and comes near: ${dE00.toFixed(1)} off`
    : `claims ${code}, but is ${dE00.toFixed(1)} off`;
}
/** What is less than this beside a code is near it. */
const SLIGHT = 2;

/** One paint beside a target. The paint must have a colour. */
function matchOf(target: Target, paint: Paint): Match {
  const dE00 = deltaE00(target.lab, paint.lab!);
  const sd = combinedSd(target.sd, paint.sd);
  return {
    paint,
    dE00,
    sd,
    says:
      target.kind === 'metallic' ? metalInWords(target, paint) : differenceInWords(target.lab, paint.lab!, dE00, sd),
    claimed: paint.claims.includes(target.code),
    inDrawer: paint.ownedMl > 0,
    finishAdvice: paint.finish === target.finish ? null : `${paint.finish}: a ${target.finish} clear over it`,
  };
}

/** Ground and flop weigh more than any lightness between metals. */
const GROUND_COUNTS = 40;
const FLOP_STEPS: Record<Flop, number | null> = { '': null, low: 0, medium: 1, high: 2 };
const FLOP_COUNTS = 20;

const flopsApart = (target: Target, paint: Paint): number | null => {
  const [wanted, has] = [FLOP_STEPS[target.flop ?? ''], FLOP_STEPS[paint.flop]];
  return wanted === null || has === null ? null : Math.abs(wanted - has);
};

function metalRank(target: Target, paint: Paint): number {
  const otherGround = target.ground && paint.ground && target.ground !== paint.ground ? GROUND_COUNTS : 0;
  return otherGround + FLOP_COUNTS * (flopsApart(target, paint) ?? 0.5) + Math.abs(target.lab[0] - paint.lab![0]);
}

function metalInWords(target: Target, paint: Paint): string {
  const parts = [];
  if (target.ground && paint.ground && target.ground !== paint.ground)
    parts.push(`meant for ${paint.ground}, wanted over ${target.ground}`);
  const flops = flopsApart(target, paint);
  if (flops) parts.push(`it darkens aslant: ${paint.flop}, not ${target.flop}`);
  const dL = paint.lab![0] - target.lab[0];
  if (Math.abs(dL) > 3) parts.push(dL > 0 ? 'brighter' : 'darker');
  if (parts.length > 0) return parts.join('; ');
  return flops === null
    ? 'as bright; ground or darkening aslant not known'
    : 'the same ground, brightness and darkening aslant';
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
