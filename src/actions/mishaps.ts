'use server';

import { z } from 'zod';
import { MISHAP_NAMES, STRIPPED_FIRST } from '@/core/bench/mishaps';
import { cureCalled } from '@/core/workshop/mend';
import { planMishap, type MishapPlan } from '@/core/workshop/mishap-plan';
import { mishapFields, partFields, type Kept } from '@/core/kept/records';
import type { Result } from '@/core/interchange/result';
import { perform, stampedAct, type ActWriter } from '@/data/acts';
import type { Sight } from '@/data/sight';
import { lookAt } from '@/data/snapshot';
import { answered, lookedUp, ofBrief, Refused, versioned } from './answer';
import { viewOf } from './brief-of';
import { onComputer } from './of-device';
import { REACH, saveOf, saveRecord } from './record-work';
import { performTelling } from './telling';
import { nowMs } from '@/clock/now';

/** Mishaps: what one costs, and taking it on. */

const told = {
  kind: z.enum(MISHAP_NAMES),
  zones: mishapFields.shape.zones,
  cure: mishapFields.shape.cure,
  looks: z.string().max(200).default(''),
};

async function planOf(
  at: Sight,
  mishap: z.infer<z.ZodObject<typeof told>>,
  key: string,
): Promise<{ plan: MishapPlan; standing: Kept<'accepted_plan'> | undefined }> {
  const { view, shelf, settings } = await viewOf(at);
  const unknown = mishap.zones.find((zone) => !view.outline.zones.some(({ key: own }) => own === zone));
  if (unknown !== undefined) throw new Refused('zones', 'This machine has no such zone.');
  const plan = planMishap(view, shelf, mishap, key, settings);
  if (!plan) throw new Refused('cure', 'This is no cure for it.');
  return { plan, standing: view.state.plans[0] };
}

/** Keeps a mishap with the work that it makes, and with it the plan that carries it, where one is kept. */
async function keepMishap(
  writer: ActWriter,
  mishap: z.infer<z.ZodObject<typeof told>>,
  key: string,
  said: Pick<Kept<'mishap'>, 'happenedAt' | 'note' | 'pictureId'>,
): Promise<void> {
  const {
    plan: { record, laid },
    standing,
  } = await planOf(writer, mishap, key);
  await writer.insert('mishap', { ...record, ...said });
  if (standing && laid) await writer.update('accepted_plan', standing.id, standing.version, { laid });
}

/** What would have to be done, and when the build would end. */
export async function mishapCost(input: unknown): Promise<Result<Omit<MishapPlan, 'laid' | 'record'>>> {
  return lookedUp(async () => {
    const { briefId, ...mishap } = ofBrief.pick({ briefId: true }).extend(told).parse(input);
    const { laid: _, record: __, ...cost } = (await lookAt(briefId, (at) => planOf(at, mishap, 'draft'))).plan;
    return cost;
  });
}

/**
 * Keeps a mishap with the work that it makes, and with it the plan that carries it, where one is kept. A lost part comes back as its cure says:
 * a spare, one on order until a day, or one that is built.
 */
export async function takeOnMishap(input: unknown): Promise<Result> {
  return answered(async () => {
    const { briefId, act, happenedAt, note, pictureId, part, ...mishap } = ofBrief
      .extend({
        ...told,
        happenedAt: mishapFields.shape.happenedAt,
        note: mishapFields.shape.note,
        pictureId: mishapFields.shape.pictureId,
        part: z
          .object({ ...versioned.shape, orderedUntil: partFields.shape.orderedUntil })
          .nullable()
          .default(null),
      })
      .parse(input);
    if (happenedAt > new Date(nowMs() + A_DAY).toISOString())
      throw new Refused('happenedAt', 'When: this lies in the future.');
    const again = cureCalled(mishap.kind, mishap.cure)?.part;
    return perform(stampedAct(act, briefId, 'log'), async (writer) => {
      await keepMishap(writer, mishap, act.id.slice(0, 8), { happenedAt, note, pictureId });
      if (part && again)
        await writer.update('part', part.id, part.version, { ...again, orderedUntil: part.orderedUntil });
      return null;
    });
  });
}

/** Rules a colour and takes on that what lies there is stripped before it is sprayed: one act, taken back in one. */
export async function ruleAndStrip(input: unknown): Promise<Result<{ id: string; version: number }>> {
  return answered(async () => {
    const { briefId, act, station, strip, ...record } = saveOf
      .extend({ entity: z.literal('ruling'), strip: mishapFields.shape.zones })
      .parse(input);
    await onComputer('A ruling is made on the computer.');
    return performTelling(
      stampedAct(act, briefId, station),
      async (writer, before) => {
        const saved = await saveRecord(writer, record, before);
        const happenedAt = new Date(nowMs()).toISOString();
        const stripped = { ...STRIPPED_FIRST, zones: strip, looks: '' };
        await keepMishap(writer, stripped, act.id.slice(0, 8), { happenedAt, note: '', pictureId: null });
        return saved;
      },
      REACH.ruling,
    );
  });
}

/** Clocks of devices are off by hours, and by a time zone where somebody set one wrongly. */
const A_DAY = 24 * 3_600_000;
