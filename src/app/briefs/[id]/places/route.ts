import { fresh } from '@/app/files/attachment';
import { placesToGo } from '@/stations/shell/places-to-go';
import { briefView } from '../view';

/** What can be found by name, and where it is shown. */
export async function GET(_: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const { view } = await briefView((await params).id);
  return fresh(placesToGo(view));
}
