import { chromaOf, hueBetween } from '@/core/colour/spaces';
import type { Lab } from '@/core/colour/types';

/** The coats that make a painted marking, in their order: one list for its steps, its minutes and its masks. */

/** A colour of a marking, as far as the order of its coats goes. */
export interface ColourLaid {
  code: string;
  name?: string;
  lab: Lab | null;
  isMetallic?: boolean;
}

export interface MarkingCoat {
  what: 'white' | 'colour';
  /** Which of the marking's colours it is for, as places in their list: one code may stand there twice. Empty for a ground, and where nobody named one. */
  of: number[];
  /** What is open while it is laid: all of the marking, or the fields of its colour. */
  covers: 'all' | 'own';
  because: string;
}

/** Chroma from which a colour is a strong one. */
const STRONG = 25;
/** From here on, degrees of hue, two colours are of another kind. */
const ANOTHER_HUE = 60;

/** Colour that hides badly over anything dark: a white ground goes under it. */
export const needsWhite = ({ lab }: Pick<ColourLaid, 'lab'>): boolean =>
  lab !== null && lab[0] > 30 && chromaOf(lab) > STRONG;

/** White enough to be a ground itself. */
const isWhite = ({ lab }: Pick<ColourLaid, 'lab'>): boolean => lab !== null && lab[0] > 88 && chromaOf(lab) < 10;

/** Whether a colour over another becomes a third, as blue over red: both strong, and of another hue. */
function turnsOver({ lab: over }: ColourLaid, { lab: under }: ColourLaid): boolean {
  if (!over || !under || chromaOf(over) < STRONG || chromaOf(under) < STRONG) return false;
  return hueBetween(over, under) > (ANOTHER_HUE * Math.PI) / 180;
}

/**
 * The coats of a marking: the first what the others hide, else light to dark, metal last. White goes under the whole where a colour hides badly
 * and neither the marking nor the skin under it is white there; and again under a colour that would turn over the one before it.
 * `hides` are pairs of codes, [later, earlier]: a normal coat of the later one hides the earlier.
 */
export function coatsOfMarking<T extends ColourLaid>(
  colours: readonly T[],
  skinUnder: readonly Pick<ColourLaid, 'lab'>[],
  hides: readonly (readonly [later: string, earlier: string])[] = [],
): MarkingCoat[] {
  const placesOf = ({ code }: T) => colours.flatMap((each, i) => (each.code === code ? [i] : []));
  const once = colours.filter(({ code }, i) => colours.findIndex((each) => each.code === code) === i);
  // White is a ground for the others, whatever hides it.
  const [white, others] = [once.filter(isWhite), once.filter((each) => !isWhite(each))];
  const ordered = [...white, ...byHiding(others, hides)];
  const isOnWhite = skinUnder.length > 0 && skinUnder.every(isWhite);
  const because = 'its colours hide badly over what is under them';
  const asksForWhite = !isOnWhite && ordered.some(needsWhite);
  if (ordered.length === 0) return [{ what: 'colour', of: [], covers: 'all', because: '' }];
  const ground: MarkingCoat = { what: 'white', of: [], covers: 'all', because };
  return [
    ...(asksForWhite && white.length === 0 ? [ground] : []),
    ...ordered.flatMap((colour, i): MarkingCoat[] => {
      const of = placesOf(colour);
      const before = ordered[i - 1];
      // A white of its own is their ground as well.
      const covers = asksForWhite && isWhite(colour) ? 'all' : 'own';
      const coat: MarkingCoat = { what: 'colour', of, covers, because: i === 0 ? '' : 'over what it hides' };
      if (!before || !turnsOver(colour, before)) return [coat];
      return [{ what: 'white', of, covers: 'own', because: `over ${before.name || before.code} it would turn` }, coat];
    }),
  ];
}

/** What others hide, and does not hide them, comes before them; where neither or both hide, the lighter one. */
function byHiding<T extends ColourLaid>(
  colours: readonly T[],
  hides: readonly (readonly [later: string, earlier: string])[],
): T[] {
  const pairs = new Set(hides.map(([later, earlier]) => `${later}|${earlier}`));
  const isUnder = (a: T, b: T) => pairs.has(`${b.code}|${a.code}`) && !pairs.has(`${a.code}|${b.code}`);
  const left = [...colours].sort(
    (a, b) =>
      Number(a.isMetallic ?? false) - Number(b.isMetallic ?? false) ||
      (b.lab?.[0] ?? 50) - (a.lab?.[0] ?? 50) ||
      (a.code < b.code ? -1 : 1),
  );
  const ordered: T[] = [];
  while (left.length > 0) {
    const next = left.findIndex((each) => left.every((other) => other === each || !isUnder(other, each)));
    // Three that hide one another in a ring: the lightest begins.
    ordered.push(...left.splice(Math.max(0, next), 1));
  }
  return ordered;
}
