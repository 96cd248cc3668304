import { closesOver, type StoreAt } from '@/core/kit/stores';
import { BLADE, CA, CEMENT } from './rules/cautions';
import { stepOf } from '@/core/work/step';
import type { Addition } from './insert';

/** What hangs at each station: its holes before something closes over them, then built, and hung last. */
export function storeAdditions(storesAt: readonly StoreAt[]): Addition[] {
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
          5,
          {
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
        step: stepOf(key('build'), `Build and seam the ${carries} for the ${station}`, 'assemble', 'Gear, stores', 20, {
          family: 'store',
          stage: 'small-parts',
          cautions: [CEMENT],
        }),
        after: ['check-parts'],
        before: ['build-stores'],
        then: 'joint',
      },
      {
        step: stepOf(key('hang'), `Hang the ${carries} at the ${station}`, 'fit', 'Whole', 8, {
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
