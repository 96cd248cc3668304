import { spelled } from '@/core/codes/resolve';
import { plainWords } from '@/core/units/text';
import type { Paint } from '@/core/paint/catalogue';

/** Paints for a colour that nobody measured, or that nobody measured themselves: known by their names and by what their makers claim. */

/** By what a paint is taken for a colour, the best first. */
const KNOWN_BY = ['claim', 'name', 'words', 'a word', 'drawer'] as const;
export type KnownBy = (typeof KNOWN_BY)[number];

export interface NamedPaint {
  paint: Paint;
  by: KnownBy;
  says: string;
}

const SAYS: Record<KnownBy, (wanted: string) => string> = {
  claim: (wanted) => `its maker says that it is ${wanted}`,
  name: () => 'called the same',
  words: () => 'called much the same',
  'a word': () => 'shares a word of its name',
  drawer: () => 'in the drawer',
};

/** A word of fewer signs tells nothing. */
const LEAST = 3;

function knownBy(paint: Paint, wanted: readonly string[]): KnownBy | null {
  const claims = new Set(paint.claims.map(spelled));
  if (wanted.some((name) => claims.has(spelled(name)))) return 'claim';
  const own = [paint.name, paint.number, `${paint.number} ${paint.name}`].filter(Boolean);
  if (own.some((name) => wanted.some((one) => spelled(one) === spelled(name)))) return 'name';
  const words = new Set(plainWords(own.join(' ')));
  const telling = wanted.map((name) => plainWords(name).filter((word) => word.length >= LEAST));
  if (telling.some((parts) => parts.length > 0 && parts.every((word) => words.has(word)))) return 'words';
  if (paint.ownedMl <= 0) return null;
  return telling.flat().some((word) => words.has(word)) ? 'a word' : 'drawer';
}

/**
 * Paints that may be a colour by name: those that claim it, those called the same, those whose names hold all its words, and whatever else is
 * in the drawer, first what shares a word with it; of each the owned first, then in the order of the catalogue. `wanted` is how the colour is called, by code and by name.
 */
export function paintsByName(wanted: readonly string[], paints: readonly Paint[], most = 12): NamedPaint[] {
  const names = wanted.filter((name) => name.trim() !== '');
  const found = paints.flatMap((paint, at) => {
    const by = knownBy(paint, names);
    return by ? [{ paint, by, at, says: SAYS[by](names[0]!) }] : [];
  });
  const rank = ({ by, paint, at }: (typeof found)[number]) => [KNOWN_BY.indexOf(by), paint.ownedMl > 0 ? 0 : 1, at];
  return found
    .sort((a, b) => {
      const [one, other] = [rank(a), rank(b)];
      return one[0]! - other[0]! || one[1]! - other[1]! || one[2]! - other[2]!;
    })
    .slice(0, most)
    .map(({ at: _, ...named }) => named);
}
