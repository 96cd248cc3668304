import { topologicalOrder } from '@/core/units/topological';

/** What is in the box and what comes beside it: parts by sprue and number. */

export const PART_ORIGINS = ['kit', 'etched', 'resin', 'turned', 'printed', 'spare', 'scratch-built'] as const;
export type PartOrigin = (typeof PART_ORIGINS)[number];
export const PART_CONDITIONS = ['sound', 'flash', 'broken', 'missing', 'short', 'cloudy'] as const;
export type PartCondition = (typeof PART_CONDITIONS)[number];
/** Where a part is painted: on its sprue, on a stick, or once it is assembled. */
export const PAINTED_ON = ['assembly', 'sprue', 'stick'] as const;
export type PaintedOn = (typeof PAINTED_ON)[number];

export interface Part {
  id: string;
  sprue: string;
  number: string;
  name: string;
  count: number;
  zone: string;
  origin: PartOrigin;
  replacesIds: readonly string[];
  /** Wanted with this choice of an option only; null where always. */
  onOption: { option: string; choice: string } | null;
  condition: PartCondition;
  codes: readonly string[];
  painted: PaintedOn;
  orderedUntil: string | null;
}

/** The most that one register holds. */
export const MOST_PARTS = 3000;

/** "C 12": how a part is called in the instructions. */
export const partNumber = ({ sprue, number }: Pick<Part, 'sprue' | 'number'>): string => `${sprue} ${number}`.trim();
/** "C 12 nose leg" */
export const partName = (part: Pick<Part, 'sprue' | 'number' | 'name'>): string =>
  `${partNumber(part)} ${part.name}`.trim();

/** The numbers of what a part replaces, as far as that is there. */
export const replacedNumbers = (
  { replacesIds }: Pick<Part, 'replacesIds'>,
  byId: ReadonlyMap<string, Pick<Part, 'sprue' | 'number'>>,
): string[] => replacesIds.flatMap((old) => byId.get(old) ?? []).map(partNumber);

const bare = (text: string): string =>
  text
    .toUpperCase()
    .replace(/\s+/g, '')
    .replace(/(^|[A-Z])0+(?=\d)/g, '$1');

/** By what a part is known, however its number is written: no case, no leading zeros; "C12" is C 12. */
export const keyOfPart = ({ sprue, number }: Pick<Part, 'sprue' | 'number'>): string =>
  `${bare(sprue)} ${bare(number)}`;
export function keyOfNumber(text: string): string {
  const written = text.trim();
  const found = /^(\S+)\s+(.+)$/.exec(written) ?? /^([a-z]+)(\d.*)$/i.exec(written);
  return keyOfPart({ sprue: found?.[1] ?? '', number: found?.[2] ?? written });
}

/** In the order of the box: sprue by sprue, numbers as numbers. */
export const inBoxOrder = <T extends Pick<Part, 'sprue' | 'number'>>(parts: readonly T[]): T[] =>
  [...parts].sort((a, b) => ORDER.compare(a.sprue, b.sprue) || ORDER.compare(a.number, b.number));
const ORDER = new Intl.Collator('en', { numeric: true });

/**
 * Rows that name what they replace by its number, as parts of one register, each with an identity. `known` are parts that are there already.
 * A row that replaces what is not there says so.
 */
export function asRegister<T extends Pick<Part, 'sprue' | 'number'> & { replaces: readonly string[] }>(
  rows: readonly T[],
  idOf: (row: T, i: number) => string,
  known: readonly Pick<Part, 'sprue' | 'number'>[] = [],
) {
  const ids = new Map(known.map((part) => [keyOfPart(part), keyOfPart(part)]));
  rows.forEach((row, i) => ids.set(keyOfPart(row), idOf(row, i)));
  const faults: { id: string; field: string; says: string }[] = [];
  const parts = rows.map(({ replaces, ...part }, i) => {
    const id = idOf(rows[i]!, i);
    const replacesIds = replaces.flatMap((old) => {
      const known = ids.get(keyOfNumber(old));
      if (known === undefined) faults.push({ id, field: 'replaces', says: `there is no part "${old}"` });
      return known ?? [];
    });
    return { ...part, id, replacesIds };
  });
  return { parts, faults };
}

/** What is wrong with a register, each fault at its part; `elsewhere` are parts that are there and not among these: doubled numbers, a part that replaces itself, parts that replace one another in a circle. */
export function registerFaults(
  parts: readonly Pick<Part, 'id' | 'sprue' | 'number' | 'name' | 'replacesIds' | 'orderedUntil'>[],
  boughtOn: string | null,
  elsewhere: ReadonlySet<string> = new Set(),
): { id: string; field: string; says: string }[] {
  const faults: { id: string; field: string; says: string }[] = [];
  const byId = new Map(parts.map((part) => [part.id, part]));
  const seen = new Set<string>();
  const free = leadingToNoCircle(parts);
  for (const part of parts) {
    const key = keyOfPart(part);
    if (seen.has(key))
      faults.push({ id: part.id, field: 'number', says: `${partNumber(part)} is in the register already` });
    else seen.add(key);
    if (part.replacesIds.some((old) => !byId.has(old) && !elsewhere.has(old)))
      faults.push({ id: part.id, field: 'replacesIds', says: `${partNumber(part)} replaces a part that is gone` });
    if (part.replacesIds.includes(part.id))
      faults.push({ id: part.id, field: 'replacesIds', says: `${partNumber(part)} cannot replace itself` });
    else {
      const circle = circleOf(part.id, byId, free);
      if (circle)
        faults.push({
          id: part.id,
          field: 'replacesIds',
          says: `${circle.map(partNumber).join(' replaces ')}: a circle`,
        });
    }
    if (part.orderedUntil && boughtOn && part.orderedUntil < boughtOn)
      faults.push({
        id: part.id,
        field: 'orderedUntil',
        says: `${partNumber(part)} would arrive before the kit was bought (${boughtOn})`,
      });
  }
  return faults;
}

/** Parts that stand in no circle of replacements, and replace none that does, directly or by others. */
function leadingToNoCircle(parts: readonly Pick<Part, 'id' | 'replacesIds'>[]): ReadonlySet<string> {
  const at = new Map(parts.map(({ id }, i) => [id, i]));
  const arcs = parts.flatMap(({ replacesIds }, user) =>
    replacesIds.flatMap((old) => (at.has(old) ? [[at.get(old)!, user] as const] : [])),
  );
  return new Set(topologicalOrder(parts.length, arcs).map((i) => parts[i]!.id));
}

/** The circle of replacements that a part stands in, itself first and last; null where it stands in none. `free` lead to none. */
function circleOf<T extends Pick<Part, 'id' | 'replacesIds'>>(
  id: string,
  byId: ReadonlyMap<string, T>,
  free: ReadonlySet<string>,
): T[] | null {
  const visited = new Set<string>();
  const ways: T[][] = [[byId.get(id)!]];
  for (let way = ways.pop(); way; way = ways.pop()) {
    const at = way.at(-1)!;
    if (free.has(at.id) || visited.has(at.id)) continue;
    visited.add(at.id);
    if (at.replacesIds.includes(id)) return [...way, byId.get(id)!];
    // A circle further on is told at its own parts.
    for (const next of at.replacesIds) if (byId.has(next)) ways.push([...way, byId.get(next)!]);
  }
  return null;
}

/** What a line such as "sprue C: 1-24 sound" says of many parts at once. */
export interface BulkLine {
  sprue: string;
  numbers: string[];
  condition?: PartCondition;
  origin?: PartOrigin;
  painted?: PaintedOn;
}

const MOST_AT_ONCE = 500;

/**
 * Reads "sprue C: 1-24 sound", "C 1-4, 7 flash", "R: 1-6 resin". The words behind the numbers say condition, origin or where they are painted,
 * in any order. Throws an Error with a sentence where it cannot be read.
 */
export function readBulk(text: string): BulkLine {
  const match = /^\s*(?:sprue\s+)?([a-z]{1,3})\s*:?\s*((?:\d+[a-z]?(?:\s*[-–]\s*\d+)?\s*,?\s*)+)\s*(.*)$/i.exec(text);
  if (!match) throw new Error('Say it as "sprue C: 1-24 sound": the sprue, its numbers, then what they are.');
  const [, sprue, list, rest] = match as unknown as [string, string, string, string];
  const numbers = list.split(/[,\s]+(?![-–])/).flatMap((item) => {
    const trimmed = item.replace(/\s/g, '');
    if (!trimmed) return [];
    const range = /^(\d+)[-–](\d+)$/.exec(trimmed);
    if (!range) return [trimmed];
    const [from, to] = [Number(range[1]), Number(range[2])];
    if (to < from) throw new Error(`${trimmed}: the numbers run backwards.`);
    if (to - from >= MOST_AT_ONCE) throw new Error(`${trimmed}: ${MOST_AT_ONCE} numbers at the most.`);
    return Array.from({ length: to - from + 1 }, (_, i) => String(from + i));
  });
  const line: BulkLine = { sprue: sprue.toUpperCase(), numbers: [...new Set(numbers)] };
  const words = rest
    .toLowerCase()
    .split(/[\s,]+/)
    .filter(Boolean);
  for (const word of words) {
    if (member(PART_CONDITIONS, word)) line.condition = word;
    else if (member(PART_ORIGINS, word)) line.origin = word;
    else if (member(PAINTED_ON, word)) line.painted = word;
    else if (word !== 'on')
      throw new Error(
        `"${word}": a condition (${PART_CONDITIONS.join(', ')}), an origin (${PART_ORIGINS.join(', ')}) or where they are painted (${PAINTED_ON.join(', ')}) was expected.`,
      );
  }
  return line;
}

const member = <T extends string>(list: readonly T[], word: string): word is T =>
  (list as readonly string[]).includes(word);
