'use server';

import { z } from 'zod';
import { layersUnder, techniqueOfLog, techniqueRun, techniquesOf } from '@/core/workshop/take-technique';
import { techniqueFields, workRunFields } from '@/core/kept/records';
import type { Result } from '@/core/interchange/result';
import { perform, stampedAct } from '@/data/acts';
import { lookAt } from '@/data/snapshot';
import { answered, lookedUp, ofBrief, Refused } from './answer';
import { viewOf } from './brief-of';

/** Techniques: kept of what was laid, and taken into a route. */

const zones = z.array(z.string().max(60)).min(1, 'Where: at least one zone').max(60, 'Where: at most 60 zones');

/** Over which layers of some zones a technique may be laid. */
export async function layersForTechnique(
  input: unknown,
): Promise<Result<{ step: string; title: string; done: boolean }[]>> {
  return lookedUp(async () => {
    const asked = ofBrief.pick({ briefId: true }).extend({ zones }).parse(input);
    return layersUnder((await lookAt(asked.briefId, viewOf)).view, asked.zones);
  });
}

/** Takes a technique into the route, over a layer of some zones. */
export async function takeTechnique(input: unknown): Promise<Result> {
  return answered(async () => {
    const asked = ofBrief
      .extend({ technique: z.string().max(60), zones, over: z.string().max(200).nullable() })
      .parse(input);
    return perform(stampedAct(asked.act, asked.briefId, 'bench'), async (writer) => {
      const { view, shelf } = await viewOf(writer);
      const technique = techniquesOf(shelf).get(asked.technique);
      if (!technique) throw new Refused('technique', 'This technique is gone.');
      const known = new Set(view.outline.zones.map(({ key }) => key));
      if (asked.zones.some((zone) => !known.has(zone))) throw new Refused('zones', 'This machine has no such zone.');
      if (asked.over !== null && !view.route.steps.some(({ key }) => key === asked.over))
        throw new Refused('over', 'What it should lie on is not in the route now.');
      const run = techniqueRun(view, technique, asked.zones, asked.over, asked.act.id.slice(0, 8));
      const { title } = technique;
      await writer.insert('work_run', workRunFields.parse({ origin: 'technique', title, zones: asked.zones, run }));
      return null;
    });
  });
}

/** Keeps what was laid on a zone as a technique of the house. */
export async function keepAsTechnique(input: unknown): Promise<Result> {
  return answered(async () => {
    const { briefId, act, title, where, steps } = ofBrief
      .extend({
        title: techniqueFields.shape.title,
        where: z.string().max(120),
        steps: z.array(z.string().max(200)).min(1, 'Nothing was chosen').max(30, 'At most 30 layers'),
      })
      .parse(input);
    return perform(stampedAct(act, briefId, 'log'), async (writer) => {
      const { view, shelf } = await viewOf(writer);
      if ([...techniquesOf(shelf).values()].some((one) => one.title.toLowerCase() === title.toLowerCase()))
        throw new Refused('title', `There is a technique “${title}” already: give it another name.`);
      const technique = techniqueOfLog(view, title, where, steps);
      if (!technique) throw new Refused('', 'None of these layers is in the log.');
      await writer.insert('technique', techniqueFields.parse(technique));
      return null;
    });
  });
}
