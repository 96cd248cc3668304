import { chromaOf } from '@/core/colour/spaces';
import { deltaE00 } from '@/core/colour/difference';
import { mixed } from '@/core/colour/kubelka-munk';
import type { Lab } from '@/core/colour/types';
import { labOfPigment } from '@/core/paint/pigment';
import type { CupPaint } from './correct';
import type { Part } from './cup';

/** Members of a tone family. */
export const TONES = ['base', 'faded', 'bleached', 'shadow', 'chip'] as const;
export type Tone = (typeof TONES)[number];

/** How far each lies from the base, dE00, which way, and why; the steps are a starting point. */
export const TONE_STEPS: Record<
  Exclude<Tone, 'base'>,
  { title: string; step: number; lighter: boolean; reason: string }
> = {
  faded: {
    title: 'Faded panel centre',
    step: 3,
    lighter: true,
    reason: 'seen only beside the base; more reads as another paint',
  },
  bleached: {
    title: 'Sun-bleached top',
    step: 5.5,
    lighter: true,
    reason: 'upper surfaces of a machine kept outdoors for a season',
  },
  shadow: { title: 'Shadowed line', step: 4, lighter: false, reason: 'along panel lines and under overhangs' },
  chip: {
    title: 'Chips, one shade up',
    step: 7,
    lighter: true,
    reason: 'scuffed paint is lighter than its surround, not yet metal',
  },
};

export interface ToneRecipe {
  tone: Exclude<Tone, 'base'>;
  /** The base's drops with what is added. */
  parts: Part[];
  lab: Lab;
  /** From the base. */
  dE00: number;
  /** What was aimed at after the scheme's contrast was minded. */
  step: number;
  /** Said when the step was cut short by a neighbour. */
  limitedBy: string | null;
}

/** A tone may take at most this share of the way to the nearest other colour of the scheme. */
const SHARE_OF_CONTRAST = 0.5;
/** A pure white over a warm base chalks it: not taken unless asked for. */
const isWhite = (lab: Lab) => lab[0] > 90 && chromaOf(lab) < 6;
const isWarm = (lab: Lab) => lab[1] + lab[2] > 10;
const MOST_ADDED = 12;

/**
 * A family from one base: for each tone the paint at hand and the drops of it that come nearest to the stated step without changing the
 * hue, kept within half the way to the nearest neighbour of the scheme. Tones that no paint at hand makes are left out.
 */
export function toneFamily(
  base: readonly CupPaint[],
  adders: readonly CupPaint[],
  neighbours: readonly { name: string; lab: Lab }[],
  { pureWhite = false }: { pureWhite?: boolean } = {},
): ToneRecipe[] {
  // Enough base that one drop is a fine step.
  const once = base.reduce((sum, { drops }) => sum + drops, 0);
  const times = Math.max(1, Math.ceil(10 / once));
  const cup = base.map((part) => ({ ...part, drops: part.drops * times }));
  const baseLab = labOfPigment(mixed(cup));
  return (Object.keys(TONE_STEPS) as Exclude<Tone, 'base'>[]).flatMap((tone): ToneRecipe[] => {
    const { step: wanted, lighter } = TONE_STEPS[tone];
    const nearest = neighbours
      .map(({ name, lab }) => ({ name, room: deltaE00(baseLab, lab) * SHARE_OF_CONTRAST }))
      .sort((a, b) => a.room - b.room)[0];
    const step = nearest ? Math.min(wanted, nearest.room) : wanted;
    let best: (ToneRecipe & { cost: number }) | null = null;
    for (const adder of adders) {
      const own = labOfPigment(adder.pigment);
      if (lighter !== own[0] > baseLab[0]) continue;
      if (!pureWhite && lighter && isWarm(baseLab) && isWhite(own)) continue;
      for (let drops = 1; drops <= MOST_ADDED; drops += 1) {
        const lab = labOfPigment(mixed([...cup, { ...adder, drops }]));
        if (lighter !== lab[0] > baseLab[0]) continue;
        const dE00 = deltaE00(baseLab, lab);
        // The way should be along lightness: a turn of hue is another colour, a loss of chroma is fading.
        const off = Math.abs(dE00 - step) + 0.5 * hueTurn(baseLab, lab) + 0.03 * drops;
        if (best && off >= best.cost) continue;
        const parts = withPart(cup, adder.paintId, drops);
        best = { tone, parts, lab, dE00, step, limitedBy: step < wanted ? nearest!.name : null, cost: off };
        if (dE00 > step + 3) break;
      }
    }
    if (!best) return [];
    const { cost: _, ...recipe } = best as ToneRecipe & { cost: number };
    return [recipe];
  });
}

/** How far the hue turned, in units of Lab; 0 for greys. */
function hueTurn(from: Lab, to: Lab): number {
  const [c1, c2] = [chromaOf(from), chromaOf(to)];
  const apart = (to[1] - from[1]) ** 2 + (to[2] - from[2]) ** 2 - (c1 - c2) ** 2;
  return Math.sqrt(Math.max(0, apart));
}

function withPart(cup: readonly Part[], paintId: string, drops: number): Part[] {
  const known = cup.some((part) => part.paintId === paintId);
  const plain = cup.map((part) => ({
    paintId: part.paintId,
    drops: part.drops + (part.paintId === paintId ? drops : 0),
  }));
  return known ? plain : [...plain, { paintId, drops }];
}
