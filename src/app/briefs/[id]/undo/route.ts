import { mayTakeBack } from '@/actions/of-device';
import { fresh } from '@/app/files/attachment';
import { undoState } from '@/data/act-list';
import { revisionsAt } from '../view';

/** What one press would take back, and what it would do again. */
export async function GET(_: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const { id } = await params;
  await revisionsAt(id);
  return fresh(await undoState(id, { stations: await mayTakeBack() }));
}
