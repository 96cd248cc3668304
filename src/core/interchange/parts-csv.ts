import { BLANK_PART } from '@/core/kept/blank';
import { partFields, type Fields, type Kept } from '@/core/kept/records';
import {
  asRegister,
  inBoxOrder,
  keyOfPart,
  MOST_PARTS,
  partNumber,
  registerFaults,
  replacedNumbers,
} from '@/core/kit/parts';
import type { Zone } from '@/core/outline/zones';
import { zonesCalled } from '@/core/outline/zone-sets';
import { z } from 'zod';
import { PART_COLUMNS } from './column-kinds';
import type { Reading } from './columns';
import { readAs, writeTable, type RowFault, type TableShape } from './table';

/** The register of parts as a table: see docs/formats/parts.md. Colours, and what is replaced, stand in one cell with "|" between them. */

const COLUMNS = [
  'sprue',
  'number',
  'name',
  'count',
  'step',
  'zone',
  'origin',
  'set',
  'replaces',
  'condition',
  'colours',
  'painted',
  'ordered_until',
  'note',
] as const;

export interface PartRow {
  part: Fields<'part'>;
  /** What it replaces, as the table writes it. */
  replaces: string[];
}

export interface PartsRead {
  shape: TableShape;
  understood: string[];
  rows: PartRow[];
  faults: RowFault[];
}

/** Reads a register; every row that cannot be taken says why, the others are taken. `known` are the parts that are there already. */
export function readPartsCsv(
  text: string,
  zones: readonly Zone[],
  known: readonly Pick<Kept<'part'>, 'sprue' | 'number'>[],
  boughtOn: string | null,
  reading: Reading | null = null,
): PartsRead {
  const { heads, rows, faults, shape } = readAs(text, PART_COLUMNS, reading);
  const whole = (says: string): PartsRead => ({
    shape,
    understood: [],
    rows: [],
    faults: [{ row: 1, field: '', says }],
  });
  if (!heads.includes('number'))
    return whole(`Which column is the number of a part? There are ${shape.heads.join(', ') || 'none'}.`);
  if (rows.length > MOST_PARTS) return whole(`${rows.length} parts: at most ${MOST_PARTS} are taken.`);
  const there = new Set(known.map(keyOfPart));
  const seen = new Map<string, number>();
  const read = rows.flatMap(({ row, cells }): (PartRow & { row: number })[] => {
    const fault = (field: string, says: string) => {
      faults.push({ row, field, says });
      return [];
    };
    const cell = (name: (typeof COLUMNS)[number]) => cells[name] ?? '';
    const zone = cell('zone') === '' ? [''] : zonesCalled(cell('zone'), zones);
    if (!zone || zone.length !== 1) return fault('zone', `there is no zone "${cell('zone')}" on this airframe`);
    const count = cell('count') === '' ? 1 : Number(cell('count'));
    const checked = partFields.safeParse({
      ...BLANK_PART,
      sprue: cell('sprue'),
      number: cell('number'),
      name: cell('name'),
      count,
      instructionStep: cell('step'),
      zone: zone[0],
      origin: cell('origin').toLowerCase() || 'kit',
      condition: cell('condition').toLowerCase() || 'sound',
      codes: severalIn(cell('colours')),
      painted: cell('painted').toLowerCase() || 'assembly',
      orderedUntil: cell('ordered_until') || null,
      setTitle: cell('set'),
      note: cell('note'),
    });
    if (!checked.success)
      return fault(
        String(checked.error.issues[0]!.path[0] ?? ''),
        z.prettifyError(checked.error).split('\n')[0]!.replace(/^✖ /, ''),
      );
    const key = keyOfPart(checked.data);
    const name = partNumber(checked.data);
    if (there.has(key)) return fault('number', `${name} is in the register already`);
    if (seen.has(key)) return fault('number', `${name} stands in row ${seen.get(key)} already`);
    seen.set(key, row);
    return [{ row, part: checked.data, replaces: severalIn(cell('replaces')) }];
  });
  // What replaces what is known only once all rows are read.
  const register = asRegister(
    read.map(({ part, replaces }) => ({ ...part, replaces })),
    keyOfPart,
    known,
  );
  const bad = new Set<string>();
  for (const { id, field, says } of [...register.faults, ...registerFaults(register.parts, boughtOn, there)]) {
    faults.push({ row: seen.get(id)!, field, says });
    bad.add(id);
  }
  const good = read.filter(({ part }) => !bad.has(keyOfPart(part)));
  return {
    shape,
    understood: [`${good.length} of ${rows.length} rows`],
    rows: good.map(({ part, replaces }) => ({ part, replaces })),
    faults: faults.sort((a, b) => a.row - b.row),
  };
}

/** What stands in one cell beside one another. */
const severalIn = (text: string): string[] =>
  text
    .split('|')
    .map((one) => one.trim())
    .filter(Boolean);

export function partsCsv(parts: readonly Kept<'part'>[]): string {
  const byId = new Map(parts.map((part) => [part.id, part]));
  return writeTable(
    COLUMNS,
    inBoxOrder(parts).map((part) => ({
      ...part,
      step: part.instructionStep,
      set: part.setTitle,
      replaces: replacedNumbers(part, byId).join('|'),
      colours: part.codes.join('|'),
      ordered_until: part.orderedUntil,
    })),
  );
}
