import { PLAIN } from '@/core/markings/design';
import type { PlaceableMarking } from '@/core/markings/placing';

/** A band round the rear fuselage of the single-engined layout. */
export const BAND = {
  id: 'm',
  kind: 'band',
  text: '',
  heightMm: 400,
  codes: ['TCS 05'],
  places: [{ view: 'port', station: 6.7, offset: 1, turn: 0, mirrored: false }],
  zone: 'fuselage-rear-port',
  design: PLAIN,
} satisfies PlaceableMarking;
