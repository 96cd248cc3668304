import { closesOver, hangsInside, storeJobs, type StoreAt, type StoreJob, type StoreStation } from '@/core/kit/stores';
import { BLADE, CA, CEMENT } from './rules/cautions';
import type { Stage } from '@/core/work/kinds';
import { stepOf } from '@/core/work/step';
import type { Addition } from './insert';
import { minutesOfRule, type Reckoned, type Sized, type Takes } from './takes';

/** Each store by the parts that it has at 1/48. */
const DRILLED: Takes = { work: 'fit', parts: 1 };
const BUILT: Takes = { work: 'build', parts: 7 };
const HUNG: Takes = { work: 'fit', parts: 2 };
const RACKED: Takes = { work: 'build', parts: 4 };

/** What hangs at each station: its holes before something closes over them, then built, and hung last. Both sides alike are one job. */
export const storeAdditions = (storesAt: readonly StoreAt[], sized: Sized): Addition[] =>
  storeJobs(storesAt).flatMap((job) =>
    hangsInside(job.station) ? insideAdditions(job, sized) : outsideAdditions(job, sized),
  );

const storeKey = (station: StoreStation, job: string) => `store:${station}:${job}`;

/** Built from its parts, and seamed. */
function buildOf({ station, carries, where }: StoreJob, build: Reckoned, stage: Stage): Omit<Addition, 'before'> {
  const title = `Build and seam the ${carries} for ${where}`;
  return {
    step: stepOf(storeKey(station, 'build'), title, 'assemble', 'Gear, stores', build.minutes, {
      ...build,
      family: 'store',
      stage,
      cautions: [CEMENT],
    }),
    after: ['check-parts'],
    then: 'joint',
  };
}

/** Built, painted with the inside, and hung on its racks while the halves are open: nothing of it is reached from outside. */
function insideAdditions(job: StoreJob, sized: Sized): Addition[] {
  const { station, carries, where } = job;
  const [build, hang] = [BUILT, RACKED].map((takes) => minutesOfRule(takes, [], sized)) as [Reckoned, Reckoned];
  return [
    { ...buildOf(job, build, 'interior'), before: ['prime-interior'] },
    {
      step: stepOf(
        storeKey(station, 'hang'),
        `Hang the ${carries} on the racks of ${where}`,
        'fit',
        'Fuselage',
        hang.minutes,
        {
          ...hang,
          family: 'store',
          stage: 'closing',
          cautions: [CA],
          why: 'racks and shackles are out of reach once the halves are closed',
        },
      ),
      after: ['bays', 'wipe-bays', 'interior', { step: 'matt-interior', until: 'handle', why: 'it is handled dry' }],
      before: ['dry-fit-fuselage'],
      then: 'joint',
    },
  ];
}

function outsideAdditions(job: StoreJob, sized: Sized): Addition[] {
  const { station, carries, where, count } = job;
  const reckoned = (takes: Takes): Reckoned =>
    minutesOfRule({ ...takes, parts: count * (takes.parts ?? 1) }, [], sized);
  const key = (job: string) => storeKey(station, job);
  const gate = closesOver(station);
  const drill = reckoned(DRILLED);
  const build = reckoned(BUILT);
  const hang = reckoned(HUNG);
  return [
    {
      step: stepOf(
        key('drill'),
        `Drill for the ${carries} at ${where}`,
        'drill',
        gate === 'wings' ? 'Wings' : 'Fuselage',
        drill.minutes,
        { ...drill, family: 'store', stage: 'closing', cautions: [BLADE], why: 'its holes are drilled from inside' },
      ),
      after: ['check-parts'],
      before: [`gate:${gate}`],
    },
    { ...buildOf(job, build, 'small-parts'), before: ['build-stores'] },
    {
      step: stepOf(key('hang'), `Hang the ${carries} at ${where}`, 'fit', 'Whole', hang.minutes, {
        ...hang,
        family: 'store',
        stage: 'assembly',
        cautions: [CA],
      }),
      after: ['fit-stores'],
      before: ['aerials'],
    },
  ];
}
