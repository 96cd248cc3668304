import { WAY_FACTS, type Way } from '@/core/kit/applying';
import type { Caution } from '@/core/paint/caution';
import { dryingOf, type Coat } from '@/core/paint/drying';
import { SPRAYING } from '@/core/paint/spraying';
import type { Lane, StepKind } from '@/core/work/kinds';
import { minutesOf, minutesSaid } from '@/core/work/minutes';
import { stepOf, type Load, type RouteStep } from '@/core/work/step';
import { paintingWork, type Sized } from './takes';

/** What follows from how a coat is brought on, for colours and for general coats alike. */

/** A coat as it dries by its way of applying: what a can lays is thick. */
export function driedBy<C extends Coat>(way: Way, coat: C): C {
  const { dries: times } = WAY_FACTS[way];
  if (times === 1) return coat;
  const { recoat, handle, mask, cure } = dryingOf(coat);
  return {
    ...coat,
    dries: { recoat: recoat * times, handle: handle * times, mask: mask * times, cure: cure * times },
  };
}

/** What a step needs of the bench by its way: only an airbrush has a filling to be cleaned out. */
export function handledBy(
  way: Way,
  load: Load,
  caution: Caution,
): Pick<RouteStep, 'load' | 'booth' | 'cautions'> & { kind: StepKind } {
  const facts = WAY_FACTS[way];
  return {
    kind: facts.kind,
    load: way === 'airbrush' ? load : null,
    booth: facts.needsBooth,
    cautions: [...(facts.kind === 'spray' ? [caution] : []), ...(facts.caution ? [facts.caution] : [])],
  };
}

/** A coat that goes on in some way, as a step: of what it lays, with what it takes. */
export function coatStep(
  key: string,
  title: string,
  lane: Lane,
  way: Way,
  { load, lays, zones, passes = 1, ...over }: Partial<RouteStep> & { load: Load; zones: string[]; passes?: number },
  sized: Pick<Sized, 'outline' | 'denominator'>,
): RouteStep {
  const work = paintingWork(way, passes, zones, sized);
  const { kind, ...handled } = handledBy(way, load, SPRAYING[load.chemistry].caution);
  return stepOf(key, title, kind, lane, minutesOf(work), {
    minutesFrom: minutesSaid(work),
    ...handled,
    lays: (lays ?? []).map((layer) => driedBy(way, layer)),
    zones,
    passes,
    ...over,
  });
}

/** "Prime", "Prime from the can", "Prime by brush". */
export const titledBy = (way: Way, title: string): string =>
  way === 'airbrush' ? title : way === 'spray can' ? `${title}, from the can` : `${title}, by brush`;
