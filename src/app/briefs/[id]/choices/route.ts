import { setImmediate as others } from 'node:timers/promises';
import { fresh } from '@/app/files/attachment';
import { OPTION_CHOICES } from '@/core/kit/options';
import { consequenceOf, otherChoices } from '@/core/workshop/consequences';
import type { SoonestChoice } from '@/stations/kit/page-data';
import { briefView } from '../view';

/** Which option has to be decided soonest. Each choice makes a route: others are answered between two. */
export async function GET(_: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const { view } = await briefView((await params).id);
  let soonest: SoonestChoice | null = null;
  for (const other of otherChoices(view)) {
    await others();
    const { decideBy } = consequenceOf(view, other);
    if (decideBy && (soonest === null || decideBy < soonest.by))
      soonest = { title: OPTION_CHOICES[other.option].title, by: decideBy };
  }
  return fresh({ soonest });
}
