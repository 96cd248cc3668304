import { dryingTime, waitFor, type Climate } from '@/core/paint/drying';
import { byHand, put } from '@/core/work/making';
import { minutesOf, minutesSaid } from '@/core/work/minutes';
import { markingLayer, paintedMarking } from './painted-marking';
import { stepOf, type RouteLink, type RouteStep } from '@/core/work/step';
import type { Insert } from './insert';
import type { RouteMarking } from './call';
import type { RouteInput } from './route-input';
import { coatLaid } from './spray-run';

/** Markings that go on after the seal's ground: decals, brush and pen, one after the other. */
export function appliedMarkings(markings: readonly RouteMarking[], climate: Climate): Insert {
  const fluid = waitFor('decal', climate);
  const steps: RouteStep[] = [];
  const links: RouteLink[] = [];
  for (const marking of markings.filter((m) => m.method !== 'mask')) {
    const isByHand = marking.method === 'brush' || marking.method === 'pen';
    const { pieces = 1, isStencil = false, painted = { edgeMm: 0, areaCm2: 0 } } = marking;
    const work = isByHand ? byHand(painted) : put(pieces, isStencil);
    const step = stepOf(
      `marking:${marking.id}`,
      `${isByHand ? 'Paint' : 'Place'} ${marking.title}${pieces > 1 ? `, ${pieces} of them` : ''}`,
      isByHand ? 'brush' : 'decal',
      'Whole',
      minutesOf(work),
      {
        minutesFrom: minutesSaid(work),
        stage: 'markings',
        family: 'marking',
        marking: marking.id,
        lays: [markingLayer(isByHand ? 'marking' : 'decal', marking.title)],
        zones: marking.zones,
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

/** Markings of what is painted apart, as the tips of blades and the words on tanks: done while it still lies on the bench, over its own colours. */
export function partMarkings(markings: readonly RouteMarking[], colours: Insert, input: RouteInput): Insert {
  const { climate } = input;
  const painted = markings.filter(({ method }) => method === 'mask').map((marking) => paintedMarking(marking, input));
  const applied = markings
    .filter(({ method }) => method !== 'mask')
    .map((marking): Insert => appliedMarkings([marking], climate));
  const runs: Insert[] = [
    ...painted.map(({ steps, links, first, last, free }): Insert => {
      const wait = dryingTime(coatLaid(last), 'handle', climate);
      const ends = [{ key: last.key, wait, why: 'the marking may be handled' }];
      return { steps, links, first: [first], last: [...ends, { key: free, wait: 0, why: 'unmasked' }] };
    }),
    ...applied,
  ];
  const under = (first: string, zones: readonly string[]): RouteLink[] =>
    colours.steps.flatMap((step) =>
      step.lays.length > 0 && step.zones.some((zone) => zones.includes(zone))
        ? [
            {
              from: step.key,
              to: first,
              minLag: dryingTime(coatLaid(step), 'mask', climate),
              maxLag: null,
              why: 'what is under it bears tape and fluid',
            },
          ]
        : [],
    );
  return {
    steps: runs.flatMap(({ steps }) =>
      steps.map((step): RouteStep => ({ ...step, lane: 'Gear, stores', stage: 'small-parts' })),
    ),
    links: runs.flatMap(({ steps, links, first }) => [
      ...links,
      ...first.flatMap((key) => under(key, steps[0]!.zones)),
    ]),
    first: runs.flatMap(({ first }) => first),
    last: runs.flatMap(({ last }) => last),
  };
}
