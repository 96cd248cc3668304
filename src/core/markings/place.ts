import { z } from 'zod';
import { isSide, VIEWS } from '@/core/outline/zones';

/** Where a marking lies on the airframe. */
export const placeFields = z.strictObject({
  view: z.enum(VIEWS),
  /** Centre: metres aft of the nose, and up from the belly (side views) or to starboard (upper, lower). */
  station: z.number({ error: 'Station: a number is needed' }).min(-5).max(100),
  offset: z.number({ error: 'Offset: a number is needed' }).min(-50).max(50),
  turn: z.number({ error: 'Turn: a number is needed' }).min(-180).max(180),
  /** As in a mirror: artwork that faces the nose on both sides. */
  mirrored: z.boolean().default(false),
});
export type MarkingPlace = z.infer<typeof placeFields>;

/** As near to the middle, m, a place seen from above or below lies on neither side. */
const MIDDLE_M = 0.25;

/**
 * The place that is nearest in its view, and not across the middle, goes to where it was found; where there is none yet, it is one more. To a
 * mm and a degree.
 */
export function placedAt(places: readonly MarkingPlace[], found: MarkingPlace): MarkingPlace[] {
  const isAcross = ({ view, offset }: MarkingPlace) =>
    !isSide(view) && offset * found.offset < 0 && Math.min(Math.abs(offset), Math.abs(found.offset)) > MIDDLE_M;
  const far = (place: MarkingPlace) =>
    place.view === found.view && !isAcross(place)
      ? Math.hypot(place.station - found.station, place.offset - found.offset)
      : Infinity;
  const distances = places.map(far);
  const nearest = distances.indexOf(Math.min(...distances));
  const at = { station: toMm(found.station), offset: toMm(found.offset), turn: Math.round(found.turn) };
  return nearest === -1 || distances[nearest] === Infinity
    ? [...places, { ...found, ...at }]
    : places.map((place, i) => (i === nearest ? { ...place, ...at } : place));
}
const toMm = (metres: number): number => Math.round(metres * 1000) / 1000;

/** The place across the machine's middle, where the other side has the same: as far aft and as far up, leaning as in a mirror. */
export const onOtherSide = (place: MarkingPlace): MarkingPlace =>
  isSide(place.view)
    ? { ...place, view: place.view === 'port' ? 'starboard' : 'port', turn: -place.turn }
    : { ...place, offset: -place.offset, turn: -place.turn };
