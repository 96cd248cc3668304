import { deltaE00 } from '@/core/colour/difference';
import type { Lab } from '@/core/colour/types';
import { upsample } from '@/core/colour/upsample';
import type { Machine } from '@/core/kit/machine';
import { modelAreaCm2 } from '@/core/outline/outline';
import type { Zone } from '@/core/outline/zones';
import { paintInFull, type Paint } from '@/core/paint/catalogue';
import { layOver, isGrave, type Chemistry } from '@/core/paint/chemistry';
import { groundOf, layCoats } from '@/core/paint/films';
import { pigmentOfPaint } from '@/core/paint/paint-pigment';
import type { StepKind } from '@/core/work/kinds';
import { minutesOf, type WorkKind } from '@/core/work/minutes';
import { EFFECT_NAMES, EFFECTS, type Effect, type EffectName } from './effects';
import type { Exposure } from './exposure';
import type { SeenEffect } from './from-evidence';
import type { Cover } from './looks';

/** A zone as it is before any weather: its base colour where one is known, and what lies on top of it. */
export interface WeatheredZone extends Pick<Zone, 'key' | 'group' | 'faces' | 'station' | 'areaM2'> {
  lab: Lab | null;
  /** Null where nothing is laid yet. */
  top: Chemistry | null;
}

/** One planned layer of weathering. */
export interface WeatherLayer {
  effect: EffectName;
  zones: string[];
  strength: number;
  minutes: number;
  /** Its largest mark, and whether it is seen at this scale at arm's length; null where it is no mark. */
  mark: { realMm: number; modelMm: number; wideModelMm: number; isSeen: boolean } | null;
  colour: Lab;
  /** The nearest of the drawer, and how far it is off. */
  paint: { id: string; label: string; lab: Lab; dE00: number; chemistry: Chemistry } | null;
  /** Wet passes of a few per cent, and by how much they change the colour of the zone that they change most. */
  passes: { count: number; percent: number; dE00: number } | null;
  /** What has to be laid first, so that nothing is attacked; '' where it is safe. */
  guard: string;
  /** What evidence says of it; null where it says nothing. */
  seen: SeenEffect | null;
  /** How it changes a zone as a whole, from afar. */
  cover: Cover;
}

/** At 300 mm the eye tells about a tenth of a millimetre. */
const EYE_MM = 0.1;
/** More than this is no weather but dirt. */
const STRONGEST = 2;
const WEAKEST = 0.15;
/** What a source shows at all is no weaker than this. */
const SEEN_STRENGTH = 0.8;
/** No weather covers more of a zone than this. */
const MOST_COVERED = 0.6;
/** A filter or a fade changes a colour by so much at the most before it stops being that colour. */
const FILTER_MOST_DE = 6;
/** Per cent of paint in a pass, the usual first: thinner where even one would be too much. */
export const PERCENTS = [5, 3, 2, 1] as const;
/** A wet pass of a brush beside a full coat. */
const PASS_THICKNESS = 0.5;

/** What weather and use leave on a machine, effect by effect, in the order in which it is laid; what would not show is left out, what was seen is in. */
export function planWeathering(
  zones: readonly WeatheredZone[],
  machine: Machine,
  exposure: Exposure,
  denominator: number,
  drawer: readonly Paint[],
  seen: ReadonlyMap<EffectName, SeenEffect> = new Map(),
): WeatherLayer[] {
  return EFFECT_NAMES.flatMap((name): WeatherLayer[] => {
    const effect: Effect = EFFECTS[name];
    const said = seen.get(name) ?? null;
    // What was seen is there, however well the machine was kept.
    const isSeen = said !== null && !said.isAbsent;
    const strength = Math.min(STRONGEST, Math.max(effect.strength(exposure, machine), isSeen ? SEEN_STRENGTH : 0));
    const on = zones.filter((zone) => effect.on(zone, machine) || (isSeen && said.zones.includes(zone.key)));
    if (strength < WEAKEST || on.length === 0) return [];
    const base = on.find(({ lab }) => lab)?.lab ?? null;
    const colour = effect.colour(exposure, base);
    const paint = nearestPaint(colour, drawer);
    return [
      {
        effect: name,
        zones: on.map(({ key }) => key),
        strength,
        minutes: minutesOf({ kind: WORK_OF[effect.kind] ?? 'wipe', areaCm2: areaOn(on, denominator) * strength }),
        mark: markOf(effect, strength, denominator),
        colour,
        paint,
        passes: effect.what === 'tone' && name !== 'exhaust' ? passesOf(on, paint, drawer, strength) : null,
        guard: guardOf(effect.chemistry, on),
        seen: said,
        cover: { colour, share: Math.min(MOST_COVERED, effect.share * strength) },
      },
    ];
  });
}

/** How an effect is worked: misted, dusted on, or stroked and blended. */
const WORK_OF: Partial<Record<StepKind, WorkKind>> = {
  spray: 'spray',
  washcoat: 'washcoat',
  pigment: 'washcoat',
};

/** On the model, cm2. */
const areaOn = (zones: readonly WeatheredZone[], denominator: number): number =>
  zones.reduce((sum, zone) => sum + modelAreaCm2(zone, denominator), 0);

function markOf({ largestMm, wideMm }: Effect, strength: number, denominator: number): WeatherLayer['mark'] {
  if (largestMm === null) return null;
  const realMm = largestMm * Math.min(1.5, Math.sqrt(strength));
  const wideModelMm = (wideMm ?? realMm) / denominator;
  return { realMm, modelMm: realMm / denominator, wideModelMm, isSeen: wideModelMm >= EYE_MM };
}

/** The nearest coloured paint that there is some of. */
export function nearestPaint(colour: Lab, drawer: readonly Paint[]): WeatherLayer['paint'] {
  let best: WeatherLayer['paint'] = null;
  for (const paint of drawer) {
    if (!paint.lab || paint.ownedMl <= 0 || paint.kind === 'clear' || paint.kind === 'metallic') continue;
    const dE00 = deltaE00(colour, paint.lab);
    if (!best || dE00 < best.dE00)
      best = {
        id: paint.id,
        label: paintInFull(paint),
        lab: paint.lab,
        dE00,
        chemistry: paint.chemistry,
      };
  }
  return best;
}

/**
 * The colour of a base after each of so many passes of a few per cent, by the films of the paint (Kubelka); none where the paint is not known.
 * The base is read once for all paints that are tried on it.
 */
export function passesOver(base: Lab): (paint: Paint, passes: number, percent?: number) => Lab[] {
  const ground = groundOf(upsample(base));
  return (paint, passes, percent = PERCENTS[0]) => {
    const known = pigmentOfPaint(paint);
    if (!known) return [];
    const coat = { pigment: known.pigment, thickness: PASS_THICKNESS * (percent / 100) };
    return layCoats(
      ground,
      Array.from({ length: passes }, () => coat),
    ).map(({ lab }) => lab);
  };
}

/** As many passes as the strength asks for, and never so many that a colour stops being itself. */
function passesOf(
  on: readonly WeatheredZone[],
  chosen: WeatherLayer['paint'],
  drawer: readonly Paint[],
  strength: number,
): WeatherLayer['passes'] {
  const paint = chosen && drawer.find(({ id }) => id === chosen.id);
  const bases = [...new Map(on.flatMap(({ lab }) => (lab ? [[lab.join(' '), lab] as const] : []))).values()];
  const wanted = Math.max(1, Math.round(2 * strength));
  if (!paint || bases.length === 0) return null;
  const grounds = bases.map((base) => ({ base, over: passesOver(base) }));
  for (const percent of PERCENTS) {
    const courses = grounds.map(({ base, over }) => over(paint, wanted, percent).map((lab) => deltaE00(base, lab)));
    if (courses.some((course) => course.length === 0)) return null;
    const changed = (count: number) => Math.max(...courses.map((course) => course[count - 1]!));
    if (changed(1) > FILTER_MOST_DE && percent !== PERCENTS.at(-1)) continue;
    let count = 1;
    while (count < wanted && changed(count + 1) <= FILTER_MOST_DE) count += 1;
    return { count, percent, dE00: changed(count) };
  }
  return null;
}

/** Whether anything that lies there now would be attacked. */
function guardOf(over: Chemistry, on: readonly WeatheredZone[]): string {
  const attacked = on.find(({ top }) => top !== null && isGrave(layOver(over, top).verdict));
  return attacked ? `seal it first with a water-based clear: ${layOver(over, attacked.top!).says}` : '';
}
