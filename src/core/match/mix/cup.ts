import { chromaOf, hueBetween } from '@/core/colour/spaces';
import { deltaE00 } from '@/core/colour/difference';
import { mixed, type Pigment } from '@/core/colour/kubelka-munk';
import type { Lab } from '@/core/colour/types';
import type { Paint } from '@/core/paint/catalogue';
import { isMixable, pigmentOfPaint } from '@/core/paint/paint-pigment';
import { labOfPigment } from '@/core/paint/pigment';
import { DROPS_PER_ML, type Ml } from '@/core/paint/quantity';
import { mixedLab, MixKernel } from './mix-kernel';
import { recipeSd, type MixPaint, type Recipe } from './recipe';

/** Drops of one paint in a cup. */
export interface Part {
  paintId: string;
  drops: number;
}

/** What a found recipe takes. */
export const partsOf = ({ drops }: Pick<Recipe, 'drops'>): Part[] =>
  drops.map(({ id, count }) => ({ paintId: id, drops: count }));

/** The paints that can be mixed, with their constants; catalogue order is kept. */
export function mixPaints(paints: readonly Paint[]): MixPaint[] {
  return paints.flatMap((paint) => {
    const known = isMixable(paint) ? pigmentOfPaint(paint) : null;
    return known ? [{ id: paint.id, chemistry: paint.chemistry, pigment: known.pigment, sd: known.sd }] : [];
  });
}

/** One drop in ten of it moves a mid grey by so much, dE00: how carefully it is added. */
const GREY: Pigment = { K: Array.from({ length: 31 }, () => 0.6), S: Array.from({ length: 31 }, () => 1) };
export const tintStrength = (pigment: Pigment): number =>
  deltaE00(
    labOfPigment(GREY),
    labOfPigment(
      mixed([
        { pigment: GREY, drops: 10 },
        { pigment, drops: 1 },
      ]),
    ),
  );

export interface MixingStep extends Part {
  /** Drops of this paint are added one at a time, each stirred in. */
  oneByOne: boolean;
}

/** Above this a paint is a strong tint. */
const STRONG = 6;

/** In which order the drops go in: the largest share first, then the weaker tints, the strongest last and one by one. */
export function mixingOrder(parts: readonly (Part & { pigment: Pigment })[]): MixingStep[] {
  const most = Math.max(...parts.map(({ drops }) => drops));
  const base = parts.find(({ drops }) => drops === most);
  const rest = parts
    .filter((part) => part !== base)
    .map((part) => ({ part, strength: tintStrength(part.pigment) }))
    .sort((a, b) => a.strength - b.strength || b.part.drops - a.part.drops);
  return [
    ...(base ? [{ paintId: base.paintId, drops: base.drops, oneByOne: false }] : []),
    ...rest.map(({ part, strength }, i) => ({
      paintId: part.paintId,
      drops: part.drops,
      oneByOne: strength > STRONG || i === rest.length - 1,
    })),
  ];
}

/** The same mixture for so many millilitres: whole drops in the same ratio, never less than asked for. */
export function scaleTo(parts: readonly Part[], ml: Ml): { parts: Part[]; times: number; ml: Ml } {
  const once = parts.reduce((sum, { drops }) => sum + drops, 0);
  const times = Math.max(1, Math.ceil((ml * DROPS_PER_ML) / once - 1e-9));
  return {
    parts: parts.map(({ paintId, drops }) => ({ paintId, drops: drops * times })),
    times,
    ml: (once * times) / DROPS_PER_ML,
  };
}

/** The chemistry of a mixture: the paint of most drops decides what it is. Null where they do not go together. */
export function chemistryOf<C extends string>(parts: readonly { chemistry: C; drops: number }[]): C | null {
  const first = [...parts].sort((a, b) => b.drops - a.drops)[0];
  return first && parts.every(({ chemistry }) => chemistry === first.chemistry) ? first.chemistry : null;
}

/** How near a set of paints can come at all, and what keeps it from coming nearer. */
export function whyNoNearer(target: Lab, nearest: Lab, paints: readonly MixPaint[]): string {
  const labs = paints.map(({ pigment }) => labOfPigment(pigment));
  const lightest = Math.max(...labs.map((lab) => lab[0]));
  const darkest = Math.min(...labs.map((lab) => lab[0]));
  if (target[0] > lightest)
    return `no paint here is as light: the lightest has L* ${lightest.toFixed(0)}, wanted is ${target[0].toFixed(0)}`;
  if (target[0] < darkest)
    return `no paint here is as dark: the darkest has L* ${darkest.toFixed(0)}, wanted is ${target[0].toFixed(0)}`;
  if (chromaOf(target) > chromaOf(nearest) + 2) {
    const alike = labs.filter((lab) => chromaOf(lab) > 8 && hueBetween(lab, target) < Math.PI / 6);
    const strongest = Math.max(0, ...alike.map(chromaOf));
    return strongest < chromaOf(target)
      ? `it is stronger than any paint here of its hue (chroma ${chromaOf(target).toFixed(0)}, the strongest has ${strongest.toFixed(0)}), and mixing only makes greyer`
      : 'mixing makes it greyer than it is: what is strong enough here is not light or dark enough';
  }
  return 'no mixture of so few drops lies nearer: allow more drops or another paint';
}

/** The colour of a recipe set by hand, and how far it is from a target. */
export function tryRecipe(
  target: Lab,
  parts: readonly { pigment: Pigment; sd: number; count: number }[],
): { lab: Lab; dE00: number; sd: number } {
  const kernel = new MixKernel(parts.map(({ pigment }) => pigment));
  const lab = mixedLab(
    kernel,
    parts.map(({ count }, paint) => ({ paint, count })),
  );
  const drops = parts.reduce((sum, part) => sum + part.count, 0);
  return {
    lab,
    dE00: deltaE00(target, lab),
    sd: recipeSd(parts.map(({ sd, count }) => ({ sd, share: count / drops }))),
  };
}
