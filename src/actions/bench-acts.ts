import { z } from 'zod';
import { logEntryFields } from '@/core/kept/records/log-entry';
import type { BenchAct, Replayed } from '@/outbox/queued';
import { ChangedElsewhere, perform, stampedAct } from '@/data/acts';
import { logStep, standingEntry } from '@/data/log';
import { Refused } from './answer';
import { nowMs } from '@/clock/now';

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

/**
 * Does an act of the bench. `skewMs` is by how much the device's clock is behind the server's. A step that was finished elsewhere meanwhile is
 * finished once: the answer says what stands there. The same act arriving again changes nothing and answers as it did.
 */
export async function performBenchAct(sent: BenchAct, skewMs = 0): Promise<Replayed> {
  const skew = Math.abs(skewMs) < HONEST_MS ? 0 : skewMs;
  const right = (instant: string) => new Date(Math.min(Date.parse(instant) + skew, nowMs())).toISOString();
  const { briefId, act } = sent;
  try {
    const { revision } = await perform(stampedAct(act, briefId, STATION_OF[sent.kind]), async (writer) => {
      const start = ({ id, fields }: Pick<Extract<BenchAct, { kind: 'timer' }>, 'id' | 'fields'>) =>
        writer.insert('timer', { ...fields, startedAt: right(fields.startedAt) }, id);
      switch (sent.kind) {
        case 'finish': {
          const ended = right(act.at);
          const logged = await logStep(writer, {
            ...sent.entry,
            pictureId: sent.pictureId,
            startedAt: new Date(Date.parse(ended) - sent.entry.actualMinutes * 60_000).toISOString(),
            endedAt: ended,
          });
          if (!logged) throw new Elsewhere();
          for (const timer of sent.timers) await start(timer);
          return null;
        }
        case 'timer':
          await start(sent);
          return null;
        case 'other work':
          await writer.insert('log_entry', logEntryFields.parse({ ...sent.fields, pictureId: sent.pictureId }));
          return null;
        case 'test piece':
          await writer.insert('spray_out', { ...sent.fields, pictureId: sent.pictureId });
          return null;
        case 'stop': {
          const timer = await writer.current('timer', sent.id);
          // Stopped elsewhere, or with its step: it is stopped either way.
          if (timer) await writer.remove('timer', sent.id, timer.version as number);
          return null;
        }
      }
    });
    return { state: 'done', revision };
  } catch (error) {
    if (error instanceof Elsewhere && sent.kind === 'finish') {
      const theirs = await standingEntry(briefId, sent.entry.stepKey);
      if (theirs)
        return {
          state: 'conflict',
          says: 'This step is in the log already.',
          theirs: { title: theirs.title, at: theirs.endedAt, minutes: theirs.actualMinutes, note: theirs.note },
        };
      return { state: 'refused', says: 'This step is in the log already.' };
    }
    if (error instanceof ChangedElsewhere) return { state: 'done', revision: null };
    if (error instanceof z.ZodError) return { state: 'refused', says: error.issues[0]!.message };
    if (error instanceof Refused) return { state: 'refused', says: error.message };
    const { code } = error as { code?: string };
    if (code === '23503') return { state: 'refused', says: 'The brief, or the picture, is gone.' };
    if (code === '23505') return { state: 'done', revision: null };
    throw error;
  }
}

/** Finished elsewhere meanwhile. */
class Elsewhere extends Error {}
