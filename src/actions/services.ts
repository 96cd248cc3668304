'use server';

import { z } from 'zod';
import { labFields } from '@/core/kept/records';
import { poolReadings, type PooledReadings } from '@/core/colour/readings';
import type { Result } from '@/core/interchange/result';
import type { Shop } from '@/core/match/buying';
import { paintLabel } from '@/core/paint/catalogue';
import { loadShelf } from '@/data/shelf';
import { colorimeter, type Reading } from '@/services/colorimeter';
import { readBench } from '@/services/bench-sensor';
import { LinkFault } from '@/services/link';
import { askShops } from '@/services/shops';
import { lookedUp, Refused } from './answer';

/** What answers from outside the house: instruments and shops. */
async function linked<T>(what: string, work: () => Promise<T>): Promise<T> {
  try {
    return await work();
  } catch (error) {
    if (error instanceof LinkFault) throw new Refused('', `${what}: ${error.message}`);
    if (error instanceof z.ZodError)
      throw new Refused('', `${what}: it answered with something that is not understood.`);
    throw error;
  }
}

export async function shopsFor(input: unknown): Promise<Result<Shop[]>> {
  return lookedUp(async () => {
    const { paintIds } = z.object({ paintIds: z.array(z.uuid()).max(500) }).parse(input);
    const wanted = new Set(paintIds);
    const { paints } = await loadShelf();
    return linked('The shops', () =>
      askShops(
        paints
          .filter(({ id }) => wanted.has(id))
          // Shops that are made up answer from the price that is known: where none is, they have nothing to say.
          .flatMap((paint) =>
            paint.priceCents === null
              ? []
              : [
                  {
                    paintId: paint.id,
                    label: paintLabel(paint),
                    priceCents: paint.priceCents,
                    currency: paint.currency,
                  },
                ],
          ),
      ),
    );
  });
}

export interface Measured extends PooledReadings {
  instrument: string;
}

const READINGS = 5;

/** Sets the instrument on its white tile. */
export async function setOnTile(): Promise<Result> {
  return lookedUp(() =>
    linked('The colorimeter', async () => {
      const device = colorimeter();
      await device.switchOn();
      await device.setOnTile();
      return null;
    }),
  );
}

/** What the air at the bench is like: as the sensor says, within what a brief takes. */
export async function benchAir(): Promise<Result<{ tempC: number; humidity: number; at: string }>> {
  return lookedUp(() =>
    linked('The sensor', async () => {
      const { tempC, humidity, at } = await readBench();
      return { tempC: Math.round(tempC), humidity: Math.round(humidity), at };
    }),
  );
}

/** Five readings of one place and their mean. */
export async function measure(input: unknown): Promise<Result<Measured>> {
  return lookedUp(() =>
    linked('The colorimeter', async () => {
      const { under } = z.object({ under: labFields }).parse(input);
      const device = colorimeter();
      const { model, serial } = await device.switchOn();
      const readings: Reading[] = [];
      for (let i = 0; i < READINGS; i += 1) readings.push(await device.read(under));
      return { ...poolReadings(readings), instrument: `${model} ${serial}, mean of ${READINGS}` };
    }),
  );
}
