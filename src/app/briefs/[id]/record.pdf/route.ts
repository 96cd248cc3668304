import { picturesOf, recordPaper } from '@/paper/record-data';
import { makePdf } from '@/paper/thread';
import { pictureForPrint } from '@/data/pictures';
import { fileName } from '../file-name';
import { shownOf } from '../shown-of';
import { briefView } from '../view';

/** Pictures that one paper holds; the one-page record holds them all. */
const MOST_PICTURES = 120;

/** The record of the build on paper, with its pictures. */
export async function GET(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const derived = await briefView((await params).id);
  const { view, nowUtc } = derived;
  const data = shownOf(derived, recordPaper(view, nowUtc));
  const pictures: Record<string, Uint8Array> = {};
  for (const id of picturesOf(data).slice(0, MOST_PICTURES)) {
    const picture = await pictureForPrint(id);
    if (picture) pictures[id] = picture;
  }
  const bytes = await makePdf({ kind: 'record', data, pictures }, request.signal);
  return new Response(bytes, {
    headers: {
      'content-type': 'application/pdf',
      'content-disposition': `attachment; filename="${fileName(view.state.airframe)}-record.pdf"`,
    },
  });
}
