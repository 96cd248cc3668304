import Papa from 'papaparse';
import { chipFields, colourCodeFields, paintFields, paintLineFields } from '@/core/brief/records';
import type { ShelfAddition } from '@/data/colours';

/** The demo's invented standard and catalogue, read from their CSV files and checked like any other input. */

function tableOf(csv: string): Record<string, string>[] {
  const { data, errors } = Papa.parse<Record<string, string>>(csv, { header: true, skipEmptyLines: true });
  if (errors.length > 0) throw new Error(`line ${(errors[0]!.row ?? 0) + 2}: ${errors[0]!.message}`);
  return data;
}

const labOf = (row: Record<string, string>): [number, number, number] | null =>
  row.L ? [Number(row.L), Number(row.a), Number(row.b)] : null;

export function demoShelf(standardCsv: string, catalogueCsv: string): ShelfAddition {
  const codes = tableOf(standardCsv).map((row) => ({
    code: colourCodeFields.parse({ system: 'TCS', code: row.code, name: row.name, finish: row.finish, kind: row.kind }),
    chips: [
      chipFields.omit({ codeId: true }).parse({
        lab: labOf(row),
        origin: row.origin,
        sd: Number(row.sd),
        note: 'chip of the coast standard, second issue',
      }),
    ],
  }));
  const rows = tableOf(catalogueCsv);
  const lines = [...new Set(rows.map((row) => row.line!))].map((name) => {
    const own = rows.filter((row) => row.line === name);
    return {
      line: paintLineFields.parse({ name, chemistry: own[0]!.chemistry }),
      paints: own.map((row) => ({
        paint: paintFields.omit({ lineId: true }).parse({
          number: row.number,
          name: row.name,
          kind: row.kind,
          finish: row.finish,
          opacity: row.opacity,
          lab: labOf(row),
          sd: Number(row.sd),
          sizeMl: Number(row.size_ml),
          priceCents: Number(row.price_cents),
          claims: row.claims ? row.claims.split(';') : [],
        }),
        bottle: row.drawer_ml
          ? { mlLeft: Number(row.drawer_ml), openedOn: row.opened_on || null, condition: row.condition ?? '' }
          : null,
      })),
    };
  });
  return { codes, lines };
}
