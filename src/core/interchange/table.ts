import Papa from 'papaparse';
import type { ZodError } from 'zod';
import { parseNumber } from '@/core/units/number';
import { asCell, fromCell } from '@/core/units/text';
import { guessByCells, guessColumns, plainHead, type ColumnKind, type Reading } from './columns';

/** Tables as people keep them: CSV with a head, whatever the delimiter. Cells are read one by one, and each fault names its row. */

export interface RowFault {
  /** Line of the file, the head being 1. */
  row: number;
  field: string;
  says: string;
}

export interface Table {
  heads: string[];
  rows: { row: number; cells: Record<string, string> }[];
  faults: RowFault[];
}

export const MOST_ROWS = 20_000;

/** Delimiters that tables are kept with. */
const DELIMITERS = [',', ';', '\t', '|'];

/** Which delimiter a head is written with: the one that occurs most often in it. */
function delimiterOf(text: string): string {
  const head = /^.*/.exec(text.trimStart())![0].replace(/"[^"]*"/g, '');
  const times = (delimiter: string) => head.split(delimiter).length;
  return DELIMITERS.reduce((best, delimiter) => (times(delimiter) > times(best) ? delimiter : best));
}

/** A table without its marks, and its delimiter: that of a first line `sep=;` as spreadsheets write it, else that of the head. */
function opened(given: string): { table: string; delimiter: string } {
  const text = given.replace(/^\uFEFF/, '');
  const said = /^"?sep=(.)"?\r?\n/i.exec(text);
  const table = said ? text.slice(said[0].length) : text;
  return { table, delimiter: said?.[1] ?? delimiterOf(table) };
}

/** Enough to see that there are too many, beside the heading. */
const PREVIEW = MOST_ROWS + 2;

/** A heading in lower case with blanks and hyphens as underscores. */
const asField = (head: string) =>
  head
    .trim()
    .toLowerCase()
    .replace(/[\s-]+/g, '_');

/** The cells of a CSV file with a head, whatever its delimiter, by the headings. */
export function parseCells(given: string) {
  const { table, delimiter } = opened(given);
  return Papa.parse<Record<string, string>>(table, {
    header: true,
    delimiter,
    preview: PREVIEW,
    skipEmptyLines: 'greedy',
    transformHeader: asField,
  });
}

/** The columns of a table as they came, what each is taken for, and its first rows: for whoever looks whether it was understood. */
export interface TableShape {
  /** As they are written; of a table without headings "column 1" and on. */
  heads: string[];
  sample: string[][];
  reading: Reading;
  kinds: { field: string; title: string }[];
  /** What no column says and may hold for all rows. */
  asks: TableAsk[];
}

/** Something that is said once for all rows of a table: one of some choices, or (without any) yes or nothing. */
export interface TableAsk {
  field: string;
  title: string;
  options: { value: string; label: string }[];
}

const MOST_SAMPLE = 3;
/** Rows that tell what a column holds. */
const LOOKED_AT = 200;
/** Cells of a spectrum are known by their wavelength. */
const WAVELENGTH = /^(spectral_)?nm\d{3}$/;

/**
 * Reads a table with headings of any kind, in any of the languages that `kinds` knows, or with none: cells by field. Columns are guessed, or
 * as `asked` says. What is said for all rows fills the cells that are empty.
 */
export function readAs(
  text: string,
  kinds: readonly ColumnKind[],
  asked: Reading | null = null,
): Table & { shape: TableShape } {
  const { table, delimiter } = opened(text);
  const { data, errors } = Papa.parse<string[]>(table, { delimiter, preview: PREVIEW, skipEmptyLines: 'greedy' });
  const first = (data[0] ?? []).map((head) => String(head).trim());
  const guessed = guessByCells(guessColumns(first, kinds), data.slice(1, LOOKED_AT), kinds);
  const reading = asked ?? readingOf(first, data, kinds, guessed);
  const heads = reading.isHeadless ? first.map((_, i) => `column ${i + 1}`) : first;
  const body = reading.isHeadless ? data : data.slice(1);
  const offset = reading.isHeadless ? 1 : 2;
  const faults: RowFault[] = errors
    .filter(({ code }) => code !== 'UndetectableDelimiter')
    .map(({ row, message }) => ({ row: (row ?? 0) + 1, field: '', says: message }));
  const shape: TableShape = {
    heads,
    sample: body.slice(0, MOST_SAMPLE).map((cells) => cells.map((cell) => String(cell).trim())),
    reading,
    kinds: kinds.map(({ field, title }) => ({ field, title })),
    asks: [],
  };
  // The columns by the fields that they fill: a spectrum keeps its own.
  const fields = heads.map((head, i) => reading.columns[i] || (WAVELENGTH.test(asField(head)) ? asField(head) : ''));
  const filled = [...new Set([...fields.filter(Boolean), ...Object.keys(reading.all)])];
  if (body.length > MOST_ROWS)
    return {
      heads: filled,
      rows: [],
      faults: [
        {
          row: 1,
          field: '',
          says: `about ${linesOf(table) - (offset - 1)} rows: at most ${MOST_ROWS} are taken at once`,
        },
      ],
      shape,
    };
  const bad = new Set(faults.map(({ row }) => row));
  const rows = body.flatMap((cells, i) => {
    const row = i + offset;
    if (bad.has(row)) return [];
    if (cells.slice(heads.length).some((cell) => cell.trim() !== '')) {
      faults.push({ row, field: '', says: `${cells.length} cells, where there are ${heads.length} columns` });
      return [];
    }
    const own: Record<string, string> = { ...reading.all };
    fields.forEach((field, at) => {
      const cell = fromCell(String(cells[at] ?? '').trim());
      if (field && (cell !== '' || !(field in own))) own[field] = cell;
    });
    return [{ row, cells: own }];
  });
  return { heads: filled, rows, faults, shape };
}

/** How a table is read where nobody said it: where no heading means anything, and there is one column or a row like all others, it has none. */
function readingOf(
  first: readonly string[],
  data: readonly (readonly string[])[],
  kinds: readonly ColumnKind[],
  guessed: readonly string[],
): Reading {
  const isUnknown = guessed.every((field) => field === '') && !first.some((head) => WAVELENGTH.test(asField(head)));
  // Of several columns a line with a figure in it is a row; one of words alone are headings that nobody knows.
  const isHeadless =
    data.length > 0 && isUnknown && (first.length === 1 || first.some((cell) => parseNumber(cell) !== null));
  if (!isHeadless) return { isHeadless, columns: guessed, all: {} };
  const named = kinds.some(({ field }) => field === 'name') ? 'name' : (kinds[0]?.field ?? '');
  // Of a table without headings the first column that is no number is the name.
  const at = first.findIndex((_, i) =>
    data.some((row) => plainHead(row[i] ?? '') !== '' && parseNumber(row[i] ?? '') === null),
  );
  return { isHeadless, columns: first.map((_, i) => (i === Math.max(at, 0) ? named : '')), all: {} };
}

/** Lines with an end; a cell may hold some of them. */
const linesOf = (text: string): number => text.match(/\n/g)?.length ?? 0;

/** Millilitres in one of each unit of volume. */
const MILLILITRES: Readonly<Record<string, number>> = {
  '': 1,
  ml: 1,
  cc: 1,
  cl: 10,
  l: 1000,
  oz: 29.5735,
  'fl oz': 29.5735,
};

/** Cells of one row, read by kind; faults are gathered. */
export class RowReader {
  readonly faults: RowFault[] = [];

  constructor(
    readonly row: number,
    private readonly cells: Record<string, string>,
  ) {}

  fault(field: string, says: string) {
    this.faults.push({ row: this.row, field, says });
  }

  /** Schema complaints become faults of this row. */
  complain(error: ZodError) {
    for (const issue of error.issues) this.fault(issue.path.join('.'), issue.message);
  }

  has(field: string): boolean {
    return Boolean(this.cells[field]);
  }

  text(field: string, otherwise = ''): string {
    return this.cells[field] || otherwise;
  }

  /** Whether the table has the field at all, be the cell of this row empty. */
  says(field: string): boolean {
    return field in this.cells;
  }

  number(field: string): number | null {
    return this.numberIn(field, this.cells[field] ?? '');
  }

  /** Millilitres, with their unit or without. */
  millilitres(field: string): number | null {
    const [, figure = '', unit = ''] = /^(.*?)\s*([a-z][a-z. ]*)?$/i.exec(this.text(field)) ?? [];
    const each = MILLILITRES[unit.toLowerCase().replaceAll('.', '').trim()];
    if (figure !== '' && each === undefined) {
      this.fault(field, `"${this.text(field)}": ${unit} is no unit of volume`);
      return null;
    }
    const value = this.numberIn(field, figure || this.text(field));
    return value === null || each === undefined ? value : value * each;
  }

  /** A number that stands within a cell. */
  numberIn(field: string, text: string): number | null {
    if (text === '') return null;
    const value = parseNumber(text);
    if (value === null)
      this.fault(
        field,
        /[.].*,|,.*[.]/.test(text)
          ? `"${text}" has a point and a comma: which is the decimal mark?`
          : `"${text}" is no number`,
      );
    return value;
  }

  list(field: string): string[] {
    return this.text(field)
      .split(/[;|]/)
      .map((item) => item.trim())
      .filter(Boolean);
  }

  /** 31 reflectances in one cell, apart by blanks or semicolons, or in cells nm400 ... nm700; percent is taken as such. */
  curve(field: string): number[] | null {
    const inCells = Array.from({ length: 31 }, (_, i) => [`nm${400 + 10 * i}`, `spectral_nm${400 + 10 * i}`]);
    const cells = inCells.map((names) => names.map((name) => this.cells[name]).find(Boolean));
    const given = this.has(field)
      ? this.text(field)
          .split(/[\s;|]+/)
          .filter(Boolean)
      : field === 'reflectance' && cells.some(Boolean)
        ? cells.map((cell) => cell ?? '')
        : null;
    if (!given) return null;
    if (given.length !== 31) {
      this.fault(field, `${given.length} values: a reflectance has 31, 400 to 700 nm by 10`);
      return null;
    }
    const values = given.map((text) => parseNumber(text));
    const bad = values.findIndex((value) => value === null);
    if (bad >= 0) {
      this.fault(field, `"${given[bad]}" at ${400 + 10 * bad} nm is no number`);
      return null;
    }
    const numbers = values as number[];
    const percent = Math.max(...numbers) > 1.5;
    const scaled = percent ? numbers.map((value) => value / 100) : numbers;
    const outside = scaled.findIndex((value) => value < 0 || value > 1.05);
    if (outside >= 0) {
      this.fault(field, `${given[outside]} at ${400 + 10 * outside} nm: reflectance runs from 0 to 1 (or 0 to 100 %)`);
      return null;
    }
    return scaled.map((value) => Math.min(1, value));
  }
}

/** A table of these columns as CSV, each row by the names of its cells. */
export const writeTable = (columns: readonly string[], rows: Record<string, unknown>[]) =>
  `${Papa.unparse({ fields: [...columns], data: rows.map((row) => columns.map((column) => cellOf(row[column]))) }, { newline: '\n' })}\n`;

const cellOf = (value: unknown): unknown => (typeof value === 'string' ? asCell(value) : (value ?? ''));
