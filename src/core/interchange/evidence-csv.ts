import { z } from 'zod';
import { RULING_BASES } from '@/core/evidence/bases';
import type { Fields } from '@/core/kept/records';
import type { BriefState } from '@/core/kept/state';
import { checkSource } from '@/core/kept/check-source';
import { ASPECT_NAMES, ASPECTS, type Aspect } from '@/core/evidence/aspects';
import { readValue } from '@/core/evidence/value';
import { CLARITIES } from '@/core/evidence/weights';
import { parseNumber } from '@/core/units/number';
import { readSources, zonesByName, type SourceRow } from './sources-table';
import { parseCells, writeTable } from './table';

/** Sources, sightings and rulings as tables: see docs/formats/dossier.md. Lists inside a cell are separated by "|". */

const SOURCE_COLUMNS = [
  'title',
  'kind',
  'dated_from',
  'dated_to',
  'place',
  'citation',
  'page',
  'film',
  'sides',
  'zones',
  'derived_from',
  'grade',
  'grade_reason',
] as const;
const SIGHTING_COLUMNS = [
  'zone',
  'aspect',
  'which',
  'source',
  'value',
  'plus_minus',
  'clarity',
  'sense',
  'note',
] as const;
const RULING_COLUMNS = ['zone', 'aspect', 'which', 'ruling', 'basis', 'reason', 'ruled_by'] as const;

/** Tables of what is said, told from lists of sources by their headings. */
const SAYING = ['sightings', 'rulings'] as const;
/** Without these a row means nothing; the other columns may be left out. */
const NEEDED: Record<(typeof SAYING)[number], readonly string[]> = {
  sightings: ['zone', 'aspect', 'source', 'value'],
  rulings: ['zone', 'aspect', 'ruling', 'reason'],
};

/** What is wrong with one row; `row` is the line as a spreadsheet counts, the heading being 1. 0 = with the whole table. */
export interface RowFault {
  row: number;
  says: string;
}
export interface SightingRow {
  zone: string;
  aspect: Aspect;
  item: string;
  sourceTitle: string;
  value: string;
  sd: number | null;
  clarity: (typeof CLARITIES)[number];
  sense: 'for' | 'against';
  note: string;
}
export interface RulingRow {
  zone: string;
  aspect: Aspect;
  item: string;
  value: string;
  basis: (typeof RULING_BASES)[number];
  reason: string;
  ruledBy: string;
}
export type ReadTable =
  | { table: 'sources'; rows: SourceRow[]; faults: RowFault[] }
  | { table: 'sightings'; rows: { row: number; sighting: SightingRow }[]; faults: RowFault[] }
  | { table: 'rulings'; rows: { row: number; ruling: RulingRow }[]; faults: RowFault[] };

const MOST_ROWS = 5000;
type Cells = Record<string, string>;
/**
 * Which of the three tables this is, told by its heading; each row read or refused by itself. Zones by key or title. What is neither sightings
 * nor rulings is a list of sources, with any headings or none.
 */
export function readEvidenceCsv(
  text: string,
  zones: readonly { key: string; title: string }[],
): ReadTable | { faults: RowFault[] } {
  const { data, meta } = parseCells(text);
  const headings = meta.fields ?? [];
  const table = SAYING.find((name) => NEEDED[name].every((column) => headings.includes(column)));
  const whole = (says: string) => ({ faults: [{ row: 0, says }] });
  if (data.length > MOST_ROWS) return whole(`${data.length} rows; ${MOST_ROWS} is the most.`);
  if (!table) {
    const read = readSources(text, zones);
    const faults = read.faults.map(({ row, says }) => ({ row, says }));
    return read.rows.length > 0 || read.shape.reading.columns.includes('title')
      ? { table: 'sources', rows: read.rows, faults }
      : { faults };
  }
  const faults: RowFault[] = [];
  const eachRow = <T>(read: (cells: Cells) => T): (T & { row: number })[] =>
    data.flatMap((cells, i) => {
      const row = i + 2;
      try {
        return [{ ...read(cells), row }];
      } catch (error) {
        const says =
          error instanceof z.ZodError
            ? error.issues.map((issue) => issue.message).join('; ')
            : (error as Error).message;
        faults.push({ row, says });
        return [];
      }
    });
  const zoneOf = zoneReader(zones);
  if (table === 'sightings')
    return { table, rows: eachRow((cells) => ({ sighting: readSighting(cells, zoneOf) })), faults };
  return { table, rows: eachRow((cells) => ({ ruling: readRuling(cells, zoneOf) })), faults };
}

type ZoneReader = (text: string) => string;
function zoneReader(zones: readonly { key: string; title: string }[]): ZoneReader {
  const byName = zonesByName(zones);
  return (text) => {
    const key = byName.get(text.trim().toLowerCase());
    if (!key) throw new Error(`there is no zone "${text}" on this airframe`);
    return key;
  };
}

function oneOf<T extends string>(
  what: string,
  text: string,
  names: readonly T[],
  titles: (name: T) => string = (name) => name,
): T {
  const wanted = text.trim().toLowerCase();
  const found = names.find((name) => name.toLowerCase() === wanted || titles(name).toLowerCase() === wanted);
  if (!found) throw new Error(`${what} "${text}" is none of ${names.join(', ')}`);
  return found;
}

function readAspect(cells: Cells, zoneOf: ZoneReader) {
  return {
    zone: zoneOf(cells.zone ?? ''),
    aspect: oneOf('aspect', cells.aspect ?? '', ASPECT_NAMES, (name) => ASPECTS[name].title),
    item: (cells.which ?? '').trim(),
  };
}

function readSighting(cells: Cells, zoneOf: ZoneReader): SightingRow {
  const about = readAspect(cells, zoneOf);
  const read = readValue(about.aspect, cells.value ?? '');
  if ('fault' in read) throw new Error(read.fault);
  const given = cells.plus_minus?.trim();
  const sd = given ? parseNumber(given) : read.sd;
  if (given && (sd === null || sd < 0)) throw new Error(`plus or minus "${given}" is no number of mm`);
  if (!cells.source?.trim()) throw new Error('the source is missing');
  return {
    ...about,
    value: read.value,
    sd,
    sourceTitle: cells.source.trim(),
    clarity: cells.clarity?.trim() ? oneOf('clarity', cells.clarity, CLARITIES) : 'clear',
    sense: cells.sense?.trim() ? oneOf('sense', cells.sense, ['for', 'against'] as const) : 'for',
    note: cells.note ?? '',
  };
}

function readRuling(cells: Cells, zoneOf: ZoneReader): RulingRow {
  const about = readAspect(cells, zoneOf);
  const read = readValue(about.aspect, cells.ruling ?? '');
  if ('fault' in read) throw new Error(read.fault);
  if (!cells.reason?.trim()) throw new Error('a ruling needs its reason');
  return {
    ...about,
    value: read.value,
    basis: cells.basis?.trim() ? oneOf('basis', cells.basis, RULING_BASES) : 'choice',
    reason: cells.reason.trim(),
    ruledBy: cells.ruled_by?.trim() || 'builder',
  };
}

/**
 * Sources of a table that can be added, their links resolved to titles, and what speaks against the others. Links may point to known
 * sources or to others of the table; `idOf` gives each new source its identity.
 */
export function resolveSources(
  rows: readonly SourceRow[],
  state: BriefState,
  idOf: (row: SourceRow) => string,
): { added: { id: string; source: Fields<'source'> }[]; faults: RowFault[] } {
  const faults: RowFault[] = [];
  const known = new Map(state.sources.map((source) => [source.title.toLowerCase(), source.id]));
  const fresh = rows.filter((row) => {
    const twice = known.has(row.source.title.toLowerCase());
    if (twice) faults.push({ row: row.row, says: `"${row.source.title}" is there already` });
    else known.set(row.source.title.toLowerCase(), idOf(row));
    return !twice;
  });
  const sources = [...state.sources];
  // Links to rows that are refused are found only after their turn: those rows come again until nothing changes.
  let open = fresh;
  const added: { id: string; source: Fields<'source'> }[] = [];
  for (let before = -1; before !== added.length;) {
    before = added.length;
    open = open.filter((row) => {
      const present = new Set(sources.map((source) => source.id));
      const origins = row.derivedFromTitles.map((title) => known.get(title.toLowerCase()));
      if (!origins.every((origin) => origin && present.has(origin))) return true;
      const source = { ...row.source, derivedFrom: origins as string[] };
      const id = idOf(row);
      const found = checkSource(source, id, { ...state, sources });
      if (found.length > 0) faults.push({ row: row.row, says: found.map((fault) => fault.says).join('; ') });
      else {
        added.push({ id, source });
        sources.push({ ...source, id, version: 1 });
      }
      return false;
    });
  }
  for (const row of open)
    faults.push({
      row: row.row,
      says: `derived from ${row.derivedFromTitles.join(', ')}: not there, refused, or derived from this one in a circle`,
    });
  return { added, faults: faults.sort((a, b) => a.row - b.row) };
}

export function sourcesCsv(state: BriefState): string {
  const titles = new Map(state.sources.map((source) => [source.id, source.title]));
  return writeTable(
    SOURCE_COLUMNS,
    state.sources.map((source) => ({
      ...source,
      dated_from: source.dateFrom,
      dated_to: source.dateTo,
      sides: source.sides.join('|'),
      zones: source.zones.join('|'),
      derived_from: source.derivedFrom.map((id) => titles.get(id)).join('|'),
      grade_reason: source.gradeReason,
    })),
  );
}

export function sightingsCsv(state: BriefState): string {
  const titles = new Map(state.sources.map((source) => [source.id, source.title]));
  const questions = new Map(state.questions.map((question) => [question.id, question]));
  return writeTable(
    SIGHTING_COLUMNS,
    state.sightings.map((sighting) => {
      const { zone, aspect, item } = questions.get(sighting.questionId)!;
      return { ...sighting, zone, aspect, which: item, source: titles.get(sighting.sourceId), plus_minus: sighting.sd };
    }),
  );
}

export function rulingsCsv(state: BriefState): string {
  const questions = new Map(state.questions.map((question) => [question.id, question]));
  return writeTable(
    RULING_COLUMNS,
    state.rulings.map((ruling) => {
      const { zone, aspect, item } = questions.get(ruling.questionId)!;
      return { ...ruling, zone, aspect, which: item, ruling: ruling.value, ruled_by: ruling.ruledBy };
    }),
  );
}
