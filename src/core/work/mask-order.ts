import { RATES } from './minutes';

/** In which order colours are sprayed so that least is masked. Lengths in mm on the model, times in minutes. */
export interface MaskJob {
  colours: readonly string[];
  regions: readonly { id: string; colour: string }[];
  edges: readonly { a: string; b: string; lengthMm: number; hard: boolean }[];
  /** [later, earlier]: a normal coat of the later hides overspray of the earlier. */
  hides: readonly (readonly [later: string, earlier: string])[];
  /** Pairs that keep this order. */
  before: readonly (readonly [first: string, then: string])[];
  rates: MaskRates;
  /** Of colours that need all else papered over, as those from a can: what that covers, cm2. */
  paperCm2?: Readonly<Record<string, number>>;
  /** L* by colour, for comparing with the custom of light before dark. */
  lightness?: Readonly<Record<string, number>>;
}

export interface MaskRates {
  sessionMinutes: number;
  /** To begin where all edges are soft. */
  softSessionMinutes?: number;
  tapeMmPerMinute: number;
  softMmPerMinute: number;
  cleanOutMinutes: number;
}
/** Those of the contract `masks`, where nobody says others. */
export const MASK_RATES: MaskRates = {
  sessionMinutes: 20,
  tapeMmPerMinute: 40,
  softMmPerMinute: 60,
  cleanOutMinutes: 6,
};

/** Beside each hard edge a strip so wide is covered, cm2 for each mm of it: 20 mm, as far as an airbrush strays. */
export const STRIP_CM2 = 0.2;
const { begin, per } = RATES.mask;
/** Those of this house: of work as it is reckoned everywhere (contract `minutes`), each hard edge with its strip. */
export const BENCH_MASK_RATES: MaskRates = {
  sessionMinutes: begin,
  softSessionMinutes: begin,
  tapeMmPerMinute: 1 / (per.hardMm! + STRIP_CM2 * per.coverCm2!),
  softMmPerMinute: 1 / per.softMm!,
  cleanOutMinutes: MASK_RATES.cleanOutMinutes,
};

/** What is masked for one colour: edges, mm, and what is papered over beyond them, cm2. */
export interface MaskLengths {
  tapeMm: number;
  softMm: number;
  paperCm2?: number;
}

/** What it takes to mask so much, beside cleaning the airbrush out: what Markings orders by, Route plans and a rework reckons. */
export function maskMinutes(
  { tapeMm, softMm, paperCm2 = 0 }: MaskLengths,
  rates: MaskRates = BENCH_MASK_RATES,
): number {
  const session = tapeMm > 0 || paperCm2 > 0 ? rates.sessionMinutes : softMm > 0 ? (rates.softSessionMinutes ?? 0) : 0;
  const paper = per.coverCm2! * Math.max(0, paperCm2 - STRIP_CM2 * tapeMm);
  return session + tapeMm / rates.tapeMmPerMinute + softMm / rates.softMmPerMinute + paper;
}

export interface MaskStep extends MaskLengths {
  colour: string;
  minutes: number;
  /** Colours that are masked off, in the order of their names. */
  against: string[];
}

export interface MaskOrder {
  order: string[];
  minutes: number;
  /** Colours that need tape. */
  sessions: number;
  tapeMm: number;
  steps: MaskStep[];
}

/** More than this are not ordered exactly: the work doubles with each. */
export const MOST_COLOURS = 16;

/** Minutes nearer than this are the same. */
const SAME = 1e-9;

interface Table {
  names: string[];
  hard: number[][];
  soft: number[][];
  hides: boolean[][];
  /** Colours that have to come before, as bits. */
  after: number[];
  paperCm2: number[];
}

function tableOf({ colours, regions, edges, hides, before, paperCm2 = {} }: MaskJob): Table {
  // In the order of their names, so that the first of equals is the one that is wanted.
  const names = [...colours].sort((a, b) => (a < b ? -1 : a > b ? 1 : 0));
  const place = new Map(names.map((name, i) => [name, i]));
  const zeros = () => names.map(() => names.map(() => 0));
  const table: Table = {
    names,
    hard: zeros(),
    soft: zeros(),
    hides: names.map(() => names.map(() => false)),
    after: names.map(() => 0),
    paperCm2: names.map((name) => paperCm2[name] ?? 0),
  };
  const colourOf = new Map(regions.map(({ id, colour }) => [id, place.get(colour)!]));
  for (const { a, b, lengthMm, hard } of edges) {
    const [c, d] = [colourOf.get(a)!, colourOf.get(b)!];
    if (c === d) continue;
    const kind = hard ? table.hard : table.soft;
    kind[c]![d]! += lengthMm;
    kind[d]![c]! += lengthMm;
  }
  for (const [later, earlier] of hides) table.hides[place.get(later)!]![place.get(earlier)!] = true;
  for (const [first, then] of before) table.after[place.get(then)!]! |= 1 << place.get(first)!;
  return table;
}

/** What spraying one colour takes, with the colours of `done` (bits) on the model already. */
function stepOf(table: Table, rates: MaskRates, colour: number, done: number) {
  let [tapeMm, softMm] = [0, 0];
  // On a model that is bare there is nothing to keep paint from.
  const paperCm2 = done === 0 ? 0 : table.paperCm2[colour]!;
  for (let other = 0; other < table.names.length; other += 1) {
    const isDone = (done >> other) & 1;
    if (isDone || !table.hides[other]![colour]) tapeMm += table.hard[colour]![other]!;
    if (isDone) softMm += table.soft[colour]![other]!;
  }
  const minutes = (done === 0 ? 0 : rates.cleanOutMinutes) + maskMinutes({ tapeMm, softMm, paperCm2 }, rates);
  return { tapeMm, softMm, minutes, ...(paperCm2 > 0 ? { paperCm2 } : {}) };
}

/** The order as it is worked through, each colour with what it takes. */
function worked(table: Table, rates: MaskRates, order: readonly number[]): MaskOrder {
  let done = 0;
  const steps = order.map((colour): MaskStep => {
    const against = table.names.filter(
      (_, other) => table.hard[colour]![other]! > 0 && ((done >> other) & 1 || !table.hides[other]![colour]),
    );
    const step = { colour: table.names[colour]!, ...stepOf(table, rates, colour, done), against };
    done |= 1 << colour;
    return step;
  });
  const sum = (of: (step: MaskStep) => number) => steps.reduce((total, step) => total + of(step), 0);
  return {
    order: order.map((colour) => table.names[colour]!),
    minutes: sum(({ minutes }) => minutes),
    sessions: steps.filter(({ tapeMm }) => tapeMm > 0).length,
    tapeMm: sum(({ tapeMm }) => tapeMm),
    steps,
  };
}

/**
 * The order of least minutes; of equals the one with fewer colours under tape, then by name. What a colour takes depends only on the set of
 * those before it, so the best way on from every set is found once (dynamic programming over sets, Held and Karp 1962). The job has been
 * checked: names are known, `before` has no circle, and there are at most `MOST_COLOURS`.
 */
export function maskOrder(job: MaskJob): MaskOrder {
  const table = tableOf(job);
  const n = table.names.length;
  const all = 2 ** n - 1;
  const minutes = new Float64Array(all + 1).fill(Infinity);
  const sessions = new Int8Array(all + 1);
  const next = new Int8Array(all + 1).fill(-1);
  minutes[all] = 0;
  for (let done = all - 1; done >= 0; done -= 1)
    for (let colour = 0; colour < n; colour += 1) {
      if ((done >> colour) & 1 || (table.after[colour]! & done) !== table.after[colour]!) continue;
      const step = stepOf(table, job.rates, colour, done);
      const rest = done | (1 << colour);
      const total = step.minutes + minutes[rest]!;
      const taped = sessions[rest]! + (step.tapeMm > 0 ? 1 : 0);
      const slack = SAME * (1 + Math.abs(total));
      if (total < minutes[done]! - slack || (total <= minutes[done]! + slack && taped < sessions[done]!)) {
        minutes[done] = total;
        sessions[done] = taped;
        next[done] = colour;
      }
    }
  const order: number[] = [];
  for (let done = 0; done !== all; done |= 1 << order.at(-1)!) order.push(next[done]!);
  return worked(table, job.rates, order);
}

/** The custom of light colours before dark ones, as far as `before` lets it. */
export function lightToDark(job: MaskJob & { lightness: Readonly<Record<string, number>> }): MaskOrder {
  const table = tableOf(job);
  const lightest = table.names
    .map((name, colour) => ({ colour, light: job.lightness[name]! }))
    .sort((a, b) => b.light - a.light);
  return worked(
    table,
    job.rates,
    inTurn(
      table,
      lightest.map(({ colour }) => colour),
    ),
  );
}

/** A wished order, each colour as early as those that come before it let it. */
function inTurn(table: Table, wished: readonly number[]): number[] {
  const order: number[] = [];
  let done = 0;
  while (order.length < wished.length) {
    const free = wished.find(
      (colour) => !((done >> colour) & 1) && (table.after[colour]! & done) === table.after[colour]!,
    )!;
    order.push(free);
    done |= 1 << free;
  }
  return order;
}

/** What an order that somebody has in mind would take: one of all colours, that keeps `before`. */
export function orderAsGiven(job: MaskJob, order: readonly string[]): MaskOrder {
  const table = tableOf(job);
  return worked(
    table,
    job.rates,
    inTurn(
      table,
      order.map((name) => table.names.indexOf(name)),
    ),
  );
}

/** A circle in pairs of what comes before what, by name: "white, red, white"; null without one. */
export function circleIn(before: readonly (readonly [string, string])[]): string[] | null {
  const followers = new Map<string, string[]>();
  for (const [first, then] of before) followers.set(first, [...(followers.get(first) ?? []), then]);
  const settled = new Set<string>();
  const walk = (name: string, path: string[]): string[] | null => {
    if (path.includes(name)) return [...path.slice(path.indexOf(name)), name];
    if (settled.has(name)) return null;
    for (const then of followers.get(name) ?? []) {
      const circle = walk(then, [...path, name]);
      if (circle) return circle;
    }
    settled.add(name);
    return null;
  };
  for (const name of followers.keys()) {
    const circle = walk(name, []);
    if (circle) return circle;
  }
  return null;
}
