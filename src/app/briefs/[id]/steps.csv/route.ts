import { withMark } from '@/core/interchange/decode';
import { stepsCsv } from '@/core/interchange/steps-csv';
import { zoneTitle } from '@/core/outline/outline';
import { attachment } from '../../../files/attachment';
import { fileName } from '../file-name';
import { briefView } from '../view';

/** The route as a table. */
export async function GET(_request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const { view } = await briefView((await params).id);
  return attachment(
    withMark(stepsCsv(view.plan, view.route, (zone) => zoneTitle(view.outline, zone))),
    'text/csv; charset=utf-8',
    `${fileName(view.state.airframe)}-steps.csv`,
  );
}
