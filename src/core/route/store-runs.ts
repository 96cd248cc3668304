import { closesOver, type StoreAt } from '@/core/kit/stores';
import { BLADE, CA, CEMENT } from './rules/cautions';
import { stepOf } from '@/core/work/step';
import type { Addition } from './insert';
import { minutesOfRule, type Reckoned, type Sized, type Takes } from './takes';

/** Each store by the parts that it has at 1/48. */
const DRILLED: Takes = { work: 'fit', parts: 1 };
const BUILT: Takes = { work: 'build', parts: 7 };
const HUNG: Takes = { work: 'fit', parts: 2 };

/** What hangs at each station: its holes before something closes over them, then built, and hung last. */
export function storeAdditions(storesAt: readonly StoreAt[], sized: Sized): Addition[] {
  const [drill, build, hang] = [DRILLED, BUILT, HUNG].map((takes) => minutesOfRule(takes, [], sized)) as [
    Reckoned,
    Reckoned,
    Reckoned,
  ];
  return storesAt.flatMap(({ station, carries }): Addition[] => {
    const key = (job: string) => `store:${station}:${job}`;
    const gate = closesOver(station);
    return [
      {
        step: stepOf(
          key('drill'),
          `Drill for the ${carries} at the ${station}`,
          'drill',
          gate === 'wings' ? 'Wings' : 'Fuselage',
          drill.minutes,
          {
            ...drill,
            family: 'store',
            stage: 'closing',
            cautions: [BLADE],
            why: 'its holes are drilled from inside',
          },
        ),
        after: ['check-parts'],
        before: [`gate:${gate}`],
      },
      {
        step: stepOf(
          key('build'),
          `Build and seam the ${carries} for the ${station}`,
          'assemble',
          'Gear, stores',
          build.minutes,
          {
            ...build,
            family: 'store',
            stage: 'small-parts',
            cautions: [CEMENT],
          },
        ),
        after: ['check-parts'],
        before: ['build-stores'],
        then: 'joint',
      },
      {
        step: stepOf(key('hang'), `Hang the ${carries} at the ${station}`, 'fit', 'Whole', hang.minutes, {
          ...hang,
          family: 'store',
          stage: 'assembly',
          cautions: [CA],
        }),
        after: ['fit-stores'],
        before: ['aerials'],
      },
    ];
  });
}
