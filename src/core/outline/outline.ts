import { titleOfKey } from './spoken';
import type { Landing } from '@/core/kit/options';
import { emptyDrawings, type Drawings } from './drawing';
import type { Dimensions } from './dimensions';
import { drawGear, drawGlazing, drawPropulsion, interiorZones } from './fittings';
import { drawFuselage } from './fuselage';
import { extentOf, type Extent } from '@/core/geometry/polygon';
import { PRESETS, type PresetName } from './presets';
import { bodyOf } from './profile';
import { drawBooms } from './booms';
import { drawTail, drawUpperWing, drawWing } from './surfaces';
import { VIEWS, type View, type Zone } from './zones';

export interface OutlineSpec {
  preset: PresetName;
  dimensions: Dimensions;
  landing: Landing;
  /** Blades folded aft, where there are blades. */
  folded: boolean;
  /** Moving wings swept back. */
  swept?: boolean;
}

/** The parametric shape of the subject: zones with their areas, four views in metres, and how much room each view takes. */
export interface Outline {
  spec: OutlineSpec;
  zones: Zone[];
  drawings: Drawings;
  extents: Record<View, Extent>;
}

const drawn = new Map<string, Outline>();
const MOST_DRAWN = 12;

/**
 * Draws the airframe. Total over dimensions that passed `dimensionsSchema`. The last few outlines are remembered, since every view,
 * station and picture of a brief asks for the same one; callers share the result and must not change it.
 */
export function buildOutline(spec: OutlineSpec): Outline {
  const key = JSON.stringify(spec);
  let outline = drawn.get(key);
  if (!outline) {
    outline = draw(spec);
    drawn.set(key, outline);
    if (drawn.size > MOST_DRAWN) drawn.delete(drawn.keys().next().value!);
  }
  return outline;
}

function draw(spec: OutlineSpec): Outline {
  const preset = PRESETS[spec.preset];
  const d = preset.wings === 'swing' && spec.swept ? sweptBack(spec.dimensions) : spec.dimensions;
  const body = bodyOf(preset.profile, d);
  const drawings = emptyDrawings();
  const highWing = d.wingHeight > d.fuselageHeight * 0.7;

  const tail = drawTail(drawings, body, d);
  const wingFirst = highWing ? [] : drawWing(drawings, body, d);
  const fuselage = drawFuselage(drawings, body, d);
  const wingLast = highWing ? drawWing(drawings, body, d) : [];
  if (!highWing)
    for (const view of ['port', 'starboard'] as const) liftToFront(drawings, view, `wing-upper-outer-${view}`);
  // The fin stands on the rear fuselage: its foot is drawn over it.
  for (const view of ['port', 'starboard'] as const) liftToFront(drawings, view, `fin-${view}`);
  const booms = drawBooms(drawings, d);
  const upperWing = drawUpperWing(drawings, d);
  const propulsion = drawPropulsion(drawings, body, preset, d, spec.folded);
  const glazing = drawGlazing(drawings, body, preset, d);
  const gear = drawGear(drawings, body, preset, d, spec.landing);

  const zones = [
    ...fuselage,
    ...wingFirst,
    ...wingLast,
    ...upperWing,
    ...tail,
    ...booms,
    ...propulsion,
    ...glazing,
    ...gear,
    ...interiorZones(preset),
  ];
  return {
    spec,
    zones: [...new Map(zones.map((zone) => [zone.key, zone])).values()],
    drawings,
    extents: Object.fromEntries(
      VIEWS.map((view) => [
        view,
        extentOf([...drawings[view].shapes, ...drawings[view].lines].map((part) => part.points)),
      ]),
    ) as Record<View, Extent>,
  };
}

/** The span of swept wings as a share of the whole, and how much further aft their tips lie, as a share of the half span. */
const SWEPT_SPAN = 0.66;
const SWEPT_AFT = 0.62;

const sweptBack = (d: Dimensions): Dimensions => ({
  ...d,
  span: d.span * SWEPT_SPAN,
  wingSweep: d.wingSweep + (d.span / 2) * SWEPT_AFT,
});

function liftToFront(drawings: Drawings, view: View, zone: string) {
  const { shapes } = drawings[view];
  drawings[view].shapes = [
    ...shapes.filter((shape) => shape.zone !== zone),
    ...shapes.filter((shape) => shape.zone === zone),
  ];
}

export function zoneTitle(outline: Outline, key: string): string {
  return outline.zones.find((zone) => zone.key === key)?.title ?? titleOfKey(key);
}

/** Painted area on the model in cm2. */
export function modelAreaCm2(zone: Zone, denominator: number): number {
  return (zone.areaM2 * 10_000) / denominator ** 2;
}

/** Painted area of some zones together on the model in cm2; keys that the airframe does not have count for nothing. */
export function modelAreaOfZones(
  { zones }: Pick<Outline, 'zones'>,
  keys: readonly string[],
  denominator: number,
): number {
  const byKey = new Map(zones.map((zone) => [zone.key, zone]));
  return keys.reduce((sum, key) => {
    const zone = byKey.get(key);
    return sum + (zone ? modelAreaCm2(zone, denominator) : 0);
  }, 0);
}
