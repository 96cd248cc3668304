'use server';

import { z } from 'zod';
import { labFields } from '@/core/brief/records';
import { deltaE00 } from '@/core/colour/difference';
import type { Result } from '@/core/interchange/result';
import type { Shop } from '@/core/match/buying';
import { paintLabel } from '@/core/paint/catalogue';
import { loadShelf } from '@/data/colours';
import { colorimeter, type Reading } from '@/services/colorimeter';
import { LinkFault } from '@/services/link';
import { askShops } from '@/services/shops';
import { answered, Refused } from './answer';

/** What answers from outside the house: instrument and shops. */
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
  return answered(async () => {
    const { paintIds } = z.object({ paintIds: z.array(z.uuid()).max(500) }).parse(input);
    const wanted = new Set(paintIds);
    const { paints } = await loadShelf();
    return linked('The shops', () =>
      askShops(
        paints
          .filter(({ id }) => wanted.has(id))
          .map((paint) => ({ paintId: paint.id, label: paintLabel(paint), priceCents: paint.priceCents })),
      ),
    );
  });
}

export interface Measured {
  lab: [number, number, number];
  /** dE00: of the mean, with the instrument's own. */
  sd: number;
  instrument: string;
  /** What is wrong with the reading, in words. */
  warnings: string[];
}

/** Agreement between two instruments, dE00. */
const INSTRUMENT_SD = 0.35;
const COLD_SD = 1.2;
const UNSET_SD = 1.8;
const READINGS = 5;

/** Sets the instrument on its white tile. */
export async function setOnTile(): Promise<Result> {
  return answered(() =>
    linked('The colorimeter', async () => {
      const device = colorimeter();
      await device.switchOn();
      await device.setOnTile();
      return null;
    }),
  );
}

/** Five readings of one place and their mean. */
export async function measure(input: unknown): Promise<Result<Measured>> {
  return answered(() =>
    linked('The colorimeter', async () => {
      const { under } = z.object({ under: labFields }).parse(input);
      const device = colorimeter();
      const { model, serial } = await device.switchOn();
      const readings: Reading[] = [];
      for (let i = 0; i < READINGS; i += 1) readings.push(await device.read(under));
      const mean = [0, 1, 2].map((axis) => readings.reduce((sum, { lab }) => sum + lab[axis]!, 0) / READINGS) as [
        number,
        number,
        number,
      ];
      const scatter = Math.sqrt(readings.reduce((sum, { lab }) => sum + deltaE00(lab, mean) ** 2, 0) / (READINGS - 1));
      const last = readings.at(-1)!;
      const warnings = [
        ...(last.warm
          ? []
          : ['Its lamp is still cold: wait three minutes, set it on its tile again, and measure again.']),
        ...(last.tileAgeMin === null ? ['It was not set on its white tile.'] : []),
      ];
      return {
        lab: mean,
        sd: Math.hypot(
          INSTRUMENT_SD,
          scatter / Math.sqrt(READINGS),
          last.warm ? 0 : COLD_SD,
          last.tileAgeMin === null ? UNSET_SD : 0,
        ),
        instrument: `${model} ${serial}, mean of ${READINGS}`,
        warnings,
      };
    }),
  );
}
