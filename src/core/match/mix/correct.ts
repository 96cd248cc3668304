import { deltaE00 } from '@/core/colour/difference';
import { mixed, type Pigment } from '@/core/colour/kubelka-munk';
import type { Lab } from '@/core/colour/types';
import { scaled } from '@/core/paint/paint-pigment';
import { labOfPigment } from '@/core/paint/pigment';
import type { Part } from './cup';

/** A paint of the cup, or one that could go into it. */
export interface CupPaint extends Part {
  pigment: Pigment;
}

export interface Learnt {
  paintId: string;
  /** Beside the strength that its constants already have. */
  strength: number;
}

export interface Correction {
  /** How much stronger or weaker than believed each paint of the cup tints. */
  learnt: Learnt[];
  /** What of the observation no strength explains: carried along as an offset. */
  residual: Lab;
  /** What to add next; null when nothing in reach makes it better. */
  next: { paintId: string; drops: number; lab: Lab; dE00: number } | null;
  /** What the cup is now, as observed. */
  dE00: number;
}

/** How far bottles differ from their data, as the logarithm of a strength: a quarter either way is common. */
const PRIOR_SD = 0.25;
const LIMIT = Math.log(3);
const STEPS = 30;
/** A drop must gain so much, dE00, to be worth adding. */
const WORTH = 0.15;

const colourOf = (cup: readonly CupPaint[], strengths: readonly number[]): Lab =>
  labOfPigment(
    mixed(
      cup.map(({ pigment, drops }, i) => ({
        pigment: strengths[i] === 1 ? pigment : scaled(pigment, strengths[i]!),
        drops,
      })),
    ),
  );

/**
 * Learns from a test spray. The observed colour is explained by the paints of the cup tinting more or less than believed: the strengths
 * that are likeliest given the observation (its uncertainty in dE00) and that bottles seldom differ much (a log-normal prior), by descent
 * along one strength after the other. Then, with what was learnt, the next drop: one or two of any paint at hand that bring the cup
 * nearest to its target.
 */
export function correct(
  cup: readonly CupPaint[],
  others: readonly CupPaint[],
  target: Lab,
  observed: { lab: Lab; sd: number },
): Correction {
  const logs = cup.map(() => 0);
  const strengths = () => logs.map((value) => Math.exp(value));
  const cost = () =>
    (deltaE00(colourOf(cup, strengths()), observed.lab) / Math.max(0.3, observed.sd)) ** 2 +
    logs.reduce((sum, value) => sum + (value / PRIOR_SD) ** 2, 0);
  if (cup.length > 1) {
    for (let round = 0, step = 0.2; round < STEPS && step > 0.002; round += 1) {
      const before = cost();
      for (let i = 0; i < logs.length; i += 1)
        for (const by of [step, -step]) {
          const was = logs[i]!;
          const now = cost();
          logs[i] = Math.max(-LIMIT, Math.min(LIMIT, was + by));
          if (cost() >= now) logs[i] = was;
        }
      if (before - cost() < 1e-4) step /= 2;
    }
  }
  const found = strengths();
  const believed = colourOf(cup, found);
  const residual: Lab = [observed.lab[0] - believed[0], observed.lab[1] - believed[1], observed.lab[2] - believed[2]];
  const dE00 = deltaE00(target, observed.lab);
  const known = [
    ...cup.map((part, i) => ({ ...part, pigment: scaled(part.pigment, found[i]!) })),
    ...others.map((part) => ({ ...part, drops: 0 })),
  ];
  let next: Correction['next'] = null;
  known.forEach(({ paintId }, at) => {
    for (const drops of [1, 2, 3]) {
      const lab = labOfPigment(
        mixed(known.map((part, i) => ({ pigment: part.pigment, drops: part.drops + (i === at ? drops : 0) }))),
      );
      const there: Lab = [lab[0] + residual[0], lab[1] + residual[1], lab[2] + residual[2]];
      const reached = deltaE00(target, there);
      // One drop at a time: a second must earn its place.
      if (reached + WORTH * drops < (next ? next.dE00 + WORTH * next.drops : dE00))
        next = { paintId, drops, lab: there, dE00: reached };
    }
  });
  return { learnt: cup.map(({ paintId }, i) => ({ paintId, strength: found[i]! })), residual, next, dE00 };
}
