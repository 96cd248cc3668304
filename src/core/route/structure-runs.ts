import type { Aspect } from '@/core/evidence/aspects';
import { spokenZones } from '@/core/outline/spoken';
import { BLADE, DUST } from './rules/cautions';
import { STRUCTURE } from './rules/structure';
import { stepOf } from '@/core/work/step';
import type { Addition } from './insert';
import { minutesOfRule, type Sized } from './takes';

/** A ruling about how the machine is built. */
export interface StructureRuling {
  zone: string;
  aspect: Aspect;
  item: string;
  value: string;
}

/** The work that rulings about structure make. */
export function structureAdditions(rulings: readonly StructureRuling[], sized: Sized): Addition[] {
  const { zones } = sized.outline;
  return rulings.flatMap(({ zone, aspect, item, value }) => {
    const work = STRUCTURE.find((one) => one.aspect === aspect && one.says.test(value));
    if (!work) return [];
    const { minutes, ...from } = minutesOfRule(work.minutes, [zone], sized);
    const where = [spokenZones(zones, [zone]), item && `(${item})`].filter(Boolean).join(' ');
    return [
      {
        step: stepOf(
          ['structure', work.job, zone, item].filter(Boolean).join(':'),
          work.title.replace('%s', where),
          work.kind,
          'Whole',
          minutes,
          {
            ...from,
            family: 'structure',
            stage: 'seams',
            zones: [zone],
            cautions: work.caution === 'dust' ? [DUST] : work.caution === 'blade' ? [BLADE] : [],
            why: work.why,
          },
        ),
        after: work.after,
        before: work.before,
      },
    ];
  });
}
