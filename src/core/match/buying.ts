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

/** A shop with its prices in one currency. */
interface PricedShop {
  id: string;
  postage: number;
  freeFrom: number | null;
  offers: Map<string, { cents: number; stock: number }>;
}

/** One bottle that can be had, where, and what it costs there, the cheapest way first. */
interface Bottle {
  paintId: string;
  ways: { shop: number; cents: number }[];
  least: number;
}

function priced(shop: Shop, currency: string, rates: Readonly<Record<string, number>>): PricedShop {
  const rate = shop.currency === currency ? 1 : rates[shop.currency];
  if (rate === undefined || !(rate > 0))
    throw new CurrencyFault(
      `${shop.name} asks for ${shop.currency}, the rest is in ${currency}: prices in two currencies cannot be added. Say what 1 ${shop.currency} is in ${currency}, or leave the shop out.`,
    );
  const cents = (value: number) => Math.round(value * rate);
  return {
    id: shop.id,
    postage: cents(shop.postageCents),
    freeFrom: shop.freeFromCents === null ? null : cents(shop.freeFromCents),
    offers: new Map(
      shop.offers.map((offer) => [offer.paintId, { cents: cents(offer.priceCents), stock: offer.stock }]),
    ),
  };
}

/** The bottles that can be had, and what is lacking. */
function bottlesOf(wanted: readonly Wanted[], shops: readonly PricedShop[]): { bottles: Bottle[]; lacking: Wanted[] } {
  const lacking: Wanted[] = [];
  const bottles = wanted.flatMap(({ paintId, bottles }) => {
    const ways = shops
      .flatMap(({ offers }, shop) => {
        const offer = offers.get(paintId);
        return offer && offer.stock > 0 ? [{ shop, cents: offer.cents }] : [];
      })
      .sort((a, b) => a.cents - b.cents || a.shop - b.shop);
    const there = shops.reduce((sum, { offers }) => sum + (offers.get(paintId)?.stock ?? 0), 0);
    const some = Math.min(bottles, there);
    if (some < bottles) lacking.push({ paintId, bottles: bottles - some });
    return Array.from({ length: some }, (): Bottle => ({ paintId, ways, least: ways[0]!.cents }));
  });
  // The most expensive first: where it goes decides most.
  bottles.sort((a, b) => b.least - a.least || a.paintId.localeCompare(b.paintId));
  return { bottles, lacking };
}

/** Branch and bound over bottles that are bought one after the other. */
class Purchase {
  /** The shop of each bottle in the cheapest way found so far. */
  best: { total: number; picked: readonly number[] } | null = null;
  isStopped = false;
  private looked = 0;
  private readonly goods: number[];
  private readonly used = new Map<string, number>();
  private readonly picked: number[] = [];
  /** What the bottles from each on cost at the least, and could cost at the most in one shop: enough to tell whether free sending is in reach. */
  private readonly least: number[];
  private readonly most: number[];

  constructor(
    private readonly bottles: readonly Bottle[],
    private readonly shops: readonly PricedShop[],
    private readonly effort: number,
  ) {
    this.goods = shops.map(() => 0);
    const fromOn = (price: (bottle: Bottle) => number) =>
      Array.from({ length: bottles.length + 1 }, (_, i) => bottles.slice(i).reduce((sum, one) => sum + price(one), 0));
    this.least = fromOn(({ least }) => least);
    this.most = fromOn(({ ways }) => Math.max(...ways.map(({ cents }) => cents)));
    this.branch(0, 0);
  }

  /** As long as bottles are open (worth `left` at the most), a shop that is used may still send free. */
  private postage(left: number): number {
    return this.shops.reduce((sum, { freeFrom, postage }, i) => {
      if (this.goods[i] === 0) return sum;
      return sum + (freeFrom !== null && this.goods[i]! + left >= freeFrom ? 0 : postage);
    }, 0);
  }

  private branch(i: number, sum: number): void {
    if (this.isStopped) return;
    this.looked += 1;
    if (this.looked > this.effort) {
      this.isStopped = true;
      return;
    }
    const cost = sum + this.least[i]! + this.postage(this.most[i]!);
    if (this.best && cost >= this.best.total) return;
    if (i === this.bottles.length) {
      this.best = { total: cost, picked: [...this.picked] };
      return;
    }
    const { paintId, ways } = this.bottles[i]!;
    const same = i > 0 && this.bottles[i - 1]!.paintId === paintId;
    for (let w = 0; w < ways.length; w += 1) {
      // Bottles of one paint are alike: they are taken from the shops in order.
      if (same && w < ways.findIndex(({ shop }) => shop === this.picked[i - 1])) continue;
      const { shop, cents } = ways[w]!;
      const key = `${shop} ${paintId}`;
      const taken = this.used.get(key) ?? 0;
      if (taken >= this.shops[shop]!.offers.get(paintId)!.stock) continue;
      this.used.set(key, taken + 1);
      this.goods[shop]! += cents;
      this.picked.push(shop);
      this.branch(i + 1, sum + cents);
      this.picked.pop();
      this.goods[shop]! -= cents;
      this.used.set(key, taken);
    }
  }
}

/** What of the bottles comes from one shop; null where nothing does. */
function parcelOf(shop: PricedShop, bottles: readonly Bottle[]): Parcel | null {
  if (bottles.length === 0) return null;
  const counts = new Map<string, number>();
  for (const { paintId } of bottles) counts.set(paintId, (counts.get(paintId) ?? 0) + 1);
  const lines = [...counts].map(([paintId, bottles]) => ({
    paintId,
    bottles,
    cents: bottles * shop.offers.get(paintId)!.cents,
  }));
  const goodsCents = lines.reduce((sum, { cents }) => sum + cents, 0);
  const free = shop.freeFrom !== null && goodsCents >= shop.freeFrom;
  return { shopId: shop.id, lines, goodsCents, postageCents: free ? 0 : shop.postage };
}

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
  const offered = shops.map((shop) => priced(shop, currency, rates));
  const { bottles, lacking } = bottlesOf(wanted, offered);
  const { best, isStopped } = new Purchase(bottles, offered, effort);
  const parcels = offered.flatMap(
    (shop, s) =>
      parcelOf(
        shop,
        bottles.filter((_, i) => best?.picked[i] === s),
      ) ?? [],
  );
  return { parcels, totalCents: best?.total ?? 0, currency, proven: !isStopped, lacking };
}

/** The bottles to buy for millilitres that are lacking. */
export const bottlesFor = (missingMl: number, sizeMl: number): number =>
  Math.max(0, Math.ceil(missingMl / sizeMl - 1e-9));
