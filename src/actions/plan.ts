'use server';

import { setImmediate as turn } from 'node:timers/promises';
import { z } from 'zod';
import type { BriefView } from '@/core/derive/derive';
import { planSettingsOf } from '@/core/derive/plan-settings';
import { COMPARED_NAMES, comparedSchools, stripOfChoice, type ComparedSchool } from '@/core/workshop/schools';
import type { Strip } from '@/core/workshop/strip';
import type { Result } from '@/core/interchange/result';
import type { ColourShelf } from '@/core/kept/state';
import { acceptedPlanFields } from '@/core/kept/records';
import { planFaults } from '@/core/route/accepted';
import { dragged } from '@/core/route/dragging';
import type { PlanInput } from '@/core/route/improving';
import type { AcceptedPlan } from '@/core/route/accepted-plan';
import type { PlanSettings } from '@/core/route/plan';
import { perform, stampedAct, type ActWriter } from '@/data/acts';
import type { Sight } from '@/data/sight';
import { lookAt } from '@/data/snapshot';
import { answered, lookedUp, ofBrief, Refused } from './answer';
import { briefOf, viewOf } from './brief-of';

/** The plan that is kept: accepted, followed, let go. */

/** What only looks at a brief names it, and does nothing. */
const lookedAt = ofBrief.pick({ briefId: true });

async function plannedOf(at: Sight): Promise<{ view: BriefView; shelf: ColourShelf; settings: PlanSettings }> {
  const { view, shelf, settings } = await viewOf(at);
  return { view, shelf, settings: planSettingsOf(view.state, settings.nowUtc) };
}

/** Accepts a plan as it was shown. One that the brief no longer bears is refused. */
export async function acceptPlan(input: unknown): Promise<Result> {
  return answered(async () => {
    const { briefId, act, laid } = ofBrief.extend({ laid: acceptedPlanFields.shape.laid }).parse(input);
    return perform(stampedAct(act, briefId, 'route'), async (writer) => {
      const { view, settings } = await plannedOf(writer);
      const [fault] = planFaults(view.standing.left, view.standing.done, settings, { laid });
      if (fault) throw new Refused('', `This plan does not hold any more (${fault}): look at the one that stands now.`);
      await keepPlan(writer, view, laid);
      return null;
    });
  });
}

async function keepPlan(writer: ActWriter, { state }: BriefView, laid: AcceptedPlan['laid']): Promise<void> {
  const [standing] = state.plans;
  if (standing) await writer.update('accepted_plan', standing.id, standing.version, { laid });
  else await writer.insert('accepted_plan', { laid });
}

/** One step of the plan as it was shown goes to another session, and the plan is kept so; refused, with the reason, where its waits forbid it. */
export async function moveStep(input: unknown): Promise<Result<{ moved: string[] }>> {
  return answered(async () => {
    const { briefId, act, laid, key, at } = ofBrief
      .extend({ laid: acceptedPlanFields.shape.laid, key: z.string().max(200), at: z.number().int() })
      .parse(input);
    return perform(stampedAct(act, briefId, 'route'), async (writer) => {
      const { view, settings } = await plannedOf(writer);
      const moved = dragged(view.standing.left, view.standing.done, settings, laid, key, at);
      if ('says' in moved) throw new Refused('', moved.says);
      await keepPlan(writer, view, moved.laid);
      return { moved: moved.moved };
    });
  });
}

/** What a better plan is looked for in. */
export async function planInput(input: unknown): Promise<Result<PlanInput>> {
  return lookedUp(async () => {
    const { briefId } = lookedAt.parse(input);
    const { view, settings } = await lookAt(briefId, plannedOf);
    const { steps, links } = view.standing.left;
    return { route: { steps, links }, done: view.standing.done, settings };
  });
}

/** Every school with its choices side by side, as schedules of this brief. */
export async function compareSchools(input: unknown): Promise<Result<ComparedSchool[]>> {
  return lookedUp(async () => {
    const { briefId } = lookedAt.parse(input);
    const { view, shelf, settings } = await lookAt(briefId, plannedOf);
    const schools: ComparedSchool[] = [];
    for (const school of comparedSchools(view, shelf, settings.nowUtc)) {
      schools.push(school);
      await turn();
    }
    return schools;
  });
}

/** One way of a school as a plan that can be drawn. */
export async function schoolStrip(input: unknown): Promise<Result<Strip>> {
  return lookedUp(async () => {
    const { briefId, name, choice } = lookedAt
      .extend({ name: z.enum(COMPARED_NAMES), choice: z.string().max(40) })
      .parse(input);
    const { view, shelf, settings } = await lookAt(briefId, plannedOf);
    const strip = stripOfChoice(view, shelf, settings.nowUtc, name, choice);
    if (!strip) throw new Refused('choice', 'There is no such way.');
    return strip;
  });
}

/** Lets the kept plan go: from then on it is made anew with every change. */
export async function letPlanGo(input: unknown): Promise<Result> {
  return answered(async () => {
    const { briefId, act } = ofBrief.parse(input);
    return perform(stampedAct(act, briefId, 'route'), async (writer) => {
      const [standing] = (await briefOf(writer)).plans;
      if (!standing) throw new Refused('', 'No plan is kept.');
      await writer.remove('accepted_plan', standing.id, standing.version);
      return null;
    });
  });
}
