import { z } from 'zod';
import { deriveBrief } from '@/core/brief/derive';
import { choiceSaid, SCHOOL_NAMES } from '@/core/kit/options';
import { ASSUMED_CHEMISTRY } from '@/core/route/call-coat';
import { MOST_TAPE } from '@/core/route/colour-runs';
import { conflictsOf } from '@/core/route/guard';
import { RULES } from '@/core/route/rules';
import { GENERAL_COATS, type StepRule } from '@/core/route/rules/rule';
import { stacksOf } from '@/core/route/stack';
import { stageOfStep } from '@/core/route/stage-of-step';
import { zonesOfStep } from '@/core/route/step';
import { briefFileSchema, stateOfFile } from '../brief-file';
import { shelfOfFile } from '../shelf-of-file';
import { parseInput, type Contract } from './contract';

const input = z.strictObject(
  {
    brief: briefFileSchema,
    now: z.string({ error: 'must be a date and time' }).regex(/^\d{4}-\d\d-\d\dT\d\d:\d\d(:\d\d)?Z?$/, {
      error: 'must be a date and time, as in 2026-01-05T18:00',
    }),
  },
  { error: 'must be an object with brief and now' },
);

const BY_KEY = new Map(RULES.map((rule) => [rule.key, rule]));

/** The choice among the schools that a rule stands for; null for what every school does. */
function schoolOf({ where = {} }: StepRule): string | null {
  const name = SCHOOL_NAMES.find((option) => option in where);
  const [choice] = (name && (where as Record<string, readonly string[]>)[name]) ?? [];
  return name && choice ? choiceSaid(name, choice) : null;
}

/** `route`: from a brief to its network of steps, with what lies on each zone and what of it does not bear the next. */
export const route: Contract = {
  run(raw) {
    const { brief: file, now } = parseInput(input, raw);
    const shelf = shelfOfFile(file);
    const nowUtc = new Date(now.endsWith('Z') ? now : `${now}Z`).toISOString();
    const view = deriveBrief(stateOfFile(file, shelf), shelf, { nowUtc, effort: 0 });
    const { steps, links, covered } = view.route;
    const stacks = stacksOf(view.route, view.outline);
    return {
      steps: steps.map((step) => {
        const rule = BY_KEY.get(step.key);
        const { what, chemistry, code, paint, coats } = step.layer ?? {};
        return {
          key: step.key,
          title: step.title,
          stage: stageOfStep(step),
          lane: step.lane,
          zones: zonesOfStep(step, covered),
          minutes: step.minutes,
          kind: step.kind,
          rule: rule?.key ?? step.key.split(':')[0],
          school: rule ? schoolOf(rule) : null,
          why: step.why,
          cautions: step.cautions,
          gate: step.gate,
          layer: step.layer ? { what, chemistry, code, paint, coats } : null,
          open: step.open,
        };
      }),
      links,
      stacks: Object.fromEntries(
        [...stacks].map(([zone, stack]) => [
          zone,
          stack.map(({ step, what, chemistry, code }) => ({ step, what, chemistry, code })),
        ]),
      ),
      conflicts: conflictsOf(stacks, file.brief.remedies).map(
        ({ zone, over, under, verdict, says, remedies, taken }) => ({
          zone,
          over: over.step,
          under: under.step,
          verdict,
          says,
          remedies,
          taken,
        }),
      ),
      edits: [
        ...file.brief.leftOut.map((step) => ({ step, edit: 'left out' })),
        ...file.edits.map(({ edit }, i) => {
          const asleep = view.route.sleeping.find(({ index }) => index === i);
          return { ...edit, edit: edit.kind, ...(asleep ? { notMade: asleep.says } : {}) };
        }),
        ...file.brief.remedies.map(({ over, under, remedy }) => ({ step: over, edit: remedy, over: under })),
      ],
      assumed: {
        climate: { tempC: file.brief.tempC, humidity: file.brief.humidity },
        chemistryOfColoursWithoutPaint: ASSUMED_CHEMISTRY,
        generalCoats: Object.fromEntries(
          Object.values(GENERAL_COATS).map(({ title, chemistry }) => [title, chemistry]),
        ),
        tapeOffWithinMinutes: MOST_TAPE,
      },
    };
  },
};
