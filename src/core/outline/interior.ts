import type { Preset } from './preset';
import { zoneOf, type Zone } from './zones';

/** Painted area of the rooms that no view shows, and of the frame of a windscreen, m2. */
const ROOMS = { canopy: 4, cabin: 7, open: 2.2, seat: 0.8, panel: 0.4, screen: 0.12 };

/** Rooms that no view shows, closed in by the fuselage; before each open one stands a windscreen. */
export function interiorZones({ glazing }: Pick<Preset, 'glazing'>, areTwo: boolean): Zone[] {
  if (glazing === 'none') return [];
  const isOpen = glazing === 'open';
  const room = (key: string, title: string, areaM2: number): Zone => ({
    ...zoneOf(key, title, 'interior'),
    closedBy: 'fuselage',
    areaM2,
    ...(isOpen ? { isOpen } : {}),
  });
  if (isOpen) {
    const places = areTwo
      ? ([
          ['', 'Front cockpit', 'front'],
          ['-rear', 'Rear cockpit', 'rear'],
        ] as const)
      : ([['', 'Cockpit', '']] as const);
    return places.flatMap(([suffix, title, where]) => {
      const called = (name: string) => (where ? `${name}, ${where}` : name);
      return [
        room(`cockpit${suffix}`, title, ROOMS.open),
        room(`seat${suffix}`, called('Seat and belts'), ROOMS.seat),
        room(`instrument-panel${suffix}`, called('Instrument panel'), ROOMS.panel),
        { ...zoneOf(`windscreen${suffix}`, called('Windscreen frame'), 'glazing'), areaM2: ROOMS.screen },
      ];
    });
  }
  return [
    glazing === 'canopy'
      ? room('cockpit', 'Cockpit', ROOMS.canopy)
      : room('cockpit', 'Flight deck and cabin', ROOMS.cabin),
    room('seat', 'Seat and belts', ROOMS.seat),
    room('instrument-panel', 'Instrument panel', ROOMS.panel),
  ];
}
