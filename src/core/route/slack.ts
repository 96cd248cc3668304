import type { DoneStep } from '@/core/laid/standing';
import { planFrame, type PlanSettings, type RoutePlan } from './plan';
import { latestStarts } from './schedule/backward';
import { networkOf } from './schedule/network';
import type { Route } from '@/core/work/step';

/**
 * How long each step could wait without moving the day on which all is done: its latest start (local date-time), by waits and sessions
 * alone. Several that wait at once can be in one another's way.
 */
export function latestStartsOf(
  route: Pick<Route, 'steps' | 'links'>,
  done: readonly DoneStep[],
  settings: PlanSettings,
  { work, finish }: Pick<RoutePlan, 'work' | 'finish'>,
): Map<string, string> {
  if (!finish) return new Map();
  const { problem, local } = planFrame(route, done, settings);
  const end = Math.max(...work.map(({ segments }) => segments.at(-1)![1]));
  const day = local(end).slice(0, 10);
  const lastOfDay = problem.windows.filter((window) => local(window.start).slice(0, 10) === day).at(-1);
  const network = networkOf(problem);
  const latest = latestStarts(network, Math.max(end, lastOfDay?.end ?? end));
  return new Map(
    work.flatMap(({ key, done: isDone }) => {
      const at = latest[network.index.get(key)!]!;
      return isDone || !Number.isFinite(at) ? [] : [[key, local(at)] as const];
    }),
  );
}
