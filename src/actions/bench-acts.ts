import { z } from 'zod';
import { nowMs } from '@/clock/now';
import { otherWorkKey } from '@/core/bench/other-work';
import { minutesAfter } from '@/core/units/minutes';
import { logEntryFields } from '@/core/kept/records/log-entry';
import type { BenchAct, Replayed } from '@/outbox/queued';
import { CannotBeDone, ChangedElsewhere, Contradicts, perform, stampedAct, type ActWriter } from '@/data/acts';
import { databaseFault } from '@/data/database';
import { endedWith, noteStopped, standingEntry, stopTimersOf, wasStopped } from '@/data/log';
import { Refused } from './answer';
import { viewOf } from './brief-of';
import { checkEntry, isOfABuild } from './check-log';

/** A clock that is off by less says nothing: sending takes a moment. */
const HONEST_MS = 2 * 60_000;

/** Where it was done, for whoever takes it back. */
const STATION_OF = {
  finish: 'bench',
  timer: 'bench',
  stop: 'bench',
  'other work': 'log',
  'test piece': 'log',
} as const;

type Of<K extends BenchAct['kind']> = Extract<BenchAct, { kind: K }>;

/**
 * Does an act of the bench. `skewMs` is by how much the device's clock is behind the server's. A step that was finished elsewhere meanwhile is
 * finished once: the answer says what stands there. The same act arriving again changes nothing and answers as it did. Whatever cannot be done
 * is refused in words, so that the device sets it aside and goes on. Throws only where the database does not answer.
 */
export async function performBenchAct(sent: BenchAct, skewMs = 0): Promise<Replayed> {
  const { briefId, act } = sent;
  try {
    const { revision } = await perform(stampedAct(act, briefId, STATION_OF[sent.kind]), async (writer) => {
      await done(writer, sent, corrected(skewMs));
      return null;
    });
    return { state: 'done', revision };
  } catch (error) {
    if (error instanceof Elsewhere) return elsewhere(briefId, (sent as Of<'finish'>).entry.stepKey);
    return { state: 'refused', says: await whyNot(error) };
  }
}

type Correct = (instant: string) => string;

/** Instants of the device as they are here: by as much later as its clock is behind. */
function corrected(skewMs: number): Correct {
  const skew = Math.abs(skewMs) < HONEST_MS ? 0 : skewMs;
  return (instant) => {
    const at = Date.parse(instant) + skew;
    // So far off that no date says it: that is refused, or taken for now, by whoever asks.
    return Math.abs(at) < 8e15 ? new Date(at).toISOString() : instant;
  };
}

/** When a step ended, or a clock began: now, where the device says what cannot be. */
const soon = (instant: string): string =>
  isOfABuild(instant)
    ? new Date(Math.min(Date.parse(instant), nowMs())).toISOString()
    : new Date(nowMs()).toISOString();

async function done(writer: ActWriter, sent: BenchAct, correct: Correct): Promise<void> {
  switch (sent.kind) {
    case 'finish':
      return finish(writer, sent, correct);
    case 'timer':
      return startTimer(writer, sent, correct);
    case 'other work': {
      const fields = logEntryFields.parse({ ...sent.fields, pictureId: sent.pictureId });
      const when = { startedAt: correct(fields.startedAt), endedAt: correct(fields.endedAt) };
      await writer.insert('log_entry', await checkEntry(writer, { ...fields, ...when }));
      return;
    }
    case 'test piece':
      await writer.insert('spray_out', { ...sent.fields, pictureId: sent.pictureId });
      return;
    case 'stop': {
      const timer = await writer.current('timer', sent.id);
      // Its start may still be on the way, from another device or behind this: it is known to have been stopped when it comes.
      if (!timer) await noteStopped(writer, sent.id);
      else if (timer.brief_id === writer.briefId) await writer.remove('timer', sent.id, timer.version as number);
    }
  }
}

/**
 * Enters a step that is done, on the zones where it was still to do. What names a step or a zone that the brief has not any more is kept as
 * other work: it was done all the same.
 */
async function finish(writer: ActWriter, { entry, act, pictureId, timers }: Of<'finish'>, correct: Correct) {
  const ended = soon(correct(act.at));
  const { view } = await viewOf(writer);
  const known = new Set(view.outline.zones.map(({ key }) => key));
  const strangers = entry.zones.filter((zone) => !known.has(zone));
  const step = view.route.steps.find(({ key }) => key === entry.stepKey);
  const whole = {
    ...entry,
    pictureId,
    startedAt: minutesAfter(ended, -entry.actualMinutes),
    endedAt: ended,
  };
  if (step?.open) throw new Refused('', 'Its colour is not decided: rule it at Evidence first.');
  if (step && strangers.length === 0) {
    const { done, toDo, isFinished } = view.standing.progress.get(step.key)!;
    const lacking = (entry.zones.length > 0 ? entry.zones : step.zones).filter((zone) => !done.includes(zone));
    // Finished elsewhere meanwhile, here or as a whole: it is finished once.
    if (isFinished || (step.zones.length > 0 && lacking.length === 0)) throw new Elsewhere();
    await writer.insert('log_entry', { ...whole, zones: lacking });
    const isWhole = (entry.share ?? 1) >= 1 && toDo.every((zone) => lacking.includes(zone));
    if (isWhole) await stopTimersOf(writer, step.key);
  } else {
    const gone = strangers.length > 0 ? `on ${strangers.join(', ')}` : '';
    await writer.insert(
      'log_entry',
      logEntryFields.parse({
        ...whole,
        stepKey: otherWorkKey(act.id),
        lane: '',
        zones: entry.zones.filter((zone) => known.has(zone)),
        note: [entry.note, gone].filter(Boolean).join('; ').slice(0, 1000),
      }),
    );
  }
  for (const timer of timers) await startTimer(writer, timer, correct);
}

/** Starts a clock, unless it was stopped already, or the step that it is named after has ended since. */
async function startTimer(writer: ActWriter, { id, fields }: Pick<Of<'timer'>, 'id' | 'fields'>, correct: Correct) {
  const startedAt = soon(correct(fields.startedAt));
  if (await wasStopped(writer, id)) return;
  if (await endedWith(writer, fields.stepKey, startedAt)) return;
  await writer.insert('timer', { ...fields, startedAt }, id);
}

async function elsewhere(briefId: string, stepKey: string): Promise<Replayed> {
  const says = 'This step is in the log already.';
  const theirs = await standingEntry(briefId, stepKey);
  if (!theirs) return { state: 'refused', says };
  const { title, endedAt, actualMinutes, note } = theirs;
  return { state: 'conflict', says, theirs: { title, at: endedAt, minutes: actualMinutes, note } };
}

/** Why an act could not be done, in words. Throws where the database does not answer: then it is to come again. */
async function whyNot(error: unknown): Promise<string> {
  if (error instanceof z.ZodError) return error.issues[0]!.message;
  if (error instanceof Refused || error instanceof Contradicts || error instanceof CannotBeDone) return error.message;
  if (error instanceof ChangedElsewhere) return 'It was changed elsewhere meanwhile.';
  const { code } = error as { code?: string };
  if (code === '23503') return 'The brief, or the picture, is gone.';
  if (code === '23505') return 'Something else here has its name already: it is kept aside, and nothing was changed.';
  if (await databaseFault()) throw error;
  console.error(error);
  return 'The server could not do it; nothing was changed.';
}

/** Finished elsewhere meanwhile. */
class Elsewhere extends Error {}
