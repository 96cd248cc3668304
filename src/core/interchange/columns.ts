import { z } from 'zod';
import { withoutAccents } from '@/core/units/text';

/** Columns of a table that comes from outside: what each of them is, guessed by its heading, and what the reader said of them. */

/** What a column may be. `words` are headings that people write, in small letters without accents, each as one or several words. */
export interface ColumnKind {
  field: string;
  title: string;
  words: readonly string[];
  /** Of a column with words of its own: whether a cell is one of them. */
  means?: (cell: string) => boolean;
}

/** How a table is to be read. */
export const readingSchema = z.strictObject({
  /** Its first line is no heading, but a row. */
  isHeadless: z.boolean(),
  /** The field of each column, in their order; '' for one that is left out. */
  columns: z.array(z.string().max(60)).max(200, 'At most 200 columns').readonly(),
  /** What holds for every row that does not say it itself, by field. */
  all: z.record(z.string().max(60), z.string().max(200)).readonly(),
});
export type Reading = z.infer<typeof readingSchema>;

/** A heading in small letters without accents, units and signs: "Preis (€)" as "preis". */
export const plainHead = (head: string): string =>
  withoutAccents(head)
    .replace(/\([^)]*\)|\[[^\]]*\]/g, ' ')
    .replace(/[^a-z0-9*#]+/g, ' ')
    .trim();

/** Exactly the heading; or all words of one are among its own. */
const EXACT = 3;
const WITHIN = 2;
/** A word of so few signs means nothing inside another heading: "L" is in "Line". */
const LEAST_WITHIN = 3;

function fits(head: string, words: readonly string[]): number {
  if (words.includes(head)) return EXACT;
  const own = new Set(head.split(' '));
  const within = words.some((word) => word.length >= LEAST_WITHIN && word.split(' ').every((part) => own.has(part)));
  return within ? WITHIN : 0;
}

/** Which field each heading means; '' where it means none. No field twice: the heading that fits it best has it, the first of equals. */
export function guessColumns(heads: readonly string[], kinds: readonly ColumnKind[]): string[] {
  const found = heads.flatMap((head, at) =>
    kinds.flatMap(({ field, words }, rank) => {
      const score = fits(plainHead(head), words);
      return score > 0 ? [{ at, field, score, rank }] : [];
    }),
  );
  found.sort((a, b) => b.score - a.score || a.at - b.at || a.rank - b.rank);
  const columns = heads.map(() => '');
  const taken = new Set<string>();
  for (const { at, field } of found) {
    if (columns[at] || taken.has(field)) continue;
    columns[at] = field;
    taken.add(field);
  }
  return columns;
}

/**
 * Columns that were guessed by their headings, put right by what stands in them: where no cell of one is a word of its field, and every cell is
 * a word of another that nothing else fills, it is that. "Art" heads a chemistry as well as a kind.
 */
export function guessByCells(
  columns: readonly string[],
  rows: readonly (readonly string[])[],
  kinds: readonly ColumnKind[],
): string[] {
  const guessed = [...columns];
  guessed.forEach((field, at) => {
    const cells = rows.map((row) => (row[at] ?? '').trim()).filter(Boolean);
    const own = kinds.find((kind) => kind.field === field)?.means;
    if (!own || cells.length === 0 || cells.some(own)) return;
    const better = kinds.find(({ field: other, means }) => means && !guessed.includes(other) && cells.every(means));
    if (better) guessed[at] = better.field;
  });
  return guessed;
}

/** A name for the shape of a table: tables of the same program have the same. */
export const shapeOf = (heads: readonly string[]): string => heads.map(plainHead).join('|');
