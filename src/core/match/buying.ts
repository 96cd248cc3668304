/** What must be bought: so many bottles of a paint. */
export interface Wanted {
  paintId: string;
  bottles: number;
}
/** What a shop asks for a paint, and how many it has. */
export interface Offer {
  paintId: string;
  priceCents: number;
  stock: number;
  /** When it expects more, where it says so. */
  restockOn: string | null;
}
export interface Shop {
  id: string;
  name: string;
  currency: string;
  postageCents: number;
  /** From this sum on it sends free; null = never. */
  freeFromCents: number | null;
  offers: Offer[];
}

export interface Parcel {
  shopId: string;
  lines: { paintId: string; bottles: number; cents: number }[];
  goodsCents: number;
  postageCents: number;
}
export interface BuyingPlan {
  parcels: Parcel[];
  totalCents: number;
  currency: string;
  /** No cheaper way exists. */
  proven: boolean;
  /** What no shop has, or not enough of: how many are lacking. */
  lacking: Wanted[];
}

/** Prices that cannot be added up: which currency lacks a rate. */
export class CurrencyFault extends RangeError {}

/**
 * The cheapest way to buy everything that can be had, over any number of shops: branch and bound over single bottles, postage and free
 * sending included. What cannot be had is named, the rest is bought. `rates` give what one unit of a shop's currency is in `currency`.
 * Throws CurrencyFault when a rate is missing.
 */
export function planBuying(
  wanted: readonly Wanted[],
  shops: readonly Shop[],
  currency: string,
  rates: Readonly<Record<string, number>> = {},
  effort = 300_000,
): BuyingPlan {
  const rateOf = (shop: Shop): number => {
    const rate = shop.currency === currency ? 1 : rates[shop.currency];
    if (rate === undefined || !(rate > 0))
      throw new CurrencyFault(
        `${shop.name} asks for ${shop.currency}, the rest is in ${currency}: prices in two currencies cannot be added. Say what 1 ${shop.currency} is in ${currency}, or leave the shop out.`,
      );
    return rate;
  };
  const converted = shops.map((shop) => {
    const rate = rateOf(shop);
    const cents = (value: number) => Math.round(value * rate);
    return {
      id: shop.id,
      postage: cents(shop.postageCents),
      freeFrom: shop.freeFromCents === null ? null : cents(shop.freeFromCents),
      offers: new Map(
        shop.offers.map((offer) => [offer.paintId, { cents: cents(offer.priceCents), stock: offer.stock }]),
      ),
    };
  });

  const lacking: Wanted[] = [];
  const units: { paintId: string; ways: { shop: number; cents: number }[]; least: number; first: boolean }[] = [];
  for (const { paintId, bottles } of wanted) {
    const ways = converted
      .flatMap(({ offers }, shop) => {
        const offer = offers.get(paintId);
        return offer && offer.stock > 0 ? [{ shop, cents: offer.cents }] : [];
      })
      .sort((a, b) => a.cents - b.cents || a.shop - b.shop);
    const there = converted.reduce((sum, { offers }) => sum + (offers.get(paintId)?.stock ?? 0), 0);
    const some = Math.min(bottles, there);
    if (some < bottles) lacking.push({ paintId, bottles: bottles - some });
    for (let i = 0; i < some; i += 1) units.push({ paintId, ways, least: ways[0]!.cents, first: i === 0 });
  }
  // The most expensive first: where it goes decides most.
  const order = [...units].sort((a, b) => b.least - a.least || a.paintId.localeCompare(b.paintId));
  const ahead = order.map((_, i) => order.slice(i).reduce((sum, { least }) => sum + least, 0));
  ahead.push(0);

  const goods = converted.map(() => 0);
  const used = new Map<string, number>();
  const picked: number[] = [];
  let best: { total: number; picked: number[] } | null = null;
  let looked = 0;
  let stopped = false;
  const postage = (final: boolean, left: number) =>
    converted.reduce((sum, shop, i) => {
      if (goods[i] === 0) return sum;
      // As long as bottles are open, a shop that is used may still send free.
      const free = shop.freeFrom !== null && goods[i]! + (final ? 0 : left) >= shop.freeFrom;
      return sum + (free ? 0 : shop.postage);
    }, 0);
  /** What the open bottles could cost at the most in one shop: enough to tell whether free sending is in reach. */
  const most = order.map((_, i) =>
    order.slice(i).reduce((sum, { ways }) => sum + Math.max(...ways.map(({ cents }) => cents)), 0),
  );
  const branch = (i: number, sum: number) => {
    if (stopped) return;
    looked += 1;
    if (looked > effort) {
      stopped = true;
      return;
    }
    if (i === order.length) {
      const total = sum + postage(true, 0);
      if (!best || total < best.total) best = { total, picked: [...picked] };
      return;
    }
    if (best && sum + ahead[i]! + postage(false, most[i]!) >= best.total) return;
    const { paintId, ways } = order[i]!;
    const same = i > 0 && order[i - 1]!.paintId === paintId;
    for (let w = 0; w < ways.length; w += 1) {
      // Bottles of one paint are alike: they are taken from the shops in order.
      if (same && w < ways.findIndex(({ shop }) => shop === picked[i - 1])) continue;
      const { shop, cents } = ways[w]!;
      const key = `${shop} ${paintId}`;
      const taken = used.get(key) ?? 0;
      if (taken >= converted[shop]!.offers.get(paintId)!.stock) continue;
      used.set(key, taken + 1);
      goods[shop]! += cents;
      picked.push(shop);
      branch(i + 1, sum + cents);
      picked.pop();
      goods[shop]! -= cents;
      used.set(key, taken);
    }
  };
  branch(0, 0);

  const found = best as { total: number; picked: number[] } | null;
  const parcels = converted.flatMap((shop, s): Parcel[] => {
    const mine = order.filter((_, i) => found?.picked[i] === s);
    if (mine.length === 0) return [];
    const ids = [...new Set(mine.map(({ paintId }) => paintId))];
    const lines = ids.map((paintId) => {
      const bottles = mine.filter((unit) => unit.paintId === paintId).length;
      return { paintId, bottles, cents: bottles * shop.offers.get(paintId)!.cents };
    });
    const goodsCents = lines.reduce((sum, line) => sum + line.cents, 0);
    const free = shop.freeFrom !== null && goodsCents >= shop.freeFrom;
    return [{ shopId: shop.id, lines, goodsCents, postageCents: free ? 0 : shop.postage }];
  });
  return { parcels, totalCents: found?.total ?? 0, currency, proven: !stopped, lacking };
}

/** The bottles to buy for millilitres that are lacking. */
export const bottlesFor = (missingMl: number, sizeMl: number): number =>
  Math.max(0, Math.ceil(missingMl / sizeMl - 1e-9));
