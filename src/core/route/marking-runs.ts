import { dryingTime, waitFor } from '@/core/paint/drying';
import { byHand, put } from '@/core/work/making';
import { minutesOf, minutesSaid } from '@/core/work/minutes';
import { brushedMarking, markingLayer, NO_SIZE, paintedMarking } from './painted-marking';
import { whiteUnder } from './home-printing';
import { stepOf, type RouteLink, type RouteStep } from '@/core/work/step';
import type { Insert } from './insert';
import type { RouteMarking } from './call';
import type { RouteInput } from './route-input';
import { coatLaid } from './spray-run';

/** Markings that go on after the seal's ground: decals, brush and pen, one after the other. */
export function appliedMarkings(
  markings: readonly RouteMarking[],
  input: Pick<RouteInput, 'climate' | 'calls'>,
): Insert {
  const runs = markings.filter(({ method }) => method !== 'mask').map((marking) => appliedMarking(marking, input));
  const links = runs.flatMap((run, i): RouteLink[] => {
    const before = runs[i - 1];
    return before
      ? [{ from: before.end.key, to: run.steps[0]!.key, minLag: before.wait, maxLag: null, why: before.why }]
      : [];
  });
  const last = runs.at(-1);
  return {
    steps: runs.flatMap(({ steps }) => steps),
    links: [...runs.flatMap((run) => run.links), ...links],
    first: runs[0] ? [runs[0].steps[0]!.key] : [],
    last: last ? [{ key: last.end.key, wait: last.wait, why: last.why }] : [],
  };
}

/** One marking that is put on or painted by hand, and when what comes after it may. */
function appliedMarking(marking: RouteMarking, input: Pick<RouteInput, 'climate' | 'calls'>) {
  const { climate } = input;
  if (marking.method === 'brush') {
    const { steps, links } = brushedMarking(marking, input);
    const end = steps.at(-1)!;
    return { steps, links, end, wait: dryingTime(coatLaid(end), 'handle', climate), why: 'it may be handled' };
  }
  const isDrawn = marking.method === 'pen';
  const { id, title, zones, pieces = 1, isStencil = false, painted = NO_SIZE, calls = [] } = marking;
  const work = isDrawn ? byHand(painted) : put(pieces, isStencil);
  const end = stepOf(
    `marking:${id}`,
    `${isDrawn ? 'Draw' : 'Place'} ${title}${pieces > 1 ? `, ${pieces} of them` : ''}`,
    isDrawn ? 'brush' : 'decal',
    'Whole',
    minutesOf(work),
    {
      minutesFrom: minutesSaid(work),
      stage: 'markings',
      family: 'marking',
      marking: id,
      lays: [{ ...markingLayer(isDrawn ? 'marking' : 'decal', title), code: calls[0]?.code ?? null }],
      zones,
    },
  );
  const fluid = waitFor('decal', climate);
  const white = whiteUnder(marking, climate);
  return {
    steps: white ? [white.step, end] : [end],
    links: white ? [{ from: white.step.key, to: end.key, ...white.wait }] : [],
    end,
    wait: fluid.minutes,
    why: fluid.says,
  };
}

/** Markings of what is painted apart, as the tips of blades and the words on tanks: done while it still lies on the bench, over its own colours. */
export function partMarkings(markings: readonly RouteMarking[], colours: Insert, input: RouteInput): Insert {
  const { climate } = input;
  const painted = markings.filter(({ method }) => method === 'mask').map((marking) => paintedMarking(marking, input));
  const applied = markings
    .filter(({ method }) => method !== 'mask')
    .map((marking): Insert => appliedMarkings([marking], input));
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
