import { notFound } from 'next/navigation';
import { fresh } from '@/app/files/attachment';
import { isId } from '@/data/briefs';
import { pool } from '@/data/database';
import { numbersOf, revisionsOf } from '@/data/revisions';

/** What a page of the brief would be made from now: a page that was made from something else is out of date. */
export async function GET(_: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const { id } = await params;
  const revisions = isId(id) ? await revisionsOf(pool(), id) : null;
  if (!revisions) notFound();
  return fresh(numbersOf(revisions));
}
