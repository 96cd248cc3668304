import { fresh, noSuch } from '@/app/files/attachment';
import { fallsWith } from '@/core/workshop/log-book';
import { briefView } from '../../../view';

/** What is done and no longer holds when an entry's work is done again. */
export async function GET(
  _: Request,
  { params }: { params: Promise<{ id: string; entry: string }> },
): Promise<Response> {
  const { id, entry } = await params;
  const falls = fallsWith((await briefView(id)).view, entry);
  return falls ? fresh(falls) : noSuch('entry');
}
