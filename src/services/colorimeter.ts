import { z } from 'zod';
import type { Lab } from '@/core/colour/types';
import { ask } from './link';

/** What Build Brief asks of a colour-measuring instrument, whichever it is. A real one gets a driver of its own with these three. */
export interface ColorimeterDriver {
  switchOn(): Promise<{ model: string; serial: string }>;
  setOnTile(): Promise<void>;
  /** `under` is what a simulated instrument is told to see; a real one looks for itself. */
  read(under: Lab): Promise<Reading>;
}

const reading = z.object({
  lab: z.tuple([z.number(), z.number(), z.number()]),
  /** Whether its lamp is warm. */
  warm: z.boolean(),
  tileAgeMin: z.number().nullable(),
});
export type Reading = z.infer<typeof reading>;

/** An instrument reached over its link; the simulated one unless COLORIMETER_URL names another. */
export function colorimeter(base = process.env.COLORIMETER_URL): ColorimeterDriver {
  return {
    switchOn: async () =>
      z.object({ model: z.string(), serial: z.string() }).parse(await ask(base, '/colorimeter/on', {})),
    setOnTile: async () => {
      await ask(base, '/colorimeter/tile', {});
    },
    read: async (under) => reading.parse(await ask(base, '/colorimeter/read', { under })),
  };
}
