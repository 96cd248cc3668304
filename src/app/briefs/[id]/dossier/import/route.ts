import { z } from 'zod';
import type { Stamp } from '@/core/kept/act';
import { outlineOf } from '@/core/kept/state';
import { printPath } from '@/core/interchange/contracts/contract';
import { decodeText, ENCODING_TITLES, ENCODINGS, type Decoded } from '@/core/interchange/decode';
import { dossierSchema } from '@/core/interchange/dossier';
import { readEvidenceCsv, type RowFault } from '@/core/interchange/evidence-csv';
import { capped, counted } from '@/core/units/words';
import { actOf } from '@/app/files/act';
import { bodyOf, MB, TooMuch } from '@/app/files/body';
import { CannotBeDone } from '@/data/acts';
import { loadBrief } from '@/data/read-brief';
import { addTable, mergeDossier } from '@/data/dossier';
import { PictureFault } from '@/data/pictures';

const MOST_BYTES = 100 * MB;
const MOST_FAULTS = 100;
const encodingSchema = z.enum(ENCODINGS);

const answer = (says: string, faults: RowFault[], status: number) =>
  Response.json(
    { says, faults: capped(faults, MOST_FAULTS, (left): RowFault => ({ row: 0, says: `and ${left} more` })) },
    { status },
  );
const refused = (faults: RowFault[], status = 422) => answer('Not taken in; nothing was changed.', faults, status);
const whole = (says: string) => [{ row: 0, says }];

/** Takes in a dossier (JSON) or a table of sources, sightings or rulings (CSV): told apart by how the file begins. */
export async function POST(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  try {
    return await take(request, (await params).id);
  } catch (error) {
    if (error instanceof CannotBeDone) return refused(whole(error.message), 409);
    throw error;
  }
}

async function take(request: Request, id: string): Promise<Response> {
  const { stamp } = actOf(request);
  const asked = encodingSchema.safeParse(new URL(request.url).searchParams.get('encoding'));
  let read: Decoded;
  try {
    read = decodeText(await bodyOf(request, MOST_BYTES), asked.data ?? null);
  } catch (error) {
    if (error instanceof TooMuch) return refused(whole(error.message), 413);
    throw error;
  }
  if ('asks' in read) return Response.json({ says: read.asks, faults: [], encodings: ENCODINGS }, { status: 422 });
  const { text, encoding } = read;
  const state = await loadBrief(id);
  if (!state) return refused(whole('this brief is gone'), 404);
  if (/^\s*[{[]/.test(text)) return takeDossier(id, text, stamp);

  const outline = outlineOf(state);
  const table = readEvidenceCsv(text, outline.zones);
  if (!('table' in table)) return refused(table.faults);
  const done = (await addTable(id, table, stamp))!;
  return answer(
    `${done.added} of ${counted(done.added + done.faults.length, table.table.replace(/s$/, ''))} added${encoding === 'utf-8' ? '' : `, read as ${ENCODING_TITLES[encoding]}`}.`,
    done.faults,
    done.added > 0 || done.faults.length === 0 ? 200 : 422,
  );
}

async function takeDossier(id: string, text: string, stamp: Stamp | undefined): Promise<Response> {
  let raw: unknown;
  try {
    raw = JSON.parse(text);
  } catch {
    return refused(whole('the file is not JSON'), 400);
  }
  const parsed = dossierSchema.safeParse(raw);
  if (!parsed.success)
    return refused(
      parsed.error.issues.map((issue) => ({ row: 0, says: `${printPath(issue.path)}: ${issue.message}` })),
    );
  try {
    const done = (await mergeDossier(id, parsed.data, stamp))!;
    if (done.faults.length > 0) return refused(done.faults);
    const added = Object.entries(done.added)
      .filter(([, count]) => count > 0)
      .map(([what, count]) => counted(count, what.replace(/s$/, '')));
    return answer(added.length > 0 ? `Added: ${added.join(', ')}.` : 'All of it is here already.', [], 200);
  } catch (error) {
    if (error instanceof PictureFault) return refused(whole(error.message));
    throw error;
  }
}
