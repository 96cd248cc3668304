import { mayTakeBack } from '@/actions/of-device';
import { fresh } from '@/app/files/attachment';
import { elapsedToLocal } from '@/core/route/calendar';
import { listActs } from '@/data/act-list';
import { briefView } from '../view';

/** The last acts at the brief, each with what it changed; their moments by the clock of the bench. */
export async function GET(_: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const { id } = await params;
  const { timeZone } = (await briefView(id)).view.state.brief;
  const acts = await listActs(id, { stations: await mayTakeBack() });
  return fresh(acts.map((act) => ({ ...act, at: elapsedToLocal(0, timeZone, act.at) })));
}
