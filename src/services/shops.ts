import { z } from 'zod';
import type { Shop } from '@/core/match/buying';
import { ask } from './link';
import type { Asked } from './simulated/shops';

const shops = z
  .array(
    z.object({
      id: z.string(),
      name: z.string(),
      currency: z.string().regex(/^[A-Z]{3}$/),
      postageCents: z.number().int().min(0),
      freeFromCents: z.number().int().min(0).nullable(),
      offers: z.array(
        z.object({
          paintId: z.string(),
          priceCents: z.number().int().min(0),
          stock: z.number().int().min(0),
          restockOn: z.string().nullable(),
        }),
      ),
    }),
  )
  .max(50);

/** Asks the shops what they have of these paints; the simulated ones unless SHOPS_URL names others. */
export const askShops = async (paints: readonly Asked[], base = process.env.SHOPS_URL): Promise<Shop[]> =>
  shops.parse(await ask(base, '/shops', { paints }));
