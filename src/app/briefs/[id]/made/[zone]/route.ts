import { fresh, noSuch } from '@/app/files/attachment';
import { madePage } from '@/stations/log/page-data';
import { briefView } from '../../view';

/** How a zone was made, from the plastic up. */
export async function GET(
  _: Request,
  { params }: { params: Promise<{ id: string; zone: string }> },
): Promise<Response> {
  const { id, zone } = await params;
  const { view } = await briefView(id);
  return view.outline.zones.some(({ key }) => key === zone) ? fresh(madePage(view, zone)) : noSuch('zone');
}
