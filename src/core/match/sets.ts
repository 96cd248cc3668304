import { deltaE00 } from '@/core/colour/difference';
import type { Paint } from '@/core/paint/catalogue';
import type { Target } from './single';

/** Paints that are sold together. */
export interface PaintSet {
  id: string;
  version: number;
  lineId: string;
  line: string;
  number: string;
  name: string;
  /** What it is meant for. */
  scheme: string;
  /** Numbers of its paints in the line. */
  contents: string[];
  priceCents: number;
  currency: string;
}

export interface JudgedSet {
  set: PaintSet;
  /** Calls for which it holds a colour: the nearest of its paints. */
  serves: { code: string; paint: Paint; dE00: number; claimed: boolean }[];
  /** Codes for which it holds none. */
  lacks: string[];
  /** Numbers of its contents that the catalogue does not know. */
  unknown: string[];
}

/** What is further off than this serves only in need. */
const SERVES = 4;

/** What each set would do for a scheme, the most useful first; sets that serve no call are left out. */
export function judgeSets(
  targets: readonly Target[],
  sets: readonly PaintSet[],
  paints: readonly Paint[],
): JudgedSet[] {
  return sets
    .map((set): JudgedSet => {
      const numbersOf = (paint: Paint) => [paint.number, ...paint.formerly];
      const isOf = (paint: Paint, wanted: string) => paint.line === set.line && numbersOf(paint).includes(wanted);
      const held = paints.filter((paint) => set.contents.some((wanted) => isOf(paint, wanted)));
      const serves = targets.flatMap((target) => {
        const [best] = held
          .filter(({ lab, kind }) => lab && kind === target.kind)
          .map((paint) => ({
            code: target.code,
            paint,
            dE00: deltaE00(target.lab, paint.lab!),
            claimed: paint.claims.includes(target.code),
          }))
          .sort(
            (a, b) => Number(b.claimed && b.dE00 < SERVES) - Number(a.claimed && a.dE00 < SERVES) || a.dE00 - b.dE00,
          );
        return best && best.dE00 < SERVES ? [best] : [];
      });
      const served = new Set(serves.map(({ code }) => code));
      return {
        set,
        serves,
        lacks: targets.map(({ code }) => code).filter((code) => !served.has(code)),
        unknown: set.contents.filter((wanted) => !held.some((paint) => isOf(paint, wanted))),
      };
    })
    .filter(({ serves }) => serves.length > 0)
    .sort((a, b) => b.serves.length - a.serves.length || a.set.priceCents - b.set.priceCents);
}
