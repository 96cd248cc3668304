import { z } from 'zod';
import { chipFields, colourCodeFields, colourSystemFields, type Fields } from '@/core/kept/records';
import { CHIP_ORIGINS } from '@/core/colour/chips';
import { finishOfCode } from '@/core/codes/official';
import { canonicalCode, CODE_SHAPES, type CodeShape } from '@/core/codes/system';
import { readCgats } from './cgats';
import { colourOfRow } from './colour-cells';
import { FINISH_WORDS, KIND_WORDS, wordOf } from './cell-words';
import { STANDARD_COLUMNS } from './column-kinds';
import type { Reading } from './columns';
import { readAs, RowReader, type RowFault, type Table, type TableShape } from './table';

/** An official standard from a table (see docs/formats/standard.md) or from a CGATS measurement file. */

export interface StandardRow {
  row: number;
  code: Fields<'colour_code'>;
  chip: Omit<Fields<'chip'>, 'codeId'> | null;
  /** How its colour was understood. */
  form: string;
  supersededBy: string[];
  equivalents: string[];
}
export interface StandardRead {
  /** Null for a measurement file, whose columns have names of their own. */
  shape: TableShape | null;
  system: Fields<'colour_system'>;
  rows: StandardRow[];
  faults: RowFault[];
  /** What was understood, in words. */
  understood: string[];
}

/** What the reader says of the system; the shape and digits are guessed where they are not given. */
export const systemAsked = z.object({
  name: colourSystemFields.shape.name,
  title: colourSystemFields.shape.title.default(''),
  prefix: colourSystemFields.shape.prefix,
  shape: z.enum(CODE_SHAPES).optional(),
});
type Asked = z.infer<typeof systemAsked>;

/** The shape that most of the codes have. */
export function guessShape(codes: readonly string[], prefix: string): { shape: CodeShape; digits: number } {
  const bare = codes.map((code) => {
    const plain = code.toUpperCase().replace(/[\s.\-_]+/g, '');
    return plain.startsWith(prefix) ? plain.slice(prefix.length) : plain;
  });
  const share = (pattern: RegExp) => bare.filter((code) => pattern.test(code)).length / Math.max(1, bare.length);
  const longest = Math.max(1, ...bare.map((code) => /\d+/.exec(code)?.[0].length ?? 1));
  if (share(/^[123]\d{4}$/) > 0.8) return { shape: 'gloss-family', digits: 5 };
  if (share(/^[1-9]\d{3}$/) > 0.8) return { shape: 'family', digits: 4 };
  if (share(/\//) > 0.8) return { shape: 'munsell', digits: 1 };
  if (share(/^[A-Z]{1,3}\d+[A-Z]?$/) > 0.8) return { shape: 'letters', digits: Math.min(6, longest) };
  return { shape: 'digits', digits: Math.min(6, longest) };
}

const isCgats = (text: string) => /BEGIN_DATA/.test(text);

/** Reads a standard; rows with faults are named and left out, the others stand. */
export function readStandard(text: string, asked: Asked, reading: Reading | null = null): StandardRead {
  const read = isCgats(text) ? null : readAs(text, STANDARD_COLUMNS, reading);
  const table: Table = read ?? readCgats(text);
  const faults = [...table.faults];
  if (!table.heads.includes('code'))
    faults.push({
      row: 1,
      field: 'code',
      says: `which column is the code? There are ${(read?.shape.heads ?? table.heads).join(', ') || 'none'}`,
    });
  const guessed = guessShape(
    table.rows.map(({ cells }) => cells.code ?? ''),
    asked.prefix,
  );
  const shape = asked.shape ?? guessed.shape;
  const system = { name: asked.name, title: asked.title, prefix: asked.prefix, shape, digits: guessed.digits };
  const seen = new Map<string, number>();
  const rows = table.rows.flatMap(({ row, cells }): StandardRow[] => {
    const reader = new RowReader(row, cells);
    const made = readRow(reader, system);
    if (made) {
      const key = `${made.code.code} ${made.chip?.batch ?? ''}`;
      // The same code again is another chip of it, but its name and finish are those of the first.
      seen.set(key, (seen.get(key) ?? 0) + 1);
    }
    faults.push(...reader.faults);
    return made && reader.faults.length === 0 ? [made] : [];
  });
  const forms = new Map<string, number>();
  for (const { form } of rows) forms.set(form, (forms.get(form) ?? 0) + 1);
  const codes = new Set(rows.map(({ code }) => code.code)).size;
  return {
    shape: read?.shape ?? null,
    system,
    rows,
    faults: faults.sort((a, b) => a.row - b.row),
    understood: [
      `${codes} ${codes === 1 ? 'code' : 'codes'} of ${system.name}, written as ${rows[0]?.code.code ?? `${asked.prefix} …`}`,
      ...[...forms].map(([form, count]) => `${count} ${form === '' ? 'without a colour' : `by ${form}`}`),
      ...([...seen.values()].some((count) => count > 1)
        ? [`${[...seen.values()].filter((count) => count > 1).length} codes with several chips, to be pooled`]
        : []),
    ],
  };
}

const chipInTable = chipFields.omit({ codeId: true });

function readRow(row: RowReader, system: Fields<'colour_system'>): StandardRow | null {
  const given = row.text('code');
  if (!given) {
    row.fault('code', 'a code is needed');
    return null;
  }
  const written = system.shape === 'munsell' ? given : given.replace(/[()]/g, ' ');
  const code = canonicalCode(system, written);
  if (!code) {
    row.fault('code', `"${given}" is no code of ${system.name} (${system.shape})`);
    return null;
  }
  const colour =
    system.shape === 'munsell' && !row.has('l')
      ? colourOfRow(new RowReader(row.row, { munsell: code }))
      : colourOfRow(row);
  const sd = row.number('sd') ?? row.number('uncertainty');
  const origin = row.text('origin');
  const known = CHIP_ORIGINS.find((candidate) => candidate === origin.toLowerCase());
  if (origin && !known) row.fault('origin', `"${origin}": the origin is one of ${CHIP_ORIGINS.join(', ')}`);
  const record = colourCodeFields.safeParse({
    system: system.name,
    code,
    name: row.text('name'),
    finish: finishOfCode([system], code) ?? wordOf(FINISH_WORDS, row.text('finish'), 'matt'),
    kind: wordOf(KIND_WORDS, row.text('kind'), 'solid'),
    ground: row.text('ground'),
    flop: row.text('flop'),
  });
  if (!record.success) {
    row.complain(record.error);
    return null;
  }
  const chip = colour
    ? chipInTable.safeParse({
        lab: colour.lab,
        origin: known ?? colour.origin,
        sd: sd ?? colour.sd,
        instrument: row.text('instrument'),
        batch: row.text('batch'),
        note: row.text('note'),
      })
    : null;
  if (chip && !chip.success) {
    row.complain(chip.error);
    return null;
  }
  return {
    row: row.row,
    code: record.data,
    chip: chip?.data ?? null,
    form: colour?.form ?? '',
    supersededBy: row.list('superseded_by'),
    equivalents: row.list('equivalent').concat(row.list('equivalents')),
  };
}
