import { z } from 'zod';
import { VIEWS } from '@/core/outline/zones';

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

/** The place that is nearest in its view goes to where it was found; where the view has none yet, it is one more. To a mm and a degree. */
export function placedAt(places: readonly MarkingPlace[], found: MarkingPlace): MarkingPlace[] {
  const far = ({ view, station, offset }: MarkingPlace) =>
    view === found.view ? Math.hypot(station - found.station, offset - found.offset) : Infinity;
  const distances = places.map(far);
  const nearest = distances.indexOf(Math.min(...distances));
  const at = { station: toMm(found.station), offset: toMm(found.offset), turn: Math.round(found.turn) };
  return nearest === -1 || distances[nearest] === Infinity
    ? [...places, { ...found, ...at }]
    : places.map((place, i) => (i === nearest ? { ...place, ...at } : place));
}
const toMm = (metres: number): number => Math.round(metres * 1000) / 1000;
