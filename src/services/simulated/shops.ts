import type { Offer, Shop } from '@/core/match/buying';
import { chanceOf } from './noise';

/** Three shops that are not there. What they have, and for how much, follows from the paint and the hour: the same question in the same hour gets the same answer. */
const SHOPS = [
  {
    id: 'quayside',
    name: 'Quayside Hobby Counter',
    currency: 'EUR',
    postageCents: 490,
    freeFromCents: 4000,
    share: 0.62,
    price: 1.08,
  },
  {
    id: 'loft',
    name: 'The Model Loft',
    currency: 'EUR',
    postageCents: 350,
    freeFromCents: null,
    share: 0.45,
    price: 0.98,
  },
  {
    id: 'eastgate',
    name: 'Eastgate Paints by Post',
    currency: 'EUR',
    postageCents: 690,
    freeFromCents: 6000,
    share: 0.78,
    price: 0.93,
  },
] as const;

/** One paint that is asked for: what it costs in the catalogue tells what shops ask. */
export interface Asked {
  paintId: string;
  /** What stays the same between databases: line and number. */
  label: string;
  priceCents: number;
  currency: string;
}

const HOUR = 3_600_000;
const DAY = 24 * HOUR;

/** Some lines are carried by some shops only; stock comes and goes by the day and is sold down by the hour. */
export function shopsAt(asked: readonly Asked[], nowMs: number): Shop[] {
  return SHOPS.map(({ share, price, ...shop }) => ({
    ...shop,
    offers: asked.flatMap(({ paintId, label, priceCents, currency }): Offer[] => {
      // What is priced elsewhere is not sold here.
      if (currency !== shop.currency) return [];
      const own = chanceOf(`${shop.id} ${label}`);
      if (own() > share + 0.15) return [];
      const day = Math.floor(nowMs / DAY);
      const delivered = chanceOf(`${shop.id} ${label} ${Math.floor(day / 5)}`);
      const full = delivered() < share ? 1 + Math.floor(delivered() * 6) : 0;
      const sold = Math.floor(chanceOf(`${shop.id} ${label} ${Math.floor(nowMs / (6 * HOUR))}`)() * 2.4);
      const stock = Math.max(0, full - sold);
      const next = (Math.floor(day / 5) + 1) * 5 * DAY;
      return [
        {
          paintId,
          priceCents: Math.max(50, Math.round((priceCents * price * (0.95 + 0.1 * own())) / 5) * 5),
          stock,
          restockOn: stock === 0 ? new Date(next + 2 * DAY).toISOString().slice(0, 10) : null,
        },
      ];
    }),
  }));
}
