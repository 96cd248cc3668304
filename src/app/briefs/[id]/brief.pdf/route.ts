import { makePdf } from '@/paper/thread';
import { briefPaper } from '@/paper/paper-data';
import { fileName } from '../file-name';
import { shownOf } from '../shown-of';
import { briefView } from '../view';

export async function GET(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const derived = await briefView((await params).id);
  const { view, shelf, nowUtc } = derived;
  const bytes = await makePdf(
    { kind: 'brief', data: shownOf(derived, briefPaper(view, shelf, nowUtc)) },
    request.signal,
  );
  return new Response(bytes, {
    headers: {
      'content-type': 'application/pdf',
      'content-disposition': `attachment; filename="${fileName(view.state.airframe)}.pdf"`,
    },
  });
}
