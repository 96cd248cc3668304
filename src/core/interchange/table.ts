import Papa from 'papaparse';
import type { ZodError } from 'zod';
import { parseNumber } from '@/core/units/number';
import { asCell, fromCell } from '@/core/units/text';

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

/**
 * The cells of a CSV file with a head, whatever its delimiter: that of a first line `sep=;` as spreadsheets write it, else that of the head.
 * Heads in lower case with blanks and hyphens as underscores.
 */
export function parseCells(given: string) {
  const text = given.replace(/^\uFEFF/, '');
  const said = /^"?sep=(.)"?\r?\n/i.exec(text);
  const table = said ? text.slice(said[0].length) : text;
  return Papa.parse<Record<string, string>>(table, {
    header: true,
    delimiter: said?.[1] ?? delimiterOf(table),
    // Enough to see that there are too many.
    preview: MOST_ROWS + 1,
    skipEmptyLines: 'greedy',
    transformHeader: (head) =>
      head
        .trim()
        .toLowerCase()
        .replace(/[\s-]+/g, '_'),
  });
}

/** Reads a table. */
export function readTable(text: string): Table {
  const { data, errors, meta } = parseCells(text);
  const heads = meta.fields ?? [];
  const faults = errors
    .filter(({ code }) => code !== 'UndetectableDelimiter')
    .map(({ row, message }) => ({ row: (row ?? 0) + 2, field: '', says: message }));
  const bad = new Set(faults.map(({ row }) => row));
  if (data.length > MOST_ROWS)
    return {
      heads,
      rows: [],
      faults: [{ row: 1, field: '', says: `about ${linesOf(text) - 1} rows: at most ${MOST_ROWS} are taken at once` }],
    };
  return {
    heads,
    rows: data
      .map((cells, i) => ({
        row: i + 2,
        cells: Object.fromEntries(
          Object.entries(cells).map(([head, value]) => [head, fromCell(String(value ?? '').trim())]),
        ),
      }))
      .filter(({ row }) => !bad.has(row)),
    faults,
  };
}

/** Lines with an end; a cell may hold some of them. */
const linesOf = (text: string): number => text.match(/\n/g)?.length ?? 0;

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

  number(field: string): number | null {
    const text = this.cells[field] ?? '';
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
