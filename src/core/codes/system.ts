import { MunsellFault, parseMunsell, printMunsell } from '@/core/colour/munsell-notation';
import type { Finish } from '@/core/paint/catalogue';
import { rememberingFor } from '@/core/units/remembered';

/** How the codes of a system are made up. */
export const CODE_SHAPES = ['digits', 'gloss-family', 'family', 'letters', 'munsell'] as const;
export type CodeShape = (typeof CODE_SHAPES)[number];
export const SHAPE_TITLES: Record<CodeShape, string> = {
  digits: 'a number: 31, 417',
  'gloss-family': 'five digits: gloss, hue family, index',
  family: 'four digits: hue family, index',
  letters: 'letters and a number: KL 12',
  munsell: 'Munsell: 5.5GY 4.2/3.1',
};

/** How one code stands to another: `superseded` by it, or `equivalent` to it in another system (near, not equal). */
export const CODE_RELATIONS = ['superseded', 'equivalent'] as const;
export type CodeRelation = (typeof CODE_RELATIONS)[number];

/** A colour system: how its codes are written and read. */
export interface ColourSystem {
  name: string;
  title: string;
  shape: CodeShape;
  /** What is printed before the number, as in `TCS 31`. */
  prefix: string;
  /** How many digits a number has (for `digits` and `letters`); shorter ones are filled up with zeros. */
  digits: number;
}

/** A code as one system reads it. */
export interface ReadCode {
  system: string;
  /** Canonically printed. */
  code: string;
  /** Where the grammar carries it. */
  finish: Finish | null;
  family: string | null;
}

// First digit of five.
const GLOSS_DIGIT: Record<string, Finish> = { '1': 'gloss', '2': 'satin', '3': 'matt' };
// Second digit of five.
const FAMILY_OF_FIVE = [
  'brown',
  'red',
  'orange',
  'yellow',
  'green',
  'blue',
  'grey',
  'black, white or metal',
  'fluorescent',
];
// First digit of four.
const FAMILY_OF_FOUR: Record<string, string> = {
  '1': 'yellow',
  '2': 'orange',
  '3': 'red',
  '4': 'violet',
  '5': 'blue',
  '6': 'green',
  '7': 'grey',
  '8': 'brown',
  '9': 'black or white',
};

const plainOf = (text: string) => text.toUpperCase().replace(/[\s.\-_/]+/g, '');

/**
 * Reads a code as people write it (any case; blanks, hyphens, dots; the prefix left out) and prints it canonically, `TCS 31`.
 * Null when it is no code of this system.
 */
export function readIn(system: ColourSystem, text: string): ReadCode | null {
  const found = (number: string, finish: Finish | null = null, family: string | null = null): ReadCode => ({
    system: system.name,
    code: `${system.prefix} ${number}`,
    finish,
    family,
  });
  if (system.shape === 'munsell') {
    const bare = text.trim().replace(new RegExp(`^${escaped(system.prefix)}\\s+`, 'i'), '');
    try {
      return { ...found(''), code: printMunsell(parseMunsell(bare)) };
    } catch (fault) {
      if (fault instanceof MunsellFault) return null;
      throw fault;
    }
  }
  const plain = plainOf(text);
  const prefix = plainOf(system.prefix);
  const number = plain.startsWith(prefix) ? plain.slice(prefix.length) : plain;
  switch (system.shape) {
    case 'digits':
      return /^\d+$/.test(number) && number.length <= system.digits ? found(number.padStart(system.digits, '0')) : null;
    case 'gloss-family': {
      const [gloss, family] = [GLOSS_DIGIT[number[0] ?? ''], FAMILY_OF_FIVE[Number(number[1])]];
      return /^\d{5}$/.test(number) && gloss && family ? found(number, gloss, family) : null;
    }
    case 'family': {
      const family = FAMILY_OF_FOUR[number[0] ?? ''];
      return /^\d{4}$/.test(number) && family ? found(number, null, family) : null;
    }
    case 'letters': {
      const parts = /^([A-Z]{1,3})(\d+)([A-Z]?)$/.exec(number);
      if (!parts || parts[2]!.length > system.digits) return null;
      return found(`${parts[1]} ${parts[2]!.padStart(system.digits, '0')}${parts[3]}`);
    }
  }
}

const escaped = (text: string) => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');

/** The canonical form in one system; null when it is no code of it. */
export const canonicalCode = (system: ColourSystem, text: string): string | null => readIn(system, text)?.code ?? null;

/** All that is known of how codes are written: the systems, the codes that there are, and which bear a name (in lower case). */
export interface CodeBook {
  systems: readonly ColourSystem[];
  known: ReadonlySet<string>;
  named: ReadonlyMap<string, readonly string[]>;
}

/**
 * Everything that a text can mean. What is written as a system prints it is that code, whatever other systems would make of it. Where
 * several systems take it and only one of the codes is known, it is that one: more than one reading is for the reader to settle.
 */
export function readCode({ systems, known }: CodeBook, text: string): ReadCode[] {
  const readings = systems.flatMap((system) => readIn(system, text) ?? []);
  const printed = readings.filter(({ code }) => code === text.trim());
  if (printed.length === 1) return printed;
  const standing = readings.filter((reading) => known.has(reading.code));
  return readings.length > 1 && standing.length === 1 ? standing : readings;
}

/** The canonical form of a code in whichever of the systems takes it; the trimmed text itself when none does, or several do. */
export function canonicalIn(book: CodeBook, text: string): string {
  return read(book, text, () => {
    const readings = readCode(book, text);
    return readings.length === 1 ? readings[0]!.code : text.trim();
  });
}

/** A brief calls the same few codes again and again. */
const read = rememberingFor<CodeBook, string>(2000);

/** Several codes so, each once. */
export const canonicalList = (book: CodeBook, texts: readonly string[]): string[] => [
  ...new Set(texts.map((text) => canonicalIn(book, text))),
];

/** The codes that are the same colour in another finish, where the grammar says so (first digit of five), among the known ones. */
export function otherFinishes({ systems, known }: CodeBook, code: string): ReadCode[] {
  const system = systems.find(
    (candidate) => candidate.shape === 'gloss-family' && canonicalCode(candidate, code) === code,
  );
  if (!system) return [];
  const rest = code.slice(-4);
  return [...known].flatMap((other) => {
    const read = other !== code && other.endsWith(rest) ? readIn(system, other) : null;
    return read?.code === other ? [read] : [];
  });
}
