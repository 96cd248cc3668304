import { MARKING_ASPECTS, type Aspect } from '@/core/evidence/aspects';
import { APART, type Zone } from '@/core/outline/zones';
import { rulesAfter } from './rules';
import { holdsFor } from './rules/forms';
import { SECTIONS } from './rules/weathering';
import type { Joint } from '@/core/work/kinds';
import type { Route, RouteStep } from '@/core/work/step';

/** Where a zone lies, as far as the order of work is concerned. */
type Place = 'interior' | 'bays' | 'apart' | 'wings' | 'tail' | 'body';

const placeOf = ({ group }: Pick<Zone, 'group'>): Place => {
  if (group === 'interior' || group === 'bays') return group;
  if (APART.has(group)) return 'apart';
  return group === 'wings' || group === 'tail' ? group : 'body';
};

/** The joint of the rules at which the colours of a place are let in. */
const COLOUR_JOINT: Record<Place, Joint> = {
  interior: 'interior',
  bays: 'bays',
  apart: 'parts',
  wings: 'colours',
  tail: 'colours',
  body: 'colours',
};

/** The glass that is masked with the machine is in its place after this. */
const GLASS_FIXED = 'fit-canopy';

/** What is built in sits fast after these steps. */
const BUILT_IN: Record<Place, readonly string[]> = {
  interior: ['fit-cockpit'],
  bays: [],
  apart: [],
  wings: ['drill-wings', 'gate:wings'],
  tail: ['join-tail'],
  body: ['drill-fuselage'],
};
/** What is painted apart is built in by what builds it. */
const BUILT_APART: Partial<Record<Zone['group'], readonly string[]>> = {
  gear: ['build-gear'],
  stores: ['build-stores'],
  propeller: ['build-propeller'],
  rotor: ['build-rotor'],
  struts: ['drill-rigging', 'try-upper-wing'],
  glazing: ['mask-canopy', 'mask-screens'],
};
const builtIn = (place: Place, { group }: Pick<Zone, 'group'>) => BUILT_APART[group] ?? BUILT_IN[place];
const SMOOTHED: Record<Place, readonly string[]> = {
  interior: ['ejector-marks'],
  bays: [],
  apart: ['build-gear', 'build-stores'],
  wings: ['seams-wings'],
  tail: ['seams-roots'],
  body: ['fill-seams'],
};

/** Steps of the fixed rules that settle an aspect, by where the zone lies, with the reason. */
const FIXED_BY: Partial<
  Record<Aspect, { steps: (place: Place, zone: Pick<Zone, 'group'>) => readonly string[]; reason: string }>
> = {
  seam: { steps: (place) => SMOOTHED[place], reason: 'a real seam is not filled' },
  aerial: { steps: builtIn, reason: 'its hole is drilled from inside' },
  fit: { steps: builtIn, reason: 'what is inside is out of reach once it is fitted' },
  gearCover: { steps: () => ['build-gear'], reason: 'covers are built with the legs' },
  hook: { steps: () => ['fit-gear'], reason: 'it is fitted with the gear' },
  door: { steps: () => ['fit-hatches'], reason: 'doors are fitted into their frames' },
  wear: {
    steps: (place) =>
      place === 'interior'
        ? ['chip-interior', 'wash-interior']
        : place === 'apart'
          ? ['weather-gear']
          : ['streaks', 'neglect', 'exhaust', 'chips', ...SECTIONS.map(([key]) => `wash:${key}`)],
    reason: 'weathering follows what was seen',
  },
};

const BOUNDARIES: ReadonlySet<Aspect> = new Set(['boundary', 'boundaryWidth', 'boundaryPlace']);
const isMarking = ({ family }: RouteStep) => family === 'marking';

/** The steps that fix the answer for an aspect of a zone: that lay it, cover it or build it in. */
export function fixingSteps(route: Route, zone: Pick<Zone, 'key' | 'group'>, aspect: Aspect): RouteStep[] {
  // A step that waits for the answer itself does not fix it: what is painted there first does.
  const here = route.steps.filter(({ zones, open, general }) => zones.includes(zone.key) && !open && general === null);
  // What stands beside the machine has no place in the rules: its own steps settle it.
  if (zone.group === 'subject') return aspect === 'colour' ? here.filter((step) => step.booth) : here;
  const fixed = FIXED_BY[aspect];
  if (fixed) {
    const wanted = fixed.steps(placeOf(zone), zone);
    return route.steps.filter((step) => wanted.includes(step.key));
  }
  if (MARKING_ASPECTS.has(aspect)) return here.filter(isMarking);
  if (BOUNDARIES.has(aspect)) return here.filter(({ family, tape }) => family === 'mask' && tape?.goes === 'on');
  // What lies under a colour is no reason to have decided that.
  const under = aspect === 'colour' ? 'earlier coat' : null;
  return here.filter(
    (step) =>
      (step.load !== null || step.lays.some(({ what }) => what === 'colour')) &&
      !isMarking(step) &&
      step.family !== under,
  );
}

/** Steps before which the colour of glass should be known though they do not fix it: the inside of its frames is painted before it is in its place. */
export const glassSteps = (route: Route, zone: Pick<Zone, 'key' | 'group'>, aspect: Aspect): RouteStep[] =>
  zone.group === 'glazing' && aspect === 'colour' && !route.covered.apart.includes(zone.key)
    ? route.steps.filter(({ key }) => key === GLASS_FIXED)
    : [];

/**
 * The steps that need the answer though none is planned for it yet, as while a colour is open: those that the colours of the same place are
 * let in with, or where there are none, what follows their joint.
 */
export function needingSteps(route: Route, zone: Pick<Zone, 'key' | 'group'>, aspect: Aspect): RouteStep[] {
  const wanted: Joint = MARKING_ASPECTS.has(aspect) ? 'markings' : COLOUR_JOINT[placeOf(zone)];
  // What waits for the answer itself needs it no sooner than what is done beside it.
  const own = route.steps.filter(
    (step) => !step.open && (wanted === 'markings') === isMarking(step) && (isMarking(step) || step.joint === wanted),
  );
  return own.length > 0 ? own : followers(route, wanted);
}

/** The first steps of the route that come after a joint by the rules. */
function followers(route: Route, joint: string, seen = new Set<string>()): RouteStep[] {
  return rulesAfter(joint).flatMap((rule) => {
    const { key } = rule;
    if (seen.has(key) || !holdsFor(rule, route.form)) return [];
    seen.add(key);
    const step = route.steps.find((one) => one.key === key);
    return step ? [step] : followers(route, key, seen);
  });
}
