'use server';

import { z } from 'zod';
import { nowUtc } from '@/clock/now';
import { eveningFields } from '@/core/kept/records';
import { elapsedToLocal } from '@/core/route/calendar';
import type { Result } from '@/core/interchange/result';
import { perform, stampedAct } from '@/data/acts';
import { answered, ofBrief, versioned } from './answer';
import { briefOf } from './brief-of';

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

/** Begins an evening at this very moment, of so many minutes: a session of its own, beside whatever is planned. */
export async function sitDown(input: unknown): Promise<Result> {
  return answered(async () => {
    const { briefId, act, minutes } = ofBrief.extend({ minutes: eveningFields.shape.minutes }).parse(input);
    return perform(stampedAct(act, briefId, 'bench'), async (writer) => {
      const { brief } = await briefOf(writer);
      const [onDay, startsAt] = elapsedToLocal(0, brief.timeZone, nowUtc()).split('T') as [string, string];
      await writer.insert('evening', { onDay, startsAt: startsAt.slice(0, 5), minutes, booth: true, off: false });
      return null;
    });
  });
}
