'use server';

import { z } from 'zod';
import { RECORDS } from '@/core/kept/records';
import type { Result } from '@/core/interchange/result';
import { perform, stampedAct } from '@/data/acts';
import { logStep } from '@/data/log';
import { answered, ofBrief, Refused, versioned } from './answer';

/** Logs a step as done just now, with the minutes it really took, and stops its timers. A step finished twice is finished once. */
export async function finishStep(input: unknown): Promise<Result> {
  return answered(async () => {
    const { startedAt: _, endedAt: __, ...fields } = RECORDS.log_entry.shape;
    const { briefId, act, ...entry } = ofBrief.extend(fields).parse(input);
    const ended = new Date();
    return perform(stampedAct(act, briefId, 'bench'), async (writer) => {
      const logged = await logStep(writer, {
        ...entry,
        startedAt: new Date(ended.getTime() - entry.actualMinutes * 60_000).toISOString(),
        endedAt: ended.toISOString(),
      });
      if (!logged) throw new Refused('', 'This step is in the log already.');
      return null;
    });
  });
}

/** Opens steps again that were done, as one act: what was done stays in the record. With `again` false they stand after all. */
export async function doAgain(input: unknown): Promise<Result> {
  return answered(async () => {
    const { briefId, act, entries, again } = ofBrief
      .extend({ entries: z.array(versioned).min(1, 'Nothing was chosen').max(500), again: z.boolean() })
      .parse(input);
    return perform(stampedAct(act, briefId, 'log'), async (writer) => {
      for (const { id, version } of entries) await writer.update('log_entry', id, version, { again });
      return null;
    });
  });
}
