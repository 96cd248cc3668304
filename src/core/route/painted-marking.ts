import { chromaOf, hueBetween } from '@/core/colour/spaces';
import { WAY_FACTS, type Way } from '@/core/kit/applying';
import { dryingTime } from '@/core/paint/drying';
import { SPRAYING } from '@/core/paint/spraying';
import type { PaintedSize } from '@/core/markings/painted-size';
import type { Minutes } from '@/core/units/minutes';
import type { Layer } from '@/core/work/layer';
import { coatThroughMask, tapeOf } from '@/core/work/making';
import { minutesOf, minutesSaid } from '@/core/work/minutes';
import { stepOf, type Load, type RouteLink, type RouteStep } from '@/core/work/step';
import type { RouteCall, RouteMarking } from './call';
import { ASSUMED_CHEMISTRY, coatOf, loadOf } from './call-coat';
import { lightToDark } from './colour-order';
import { handledBy } from './by-way';
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

/** Chroma from which a colour is a strong one. */
const STRONG = 25;
/** Colour that hides badly over anything dark: a white ground goes under it. */
export const needsWhite = ({ lab }: Pick<RouteCall, 'lab'>): boolean =>
  lab !== null && lab[0] > 30 && chromaOf(lab) > STRONG;

/** White enough to be a ground itself. */
const isWhite = ({ lab }: Pick<RouteCall, 'lab'>): boolean => lab !== null && lab[0] > 88 && chromaOf(lab) < 10;

/** Whether a white ground goes under colours through a mask: white under white is one coat too many. */
export function takesWhite(
  calls: readonly Pick<RouteCall, 'lab'>[],
  skinUnder: readonly Pick<RouteCall, 'lab'>[],
): boolean {
  // White is the lightest: where it is one of them, it comes first.
  const hasWhite = calls.some(isWhite) || (skinUnder.length > 0 && skinUnder.every(isWhite));
  return !hasWhite && calls.some(needsWhite);
}

/** From here on, degrees of hue, two colours are of another kind. */
const ANOTHER_HUE = 60;

/** Whether a colour over another becomes a third, as blue over red: both strong, and of another hue. */
function turnsOver(over: RouteCall, under: RouteCall): boolean {
  if (!over.lab || !under.lab || chromaOf(over.lab) < STRONG || chromaOf(under.lab) < STRONG) return false;
  return hueBetween(over.lab, under.lab) > (ANOTHER_HUE * Math.PI) / 180;
}

const WHITE_GROUND: Load = {
  id: 'ground White',
  title: 'White ground',
  chemistry: ASSUMED_CHEMISTRY,
  kind: 'solid',
  lightness: 96,
};
const NO_SIZE: PaintedSize = { edgeMm: 0, areaCm2: 0, ofCodes: [] };

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

/** A marking that is masked and sprayed: its ground, its colours from light to dark, and the tape off. */
export function paintedMarking(
  marking: RouteMarking,
  { climate, general, calls: skin }: Pick<RouteInput, 'climate' | 'general' | 'calls'>,
) {
  const { id, title, zones, calls = [], painted = NO_SIZE, pieces = 1 } = marking;
  // No can sprays into a small mask.
  const way: Way = general === 'airbrush' ? 'airbrush' : 'brush';
  /** A colour of it covers its own fields, a ground under all of them the whole. */
  const areaOf = (call: RouteCall | null) => (call && painted.ofCodes[calls.indexOf(call)]) ?? painted.areaCm2;
  const own: Pick<RouteStep, 'family' | 'stage' | 'marking' | 'zones'> = {
    family: 'marking',
    stage: 'markings',
    marking: id,
    zones,
  };
  const links: RouteLink[] = [];
  const then = (from: RouteStep, to: RouteStep, minLag: Minutes, why: string) =>
    links.push({ from: from.key, to: to.key, minLag, maxLag: null, why });
  const mask = markingTape(marking, `marking-mask:${id}`, `Mask ${title}, all layers laid once to register`, {
    family: 'marking',
    tape: { of: id, goes: 'on' },
    why: 'the edges sealed with the colour under them or clear',
  });
  const steps = [mask];
  /** A coat of it, through the mask. */
  const coat = (
    key: string,
    title: string,
    load: Load,
    layer: Layer,
    call: RouteCall | null,
    why: string,
  ): RouteStep => {
    const areaCm2 = areaOf(call);
    const sprayed = coatThroughMask(areaCm2, pieces, way === 'airbrush');
    return stepOf(key, title, WAY_FACTS[way].kind, 'Whole', minutesOf(sprayed), {
      ...own,
      minutesFrom: minutesSaid(sprayed),
      areaCm2,
      code: layer.code,
      lays: [layer],
      ...handledBy(way, load, SPRAYING[load.chemistry].caution),
      why,
    });
  };
  const colours: (RouteCall | null)[] = calls.length > 0 ? lightToDark(calls) : [null];
  const skinUnder = skin.filter((call) => call.zones.some((zone) => zones.includes(zone)));
  const white: Layer = { ...markingLayer('marking', WHITE_GROUND.title), what: 'undercoat' };
  /** Lays a coat over what is there of it already. */
  const lay = (step: RouteStep, why: string) => {
    const before = steps.at(-1)!;
    then(before, step, before.lays.length > 0 ? dryingTime(coatLaid(before), 'recoat', climate) : 0, why);
    steps.push(step);
  };
  if (takesWhite(calls, skinUnder)) {
    const why = 'its colours hide badly over what is under them';
    lay(
      coat(`marking-ground:${id}`, `Lay the white ground of ${title}`, WHITE_GROUND, white, null, why),
      'masked first',
    );
  }
  colours.forEach((call, i) => {
    const name = call ? call.name || call.code : '';
    const under = colours[i - 1];
    if (call && under && turnsOver(call, under)) {
      const why = `over ${under.name || under.code} it would turn`;
      const again = coat(
        `marking-ground:${id}:${call.code}`,
        `Lay white again in ${title}, for ${name}`,
        WHITE_GROUND,
        white,
        call,
        why,
      );
      lay(again, why);
    }
    const spray = coat(
      i === 0 ? `marking-spray:${id}` : `marking-spray:${id}:${call!.code}`,
      `${WAY_FACTS[way].does} ${title}${name ? `: ${name}` : ''}`,
      call ? loadOf(call) : { id: `marking-${id}`, title, chemistry: ASSUMED_CHEMISTRY, kind: 'solid', lightness: 75 },
      { ...markingLayer('marking', title), ...(call ? { ...coatOf(call), code: call.code } : {}) },
      call,
      way === 'airbrush' ? 'square to the surface, thin' : 'thin, drawn from the tape inwards',
    );
    lay(spray, 'light before dark');
  });
  const last = steps.at(-1)!;
  const { step, link } = unmaskAfter(last, mask, painted.edgeMm, `marking-unmask:${id}`, title, climate);
  return { steps: [...steps, step], links: [...links, link], first: mask.key, last, free: step.key };
}
