import { planIcs } from '@/core/interchange/plan-ics';
import { identityOf } from '@/core/kept/state';
import { attachment } from '../../../files/attachment';
import { fileName } from '../file-name';
import { briefView } from '../view';

/** The sessions ahead with their steps, windows and drying, for a calendar. */
export async function GET(_request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const { view, nowUtc } = await briefView((await params).id);
  const { airframe, brief } = view.state;
  return attachment(
    planIcs(view.plan, view.route, { title: identityOf(airframe), briefId: brief.id, stamp: nowUtc }),
    'text/calendar; charset=utf-8',
    `${fileName(airframe)}-bench.ics`,
  );
}
