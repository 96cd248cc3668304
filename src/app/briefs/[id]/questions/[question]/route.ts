import { fresh, noSuch } from '@/app/files/attachment';
import { questionSupport } from '@/stations/evidence/page-data';
import { shownOf } from '../../shown-of';
import { briefView } from '../../view';

/** What one question rests on, for whoever opens it. */
export async function GET(
  _: Request,
  { params }: { params: Promise<{ id: string; question: string }> },
): Promise<Response> {
  const { id, question } = await params;
  const derived = await briefView(id);
  const { view } = derived;
  const support = questionSupport(view, question);
  return support ? fresh(shownOf(derived, support)) : noSuch('question');
}
