import { dryingTime, type Climate } from '@/core/paint/drying';
import type { Chemistry } from '@/core/paint/chemistry';

/** What `route` answers, as far as its rules are checked. */
export interface Answer {
  steps: {
    key: string;
    title: string;
    kind: string;
    stage: string;
    zones: string[];
    minutes: number;
    gate: string | null;
    why: string;
    open: boolean;
    layer: { what: string; chemistry: Chemistry; code: string | null } | null;
  }[];
  links: { from: string; to: string; minLag: number; maxLag: number | null }[];
  stacks: Record<string, { step: string; what: string; chemistry: Chemistry }[]>;
  conflicts: {
    zone: string;
    over: string;
    under: string;
    verdict: string;
    remedies: unknown[];
    taken: string | null;
  }[];
}

/** Earliest starts by the longest paths, minutes from the beginning. */
export function earliest({ steps, links }: Pick<Answer, 'steps' | 'links'>): Map<string, number> {
  const into = new Map<string, Answer['links']>();
  for (const link of links) into.set(link.to, [...(into.get(link.to) ?? []), link]);
  const minutes = new Map(steps.map((step) => [step.key, step.minutes]));
  const starts = new Map<string, number>();
  const walk = (key: string, above: readonly string[]): number => {
    const known = starts.get(key);
    if (known !== undefined) return known;
    if (above.includes(key)) throw new Error(`a cycle: ${[...above, key].join(' > ')}`);
    const start = Math.max(
      0,
      ...(into.get(key) ?? []).map(({ from, minLag }) => walk(from, [...above, key]) + minutes.get(from)! + minLag),
    );
    starts.set(key, start);
    return start;
  };
  for (const { key } of steps) walk(key, []);
  return starts;
}

const networks = new WeakMap<Answer, { minutes: Map<string, number>; out: Map<string, Answer['links']> }>();

/** The links of an answer by where they begin: it is asked of hundreds of pairs. */
function networkOf(answer: Answer) {
  const known = networks.get(answer);
  if (known) return known;
  const minutes = new Map(answer.steps.map((step) => [step.key, step.minutes]));
  const out = new Map<string, Answer['links']>(answer.steps.map(({ key }) => [key, []]));
  for (const link of answer.links) out.get(link.from)?.push(link);
  const made = { minutes, out };
  networks.set(answer, made);
  return made;
}

/** The least time from the end of one step to the start of another by the links between them; null where no way leads there. */
export function leastBetween(answer: Answer, from: string, to: string): number | null {
  const { minutes, out } = networkOf(answer);
  const known = new Map<string, number | null>();
  /** From the end of a step on. */
  const walk = (key: string): number | null => {
    if (known.has(key)) return known.get(key)!;
    let most: number | null = null;
    for (const link of out.get(key) ?? []) {
      const rest = link.to === to ? 0 : walk(link.to);
      const before = link.to === to ? 0 : minutes.get(link.to)!;
      if (rest !== null) most = Math.max(most ?? -Infinity, link.minLag + before + rest);
    }
    known.set(key, most);
    return most;
  };
  return walk(from);
}

/** The least that any layer waits for the one under it, by the chemistry of what is under: its recoat, or its cure under spirits. */
export function leastWait(
  over: { chemistry: Chemistry; what: string },
  under: { chemistry: Chemistry; what: string },
  climate: Climate,
): number {
  if (under.what === 'decal') return 20;
  const spirit = over.chemistry === 'EW' || over.chemistry === 'OI';
  // A line may say that it dries sooner than its chemistry: half of it is the least that is taken for true here.
  return spirit && under.what === 'clear'
    ? dryingTime({ chemistry: under.chemistry }, 'cure', climate)
    : dryingTime({ chemistry: under.chemistry }, 'recoat', climate) / 2;
}
