/** Grammar for one and for many, in one place: sentences are put together from these. */

const IRREGULAR: Record<string, string> = {
  is: 'are',
  was: 'were',
  has: 'have',
  stands: 'stand',
  this: 'these',
  needs: 'need',
  it: 'they',
  shows: 'show',
  says: 'say',
};

/** "source", "sources"; "is", "are". */
export function plural(word: string, count: number): string {
  if (count === 1) return word;
  const irregular = IRREGULAR[word];
  if (irregular) return irregular;
  if (/(s|x|ch|sh)$/.test(word)) return `${word}es`;
  return /[^aeiou]y$/.test(word) ? `${word.slice(0, -1)}ies` : `${word}s`;
}

/** "1 source", "3 sources". */
export const counted = (count: number, word: string): string => `${count} ${plural(word, count)}`;

/** A text with a capital first, as a sentence begins; and with a small first, as it goes on. */
export const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
export const lowered = (text: string): string => text.charAt(0).toLowerCase() + text.slice(1);

/** "A", "A and B", "A, B and C". */
export const listed = (items: readonly string[], joined: 'and' | 'or' = 'and'): string =>
  items.length < 2 ? (items[0] ?? '') : `${items.slice(0, -1).join(', ')} ${joined} ${items.at(-1)}`;

/** The first of a list; where there are more, `more` says how many stand behind. */
export function capped<T>(items: readonly T[], most: number, more: (left: number) => T): T[] {
  return items.length > most ? [...items.slice(0, most), more(items.length - most)] : [...items];
}

const NUMBERS = [
  'No',
  'One',
  'Two',
  'Three',
  'Four',
  'Five',
  'Six',
  'Seven',
  'Eight',
  'Nine',
  'Ten',
  'Eleven',
  'Twelve',
];

/** A count as a sentence begins with it: "One question", "Three questions", "34 questions". */
export const countedInWords = (count: number, word: string): string =>
  `${NUMBERS[count] ?? count} ${plural(word, count)}`;
