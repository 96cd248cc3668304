import type { Exposure } from './exposure';
import type { EffectName } from './effects';

/** Something that was said of how a machine was used or looked. */
export interface SaidOfUse {
  words: string;
  /** Who says it: a ruling, a source, the record of the machine. */
  where: string;
  /** The zone that it is said of; null for the whole machine. */
  zone: string | null;
  /** It should be there to be seen, and is not. */
  isAgainst: boolean;
}

/** What evidence says of the exposure, each with whose word it is; what nobody said is left out. */
export type SaidExposure = { [N in keyof Exposure]?: { value: Exposure[N]; because: string } };
/** What was seen, or seen not to be there, of one effect. */
export interface SeenEffect {
  zones: string[];
  says: string;
  isAbsent: boolean;
}

type Words<T extends string> = readonly (readonly [T, RegExp])[];

const GROUND_WORDS: Words<Exposure['ground']> = [
  ['deck', /\b(carrier|flight deck|on deck|catapult|shipboard)\b/],
  ['water', /\b(lagoon|slipway|floats?|seaplane|moored|afloat|flying boat)\b/],
  ['snow', /\b(snow|ice|skis?|winter white)\b/],
  ['dirt', /\b(dirt|mud|muddy|sand strip|laterite|unpaved|rough strip)\b/],
  ['grass', /\b(grass|meadow|turf)\b/],
  ['tarmac', /\b(tarmac|concrete|apron|runway|hardstand\w*|paved)\b/],
];
const CLIMATE_WORDS: Words<Exposure['climate']> = [
  ['desert', /\b(desert|dunes?|sandstorm)\b/],
  ['tropical', /\b(jungle|tropic\w*|equator\w*|monsoon)\b/],
  ['sea', /\b(sea|coast\w*|naval|carrier|maritime|salt\w*|harbour|lagoon)\b/],
  ['arctic', /\b(arctic|polar|frozen|snow)\b/],
];
const SKIN_WORDS: Words<Exposure['skin']> = [
  ['wood and fabric', /\b(fabric|doped?|linen|plywood|wood\w*)\b/],
  ['composite', /\b(composite|moulded|glass fibre|carbon)\b/],
  ['metal', /\b(bare metal|aluminium|duralumin|metal shows|to the metal)\b/],
];
const CARE_WORDS: Words<Exposure['care']> = [
  ['neglected', /\b(filthy|dirty|neglected|derelict|battered|shabby|worn out|heavily worn|badly worn)\b/],
  ['kept clean', /\b(clean|polished|spotless|wiped|waxed|factory[ -]fresh|freshly painted|as new)\b/],
];
const EFFECT_WORDS: readonly (readonly [EffectName, RegExp])[] = [
  ['exhaust', /\b(exhaust|soot\w*)\b/],
  ['leak', /\b(oil|oily|hydraulic|leaks?|leaking)\b/],
  ['streaks', /\b(streaks?|streaked|streaky|runs? back)\b/],
  ['chips', /\b(chips?|chipped|chipping|scuff\w*|scratch\w*|flak\w*|worn through|bare metal)\b/],
  ['fade', /\b(fad(?:ed|ing|es?)|bleached|sun[- ]?bleach\w*|chalk\w*)\b/],
  ['salt', /\b(salt\w*|tide marks?)\b/],
  ['dust', /\b(dust\w*|mud\w*|splash\w*|dirt thrown)\b/],
  ['filter', /\b(grim\w*|discolou?r\w*|stained all over|dull\w*)\b/],
];
/** What is said of an effect that was seen in a picture: read as it is said. */
export const EFFECT_SEEN: Readonly<Record<EffectName, string>> = {
  exhaust: 'exhaust soot',
  leak: 'oil',
  streaks: 'streaks',
  chips: 'chipped',
  fade: 'faded',
  salt: 'salt',
  dust: 'dust',
  filter: 'grime',
};

/** A word that turns what follows it within a few words into its absence. */
const NEGATED = /\b(no|not|without|never|hardly|free of)\b(?:\s+[\w-]+){0,3}\s*$/;

/** Days since it was painted in which a machine still looks fresh. */
const FRESH_DAYS = 42;

/** What was said of the use of a machine, read for its exposure: the first word on each counts, the strongest are to come first. */
export function exposureSaid(said: readonly SaidOfUse[], daysSincePaint: number | null): SaidExposure {
  const first = <T extends string>(words: Words<T>) => {
    for (const { words: text, where, isAgainst } of said) {
      if (isAgainst) continue;
      const found = words.find(([, pattern]) => isSaid(text, pattern) === 'there');
      if (found) return { value: found[0], because: `${where}: “${text}”` };
    }
    return undefined;
  };
  const care =
    first(CARE_WORDS) ??
    (daysSincePaint !== null && daysSincePaint <= FRESH_DAYS
      ? {
          value: 'kept clean' as const,
          because: `painted ${daysSincePaint === 0 ? 'on the day' : `${daysSincePaint} days before the day`} that it is shown as`,
        }
      : undefined);
  const [ground, climate, skin] = [first(GROUND_WORDS), first(CLIMATE_WORDS), first(SKIN_WORDS)];
  return {
    ...(ground ? { ground } : {}),
    ...(climate ? { climate } : {}),
    ...(skin ? { skin } : {}),
    ...(care ? { care } : {}),
  };
}

/** What was seen of each effect, and where. What was seen anywhere is there; absent is what was only ever seen not to be there. */
export function effectsSeen(said: readonly SaidOfUse[]): Map<EffectName, SeenEffect> {
  const seen = new Map<EffectName, SeenEffect>();
  for (const { words, where, zone, isAgainst } of said)
    for (const [effect, pattern] of EFFECT_WORDS) {
      const how = isSaid(words, pattern);
      if (how === null) continue;
      const isAbsent = isAgainst !== (how === 'absent');
      const known = seen.get(effect);
      if (known && (known.isAbsent === isAbsent || isAbsent)) {
        if (known.isAbsent === isAbsent && zone && !known.zones.includes(zone)) known.zones.push(zone);
        continue;
      }
      seen.set(effect, { zones: zone ? [zone] : [], says: `${where}: “${words}”`, isAbsent });
    }
  return seen;
}

function isSaid(text: string, pattern: RegExp): 'there' | 'absent' | null {
  const lower = text.toLowerCase();
  const found = pattern.exec(lower);
  if (!found) return null;
  return NEGATED.test(lower.slice(0, found.index)) ? 'absent' : 'there';
}

/** An exposure with what is said in place of what is usual. */
export function withSaid(usual: Exposure, said: SaidExposure): Exposure {
  return {
    ground: said.ground?.value ?? usual.ground,
    climate: said.climate?.value ?? usual.climate,
    skin: said.skin?.value ?? usual.skin,
    care: said.care?.value ?? usual.care,
  };
}
