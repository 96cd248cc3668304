import { atOwnPace, type Estimate } from '@/core/bench/estimate';
import type { Options } from '@/core/kit/options';
import type { Outline } from '@/core/outline/outline';
import { withOwnAirbrushes } from '@/core/route/own-airbrush';
import { buildRoute, stoppable } from '@/core/route/route';
import type { RouteInput } from '@/core/route/route-input';
import type { Route } from '@/core/work/step';
import type { RouteCall } from '@/core/route/call';

/** What a brief's route is made from, as plain data. */
export interface RouteWanted extends Omit<RouteInput, 'outline' | 'callFor'> {
  /** Colours under and over the visible ones, by what is said of them. */
  under: { value: string; call: RouteCall }[];
  /** What airbrushes beyond the first are kept for. */
  keptAirbrushes: readonly string[];
  /** What the log says of the builder's pace, by kind of work. */
  pace: Estimate['factors'];
}

/** The route of a brief, or the one that other options would make. */
export function routeOf(wanted: RouteWanted, outline: Outline, options: Options = wanted.options): Route {
  const under = new Map(wanted.under.map(({ value, call }) => [value, call]));
  const route = buildRoute({ ...wanted, options, outline, callFor: (value) => under.get(value)! });
  // At his own pace other work may be long.
  return stoppable(atOwnPace(withOwnAirbrushes(route, wanted.keptAirbrushes), wanted.pace));
}
