'use server';

import { z } from 'zod';
import { weatherOf, weatherRuns, type BriefWeather } from '@/core/workshop/weather';
import type { Result } from '@/core/interchange/result';
import { workRunFields } from '@/core/kept/records';
import { EFFECT_NAMES } from '@/core/weathering/effects';
import { CARES, CLIMATES, GROUNDS, SKINS } from '@/core/weathering/exposure';
import { perform, stampedAct } from '@/data/acts';
import type { Sight } from '@/data/sight';
import { lookAt } from '@/data/snapshot';
import { answered, lookedUp, ofBrief, Refused } from './answer';
import { viewOf } from './brief-of';

/** Weathering: what the machine would show, and taking it into the route. */

const exposure = z.object({
  ground: z.enum(GROUNDS),
  climate: z.enum(CLIMATES),
  skin: z.enum(SKINS),
  care: z.enum(CARES),
});

async function plannedOf(at: Sight, given: z.infer<typeof exposure>) {
  const { view, shelf } = await viewOf(at);
  return { view, weather: weatherOf(view, shelf, given) };
}

/** What weather and use would leave on this machine. */
export async function weatheringPlan(input: unknown): Promise<Result<BriefWeather>> {
  return lookedUp(async () => {
    const { briefId, exposure: given } = ofBrief.pick({ briefId: true }).extend({ exposure }).parse(input);
    return (await lookAt(briefId, (at) => plannedOf(at, given))).weather;
  });
}

/** Takes the chosen effects into the route; the general steps that they stand for are left out as long as they are there. */
export async function takeWeathering(input: unknown): Promise<Result> {
  return answered(async () => {
    const {
      briefId,
      act,
      exposure: given,
      effects,
    } = ofBrief.extend({ exposure, effects: z.array(z.enum(EFFECT_NAMES)).min(1, 'Nothing was chosen') }).parse(input);
    return perform(stampedAct(act, briefId, 'bench'), async (writer) => {
      const { view, weather } = await plannedOf(writer, given);
      const taken = weather.layers.filter(({ effect }) => effects.includes(effect));
      const runs = weatherRuns(view, taken, act.id.slice(0, 8));
      if (runs.length === 0) throw new Refused('', 'None of this would show on this machine.');
      const records = runs.map((run) => workRunFields.parse({ origin: 'weathering', ...run }));
      await writer.insertMany('work_run', records);
      return null;
    });
  });
}
