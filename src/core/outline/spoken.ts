import { capital, counted, listed, lowered } from '@/core/units/words';
import { ZONE_SETS, type ZoneSet } from './zone-sets';
import { otherSide, sideOf, withoutSide, type Zone } from './zones';

/** Zones as a builder says them in a sentence, one and several. */

/** Of zones with two sides: the name of one, and whether both are halves of one thing rather than two things. */
const SAID: Record<string, { one: string; many?: string; halves?: true }> = {
  boom: { one: 'tail boom' },
  cowling: { one: 'cowling', halves: true },
  fin: { one: 'fin and rudder', halves: true },
  'fuselage-forward': { one: 'forward fuselage', halves: true },
  'fuselage-mid': { one: 'mid fuselage', halves: true },
  'fuselage-rear': { one: 'rear fuselage', halves: true },
  hull: { one: 'hull', halves: true },
  island: { one: 'island', halves: true },
  nacelle: { one: 'nacelle' },
  'tailplane-lower': { one: 'tailplane underside' },
  'tailplane-upper': { one: 'tailplane top' },
  'upper-wing-lower': { one: 'upper wing underside' },
  'upper-wing-upper': { one: 'upper wing top' },
  'well-main': { one: 'main-wheel bay' },
  'wing-lower': { one: 'wing underside' },
  'wing-upper': { one: 'wing top' },
  'wing-upper-inner': { one: 'inner wing top' },
  'wing-upper-outer': { one: 'outer wing top' },
};

/** "Drop tank, port inner" without its side: "inner drop tank". */
function withoutItsSide(title: string): string {
  const [, what, place] = /^(.*), (?:port|starboard)(?: (.*))?$/.exec(title) ?? [];
  return [place, lowered(what ?? title)].filter(Boolean).join(' ');
}

function oneSide(key: string, title: string): string {
  const base = withoutSide(key);
  const said = base ? (SAID[base] ?? { one: withoutItsSide(title) }) : null;
  if (!said) return `the ${lowered(title)}`;
  return said.halves ? `the ${sideOf(key)} side of the ${said.one}` : `the ${sideOf(key)} ${said.one}`;
}

function bothSides(base: string, title: string): string {
  const { one, halves } = SAID[base] ?? { one: withoutItsSide(title) };
  return halves ? `both sides of the ${one}` : `both ${one}s`;
}

/** The title of a zone that this airframe does not have (another outline was chosen since): "Inner wing top, port". */
export function titleOfKey(key: string): string {
  const base = withoutSide(key);
  const said = SAID[base ?? key]?.one ?? (base ?? key).replaceAll('-', ' ');
  return `${capital(said)}${base ? `, ${sideOf(key)}` : ''}`;
}

/** Names that a sentence holds; more zones are said by what they have in common, or counted. */
const MOST_NAMED = 3;
/** A set may lack so many of its zones, and of so few it is not worth saying. */
const MOST_LACKING = 2;
const LEAST_OF_SET = 3;

type Spoken = Pick<Zone, 'key' | 'title'> & Partial<Pick<Zone, 'group' | 'faces' | 'side'>>;

/** Beside the sets that are chosen by name: all that is painted outside. */
const OUTSIDE: Pick<ZoneSet, 'said' | 'holds'> = {
  said: 'the whole outside',
  holds: (zone) => ZONE_SETS.some(({ key, holds }) => (key === 'upper' || key === 'lower') && holds(zone)),
};

/**
 * Zones in a sentence: "the cockpit", "both main-wheel bays", "all upper surfaces but the port fin and rudder", "9 zones" of what has nothing
 * in common. Keys that the airframe does not have are said as they are.
 */
export function spokenZones(zones: readonly Spoken[], keys: readonly string[]): string {
  const names = namesOf(zones, keys);
  if (names.length <= MOST_NAMED) return listed(names);
  const left = new Set(keys);
  const said: string[] = [];
  const lacking: string[] = [];
  for (let best = bestSet(zones, keys, left); best; best = bestSet(zones, keys, left)) {
    for (const key of best.holds) left.delete(key);
    if (best.lacks.length > 0) lacking.push(`${best.said} but ${listed(namesOf(zones, best.lacks))}`);
    else said.push(best.said);
  }
  // What is left out comes last, so that nobody takes what follows for left out too.
  const terms = [...said, ...namesOf(zones, [...left]), ...lacking];
  return terms.length > MOST_NAMED || lacking.length > 1 ? counted(keys.length, 'zone') : listed(terms);
}

/** Each zone by its name, both halves of a pair as one. */
function namesOf(zones: readonly Spoken[], keys: readonly string[]): string[] {
  const titles = new Map(zones.map(({ key, title }) => [key, title]));
  const left = new Set(keys);
  return keys.flatMap((key) => {
    if (!left.delete(key)) return [];
    const title = titles.get(key) ?? titleOfKey(key);
    const opposite = otherSide(key);
    return [opposite && left.delete(opposite) ? bothSides(withoutSide(key)!, title) : oneSide(key, title)];
  });
}

/** The set that says most of what is left, and what it lacks; null where none says enough. */
function bestSet(zones: readonly Spoken[], keys: readonly string[], left: ReadonlySet<string>) {
  const wanted = new Set(keys);
  const found = [OUTSIDE, ...ZONE_SETS].map(({ said, holds }) => {
    const own = zones.flatMap(({ key, group, faces = null, side = 'both' }) =>
      group !== undefined && holds({ group, faces, side }) ? [key] : [],
    );
    return {
      said,
      holds: own.filter((key) => left.has(key)),
      lacks: own.filter((key) => !wanted.has(key)),
    };
  });
  return (
    found
      .filter(({ holds, lacks }) => holds.length >= LEAST_OF_SET && lacks.length <= MOST_LACKING)
      .sort((a, b) => b.holds.length - b.lacks.length - (a.holds.length - a.lacks.length))[0] ?? null
  );
}
