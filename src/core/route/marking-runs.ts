import { waitFor, type Climate } from '@/core/paint/drying';
import { minutesOf, minutesSaid, type Work } from '@/core/work/minutes';
import { markingLayer } from './painted-marking';
import { stepOf, type RouteLink, type RouteStep } from '@/core/work/step';
import type { Insert } from './insert';
import type { RouteMarking } from './call';

/** A brush leaves thin coats. */
const BY_HAND_COATS = 2;

/** Markings that go on after the seal's ground: decals, brush and pen, one after the other. */
export function appliedMarkings(markings: readonly RouteMarking[], climate: Climate): Insert {
  const fluid = waitFor('decal', climate);
  const steps: RouteStep[] = [];
  const links: RouteLink[] = [];
  for (const marking of markings.filter((m) => m.method !== 'mask')) {
    const byHand = marking.method === 'brush' || marking.method === 'pen';
    const { pieces = 1, isStencil = false, painted = { edgeMm: 0, areaCm2: 0 } } = marking;
    const work: Work = byHand
      ? { kind: 'brush', ...painted, coats: BY_HAND_COATS }
      : { kind: isStencil ? 'stencils' : 'decals', pieces };
    const step = stepOf(
      `marking:${marking.id}`,
      `${byHand ? 'Paint' : 'Place'} ${marking.title}${pieces > 1 ? `, ${pieces} of them` : ''}`,
      byHand ? 'brush' : 'decal',
      'Whole',
      minutesOf(work),
      {
        minutesFrom: minutesSaid(work),
        stage: 'markings',
        family: 'marking',
        marking: marking.id,
        lays: [markingLayer(byHand ? 'marking' : 'decal', marking.title)],
        zones: [marking.zone],
        why: marking.method === 'own decal' ? 'print spares' : '',
      },
    );
    const last = steps.at(-1);
    if (last) links.push({ from: last.key, to: step.key, minLag: fluid.minutes, maxLag: null, why: fluid.says });
    steps.push(step);
  }
  const end = steps.at(-1);
  return {
    steps,
    links,
    first: steps[0] ? [steps[0].key] : [],
    last: end ? [{ key: end.key, wait: fluid.minutes, why: fluid.says }] : [],
  };
}
