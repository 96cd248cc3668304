import type { Preset } from './preset';
import { zoneOf, type Zone } from './zones';

/** Painted area of the rooms that no view shows, m2. */
const ROOMS = { canopy: 4, cabin: 7, seat: 0.8, panel: 0.4 };

/** Rooms that no view shows, closed in by the fuselage. */
export function interiorZones({ glazing }: Preset): Zone[] {
  const room = (key: string, title: string, areaM2: number): Zone => ({
    ...zoneOf(key, title, 'interior'),
    closedBy: 'fuselage',
    areaM2,
  });
  return [
    glazing === 'canopy'
      ? room('cockpit', 'Cockpit', ROOMS.canopy)
      : room('cockpit', 'Flight deck and cabin', ROOMS.cabin),
    room('seat', 'Seat and belts', ROOMS.seat),
    room('instrument-panel', 'Instrument panel', ROOMS.panel),
  ];
}
