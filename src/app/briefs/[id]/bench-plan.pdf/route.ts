import { benchPlan } from '@/paper/bench-plan';
import { makePdf } from '@/paper/thread';
import { fileName } from '../file-name';
import { shownOf } from '../shown-of';
import { briefView } from '../view';

/** The sessions ahead on paper, to be ticked off. */
export async function GET(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const derived = await briefView((await params).id);
  const { view, nowUtc } = derived;
  const bytes = await makePdf({ kind: 'bench plan', data: shownOf(derived, benchPlan(view, nowUtc)) }, request.signal);
  return new Response(bytes, {
    headers: {
      'content-type': 'application/pdf',
      'content-disposition': `attachment; filename="${fileName(view.state.airframe)}-bench-plan.pdf"`,
    },
  });
}
