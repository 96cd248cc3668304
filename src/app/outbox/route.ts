import { performBenchAct } from '@/actions/bench-acts';
import { sentSchema } from '@/outbox/queued';
import { bodyOf, textOf, TooMuch } from '@/app/files/body';
import { nowMs } from '@/clock/now';

const MOST_BYTES = 256 * 1024;

const refused = (says: string, status: number) => Response.json({ state: 'refused', says }, { status });

/** One act of the bench, sent at once or after an evening without the server. The same act arriving again is done once. */
export async function POST(request: Request): Promise<Response> {
  let raw: unknown;
  try {
    raw = JSON.parse(textOf(await bodyOf(request, MOST_BYTES)) ?? '');
  } catch (error) {
    const isLarge = error instanceof TooMuch;
    return refused(isLarge ? 'This is too much for one act.' : 'This cannot be read.', isLarge ? 413 : 400);
  }
  const parsed = sentSchema.safeParse(raw);
  if (!parsed.success) {
    const [issue] = parsed.error.issues;
    return refused(`${issue!.path.join('.')}: ${issue!.message}`, 422);
  }
  const { act, sentAt } = parsed.data;
  return Response.json(await performBenchAct(act, nowMs() - Date.parse(sentAt)));
}
