import { minuteNow } from '@/clock/now';
import { deriveBrief, PAGE_EFFORT } from '@/core/derive/derive';
import { weighQuestions } from '@/core/derive/questions';
import { turnedBetween, turnedPaint, turnedRulings } from '@/core/workshop/turned';
import type { ActAnswer } from '@/core/kept/act';
import { outlineOf, type BriefState } from '@/core/kept/state';
import type { Turn } from '@/core/kept/turn';
import { perform, type Act, type ActWriter } from '@/data/acts';
import { knownBrief } from '@/data/known';
import { lookAt } from '@/data/snapshot';
import { tryOut } from '@/data/try-out';
import { bookOf, briefOf, shelfOf } from './brief-of';

/** Acts that turn more than what they write say so: before they are done, on trial, and after. */

type Work<T> = (writer: ActWriter, before: BriefState) => Promise<T>;

/**
 * How far an act may reach: what a source says turns rulings; a ruling or a marking what is laid already; a changed day, scale, option or
 * source turns anything.
 */
type Reach = 'rulings' | 'paint' | 'anything';

/** Does an act; its answer says what it turned in the brief. */
export async function performTelling<T>(act: Act, work: Work<T>, reach: Reach = 'anything'): Promise<ActAnswer<T>> {
  const seen: Both[] = [];
  const answer = await perform(act, async (writer) => {
    const done = await doneBetween(writer, work);
    seen.push(done);
    return done.value;
  });
  // An act that arrives again was told the first time; one that stood in another's way was begun anew.
  const both = seen.at(-1);
  return both ? { ...answer, turned: await turnedIn(act.briefId!, both, reach) } : answer;
}

/** What an act would turn, or how it would be refused; nothing of it is kept. */
export const whatItTurns = async (act: Act, work: Work<unknown>): Promise<Turn[]> =>
  turnedIn(act.briefId!, await tryOut(act, (writer) => doneBetween(writer, work)), 'anything');

interface Both {
  before: BriefState;
  after: BriefState;
}

async function doneBetween<T>(writer: ActWriter, work: Work<T>): Promise<Both & { value: T }> {
  const before = await briefOf(writer);
  const value = await work(writer, before);
  return { before, after: await briefOf(writer), value };
}

/** Reckoned when the act is over, as a page reckons, so that its dates are the same: nobody else waits for it. */
async function turnedIn(briefId: string, { before, after }: Both, reach: Reach): Promise<Turn[]> {
  if (reach === 'rulings') {
    const book = await lookAt(briefId, bookOf);
    const asked = (state: BriefState) => weighQuestions(state, book, outlineOf(state)).questions;
    return turnedRulings(asked(before), asked(after));
  }
  // Where nothing is laid yet, nothing of it turns.
  if (reach === 'paint' && !before.log.some(({ what }) => what !== '')) return [];
  const shelf = await lookAt(briefId, shelfOf);
  const settings = { nowUtc: minuteNow(), effort: PAGE_EFFORT };
  const { stages } = knownBrief(briefId);
  const views = [deriveBrief(before, shelf, settings, stages), deriveBrief(after, shelf, settings, stages)] as const;
  return reach === 'paint' ? turnedPaint(...views) : turnedBetween(...views);
}
