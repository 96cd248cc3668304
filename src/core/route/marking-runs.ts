import { waitFor, type Climate } from '@/core/paint/drying';
import { counted } from '@/core/units/words';
import { markingLayer } from './colour-runs';
import { stepOf, type RouteLink, type RouteStep } from '@/core/work/step';
import type { Insert } from './insert';
import type { RouteMarking } from './call';

/** To lay out water, fluids and brushes; then for each piece. */
const MINUTES = { begin: 5, decal: 8, stencil: 2.5, byHand: 25 };

/** Markings that go on after the seal's ground: decals, brush and pen, one after the other. */
export function appliedMarkings(markings: readonly RouteMarking[], climate: Climate): Insert {
  const fluid = waitFor('decal', climate);
  const steps: RouteStep[] = [];
  const links: RouteLink[] = [];
  for (const marking of markings.filter((m) => m.method !== 'mask')) {
    const byHand = marking.method === 'brush' || marking.method === 'pen';
    const { pieces = 1, isStencil = false } = marking;
    const each = byHand ? MINUTES.byHand : isStencil ? MINUTES.stencil : MINUTES.decal;
    const step = stepOf(
      `marking:${marking.id}`,
      `${byHand ? 'Paint' : 'Place'} ${marking.title}${pieces > 1 ? `, ${pieces} of them` : ''}`,
      byHand ? 'brush' : 'decal',
      'Whole',
      Math.round(MINUTES.begin + pieces * each),
      {
        minutesFrom: `${MINUTES.begin} min to begin, ${each} min for each of ${counted(pieces, 'piece')}`,
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
