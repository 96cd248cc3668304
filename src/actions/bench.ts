'use server';

import { z } from 'zod';
import type { Result } from '@/core/interchange/result';
import { perform, stampedAct } from '@/data/acts';
import { answered, ofBrief, versioned } from './answer';

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
