import { learningOf } from '@/core/workshop/learning';
import { fresh } from '@/app/files/attachment';
import { finishDrift } from '@/data/finish-drift';
import { shownOf } from '../../shown-of';
import { briefView } from '../../view';

/** What the record teaches, and how the finish has moved with each plan that was accepted. */
export async function GET(_: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const { id } = await params;
  const derived = await briefView(id);
  const { view } = derived;
  return fresh(shownOf(derived, { ...learningOf(view), drift: await finishDrift(id) }));
}
