import { afterAll, describe, expect, test } from '@jest/globals';
import { STATIONS } from '@/core/kept/act';
import { exportBrief } from '@/data/brief-files';
import { listBriefs } from '@/data/brief-list';
import { closePool, pool } from '@/data/database';
import { bringUpToDate } from '@/data/migrate';
import { tellAll } from '@tests/support/house';
import { OLD_HOUSES, restoreHouse } from '@tests/support/old-house';
import { isPage, pageOf, shellData } from './pages';
import { briefView } from './view';

/** Houses of every earlier migration, brought up to date: their briefs show all that they hold, and go out as files. */

const given = process.env.DATABASE_URL;
afterAll(async () => {
  await closePool();
  process.env.DATABASE_URL = given;
});

/** What this process remembers of a house must not be taken for the next: their demo briefs have one name. */
async function asNeverSeen(house: string) {
  await pool().query('update revision set number = number + $1', [Number(house) * 1000]);
  await tellAll();
}

describe('a house of an earlier version', () => {
  test.each(OLD_HOUSES)('%s shows its briefs, and each goes out', async (house) => {
    await closePool();
    process.env.DATABASE_URL = given;
    process.env.DATABASE_URL = await restoreHouse(house);
    await bringUpToDate(process.env.DATABASE_URL);
    await asNeverSeen(house);
    const briefs = await listBriefs();
    expect(briefs.length).toBeGreaterThanOrEqual(3);
    for (const { id } of briefs) {
      const derived = await briefView(id);
      expect(shellData(derived).briefId).toBe(id);
      for (const station of STATIONS.filter(isPage)) expect(pageOf(station, derived)).toBeTruthy();
      const { file } = (await exportBrief(id))!;
      const { state } = derived.view;
      for (const list of ['questions', 'sightings', 'rulings', 'markings', 'log'] as const)
        expect([list, file[list].length]).toEqual([list, state[list].length]);
      expect(derived.view.plan.work.length).toBeGreaterThan(0);
    }
  });
});
