'use server';

import { revalidatePath } from 'next/cache';
import { z } from 'zod';
import { stampSchema } from '@/core/kept/act';
import { houseFields } from '@/core/kept/records';
import type { Result } from '@/core/interchange/result';
import { perform, stampedAct } from '@/data/acts';
import { loadHouse } from '@/data/shelf';
import { answered } from './answer';
import { onComputer } from './of-device';

/** Acts on what holds for the whole house. */

/** Chooses the units in which lengths, pressures and temperatures are shown, everywhere and on paper. */
export async function chooseUnits(input: unknown): Promise<Result> {
  return answered(async () => {
    await onComputer('This is chosen on the computer.');
    const { act, ...fields } = z.object({ act: stampSchema, ...houseFields.shape }).parse(input);
    const answer = await perform(stampedAct(act, null, 'kit'), async (writer) => {
      const [standing] = (await loadHouse(writer.client)).house;
      if (standing) await writer.update('house', standing.id, standing.version, fields);
      else await writer.insert('house', fields);
      return null;
    });
    revalidatePath('/');
    return answer;
  });
}
