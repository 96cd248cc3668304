import { wantedStacks, type Stacks } from '@/core/laid/stack';
import type { Outline } from '@/core/outline/outline';
import type { Route } from '@/core/work/step';

/** What a route lays on each zone of an outline when nothing is done yet. */
export const stacksIn = (route: Route, { zones }: Pick<Outline, 'zones'>): Stacks =>
  wantedStacks(
    route,
    zones.map(({ key }) => key),
  );
