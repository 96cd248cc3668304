import { layOver, type Verdict } from '@/core/paint/chemistry';
import type { StackLayer } from './stack';

/** Two layers of a zone that lie on one another and should not, or not without care. */
export interface Conflict {
  zone: string;
  over: StackLayer;
  under: StackLayer;
  verdict: Exclude<Verdict, 'ok'>;
  says: string;
}

/** Layers that carry no paint film of their own for the next one to attack. */
const DRY: ReadonlySet<StackLayer['what']> = new Set(['decal', 'pigment', 'chip']);

/** Looks each layer up against what lies directly under it on its zone. */
export function conflictsOf(stacks: ReadonlyMap<string, readonly StackLayer[]>): Conflict[] {
  return [...stacks].flatMap(([zone, stack]) => {
    const films = stack.filter(({ what }) => !DRY.has(what));
    return films.slice(1).flatMap((over, i): Conflict[] => {
      const under = films[i]!;
      const { verdict, says } = layOver(over.chemistry, under.chemistry);
      return verdict === 'ok' ? [] : [{ zone, over, under, verdict, says }];
    });
  });
}
