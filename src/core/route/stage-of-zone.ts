import type { Zone } from '@/core/outline/zones';

/** Where the parts of a zone are wanted, by the steps of the rules: before what they are built in with, and before what fits them last. */
interface Wanted {
  first: string;
  last: string;
}

const BY_ZONE: Record<string, Wanted> = {
  'well-nose': { first: 'nose-bay', last: 'gate:fuselage' },
  seat: { first: 'belts', last: 'fit-cockpit' },
  'instrument-panel': { first: 'panel', last: 'fit-cockpit' },
  'seat-rear': { first: 'belts-rear', last: 'fit-cockpit' },
  'instrument-panel-rear': { first: 'panel-rear', last: 'fit-cockpit' },
  windscreen: { first: 'mask-screens', last: 'fit-screens' },
  'windscreen-rear': { first: 'mask-screens', last: 'fit-screens' },
};
const BY_GROUP: Record<Zone['group'], Wanted> = {
  interior: { first: 'tub', last: 'fit-cockpit' },
  bays: { first: 'wing-bays', last: 'gate:wings' },
  gear: { first: 'build-gear', last: 'fit-gear' },
  struts: { first: 'try-upper-wing', last: 'join-upper-wing' },
  stores: { first: 'build-stores', last: 'fit-stores' },
  propeller: { first: 'build-propeller', last: 'fit-propeller' },
  rotor: { first: 'build-rotor', last: 'fit-rotor' },
  glazing: { first: 'mask-canopy', last: 'unmask-canopy' },
  wings: { first: 'gate:wings', last: 'join-wings' },
  tail: { first: 'join-tail', last: 'seams-roots' },
  engines: { first: 'gate:fuselage', last: 'seams-roots' },
  fuselage: { first: 'gate:fuselage', last: 'seams-roots' },
  subject: { first: 'last-look', last: 'last-look' },
};
const ANYWHERE: Wanted = { first: 'gate:fuselage', last: 'aerials' };

const wantedAt = (zone: Pick<Zone, 'key' | 'group'> | null): Wanted =>
  zone ? (BY_ZONE[zone.key] ?? BY_GROUP[zone.group]) : ANYWHERE;

/** `zone` null is of a part that nobody gave a zone. Once the first step is done, what is lost since is wanted by the last. */
export function wantedBefore(zone: Pick<Zone, 'key' | 'group'> | null, done: ReadonlySet<string>): string {
  const { first, last } = wantedAt(zone);
  if (!done.has(first)) return first;
  return done.has(last) ? 'last-look' : last;
}

/** Whether what is built in there is built in: the kit's own parts are glued then. */
export const isBuilt = (zone: Pick<Zone, 'key' | 'group'> | null, done: ReadonlySet<string>): boolean =>
  done.has(wantedAt(zone).first);

/** Steps that `wantedBefore` asks about. */
export const ASKED_IF_DONE: ReadonlySet<string> = new Set(
  [...Object.values(BY_ZONE), ...Object.values(BY_GROUP), ANYWHERE].flatMap(({ first, last }) => [first, last]),
);
