import { sightOf, type Sight } from '@/core/kit/seen';
import type { BriefView } from '@/core/derive/derive';
import { lowered } from '@/core/units/words';
import { RULES } from '@/core/route/rules';
import { minutesOfRule } from '@/core/route/takes';

/** From this scale on neither eye nor hand makes some things out: a tenth of a millimetre at 300 mm. */
const TINY = 144;

/** Work that can be left out where nobody will see it: by the rule that does it, the zone that it is for, and what is too small at a small scale. */
const LEAVABLE: readonly { rule: string; says: string; at?: { zone: string; unless: Sight }; isTiny?: true }[] = [
  {
    rule: 'ejector-marks',
    says: 'ejector marks in the cockpit',
    at: { zone: 'cockpit', unless: 'plain' },
    isTiny: true,
  },
  { rule: 'chip-interior', says: 'chips and dry-brushing inside', at: { zone: 'cockpit', unless: 'plain' } },
  { rule: 'dials', says: 'gloss on the dials', at: { zone: 'instrument-panel', unless: 'plain' }, isTiny: true },
  { rule: 'belts', says: 'seat and belts', at: { zone: 'seat', unless: 'through glass' }, isTiny: true },
  { rule: 'belts-rear', says: 'rear seat and belts', isTiny: true },
  { rule: 'panel', says: 'the instrument panel', at: { zone: 'instrument-panel', unless: 'through glass' } },
  { rule: 'wash-interior', says: 'the wash inside', at: { zone: 'cockpit', unless: 'through glass' } },
  { rule: 'wipe-interior', says: 'wiping the wash inside', at: { zone: 'cockpit', unless: 'through glass' } },
  { rule: 'wash-bays', says: 'the wash in the bays', isTiny: true },
  { rule: 'wipe-bays', says: 'wiping the wash in the bays', isTiny: true },
  { rule: 'chips', says: 'chips', isTiny: true },
  { rule: 'stencils', says: 'stencils', isTiny: true },
  { rule: 'chocks', says: 'chocks and tie-downs', isTiny: true },
];
const BY_SIGHT: Record<Sight, number> = { hidden: 0, 'through glass': 1, plain: 2 };

type LeavableBrief = Pick<BriefView, 'outline' | 'state' | 'route' | 'wanted'>;

export interface LeaveIt {
  rule: string;
  says: string;
  because: string;
  minutes: number;
  /** It is left out already. */
  left: boolean;
}

/** What may be left out of a brief, with the minutes that it saves. `unless`: how plainly it must be seen to be worth the work. */
export function leaveIt({ outline, state, route, wanted }: LeavableBrief): LeaveIt[] {
  const { options, leftOut, denominator } = state.brief;
  const { zones } = outline;
  const left = new Set(leftOut);
  const parts = route.steps.flatMap(({ key, family, title, minutes, zones: of }): LeaveIt[] => {
    const zone = family === 'part' && zones.find((candidate) => candidate.key === of[0]);
    const seen = zone ? sightOf(zone, options) : null;
    return seen?.sight === 'hidden'
      ? [{ rule: key, says: lowered(title), because: seen.because, minutes, left: false }]
      : [];
  });
  const gone = (wanted.parts ?? [])
    .filter(({ key }) => left.has(key))
    .map(({ key, title, minutes }): LeaveIt => ({
      rule: key,
      says: lowered(title),
      because: 'left out',
      minutes,
      left: true,
    }));
  const sized = { outline, denominator, outside: route.covered.outside };
  const ruled = LEAVABLE.flatMap(({ rule, says, at, isTiny = false }): LeaveIt[] => {
    const step = route.steps.find((candidate) => candidate.key === rule);
    const isLeft = left.has(rule);
    if (!step && !isLeft) return [];
    const zone = at && zones.find((candidate) => candidate.key === at.zone);
    const seen = zone ? sightOf(zone, options) : null;
    const isHidden = at !== undefined && seen !== null && BY_SIGHT[seen.sight] < BY_SIGHT[at.unless];
    const isTooSmall = isTiny && denominator >= TINY;
    if (!isHidden && !isTooSmall && !isLeft) return [];
    const { minutes } =
      step ?? minutesOfRule(RULES.find((one) => one.key === rule)!.minutes, at ? [at.zone] : [], sized);
    const because =
      (isHidden && seen?.because) ||
      (isTooSmall ? `at 1/${denominator} neither eye nor hand makes it out` : 'it would be seen plainly');
    return [{ rule, says, because, minutes, left: isLeft }];
  });
  return [...ruled, ...parts, ...gone];
}
