import type { PlannedWork, RoutePlan } from '@/core/route/plan';
import type { Route } from '@/core/work/step';
import { writeTable } from './table';

const COLUMNS = [
  'number',
  'day',
  'starts',
  'ends',
  'minutes',
  'step',
  'kind',
  'lane',
  'zones',
  'colour',
  'gate',
  'done',
  'key',
];

/** The route as a table: what is planned in its order, then what could not be. */
export function stepsCsv(
  plan: Pick<RoutePlan, 'work'>,
  route: Pick<Route, 'steps'>,
  titleOf: (zone: string) => string,
): string {
  const planned = new Set(plan.work.map(({ key }) => key));
  const row = (step: PlannedWork['step'], number: number | string, at: PlannedWork | null) => ({
    number,
    day: at?.start.slice(0, 10) ?? '',
    starts: at?.start.slice(11, 16) ?? '',
    ends: at?.end.slice(11, 16) ?? '',
    minutes: step.minutes,
    step: step.title,
    kind: step.kind,
    lane: step.lane,
    zones: step.zones.map(titleOf).join('|'),
    colour: step.code ?? '',
    gate: step.gate ? 'yes' : '',
    done: at?.done ? 'yes' : '',
    key: step.key,
  });
  return writeTable(COLUMNS, [
    ...plan.work.map((item, i) => row(item.step, i + 1, item)),
    ...route.steps.filter(({ key }) => !planned.has(key)).map((step) => row(step, '', null)),
  ]);
}
