import { fresh, noSuch } from '@/app/files/attachment';
import { madePage } from '@/stations/log/page-data';
import { shownOf } from '../../shown-of';
import { briefView } from '../../view';

/** How a zone was made, from the plastic up. */
export async function GET(
  _: Request,
  { params }: { params: Promise<{ id: string; zone: string }> },
): Promise<Response> {
  const { id, zone } = await params;
  const derived = await briefView(id);
  const { view } = derived;
  return view.outline.zones.some(({ key }) => key === zone)
    ? fresh(shownOf(derived, madePage(view, zone)))
    : noSuch('zone');
}
