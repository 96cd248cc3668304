'use server';

import { z } from 'zod';
import { raisedBy } from '@/core/brief/born';
import { stampSchema } from '@/core/kept/act';
import { airframeFields, briefFields, weeklySessionFields } from '@/core/kept/records';
import type { Result } from '@/core/interchange/result';
import { perform, stampedAct } from '@/data/acts';
import { createBrief as makeBrief } from '@/data/briefs';
import { answered, ofBrief, versioned } from './answer';
import { briefOf } from './brief-of';
import { askWhatCameUp } from './ask-what-came-up';
import { checkOptions } from './check-kit';

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
    checkOptions(made.brief.options, made.airframe.preset);
    return makeBrief({ ...made, questions: raisedBy({ ...made, subjects: [] }) }, act);
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
    return perform(stampedAct(act, briefId, 'kit'), async (writer) => {
      const state = await briefOf(writer);
      checkOptions(brief.fields.options, airframe.fields.preset, state.log);
      await writer.update('brief', brief.id, brief.version, brief.fields);
      await writer.update('airframe', airframe.id, airframe.version, airframe.fields);
      await askWhatCameUp(writer, state, {
        ...state,
        brief: { ...state.brief, ...brief.fields },
        airframe: { ...state.airframe, ...airframe.fields },
      });
      return null;
    });
  });
}
