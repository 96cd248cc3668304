import { spokenZones } from '@/core/outline/spoken';
import type { Zone } from '@/core/outline/zones';
import { PRINTED } from '@/core/markings/kinds';
import type { Chemistry } from '@/core/paint/chemistry';
import { dryingTime, waitFor } from '@/core/paint/drying';
import type { Minutes } from '@/core/units/minutes';
import { layerOfCoat } from '@/core/work/layer';
import { minutesOf, minutesSaid, type Work } from '@/core/work/minutes';
import { stepOf, type RouteLink, type RouteStep } from '@/core/work/step';
import { coatStep } from './by-way';
import type { RouteCall } from './call';
import { chemistryOf } from './call-coat';
import type { SprayOrder } from './colour-order';
import type { RouteInput } from './route-input';
import { SPRAY } from './rules/cautions';
import { isChipped, UPPER } from './rules/weathering';
import { laidBy, USUAL_COATS } from './spray-run';
import { paintingWork, piecesOn } from './takes';

/** Chipping fluid under one colour, on a few zones: laid, painted over and chipped while it still dissolves. */
export interface FluidRun {
  /** The colour over it. */
  code: string;
  zones: readonly string[];
}

/** How its steps are known, and where among the work they are. */
export type FluidPlace = Pick<RouteStep, 'lane' | 'stage' | 'schools'> & { fluidKey: string; chipKey: string };
/** Where the school of chipping puts it: over the whole airframe. */
const BY_SCHOOL: FluidPlace = {
  fluidKey: 'chip-fluid',
  chipKey: 'chip-wear',
  lane: 'Whole',
  stage: 'colours',
  schools: ['chips'],
};

/** Water reaches the fluid through these. */
const WETTED: ReadonlySet<Chemistry> = new Set(['WA', 'SA']);
const COATS = 2;
/** Where feet and hands go: so much of the zones. */
const SHARE = 0.3;
/** From the first of the fluid until the tape is off, it has to be one evening's work. */
const AT_ONE_GO: Minutes = 110;

/**
 * Where fluid goes: under the last colour that water reaches through and that no later mask lies on, on hard skin that faces up where there is
 * any; among the wanted zones, on so few of them that fluid, colour and chipping follow each other in one evening. None where no colour allows it.
 */
export function fluidRun(
  { ordered, maskings }: SprayOrder,
  wanted: ReadonlySet<string>,
  input: RouteInput,
): FluidRun | null {
  const { outline, markings, coated = [] } = input;
  if (input.general !== 'airbrush') return null;
  const taped = new Set(markings.flatMap(({ zones, method }) => (PRINTED.has(method) ? [] : zones)));
  // What is ruled to lie under a colour has its own.
  for (const { zone, item } of coated) if (item === '') taped.add(zone);
  const found: { code: string; zones: Zone[] }[] = [];
  for (const call of [...ordered].reverse()) {
    if (WETTED.has(chemistryOf(call)) && (call.way ?? 'airbrush') === 'airbrush' && call.paint?.kind !== 'metallic') {
      const zones = outline.zones.filter(
        (zone) => call.zones.includes(zone.key) && wanted.has(zone.key) && !taped.has(zone.key) && isChipped(zone),
      );
      const upper = zones.filter(UPPER);
      const few = [upper, zones].map((of) => asFewAsFit(of, call, input)).find(({ length }) => length > 0);
      if (few) found.push({ code: call.code, zones: few });
    }
    const { edges, paperCm2 } = maskings.get(call.code)!;
    // Its mask lies on all that was sprayed before it, or on what it meets.
    if (paperCm2 > 0) break;
    for (const { zone, meets } of edges) taped.add(zone).add(meets.zone);
  }
  const best = found.find(({ zones }) => zones.some(UPPER)) ?? found[0];
  return best ? { code: best.code, zones: best.zones.map(({ key }) => key) } : null;
}

/** The largest of the zones, both sides alike, as many as one evening holds. */
function asFewAsFit(zones: readonly Zone[], call: RouteCall, input: RouteInput): Zone[] {
  const areas = [...new Set(zones.map(({ areaM2 }) => areaM2))].sort((a, b) => b - a);
  return areas.reduce<Zone[]>((chosen, area) => {
    const more = [...chosen, ...zones.filter(({ areaM2 }) => areaM2 === area)];
    return atOneGo(more, call, input) <= AT_ONE_GO ? more : chosen;
  }, []);
}

/** Minutes from the first of the fluid until the colour over it is dry to the touch. */
function atOneGo(zones: readonly Zone[], call: RouteCall, input: RouteInput): Minutes {
  const keys = zones.map(({ key }) => key);
  const spray = paintingWork('airbrush', call.coats ?? USUAL_COATS, keys, input);
  return (
    minutesOf(fluidWork(keys, input)) +
    waitFor('chipFluid', input.climate).minutes +
    minutesOf(spray) +
    dryingTime(laidBy(call), 'touch', input.climate)
  );
}

const fluidWork = (keys: readonly string[], input: Pick<RouteInput, 'outline' | 'denominator'>): Work => {
  const whole = paintingWork('airbrush', COATS, keys, input);
  return { ...whole, areaCm2: SHARE * (whole.areaCm2 ?? 0) };
};

/** The steps of the run, round the coat that lies over the fluid. */
export function fluidSteps(
  { zones }: Pick<FluidRun, 'zones'>,
  over: RouteStep,
  name: string,
  input: Pick<RouteInput, 'outline' | 'denominator' | 'climate' | 'coats' | 'general'>,
  { fluidKey, chipKey, lane, ...at }: FluidPlace = BY_SCHOOL,
): { fluid: RouteStep; chip: RouteStep; before: RouteLink; after: RouteLink } {
  const { outline, climate, coats, general } = input;
  const keys = [...zones];
  const where = spokenZones(outline.zones, keys);
  const work = fluidWork(keys, input);
  const own: Partial<RouteStep> = { ...at, zones: keys };
  const fluid = coatStep(
    fluidKey,
    `Chipping fluid in two thin coats where ${where} shall chip`,
    lane,
    general,
    {
      ...own,
      zones: keys,
      passes: COATS,
      load: coats.chipping,
      lays: [layerOfCoat(coats.chipping)],
      minutes: minutesOf(work),
      minutesFrom: minutesSaid(work),
      cautions: [SPRAY],
      why: 'what lies under it shows in the chips; only where feet and hands go, and no tape comes over it',
    },
    input,
  );
  const wear: Work = { kind: 'wipe', areaCm2: work.areaCm2, pieces: piecesOn(outline, keys) };
  const chip = stepOf(
    chipKey,
    `Wet ${name} on ${where} and chip it with a stiff brush: edges, panels, walkways`,
    'chip',
    lane,
    minutesOf(wear),
    {
      ...own,
      minutesFrom: minutesSaid(wear),
      splittable: true,
      why: 'as the test piece showed, and the same evening: a cured coat hardly lifts; what shall fade there fades with the last thin pass, not over the chips',
    },
  );
  const toColour = waitFor('chipFluid', climate);
  const toChips = waitFor('chipColour', climate);
  return {
    fluid,
    chip,
    before: { from: fluid.key, to: over.key, minLag: toColour.minutes, maxLag: toColour.most, why: toColour.says },
    after: { from: over.key, to: chip.key, minLag: toChips.minutes, maxLag: toChips.most, why: toChips.says },
  };
}
