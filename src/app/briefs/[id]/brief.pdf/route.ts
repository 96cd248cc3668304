import { makePdf } from '@/paper/thread';
import { briefPaper } from '@/paper/paper-data';
import { fileName } from '../file-name';
import { briefView } from '../view';

export async function GET(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const { view, shelf, nowUtc } = await briefView((await params).id);
  const bytes = await makePdf({ kind: 'brief', data: briefPaper(view, shelf, nowUtc) }, request.signal);
  return new Response(bytes, {
    headers: {
      'content-type': 'application/pdf',
      'content-disposition': `attachment; filename="${fileName(view.state.airframe)}.pdf"`,
    },
  });
}
