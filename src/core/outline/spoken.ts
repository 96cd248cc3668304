import { capital, counted, listed, lowered } from '@/core/units/words';
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

/** Names that a sentence holds; more zones are counted. */
const MOST_NAMED = 3;

/**
 * Zones in a sentence: "the cockpit", "both main-wheel bays", "the port nacelle and both wing undersides", "9 zones". Keys that the airframe
 * does not have are said as they are.
 */
export function spokenZones(zones: readonly Pick<Zone, 'key' | 'title'>[], keys: readonly string[]): string {
  const titles = new Map(zones.map(({ key, title }) => [key, title]));
  const left = new Set(keys);
  const names: string[] = [];
  for (const key of keys) {
    if (!left.delete(key)) continue;
    const title = titles.get(key) ?? titleOfKey(key);
    const opposite = otherSide(key);
    names.push(opposite && left.delete(opposite) ? bothSides(withoutSide(key)!, title) : oneSide(key, title));
  }
  return names.length > MOST_NAMED ? counted(keys.length, 'zone') : listed(names);
}
