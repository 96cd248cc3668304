'use server';

import { revalidatePath } from 'next/cache';
import { z } from 'zod';
import { nowUtc } from '@/clock/now';
import { raisedBy } from '@/core/workshop/born';
import { stampSchema } from '@/core/kept/act';
import { airframeFields, briefFields, weeklySessionFields } from '@/core/kept/records';
import type { Result } from '@/core/interchange/result';
import { TOOL_KINDS } from '@/core/kit/tools';
import { addDays, type Day } from '@/core/units/day';
import { stampedAct } from '@/data/acts';
import { copyOf } from '@/data/brief-files';
import { createBrief as makeBrief } from '@/data/briefs';
import {
  clearShelf,
  deleteForGood,
  KEPT_DAYS,
  removeBrief as removeBriefFrom,
  restoreBrief as putBack,
} from '@/data/removed-briefs';
import { answered, lookedUp, ofBrief, Refused } from './answer';
import { checkOptions } from './check-kit';
import { saveBoth, setupOf } from './record-work';
import { performTelling } from './telling';
import { onComputer } from './of-device';

/** Acts that make a brief, or change what it is of. */

export async function createBrief(input: unknown): Promise<Result<string>> {
  return answered(async () => {
    const { act, ...made } = z
      .object({
        act: stampSchema,
        brief: briefFields,
        airframe: airframeFields,
        sessions: z.array(weeklySessionFields).max(20),
        /** What is owned beside what the house knows already, by its kind. */
        tools: z.array(z.enum(TOOL_KINDS)).max(TOOL_KINDS.length).default([]),
      })
      .parse(input);
    checkOptions(made.brief.options, made.airframe);
    return makeBrief({ ...made, questions: raisedBy({ ...made, subjects: [] }) }, act);
  });
}

/** Lays a brief on the shelf of removed ones, whole; answers with the day until which it can be put back. */
export async function removeBrief(input: unknown): Promise<Result<Day>> {
  return houseKeeping(input, async (briefId) => {
    await clearShelf(nowUtc());
    return (await removeBriefFrom(briefId, nowUtc())) && addDays(nowUtc().slice(0, 10), KEPT_DAYS);
  });
}

/** Puts a removed brief back as it was. */
export const restoreBrief = async (input: unknown): Promise<Result<true>> => houseKeeping(input, putBack);

/** Deletes a removed brief for good, with the pictures that nothing else names. */
export const deleteBrief = async (input: unknown): Promise<Result<true>> => houseKeeping(input, deleteForGood);

/** Makes a brief that begins as another stands, record by record; answers with its id. */
export async function copyBrief(input: unknown): Promise<Result<string>> {
  return answered(async () => {
    const { briefId, act } = ofBrief.parse(input);
    const made = await copyOf(briefId, act);
    if (!made) throw new Refused('', GONE);
    revalidatePath('/');
    return made;
  });
}

const GONE = 'This brief is gone.';

/** What is done with a brief as a whole, on the list of briefs: done twice it is done once. */
async function houseKeeping<T>(input: unknown, work: (briefId: string) => Promise<T | false>): Promise<Result<T>> {
  return lookedUp(async () => {
    await onComputer('This is done on the computer.');
    const done = await work(z.object({ briefId: z.uuid() }).parse(input).briefId);
    if (done === false) throw new Refused('', GONE);
    revalidatePath('/');
    revalidatePath('/removed');
    return done;
  });
}

/** Brief and airframe saved together, as one act. */
export async function saveSetup(input: unknown): Promise<Result> {
  return answered(async () => {
    const { briefId, act, ...both } = setupOf.parse(input);
    return performTelling(stampedAct(act, briefId, 'kit'), (writer, before) => saveBoth(writer, both, before));
  });
}
