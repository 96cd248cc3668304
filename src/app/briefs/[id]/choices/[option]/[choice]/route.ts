import { fresh, noSuch } from '@/app/files/attachment';
import { consequenceOf, otherChoices } from '@/core/workshop/consequences';
import { briefView } from '../../../view';

/** What a choice would change, for whoever looks at it. */
export async function GET(
  _: Request,
  { params }: { params: Promise<{ id: string; option: string; choice: string }> },
): Promise<Response> {
  const { id, option, choice } = await params;
  const { view } = await briefView(id);
  const found = otherChoices(view).find((one) => one.option === option && one.choice === choice);
  return found ? fresh(consequenceOf(view, found)) : noSuch('choice');
}
