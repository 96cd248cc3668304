import { otherSide, withoutSide, type Zone } from './zones';

/** A set of zones: as a heading, and as it is said in a sentence. */
export interface ZoneSet {
  key: string;
  title: string;
  said: string;
  holds: (zone: Pick<Zone, 'group' | 'faces' | 'side'>) => boolean;
}

/** Zones that are painted alike on most machines, so that something can be said of all of them at once. */
export const ZONE_SETS: readonly ZoneSet[] = [
  {
    key: 'upper',
    title: 'All upper',
    said: 'all upper surfaces',
    holds: ({ faces, group }) =>
      (group === 'wings' || group === 'tail' || group === 'fuselage' || group === 'engines') && faces !== 'down',
  },
  {
    key: 'lower',
    title: 'All lower',
    said: 'all lower surfaces',
    holds: ({ faces }) => faces === 'down',
  },
  {
    key: 'sides',
    title: 'Fuselage sides',
    said: 'both fuselage sides',
    holds: ({ side, group }) => group === 'fuselage' && side !== 'both',
  },
  { key: 'interior', title: 'Inside', said: 'the whole inside', holds: ({ group }) => group === 'interior' },
  { key: 'bays', title: 'Bays', said: 'all bays', holds: ({ group }) => group === 'bays' },
  { key: 'gear', title: 'Gear', said: 'all of the gear', holds: ({ group }) => group === 'gear' },
  {
    key: 'propeller',
    title: 'Propeller and rotor',
    said: 'all that turns',
    holds: ({ group }) => group === 'propeller' || group === 'rotor',
  },
];

/** The sets that an airframe has zones of, with those. */
export const setsOf = (zones: readonly Zone[]): { key: string; title: string; zones: string[] }[] =>
  ZONE_SETS.map(({ key, title, holds }) => ({ key, title, zones: zones.filter(holds).map((zone) => zone.key) })).filter(
    (set) => set.zones.length > 0,
  );

/**
 * Zones as somebody writes them in a list: "fin port", "Fin and rudder, port", "fin" for both sides, "all upper" for a set. Null where
 * nothing is called so.
 */
export function zonesCalled(text: string, zones: readonly Zone[]): string[] | null {
  const wanted = plain(text);
  if (!wanted) return null;
  const set = setsOf(zones).find(
    ({ key, title }) => wanted === plain(title) || wanted === `all ${key}` || wanted === key,
  );
  if (set) return set.zones;
  const one = zones.find(({ key, title }) => plain(key) === wanted || plain(title) === wanted);
  if (one) return [one.key];
  const sides = zones.filter(
    ({ key, title }) =>
      otherSide(key) !== null &&
      (plain(withoutSide(key)!) === wanted || plain(title.replace(/, (port|starboard)$/, '')) === wanted),
  );
  return sides.length > 0 ? sides.map(({ key }) => key) : null;
}

const plain = (text: string): string =>
  text
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, ' ')
    .trim();
