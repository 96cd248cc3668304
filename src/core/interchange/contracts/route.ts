import { z } from 'zod';
import { deriveBrief } from '@/core/derive/derive';
import { choiceSaid, SCHOOL_NAMES } from '@/core/kit/options';
import { ASSUMED_CHEMISTRY } from '@/core/route/call-coat';
import { MOST_TAPE } from '@/core/work/tape';
import { conflictsOf } from '@/core/laid/guard';
import { RULES } from '@/core/route/rules';
import type { StepRule } from '@/core/route/rules/rule';
import type { LaidLayer } from '@/core/laid/laid';
import type { Standing } from '@/core/laid/standing';
import type { StackLayer } from '@/core/laid/stack';
import type { RouteStep } from '@/core/work/step';
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

function stepAnswer(step: RouteStep, { progress }: Standing) {
  const rule = BY_KEY.get(step.key);
  const [layer] = step.lays;
  const { done, toDo, isFinished, minutesLeft } = progress.get(step.key)!;
  return {
    key: step.key,
    title: step.title,
    stage: step.stage,
    lane: step.lane,
    family: step.family,
    zones: step.zones,
    minutes: step.minutes,
    kind: step.kind,
    rule: rule?.key ?? step.family,
    school: rule ? schoolOf(rule) : null,
    why: step.why,
    cautions: step.cautions.map(({ says }) => says),
    gate: step.gate,
    layer: layer
      ? { what: layer.what, chemistry: layer.chemistry, code: layer.code, paint: layer.paint, coats: layer.coats }
      : null,
    open: step.open,
    done,
    toDo,
    finished: isFinished,
    minutesLeft,
  };
}

const laidAnswer = ({ entry, step, what, code, paint, chemistry, coats, endedAt, assumed, goneBy }: LaidLayer) => ({
  entry,
  step,
  what,
  code,
  paint,
  chemistry,
  coats,
  endedAt,
  assumed,
  goneBy,
});

const layerAnswer = ({ step, what, chemistry, code, laid, entry }: StackLayer) => ({
  step,
  what,
  chemistry,
  code,
  laid,
  entry,
});

/** `route`: from a brief to its network of steps, with what lies on each zone and what of it does not bear the next. */
export const route: Contract = {
  run(raw) {
    const { brief: file, now } = parseInput(input, raw);
    const shelf = shelfOfFile(file);
    const nowUtc = new Date(now.endsWith('Z') ? now : `${now}Z`).toISOString();
    const view = deriveBrief(stateOfFile(file, shelf), shelf, { nowUtc, effort: 0 });
    const { standing } = view;
    const { stacks } = standing;
    return {
      steps: view.route.steps.map((step) => stepAnswer(step, standing)),
      links: view.route.links,
      laid: Object.fromEntries([...standing.laid].map(([zone, layers]) => [zone, layers.map(laidAnswer)])),
      stacks: Object.fromEntries([...stacks].map(([zone, stack]) => [zone, stack.map(layerAnswer)])),
      taped: Object.fromEntries(
        [...standing.taped].map(([zone, [oldest]]) => [
          zone,
          { since: oldest!.since, entry: oldest!.entry, until: oldest!.until },
        ]),
      ),
      waits: Object.fromEntries(standing.waits),
      ruledAnew: standing.changed,
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
          Object.values(view.wanted.coats).map(({ title, chemistry }) => [title, chemistry]),
        ),
        tapeOffWithinMinutes: MOST_TAPE,
      },
    };
  },
};
