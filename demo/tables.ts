import { readCatalogue } from '@/core/interchange/catalogue-csv';
import { readStandard } from '@/core/interchange/standard-csv';
import type { RowFault } from '@/core/interchange/table';
import { catalogueAddition, standardAddition, type ShelfAddition } from '@/data/catalogue';

/** The invented standards of the demo, by their files: a numbered one, the lettered one that it replaced, and five digits of a neighbour. */
export const STANDARDS = {
  'standard.csv': { name: 'TCS', title: 'Coast standard, second issue', prefix: 'TCS' },
  'standard-1946.csv': { name: 'SE', title: 'Coast standard, first issue', prefix: 'SE' },
  'standard-lacquers.csv': { name: 'NL', title: 'Norm for lacquers of a neighbouring country', prefix: 'NL' },
} as const;

/** The demo's invented standards and catalogue, read from their CSV files like any other. */
export function demoShelf(
  standards: Partial<Record<keyof typeof STANDARDS, string>>,
  catalogueCsv: string,
): ShelfAddition {
  const whole: ShelfAddition = { systems: [], codes: [], relations: [], lines: [] };
  for (const [file, csv] of Object.entries(standards) as [keyof typeof STANDARDS, string][]) {
    const read = readStandard(csv, STANDARDS[file]);
    refuse(file, read.faults);
    const { systems, codes, relations } = standardAddition(read);
    whole.systems.push(...systems);
    whole.codes.push(...codes);
    whole.relations.push(...relations);
  }
  const catalogue = readCatalogue(catalogueCsv);
  refuse('catalogue.csv', catalogue.faults);
  return { ...whole, lines: catalogueAddition(catalogue.rows, catalogue.sets).lines };
}

/** Reads the files of the demo by their names. */
export const demoShelfFrom = (read: (name: string) => string): ShelfAddition =>
  demoShelf(Object.fromEntries(Object.keys(STANDARDS).map((file) => [file, read(file)])), read('catalogue.csv'));

function refuse(file: string, faults: readonly RowFault[]) {
  const [first] = faults;
  if (first) throw new Error(`demo/${file} line ${first.row}: ${first.field} ${first.says}`);
}
