import { canonicalIn, type CodeBook } from '@/core/codes/system';
import { aspectOf } from '@/core/evidence/aspects';
import type { DossierParts } from './dossier';

type WithCodes = Pick<DossierParts, 'questions' | 'sightings' | 'rulings' | 'events'>;

/**
 * The parts of a file with every code as its system prints it, by the first of the books that can read it: a whole brief brings the book it
 * was written with. What no book reads stays as it is.
 */
export function codesRead<T extends WithCodes>(file: T, books: readonly CodeBook[]): T {
  const ofCodes = new Set(file.questions.flatMap(({ ref, aspect }) => (aspectOf(aspect).type === 'code' ? [ref] : [])));
  const kept = (value: string) => books.map((book) => canonicalIn(book, value)).find((code) => code !== value) ?? value;
  const answer = <A extends { question: string; value: string }>(said: A): A =>
    ofCodes.has(said.question) ? { ...said, value: kept(said.value) } : said;
  return {
    ...file,
    sightings: file.sightings.map(answer),
    rulings: file.rulings.map(answer),
    events: file.events.map((event) => ({ ...event, value: kept(event.value) })),
  };
}
