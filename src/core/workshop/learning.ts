import type { Factor } from '@/core/bench/estimate';
import { CHEMISTRIES, type Chemistry } from '@/core/paint/chemistry';
import { dryingFactor } from '@/core/paint/drying';
import { STAGE_NAMES, type Stage } from '@/core/work/kinds';
import { median } from '@/core/units/median';
import { capital } from '@/core/units/words';
import type { Minutes } from '@/core/units/minutes';
import type { Kept } from '@/core/kept/records';
import { STAGE_OF_LAYER } from '@/core/work/layer';
import type { BriefView } from '@/core/derive/derive';

/** What the record of a build teaches: its pace, its paint, its air. */

export interface Learning {
  /** By kind of work: pieces, minutes planned and taken, and the factor that the route takes from them. */
  kinds: (Factor & { kind: string; planned: Minutes; taken: Minutes })[];
  /** Hours by stage: done as they were taken, and those still planned. */
  stages: { stage: string; done: number; left: number }[];
  /** What went through the airbrush or off the brush, by paint. */
  paints: { paint: string; ml: number; times: number; coats: number | null }[];
  /** The air on each day that has any, and how many times longer a coat took than at 20 °C and 50 %. */
  air: { day: string; tempC: number; humidity: number; factors: { chemistry: string; factor: number }[] }[];
}

export function learningOf({
  state,
  route,
  wanted,
  standing,
}: Pick<BriefView, 'state' | 'route' | 'wanted' | 'standing'>): Learning {
  const timed = state.log.flatMap(({ stepKind, plannedMinutes, actualMinutes }) =>
    stepKind ? [{ kind: stepKind, planned: plannedMinutes, actual: actualMinutes }] : [],
  );
  const sum = (numbers: readonly number[]) => numbers.reduce((total, one) => total + one, 0);
  const kinds = Object.entries(wanted.pace)
    .map(([kind, factor]) => {
      const own = timed.filter((one) => one.kind === kind && one.planned && one.actual);
      return {
        kind,
        ...factor,
        planned: sum(own.map((one) => one.planned!)),
        taken: sum(own.map((one) => one.actual)),
      };
    })
    .sort((a, b) => b.taken - a.taken || a.kind.localeCompare(b.kind));
  return {
    kinds,
    stages: hoursByStage({ state, route, standing }),
    paints: paintsOf(state.log),
    air: airOf(state.log),
  };
}

/** The stage of work whose step is gone, by what it laid; else of the base, or of the cleaning. */
const stageOfGone = (what: Kept<'log_entry'>['what'], lane: string): Stage =>
  what ? STAGE_OF_LAYER[what] : lane === 'Base' ? 'base' : 'clean';

function hoursByStage({ state, route, standing }: Pick<BriefView, 'state' | 'route' | 'standing'>): Learning['stages'] {
  const stageOf = new Map(route.steps.map((step) => [step.key, step.stage]));
  const hours = new Map<Stage, { done: number; left: number }>(
    STAGE_NAMES.map((stage) => [stage, { done: 0, left: 0 }]),
  );
  for (const { stepKey, lane, what, actualMinutes } of state.log)
    hours.get(stageOf.get(stepKey) ?? stageOfGone(what, lane))!.done += actualMinutes / 60;
  for (const { key, stage } of route.steps) hours.get(stage)!.left += standing.progress.get(key)!.minutesLeft / 60;
  return [...hours].flatMap(([stage, own]) =>
    own.done + own.left > 0 ? [{ stage: capital(stage.replace('-', ' ')), done: own.done, left: own.left }] : [],
  );
}

function paintsOf(log: Learnt['log']): Learning['paints'] {
  const used = new Map<string, { ml: number; times: number; coats: number[] }>();
  for (const { mixed, paint, ml, coats } of log) {
    if (ml === null && !mixed) continue;
    const parts = mixed?.parts ?? [{ label: paint, drops: 1 }];
    const drops = parts.reduce((sum, part) => sum + part.drops, 0);
    for (const part of parts) {
      if (!part.label) continue;
      const own = used.get(part.label) ?? { ml: 0, times: 0, coats: [] };
      own.ml += ((ml ?? 0) * part.drops) / drops;
      own.times += 1;
      if (coats !== null) own.coats.push(coats);
      used.set(part.label, own);
    }
  }
  return [...used]
    .map(([paint, { ml, times, coats }]) => ({ paint, ml, times, coats: coats.length > 0 ? median(coats) : null }))
    .sort((a, b) => b.ml - a.ml || a.paint.localeCompare(b.paint));
}

type Learnt = BriefView['state'];

function airOf(log: Learnt['log']): Learning['air'] {
  const days = new Map<string, { tempC: number[]; humidity: number[]; chemistries: Set<Chemistry> }>();
  for (const { endedAt, tempC, humidity, chemistry } of log) {
    if (tempC === null || humidity === null || chemistry === '') continue;
    const day = endedAt.slice(0, 10);
    const own = days.get(day) ?? { tempC: [], humidity: [], chemistries: new Set<Chemistry>() };
    own.tempC.push(tempC);
    own.humidity.push(humidity);
    own.chemistries.add(chemistry);
    days.set(day, own);
  }
  return [...days]
    .sort(([a], [b]) => a.localeCompare(b))
    .map(([day, own]) => {
      const climate = { tempC: median(own.tempC), humidity: median(own.humidity) };
      const factors = [...own.chemistries]
        .sort()
        .map((chemistry) => ({ chemistry: CHEMISTRIES[chemistry].title, factor: dryingFactor(chemistry, climate) }));
      return { day, ...climate, factors };
    });
}
