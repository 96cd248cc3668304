import { withMark } from '@/core/interchange/decode';
import { partsCsv } from '@/core/interchange/parts-csv';
import { loadBrief } from '@/data/read-brief';
import { attachment, noSuch } from '../../../files/attachment';
import { fileName } from '../file-name';

/** The register of parts of a brief as a table. */
export async function GET(_request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const state = await loadBrief((await params).id);
  if (!state) return noSuch('brief');
  return attachment(
    withMark(partsCsv(state.parts)),
    'text/csv; charset=utf-8',
    `${fileName(state.airframe)}-parts.csv`,
  );
}
