import { makePdf } from '@/paper/thread';
import { withMark } from '@/core/interchange/decode';
import { rulingsCsv, sightingsCsv, sourcesCsv } from '@/core/interchange/evidence-csv';
import { loadBrief } from '@/data/read-brief';
import { exportDossier } from '@/data/dossier';
import { dossierPaper } from '@/paper/dossier-data';
import { fileName } from '../../file-name';
import { shownOf } from '../../shown-of';
import { briefView } from '../../view';

const TABLES = { 'sources.csv': sourcesCsv, 'sightings.csv': sightingsCsv, 'rulings.csv': rulingsCsv } as const;

/** The dossier of a brief as PDF or JSON, or one of its tables. */
export async function GET(
  request: Request,
  { params }: { params: Promise<{ id: string; file: string }> },
): Promise<Response> {
  const { id, file } = await params;
  const answer = (body: BodyInit, type: string, name: string) =>
    new Response(body, {
      headers: { 'content-type': type, 'content-disposition': `attachment; filename="${name}"` },
    });
  if (file === 'dossier.pdf') {
    const derived = await briefView(id);
    const { view, nowUtc } = derived;
    const bytes = await makePdf(
      { kind: 'dossier', data: shownOf(derived, dossierPaper(view, nowUtc)) },
      request.signal,
    );
    return answer(bytes, 'application/pdf', `${fileName(view.state.airframe)}-dossier.pdf`);
  }
  if (file === 'dossier.json') {
    const found = await exportDossier(id);
    if (!found) return new Response('No such brief.\n', { status: 404 });
    const name = `${fileName(found.state.airframe)}-dossier.json`;
    return answer(`${JSON.stringify(found.dossier, null, 1)}\n`, 'application/json; charset=utf-8', name);
  }
  const state = Object.hasOwn(TABLES, file) ? await loadBrief(id) : null;
  if (!state) return new Response('No such file.\n', { status: 404 });
  const table = file as keyof typeof TABLES;
  return answer(withMark(TABLES[table](state)), 'text/csv; charset=utf-8', `${fileName(state.airframe)}-${table}`);
}
