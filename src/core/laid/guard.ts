import { isGrave, layOver, type Chemistry, type OverRule, type Verdict } from '@/core/paint/chemistry';
import { DRY } from '@/core/work/layer';
import type { StackLayer } from './stack';

/** What helps where a layer attacks the one under it. */
export const REMEDIES = {
  cure: 'let what is under it cure right through',
  mist: 'begin with mist coats, and let each flash off',
  barrier: 'seal what is under it with a lacquer or acrylic clear that has cured',
  'other paint': 'another paint, of the chemistry of what is under it',
  'other order': 'the other way round: this one first',
  'acrylic clear': 'a water-based clear instead of the lacquer',
} as const;
export type RemedyName = keyof typeof REMEDIES;

const HELPS: Record<Exclude<Verdict, 'ok'>, readonly RemedyName[]> = {
  'after cure': ['cure', 'other paint'],
  'mist first': ['mist', 'other paint'],
  risk: ['mist', 'barrier', 'other paint', 'other order'],
  no: ['barrier', 'other paint', 'other order'],
};
/** What the route does of itself: it waits, and says how the first coat is laid. */
const TAKEN: Partial<Record<Verdict, RemedyName>> = { 'after cure': 'cure', 'mist first': 'mist' };

export interface Remedy {
  id: RemedyName;
  says: string;
}

/** Two layers of a zone that lie on one another and should not, or not without care. */
export interface Conflict {
  zone: string;
  over: StackLayer;
  under: StackLayer;
  verdict: Exclude<Verdict, 'ok'>;
  says: string;
  remedies: Remedy[];
  /** The remedy that is in the route; null while it stands open. */
  taken: RemedyName | null;
}

const LACQUERS: ReadonlySet<Chemistry> = new Set(['AL', 'ML']);

/** Whether one layer may lie on another, with what they are beside their chemistry. */
function ruleFor(over: StackLayer, under: StackLayer): OverRule & { remedies: readonly RemedyName[] } {
  if (over.what === 'clear' && LACQUERS.has(over.chemistry) && under.chemistry === 'ML')
    return { verdict: 'no', says: 'lacquer clear crazes and dulls a metallic', remedies: ['acrylic clear', 'barrier'] };
  const rule = layOver(over.chemistry, under.chemistry);
  return { ...rule, remedies: rule.verdict === 'ok' ? [] : HELPS[rule.verdict] };
}

/** A clear that may lie on the one and bear the other, where there is one. */
export const barrierBetween = (over: Chemistry, under: Chemistry): Chemistry | null =>
  (['WA', 'AL'] as const).find((clear) =>
    [layOver(clear, under), layOver(over, clear)].every(({ verdict }) => !isGrave(verdict)),
  ) ?? null;

/** A remedy that the builder chose, for one step over another. */
export interface TakenRemedy {
  over: string;
  under: string;
  remedy: (typeof TAKEABLE)[number];
}
/** Those that the route carries out when they are chosen; the others are choices of paint. */
export const TAKEABLE = ['barrier', 'mist'] as const;

/** Looks each layer up against what lies directly under it on its zone; `chosen` are the remedies that the builder took. */
export function conflictsOf(
  stacks: ReadonlyMap<string, readonly StackLayer[]>,
  chosen: readonly TakenRemedy[] = [],
): Conflict[] {
  return [...stacks].flatMap(([zone, stack]) => {
    const films = stack.filter(({ what, comesOff }) => !DRY.has(what) && !comesOff);
    return films.slice(1).flatMap((over, i): Conflict[] => {
      const under = films[i]!;
      const { verdict, says, remedies } = ruleFor(over, under);
      if (verdict === 'ok') return [];
      return [
        {
          zone,
          over,
          under,
          verdict,
          says,
          remedies: remedies
            .filter((id) => id !== 'barrier' || barrierBetween(over.chemistry, under.chemistry) !== null)
            .map((id) => ({ id, says: REMEDIES[id] })),
          taken:
            chosen.find((one) => one.over === over.step && one.under === under.step)?.remedy ?? TAKEN[verdict] ?? null,
        },
      ];
    });
  });
}

/** The same conflict of two steps, with all zones where it is. */
export interface PairConflict extends Omit<Conflict, 'zone'> {
  zones: string[];
}

/** Conflicts told once for each two steps. */
export function conflictsByPair(...of: Parameters<typeof conflictsOf>): PairConflict[] {
  const pairs = new Map<string, PairConflict>();
  for (const { zone, ...conflict } of conflictsOf(...of)) {
    const key = `${conflict.over.step} ${conflict.under.step}`;
    const known = pairs.get(key);
    if (known) known.zones.push(zone);
    else pairs.set(key, { ...conflict, zones: [zone] });
  }
  return [...pairs.values()];
}

/** The step that lays a barrier between two others. */
export const barrierKey = (over: string, under: string): string => `barrier:${over}:${under}`;
