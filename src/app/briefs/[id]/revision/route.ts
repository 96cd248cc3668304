import { fresh } from '@/app/files/attachment';
import { numbersOf } from '@/data/revisions';
import { revisionsAt } from '../view';

/** What a page of the brief would be made from now: a page that was made from something else is out of date. */
export async function GET(_: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  return fresh(numbersOf(await revisionsAt((await params).id)));
}
