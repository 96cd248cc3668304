import type { Options } from '@/core/kit/options';
import type { Outline } from '@/core/outline/outline';
import { buildRoute } from '@/core/route/route';
import type { RouteInput } from '@/core/route/route-input';
import type { Route, RouteCall } from '@/core/route/step';

/** What a brief's route is made from, as plain data. */
export interface RouteWanted extends Omit<RouteInput, 'outline' | 'callFor'> {
  /** Colours under and over the visible ones, by what is said of them. */
  under: { value: string; call: RouteCall }[];
}

/** The route of a brief, or the one that other options would make. */
export function routeOf(wanted: RouteWanted, outline: Outline, options: Options = wanted.options): Route {
  const under = new Map(wanted.under.map(({ value, call }) => [value, call]));
  return buildRoute({ ...wanted, options, outline, callFor: (value) => under.get(value)! });
}
