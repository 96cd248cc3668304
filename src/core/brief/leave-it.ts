import { BOX } from '@/core/kit/part-work';
import { sightOf, type Sight } from '@/core/kit/seen';
import type { Options } from '@/core/kit/options';
import type { Outline } from '@/core/outline/outline';
import { lowered } from '@/core/units/words';
import { RULES } from '@/core/route/rules';
import type { RouteStep } from '@/core/work/step';

/** Work that can be left out where nobody will see it, by the rule that does it and the zone that it is for. */
const LEAVABLE: readonly { rule: string; zone: string; unless: Sight; says: string }[] = [
  { rule: 'ejector-marks', zone: 'cockpit', unless: 'plain', says: 'ejector marks in the cockpit' },
  { rule: 'chip-interior', zone: 'cockpit', unless: 'plain', says: 'chips and dry-brushing inside' },
  { rule: 'dials', zone: 'instrument-panel', unless: 'plain', says: 'gloss on the dials' },
  { rule: 'belts', zone: 'seat', unless: 'through glass', says: 'seat and belts' },
  { rule: 'panel', zone: 'instrument-panel', unless: 'through glass', says: 'the instrument panel' },
  { rule: 'wash-interior', zone: 'cockpit', unless: 'through glass', says: 'the wash inside' },
  { rule: 'wipe-interior', zone: 'cockpit', unless: 'through glass', says: 'wiping the wash inside' },
];
const BY_SIGHT: Record<Sight, number> = { hidden: 0, 'through glass': 1, plain: 2 };

export interface LeaveIt {
  rule: string;
  says: string;
  because: string;
  minutes: number;
  /** It is left out already. */
  left: boolean;
}

/** What may be left out with these options, with the minutes that it saves. `unless`: how plainly it must be seen to be worth the work. */
export function leaveIt(
  { zones }: Outline,
  options: Options,
  steps: readonly Pick<RouteStep, 'key' | 'minutes' | 'title' | 'zones'>[],
  left: readonly string[],
): LeaveIt[] {
  const parts = steps.flatMap(({ key, title, minutes, zones: of }): LeaveIt[] => {
    const zone = key.startsWith(BOX) && zones.find((candidate) => candidate.key === of[0]);
    const seen = zone ? sightOf(zone, options) : null;
    return seen?.sight === 'hidden'
      ? [{ rule: key, says: lowered(title), because: seen.because, minutes, left: false }]
      : [];
  });
  const gone = left
    .filter((key) => key.startsWith(BOX))
    .map((key): LeaveIt => ({
      rule: key,
      says: key.slice(BOX.length).replace(':', ': '),
      because: 'left out',
      minutes: 0,
      left: true,
    }));
  const ruled = LEAVABLE.flatMap(({ rule, zone: key, unless, says }) => {
    const zone = zones.find((candidate) => candidate.key === key);
    const step = steps.find((candidate) => candidate.key === rule);
    const isLeft = left.includes(rule);
    if (!zone || (!step && !isLeft)) return [];
    const { sight, because } = sightOf(zone, options);
    if (BY_SIGHT[sight] >= BY_SIGHT[unless] && !isLeft) return [];
    return [
      {
        rule,
        says,
        because: because || 'it would be seen plainly',
        minutes: step?.minutes ?? RULES.find((one) => one.key === rule)!.minutes,
        left: isLeft,
      },
    ];
  });
  return [...ruled, ...parts, ...gone];
}
