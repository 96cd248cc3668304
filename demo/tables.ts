import { readCatalogue } from '@/core/interchange/catalogue-csv';
import { readStandard } from '@/core/interchange/standard-csv';
import type { RowFault } from '@/core/interchange/table';
import { catalogueAddition, standardAddition, type ShelfAddition } from '@/data/colours';

/** The demo's invented standard and catalogue, read from their CSV files like any other. */
export function demoShelf(standardCsv: string, catalogueCsv: string): ShelfAddition {
  const standard = readStandard(standardCsv, { name: 'TCS', title: 'Coast standard, second issue', prefix: 'TCS' });
  const catalogue = readCatalogue(catalogueCsv);
  refuse('standard.csv', standard.faults);
  refuse('catalogue.csv', catalogue.faults);
  const [codes, paints] = [standardAddition(standard), catalogueAddition(catalogue.rows)];
  return { ...codes, lines: paints.lines };
}

function refuse(file: string, faults: readonly RowFault[]) {
  const [first] = faults;
  if (first) throw new Error(`demo/${file} line ${first.row}: ${first.field} ${first.says}`);
}
