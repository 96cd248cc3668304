import { Readable } from 'node:stream';
import { pictureForPrint } from '@/data/pictures';
import { attachment } from '@/app/files/attachment';
import { recordPaper } from '@/paper/record-data';
import { recordHtml } from '@/paper/record-html';
import { makePdf } from '@/paper/thread';
import { fileName } from '../file-name';
import { schemeOf } from '../scheme-of';
import { shownOf } from '../shown-of';
import { briefView } from '../view';

/** The record of the build as one page that needs nothing beside itself, written as it is read. */
export async function GET(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const derived = await briefView((await params).id);
  const { view, nowUtc } = derived;
  const data = shownOf(derived, recordPaper(view, nowUtc));
  const whole = new Uint8Array(
    await new Response(await makePdf({ kind: 'whole machine', data: data.sheet }, request.signal)).arrayBuffer(),
  );
  const pieces = Readable.from(recordHtml(data, schemeOf(view), whole.length > 0 ? whole : null, pictureForPrint));
  return attachment(
    Readable.toWeb(pieces) as ReadableStream<Uint8Array>,
    'text/html; charset=utf-8',
    `${fileName(view.state.airframe)}-record.html`,
  );
}
