import { z } from 'zod';
import { badRequest, fresh } from '@/app/files/attachment';
import { deriveBrief, PAGE_EFFORT } from '@/core/derive/derive';
import { OPTION_CHOICES, SCHOOL_NAMES } from '@/core/kit/options';
import { filmOf } from '@/core/workshop/filmed';
import { briefView } from '../view';

const otherwise = z.object({ school: z.enum(SCHOOL_NAMES), as: z.string().max(40) }).partial();

/** A brief as a film of its build; with `school` and `as` as it would be by another school. */
export async function GET(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const read = otherwise.safeParse(Object.fromEntries(new URL(request.url).searchParams));
  if (!read.success) return badRequest('School: one of those at Kit');
  const { school, as } = read.data;
  const { view, shelf, nowUtc } = await briefView((await params).id);
  if (!school) return fresh(filmOf(view, shelf));
  const { choices }: { choices: readonly string[] } = OPTION_CHOICES[school];
  if (as === undefined || !choices.includes(as)) return badRequest(`${OPTION_CHOICES[school].title}: no such choice`);
  const { brief } = view.state;
  const other = { ...view.state, brief: { ...brief, options: { ...brief.options, [school]: as } } };
  return fresh(filmOf(deriveBrief(other, shelf, { nowUtc, effort: PAGE_EFFORT }), shelf));
}
