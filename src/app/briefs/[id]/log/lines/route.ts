import { z } from 'zod';
import { logWindow } from '@/core/workshop/log-book';
import { badRequest, fresh } from '@/app/files/attachment';
import { shownOf } from '../../shown-of';
import { briefView } from '../../view';

const asked = z.object({
  zone: z.string().max(60).default(''),
  who: z.string().max(60).default(''),
  text: z.string().max(120).default(''),
  kind: z.enum(['', 'done', 'mishap', 'tried']).default(''),
  from: z.coerce.number().int().min(0).max(100_000).default(0),
});

/** A part of the record by what is looked for, newest first. */
export async function GET(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const parsed = asked.safeParse(Object.fromEntries(new URL(request.url).searchParams));
  if (!parsed.success) return badRequest(parsed.error.issues[0]!.message);
  const { from, ...filter } = parsed.data;
  const derived = await briefView((await params).id);
  return fresh(shownOf(derived, logWindow(derived.view, filter, from)));
}
