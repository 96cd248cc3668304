import { withMark } from '@/core/interchange/decode';
import { writeCatalogue } from '@/core/interchange/catalogue-csv';
import { loadShelf } from '@/data/shelf';

/** The catalogue with the drawer as a table. */
export async function GET() {
  const { paints, sets } = await loadShelf();
  return new Response(withMark(writeCatalogue(paints, sets)), {
    headers: {
      'content-type': 'text/csv; charset=utf-8',
      'content-disposition': 'attachment; filename="catalogue.csv"',
    },
  });
}
