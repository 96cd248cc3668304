import { fresh } from '@/app/files/attachment';
import { sumFacts } from '@/core/workshop/sum-facts';
import { briefView } from '../view';

/** What the brief knows of itself, for the sums in the drawer. */
export async function GET(_: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  return fresh(sumFacts((await briefView((await params).id)).view));
}
