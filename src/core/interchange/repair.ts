import { z } from 'zod';
import { unwrapped } from '@/core/kept/as-kept';
import { newBrief } from '@/core/kept/new-brief';
import { capped } from '@/core/units/words';
import { briefFileSchema, MOST_REPAIRED, wholeBrief, type BriefFile } from './brief-file';

/**
 * A backup always goes out and always comes back: what an import would refuse of a brief is let go before it goes out, and named. Houses of
 * earlier versions, and hands in the database, leave such things behind; no act does.
 */

type Place = (string | number)[];
type Holder = Record<string | number, unknown>;

/** Rounds of looking and mending; each lets something go, so that there is an end to it anyhow. */
const MOST_ROUNDS = 100;

/** The file as an import takes it. `pictureIds` are the pictures that go beside it. */
export function repairedFile(file: BriefFile, pictureIds: readonly string[]): BriefFile {
  const pictures = Object.fromEntries(pictureIds.map((id) => [id, '']));
  if (briefFileSchema.safeParse({ ...file, pictures }).success) return file;
  const mended = structuredClone({ ...file, pictures }) as BriefFile;
  const said: string[] = [];
  const tried = new WeakMap<object, Set<string>>();
  for (let round = 0; round < MOST_ROUNDS; round += 1) {
    const read = briefFileSchema.safeParse({ ...mended, repaired: [] });
    if (read.success) break;
    // The last first: what is let go moves those behind it.
    const issues = [...read.error.issues].sort((a, b) => lastIndex(b.path) - lastIndex(a.path));
    const done = new Set<string>();
    for (const issue of issues) {
      const place = issue.path as Place;
      const element = elementOf(place).join('.');
      if (done.has(element)) continue;
      done.add(element);
      const name = named(mended, place);
      const says = letGo(mended, place, issue, tried);
      if (says) said.push(`${name}: ${issue.message}; ${says}`);
    }
  }
  return {
    ...mended,
    pictures: file.pictures,
    repaired: capped(said, MOST_REPAIRED, (left) => `and ${left} more`).map((text) => text.slice(0, 500)),
  };
}

/** Where in its list what is wrong stands. */
const lastIndex = (path: readonly PropertyKey[]) => Number(path.findLast((part) => typeof part === 'number') ?? -1);

/** The innermost item of a list on the way to a place; the place itself where it lies in none. */
function elementOf(place: Place): Place {
  const at = place.findLastIndex((part) => typeof part === 'number');
  return at < 0 ? place : place.slice(0, at + 1);
}

/** What stands at a place; nothing where it fell with something else. */
const holderAt = (file: BriefFile, place: Place): Holder | null =>
  place.reduce<Holder | null>(
    (held, part) => (typeof held === 'object' && held !== null ? (held[part] as Holder) : null),
    file as unknown as Holder,
  );

/** Lets go of what is wrong at a place, as little as can be; says what was done, null where nothing had to be. */
function letGo(
  file: BriefFile,
  place: Place,
  issue: z.core.$ZodIssue,
  tried: WeakMap<object, Set<string>>,
): string | null {
  const element = elementOf(place);
  const isInList = typeof element.at(-1) === 'number';
  const field = place[isInList ? element.length : 1];
  const there = holderAt(file, place);
  if (issue.code === 'too_big' && Array.isArray(there)) {
    there.length = Number(issue.maximum);
    return `the first ${issue.maximum} are kept`;
  }
  const owner = isInList ? element : place.slice(0, 1);
  const record = holderAt(file, owner);
  if (typeof field === 'string' && typeof record === 'object' && record !== null) {
    const before = tried.get(record) ?? new Set();
    tried.set(record, before);
    if (!before.has(field) && reset(record, field, schemaAt([...owner, field]))) {
      before.add(field);
      return `${field} is left open`;
    }
  }
  if (isInList) {
    const list = holderAt(file, element.slice(0, -1));
    if (!Array.isArray(list) || list.length <= (element.at(-1) as number)) return null;
    list.splice(element.at(-1) as number, 1);
    return 'it is left out';
  }
  const begun = newBrief('2000-01-01');
  // A form begins without a type, which nobody may leave it at.
  const blank = { ...begun, airframe: { ...begun.airframe, type: 'not known' } } as unknown as Record<string, Holder>;
  const top = String(place[0]);
  if (record && top in blank && typeof field === 'string' && field in blank[top]!) record[field] = blank[top]![field];
  else (file as unknown as Holder)[top] = blank[top] ?? [];
  return 'it begins anew';
}

/** Sets a field to nothing, as far as its schema takes that. */
function reset(record: Holder, field: string, schema: z.ZodType | null): boolean {
  if (!schema) return false;
  for (const nothing of [undefined, null, [], '']) {
    const read = schema.safeParse(nothing);
    if (!read.success) continue;
    record[field] = read.data;
    return true;
  }
  return false;
}

function schemaAt(place: Place): z.ZodType | null {
  let schema: z.ZodType | undefined = wholeBrief;
  for (const part of place) {
    const inner: z.ZodType | undefined = schema && unwrapped(schema);
    if (inner instanceof z.ZodArray) schema = inner.element as z.ZodType;
    else if (inner instanceof z.ZodObject) schema = (inner.shape as Record<string, z.ZodType>)[String(part)];
    else return null;
  }
  return schema ?? null;
}

/** How a builder finds it again: the list, and what the record is called. */
function named(file: BriefFile, place: Place): string {
  const at = place.findIndex((part) => typeof part === 'number');
  if (at < 0) return place.join(' ');
  const record = holderAt(file, place.slice(0, at + 1));
  const called = typeof record === 'object' && record !== null ? nameOf(record) : '';
  return `${place.slice(0, at).join(' ')} ${Number(place[at]) + 1}${called ? ` (${called})` : ''}`;
}
const nameOf = ({ title, name, code, zone, number, label, ref }: Holder): string =>
  String([title, name, code, zone, number, label, ref].find((text) => typeof text === 'string' && text !== '') ?? '');
