import { chromaOf } from '@/core/colour/spaces';
import { deltaE00 } from '@/core/colour/difference';
import type { Lab } from '@/core/colour/types';
import { combinedSd, JUST_NOTICEABLE } from '@/core/colour/words';

/** A colour that the scheme calls for. */
export interface SchemeCall {
  id: string;
  lab: Lab;
  weight: number;
  /** Uncertainty in dE00. */
  sd?: number;
}
/** Two calls that meet on the airframe. */
export interface SchemeEdge {
  a: string;
  b: string;
  weight: number;
}
export interface SchemeCandidate {
  id: string;
  lab: Lab;
  line: string;
  chemistry: string;
  owned: boolean;
  /** Uncertainty in dE00. */
  sd?: number;
  /** Of a mixture: the paints in it, which share bottles with other choices. */
  parts?: readonly { id: string; line: string; owned: boolean }[];
  /** The calls that it may serve; all where it is not said. */
  only?: readonly string[];
}

export interface SchemeOptions {
  /** How much the relation of neighbours counts beside the single colours. */
  lambda: number;
  perBottle: number;
  perLine: number;
  /** At most so many different lines; null = any number. */
  maxLines: number | null;
  /** All paints of one chemistry. */
  sameChemistry: boolean;
  /** What can't be told apart counts as no difference: nothing is bought for it. */
  onlyWhatShows: boolean;
  /** Partial choices that may be looked at. */
  effort: number;
}
export const SCHEME_DEFAULTS: SchemeOptions = {
  lambda: 1,
  perBottle: 0.3,
  perLine: 0.5,
  maxLines: null,
  sameChemistry: false,
  onlyWhatShows: false,
  effort: 400_000,
};

export interface SchemeChoice {
  /** Candidate id by call id. */
  choice: Record<string, string>;
  F: number;
}
export interface SchemeResult {
  best: SchemeChoice | null;
  /** Other good choices, best first. */
  alternatives: SchemeChoice[];
  proven: boolean;
  /** How much better than `best` an unseen choice could be at the most. */
  gap: number;
}

/** Candidates looked at for each call, the nearest; all of them in a second search, where they are few enough to settle it. */
const NEAREST = 40;
const FEW_CANDIDATES = 160;
const ALTERNATIVES = 4;

const tone = (lab: Lab) => 1 / (1 + 0.045 * chromaOf(lab));

/** However badly two colours are known, a difference of this much is taken to be one. */
const SHOWS_ANYHOW = 3;

/** A difference as it counts: none below what the eye, or what is known, can tell apart. */
export function shown(dE00: number, sd: number): number {
  const least = Math.min(SHOWS_ANYHOW, Math.max(JUST_NOTICEABLE, 2 * sd));
  return dE00 < least ? 0 : dE00;
}

/** A call with the candidates that are nearest to it, and all that its place in the search needs. */
interface Place {
  call: SchemeCall;
  /** Indices into the candidates. */
  near: number[];
  /** What each of them costs by itself. */
  own: Float64Array;
  /** The difference of the nearest candidate that is not looked at. */
  beyond: number;
}

/**
 * One paint for every call at once: the least sum of weighted differences, of what the relation of neighbours loses (the difference of
 * their errors, chroma and hue scaled as by CIE 1994), of bottles to buy and of different lines. Branch and bound with forward
 * checking over the nearest candidates of each call; exact where it ends within the effort and no candidate further off could be part of
 * a better choice. `best` is null where the constraints leave no choice.
 */
export function chooseScheme(
  calls: readonly SchemeCall[],
  edges: readonly SchemeEdge[],
  candidates: readonly SchemeCandidate[],
  given: Partial<SchemeOptions> = {},
): SchemeResult {
  const options = { ...SCHEME_DEFAULTS, ...given };
  const search = new Search(calls, edges, candidates, options, NEAREST);
  const found = search.run();
  if (found.proven || search.stopped || candidates.length > FEW_CANDIDATES) return found;
  const effort = options.effort - search.looked;
  const all = new Search(calls, edges, candidates, { ...options, effort }, candidates.length).run();
  // Stopped short, it may know less than the narrow one that ended.
  return found.best && (!all.best || all.best.F > found.best.F) ? found : all;
}

class Search {
  private readonly places: Place[];
  /** Cost of a pair of choices, by place and place, the first the earlier: near x near. Null where the calls do not meet. */
  private readonly between: (Float64Array | null)[][];
  /** The least that a choice costs with all places after it, whatever those choose. */
  private readonly later: Float64Array[];
  /** How many places could share a bottle: what keeps the bound below the truth. */
  private readonly sharers = new Map<string, number>();
  /** Of each candidate: the bottles that it takes to buy, and the lines it is of. */
  private readonly buys: readonly (readonly string[])[];
  private readonly linesOf: readonly (readonly string[])[];
  private readonly chosen: number[] = [];
  private readonly bottles = new Map<string, number>();
  private readonly lines = new Map<string, number>();
  private readonly found: { picked: number[]; F: number }[] = [];
  looked = 0;
  stopped = false;

  constructor(
    calls: readonly SchemeCall[],
    edges: readonly SchemeEdge[],
    private readonly candidates: readonly SchemeCandidate[],
    private readonly options: SchemeOptions,
    private readonly nearest: number,
  ) {
    const partsOf = (candidate: SchemeCandidate) => candidate.parts ?? [candidate];
    this.buys = candidates.map((candidate) => partsOf(candidate).flatMap(({ id, owned }) => (owned ? [] : [id])));
    this.linesOf = candidates.map((candidate) => [...new Set(partsOf(candidate).map(({ line }) => line))]);
    const meets = (id: string) => edges.filter((edge) => edge.a === id || edge.b === id).length;
    // Calls with the most neighbours first: their choice narrows the rest.
    this.places = [...calls]
      .sort((a, b) => meets(b.id) - meets(a.id) || b.weight - a.weight || a.id.localeCompare(b.id))
      .map((call) => this.placeOf(call));
    for (const { near } of this.places)
      for (const bottle of new Set(near.flatMap((index) => this.buys[index]!)))
        this.sharers.set(bottle, (this.sharers.get(bottle) ?? 0) + 1);
    const weightOf = (a: string, b: string) =>
      edges.reduce(
        (sum, edge) => ((edge.a === a && edge.b === b) || (edge.a === b && edge.b === a) ? sum + edge.weight : sum),
        0,
      );
    this.between = this.places.map((first, i) =>
      this.places.map((second, k) => {
        const weight = k > i ? options.lambda * weightOf(first.call.id, second.call.id) : 0;
        return weight > 0 ? this.relations(first, second, weight) : null;
      }),
    );
    this.later = this.places.map((place, i) =>
      Float64Array.from(place.near, (_, c) =>
        this.places.reduce((sum, other, k) => {
          const cost = this.between[i]![k];
          if (!cost) return sum;
          const row = cost.subarray(c * other.near.length, (c + 1) * other.near.length);
          return sum + row.reduce((least, value) => Math.min(least, value), Infinity);
        }, 0),
      ),
    );
  }

  private placeOf(call: SchemeCall): Place {
    const by = this.candidates
      .flatMap((candidate, index) => {
        if (candidate.only && !candidate.only.includes(call.id)) return [];
        const raw = deltaE00(call.lab, candidate.lab);
        const dE = this.options.onlyWhatShows ? shown(raw, combinedSd(call.sd, candidate.sd)) : raw;
        return [{ index, dE, raw, toBuy: Number(!candidate.owned) }];
      })
      // What is owned wins where nothing is gained.
      .sort((a, b) => a.dE - b.dE || a.toBuy - b.toBuy || a.raw - b.raw || a.index - b.index);
    const near = by.slice(0, this.nearest);
    return {
      call,
      near: near.map(({ index }) => index),
      own: Float64Array.from(near, ({ dE }) => call.weight * dE),
      beyond: by[this.nearest]?.dE ?? Infinity,
    };
  }

  /** What the relation of two neighbours loses, for every pair of their candidates. */
  private relations(first: Place, second: Place, weight: number): Float64Array {
    const s = (tone(first.call.lab) + tone(second.call.lab)) / 2;
    const errorOf = ({ call, near }: Place) =>
      near.map((index) => this.candidates[index]!.lab.map((value, axis) => value - call.lab[axis]!));
    const [ones, others] = [errorOf(first), errorOf(second)];
    const lost = (one: number[], other: number[]) => {
      const apart = Math.hypot(one[0]! - other[0]!, s * (one[1]! - other[1]!), s * (one[2]! - other[2]!));
      return this.options.onlyWhatShows ? shown(apart, 0) : apart;
    };
    return Float64Array.from(ones.flatMap((one) => others.map((other) => weight * lost(one, other))));
  }

  run(): SchemeResult {
    const partial = this.places.map((place) => Float64Array.from(place.own));
    const root = this.ahead(0, partial);
    this.branch(0, partial);
    const [best, ...alternatives] = this.found.map(({ picked, F }): SchemeChoice => ({
      choice: Object.fromEntries(
        this.places.map(({ call, near }, i) => [call.id, this.candidates[near[picked[i]!]!]!.id]),
      ),
      F,
    }));
    if (!best) return { best: null, alternatives: [], proven: !this.stopped, gap: 0 };
    const least = this.places.map(({ own }) => own[0] ?? 0);
    const all = least.reduce((sum, value) => sum + value, 0);
    // What a choice with a candidate beyond the nearest would cost at the least.
    const beyond = Math.min(
      ...this.places.map(({ call, beyond: dE }, i) => (dE === Infinity ? dE : all - least[i]! + call.weight * dE)),
    );
    const gap = Math.max(0, best.F - Math.min(this.stopped ? root : best.F, beyond));
    return { best, alternatives, proven: !this.stopped && gap === 0, gap };
  }

  private get limit(): number {
    return this.found.length > ALTERNATIVES ? this.found.at(-1)!.F : Infinity;
  }

  private allowed(index: number): boolean {
    const { chemistry } = this.candidates[index]!;
    const { sameChemistry, maxLines } = this.options;
    if (sameChemistry && this.chosen.length > 0) {
      const first = this.candidates[this.places[0]!.near[this.chosen[0]!]!]!;
      if (first.chemistry !== chemistry) return false;
    }
    return maxLines === null || this.lines.size + this.newLines(index) <= maxLines;
  }

  private newLines(index: number): number {
    return this.linesOf[index]!.filter((line) => !this.lines.has(line)).length;
  }

  /** What buying a candidate adds to what is bought already; `shared` divides each bottle among all who could use it. */
  private bottle(index: number, shared = false): number {
    let sum = 0;
    for (const bottle of this.buys[index]!)
      if (!this.bottles.has(bottle)) sum += this.options.perBottle / (shared ? this.sharers.get(bottle)! : 1);
    return sum;
  }

  /** The least that all places from one on can add, each by itself. */
  private ahead(from: number, partial: readonly Float64Array[]): number {
    let sum = 0;
    for (let i = from; i < this.places.length; i += 1) {
      const { near } = this.places[i]!;
      let least = Infinity;
      for (let c = 0; c < near.length; c += 1) {
        const cost = partial[i]![c]! + this.later[i]![c]!;
        if (cost >= least || !this.allowed(near[c]!)) continue;
        least = Math.min(least, cost + this.bottle(near[c]!, true));
      }
      sum += least;
    }
    return sum;
  }

  private branch(F: number, partial: readonly Float64Array[]): void {
    const i = this.chosen.length;
    if (i === this.places.length) {
      this.found.push({ picked: [...this.chosen], F });
      this.found.sort((a, b) => a.F - b.F);
      this.found.splice(ALTERNATIVES + 1);
      return;
    }
    const { near } = this.places[i]!;
    const next = near
      .map((index, c) => ({ index, c }))
      .filter(({ index }) => this.allowed(index))
      .map(({ index, c }) => {
        const lines = this.newLines(index) * this.options.perLine;
        return { index, c, F: F + partial[i]![c]! + this.bottle(index) + lines };
      })
      .sort((a, b) => a.F + this.later[i]![a.c]! - b.F - this.later[i]![b.c]!);
    for (const { index, c, F: reached } of next) {
      this.looked += 1;
      if (this.looked > this.options.effort) this.stopped = true;
      if (this.stopped) return;
      if (reached + this.later[i]![c]! >= this.limit) break;
      this.take(index, c);
      const narrowed = this.places.map((place, k) => {
        const cost = this.between[i]![k];
        if (!cost) return partial[k]!;
        const width = place.near.length;
        return partial[k]!.map((value, o) => value + cost[c * width + o]!);
      });
      if (reached + this.ahead(i + 1, narrowed) < this.limit) this.branch(reached, narrowed);
      this.release(index);
    }
  }

  private take(index: number, c: number) {
    this.chosen.push(c);
    for (const bottle of this.buys[index]!) count(this.bottles, bottle, 1);
    for (const line of this.linesOf[index]!) count(this.lines, line, 1);
  }

  private release(index: number) {
    this.chosen.pop();
    for (const bottle of this.buys[index]!) count(this.bottles, bottle, -1);
    for (const line of this.linesOf[index]!) count(this.lines, line, -1);
  }
}

/** Counts up or down; what is back at nothing is forgotten. */
function count<K>(counts: Map<K, number>, key: K, by: number) {
  const now = (counts.get(key) ?? 0) + by;
  if (now === 0) counts.delete(key);
  else counts.set(key, now);
}
