import { listed } from '@/core/units/words';
import { canonicalIn, readCode, type CodeBook } from './system';

/** What somebody who typed a text has to settle before it can be kept: in words, and the codes that it may mean. */
export interface CodeAsk {
  says: string;
  offers: readonly string[];
}

/** "31 is a code of TCS and of KLM: write TCS 31 or KLM 31"; null where it is clear. */
export function ambiguity(book: CodeBook, text: string): CodeAsk | null {
  const readings = readCode(book, text);
  if (readings.length < 2) return null;
  const offers = readings.map(({ code }) => code);
  return {
    says: `"${text.trim()}" is a code of ${readings.map(({ system }) => system).join(' and of ')}: write ${listed(offers, 'or')}`,
    offers,
  };
}

/** Words that are the name of a code are most likely that code: taken as words they would stand against it as a rival. */
function namesake({ named }: CodeBook, text: string): CodeAsk | null {
  const offers = named.get(spelled(text)) ?? [];
  if (offers.length === 0) return null;
  return {
    says: `"${text.trim()}" is the name of ${listed(offers)}: write ${listed(offers, 'or')}, or put the words in quotation marks`,
    offers,
  };
}

/** Names are compared without regard to case and blanks. */
export const spelled = (name: string): string => name.trim().toLowerCase().replace(/\s+/g, ' ');

const QUOTED = /^["“„«](.+)["”“»]$/;

/**
 * What is kept of a text that answers for a colour: the code as its system prints it, so that no standard that comes later reads it anew;
 * words as they stand. Words in quotation marks stay words. Where it is not clear which code is meant, what to ask.
 */
export function resolveCode(book: CodeBook, text: string): { value: string } | CodeAsk {
  const typed = text.trim();
  const quoted = QUOTED.exec(typed)?.[1]?.trim();
  if (quoted) return { value: quoted };
  const asks = ambiguity(book, typed);
  if (asks) return asks;
  const value = canonicalIn(book, typed);
  if (value !== typed || book.known.has(typed)) return { value };
  return namesake(book, typed) ?? { value };
}
