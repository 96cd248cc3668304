import { fresh, noSuch } from '@/app/files/attachment';
import { questionSupport } from '@/stations/evidence/page-data';
import { briefView } from '../../view';

/** What one question rests on, for whoever opens it. */
export async function GET(
  _: Request,
  { params }: { params: Promise<{ id: string; question: string }> },
): Promise<Response> {
  const { id, question } = await params;
  const { view } = await briefView(id);
  const support = questionSupport(view, question);
  return support ? fresh(support) : noSuch('question');
}
