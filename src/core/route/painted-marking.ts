import { WAY_FACTS, type Way } from '@/core/kit/applying';
import { dryingTime } from '@/core/paint/drying';
import { SPRAYING } from '@/core/paint/spraying';
import { coatsOfMarking, type MarkingCoat } from '@/core/markings/coats';
import { sizeOfCoat, type Painted, type PaintedSize } from '@/core/markings/painted-size';
import type { Layer } from '@/core/work/layer';
import { byHand, coatThroughMask, tapeOf } from '@/core/work/making';
import { minutesOf, minutesSaid, type Work } from '@/core/work/minutes';
import { stepOf, type Load, type RouteLink, type RouteStep } from '@/core/work/step';
import type { RouteCall, RouteMarking } from './call';
import { ASSUMED_CHEMISTRY, coatOf, loadOf } from './call-coat';
import { handledBy } from './by-way';
import type { Insert } from './insert';
import { unmaskAfter } from './mask-steps';
import type { RouteInput } from './route-input';
import { TAPE } from './rules/cautions';
import { coatLaid } from './spray-run';

export const markingLayer = (what: 'marking' | 'decal', paint: string): Layer => ({
  what,
  chemistry: ASSUMED_CHEMISTRY,
  code: null,
  paint,
  coats: 1,
});

/** The white that goes under colours which hide badly, whatever white is at hand. */
export const WHITE_GROUND: Load = {
  id: 'ground White',
  title: 'White ground',
  chemistry: ASSUMED_CHEMISTRY,
  kind: 'solid',
  lightness: 96,
};
/** Of a marking that nobody measured. */
export const NO_SIZE: PaintedSize = { edgeMm: 0, areaCm2: 0, ofCodes: [] };

/** Tape that is laid for a marking, along its edges. */
export function markingTape(
  { id, zones, painted = NO_SIZE }: RouteMarking,
  key: string,
  title: string,
  over: Pick<RouteStep, 'family' | 'tape' | 'why'>,
): RouteStep {
  const taped = tapeOf(painted.edgeMm);
  return stepOf(key, title, 'mask', 'Whole', minutesOf(taped), {
    minutesFrom: minutesSaid(taped),
    stage: 'markings',
    marking: id,
    zones,
    splittable: true,
    cautions: [TAPE],
    ...over,
  });
}

/** The coats of a marking that is painted, as its colours and the skin under it ask for them. */
export const coatsOf = (
  { zones, calls = [], hides }: Pick<RouteMarking, 'zones' | 'calls' | 'hides'>,
  skin: readonly RouteCall[],
): MarkingCoat[] =>
  coatsOfMarking(
    calls.map(({ code, name, lab, paint }) => ({ code, name, lab, isMetallic: paint?.kind === 'metallic' })),
    skinUnder(zones, skin),
    hides,
  );

/** What the skin is called in where a marking lies. */
export const skinUnder = (zones: readonly string[], skin: readonly RouteCall[]): RouteCall[] =>
  skin.filter((call) => call.zones.some((zone) => zones.includes(zone)));

/** How the coats of a marking go on. */
interface Laying {
  way: Way;
  does: string;
  /** The key of its first colour; that of another has its code behind it. */
  key: string;
  workOf: (size: Painted) => Work;
  why: string;
}

/** The coats of a marking, each when the one under it may be gone over. */
function coatSteps(
  marking: RouteMarking,
  { climate, calls: skin }: Pick<RouteInput, 'climate' | 'calls'>,
  { way, does, key, workOf, why }: Laying,
): Pick<Insert, 'links'> & { steps: RouteStep[] } {
  const { id, title, zones, calls = [], painted = NO_SIZE } = marking;
  const white: Layer = { ...markingLayer('marking', WHITE_GROUND.title), what: 'undercoat' };
  const unnamed: Load = {
    id: `marking-${id}`,
    title,
    chemistry: ASSUMED_CHEMISTRY,
    kind: 'solid',
    lightness: 75,
  };
  const steps: RouteStep[] = [];
  const links: RouteLink[] = [];
  let isFirst = true;
  for (const coat of coatsOf(marking, skin)) {
    const { what, because } = coat;
    const call = calls[coat.of[0] ?? -1] ?? null;
    const name = call ? call.name || call.code : '';
    const size = sizeOfCoat(painted, coat);
    const work = workOf(size);
    const ofCoat = (own: string, said: string, load: Load, layer: Layer, reason: string) =>
      stepOf(own, said, WAY_FACTS[way].kind, 'Whole', minutesOf(work), {
        family: 'marking',
        stage: 'markings',
        marking: id,
        zones,
        minutesFrom: minutesSaid(work),
        areaCm2: size.areaCm2,
        code: layer.code,
        lays: [layer],
        ...handledBy(way, load, SPRAYING[load.chemistry].caution),
        why: reason,
      });
    const step =
      what === 'white'
        ? ofCoat(
            call ? `marking-ground:${id}:${call.code}` : `marking-ground:${id}`,
            call ? `Lay white again in ${title}, for ${name}` : `Lay the white ground of ${title}`,
            WHITE_GROUND,
            white,
            because,
          )
        : ofCoat(
            isFirst ? key : `${key}:${call!.code}`,
            `${does} ${title}${name ? `: ${name}` : ''}`,
            call ? loadOf(call) : unnamed,
            { ...markingLayer('marking', title), ...(call ? { ...coatOf(call), code: call.code } : {}) },
            why,
          );
    if (what === 'colour') isFirst = false;
    const before = steps.at(-1);
    if (before)
      links.push({
        from: before.key,
        to: step.key,
        minLag: dryingTime(coatLaid(before), 'recoat', climate),
        maxLag: null,
        why: because,
      });
    steps.push(step);
  }
  return { steps, links };
}

/** A marking that is masked and sprayed: its ground, its colours in their order, and the tape off. */
export function paintedMarking(marking: RouteMarking, input: Pick<RouteInput, 'climate' | 'general' | 'calls'>) {
  const { id, title, painted = NO_SIZE, pieces = 1 } = marking;
  const { climate, general } = input;
  // No can sprays into a small mask.
  const way: Way = general === 'airbrush' ? 'airbrush' : 'brush';
  const mask = markingTape(marking, `marking-mask:${id}`, `Mask ${title}, all layers laid once to register`, {
    family: 'marking',
    tape: { of: id, goes: 'on' },
    why: 'the edges sealed with the colour under them or clear',
  });
  const { steps, links } = coatSteps(marking, input, {
    way,
    does: WAY_FACTS[way].does,
    key: `marking-spray:${id}`,
    workOf: (size) => coatThroughMask(size, pieces, way === 'airbrush'),
    why: way === 'airbrush' ? 'square to the surface, thin' : 'thin, drawn from the tape inwards',
  });
  const [first, last] = [steps[0]!, steps.at(-1)!];
  const masked: RouteLink = { from: mask.key, to: first.key, minLag: 0, maxLag: null, why: 'masked first' };
  const { step, link } = unmaskAfter(last, mask, painted.edgeMm, `marking-unmask:${id}`, title, climate);
  return { steps: [mask, ...steps, step], links: [masked, ...links, link], first: mask.key, last, free: step.key };
}

/** A marking that is painted by hand, a colour after the other. */
export const brushedMarking = (marking: RouteMarking, input: Pick<RouteInput, 'climate' | 'calls'>) =>
  coatSteps(marking, input, {
    way: 'brush',
    does: 'Paint',
    key: `marking:${marking.id}`,
    workOf: byHand,
    why: 'thin, from the middle to the line',
  });
