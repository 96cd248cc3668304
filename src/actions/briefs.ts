'use server';

import { z } from 'zod';
import { stampSchema } from '@/core/kept/act';
import { airframeFields, briefFields, weeklySessionFields } from '@/core/kept/records';
import type { Result } from '@/core/interchange/result';
import { perform, stampedAct } from '@/data/acts';
import { createBrief as makeBrief } from '@/data/briefs';
import { answered, ofBrief, versioned } from './answer';

/** Acts that make a brief, or change what it is of. */

export async function createBrief(input: unknown): Promise<Result<string>> {
  return answered(async () => {
    const { act, ...made } = z
      .object({
        act: stampSchema,
        brief: briefFields,
        airframe: airframeFields,
        sessions: z.array(weeklySessionFields).max(20),
      })
      .parse(input);
    return makeBrief(made, act);
  });
}

/** Brief and airframe saved together, as one act. */
export async function saveSetup(input: unknown): Promise<Result> {
  return answered(async () => {
    const { briefId, act, brief, airframe } = ofBrief
      .extend({
        brief: versioned.extend({ fields: briefFields }),
        airframe: versioned.extend({ fields: airframeFields }),
      })
      .parse(input);
    return perform(stampedAct(act, briefId, 'setup'), async (writer) => {
      await writer.update('brief', brief.id, brief.version, brief.fields);
      await writer.update('airframe', airframe.id, airframe.version, airframe.fields);
      return null;
    });
  });
}
