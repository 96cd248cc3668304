'use server';

import { loadDemo, loadFirstEvening } from '@demo/load';
import type { Result } from '@/core/interchange/result';
import { isEmptyHouse } from '@/data/brief-list';
import { inTurn } from '@/data/database';
import { lookedUp, Refused } from './answer';
import { revalidatePath } from 'next/cache';
import { nowUtc } from '@/clock/now';

/** Loads the whole demo into a house that has no brief yet. */
export async function loadWholeDemo(): Promise<Result<string>> {
  return lookedUp(async () => {
    const [first] = await inTurn('the demo', async () => {
      if (!(await isEmptyHouse())) throw new Refused('', 'The demo goes into an empty house only.');
      return loadDemo(nowUtc());
    });
    revalidatePath('/');
    return first!;
  });
}

/** The demo's machine as it was on the first evening: a brief of its own, whatever else is there. */
export async function loadDemoFirstEvening(): Promise<Result<string>> {
  return lookedUp(async () => {
    const id = await loadFirstEvening(nowUtc());
    revalidatePath('/');
    return id;
  });
}
