import type { Chemistry } from '@/core/paint/chemistry';
import type { LayerKind, StepKind } from '@/core/work/kinds';
import { USUAL_CHEMISTRY, type Layer } from '@/core/work/layer';
import type { Mixed } from '@/core/work/mixed';

/** What has been laid on a model, from the log and the mishaps alone: facts, which no decision moves. */

/** Work that was done, as the log keeps it. */
export interface LoggedWork {
  id: string;
  stepKey: string;
  stepKind: StepKind | '';
  /** What it left on its zones; '' for nothing, null where an earlier house did not say: then what its step lays now. */
  what: LayerKind | '' | null;
  /** Where; none for all that its step works on. */
  zones: readonly string[];
  code: string;
  paint: string;
  chemistry: Chemistry | '';
  mixed: Mixed | null;
  coats: number | null;
  tempC: number | null;
  humidity: number | null;
  startedAt: string;
  endedAt: string;
  /** How much of the work it was, 0 to 1; null for all of it. */
  share: number | null;
  /** It stands for what the same step laid there before. */
  replaces: boolean;
  /** It has to be done again: what it laid lies there, and is not what is wanted. */
  again: boolean;
}

/** What went wrong, as far as it takes layers off. */
export interface Loss {
  happenedAt: string;
  run: {
    /** The first mends the cause: once that is logged, what is lost is off. */
    steps: readonly { key: string }[];
    lost: readonly { step: string; zones: readonly string[] }[];
  } | null;
}

/** A layer that was laid, with the entry that says so. */
export interface LaidLayer extends Layer {
  /** Its place in the log. */
  entry: number;
  entryId: string;
  step: string;
  mixed: Mixed | null;
  endedAt: string;
  /** Where it lies is a guess: the entry names no zone. */
  assumed: boolean;
  again: boolean;
  /** The air in which it dried; null where nobody looked. */
  air: { tempC: number; humidity: number } | null;
  /** The place among the mishaps of the one whose repair took it off; null while it lies there. */
  goneBy: number | null;
  /** The place of the one whose repair will take it off, and is not logged yet. */
  comesOffBy: number | null;
}

/** By zone, from the plastic up in the order of time; with what lies there no longer. */
export type Laid = ReadonlyMap<string, readonly LaidLayer[]>;

/** A step as far as an entry that says less is read by it. */
export interface StepNow {
  zones: readonly string[];
  lays: readonly Layer[];
}

/**
 * The stack of each zone, bottom up, in the order in which the work ended (of equals: as listed). An entry without zones counts for those of
 * its step (`assumed`). What replaces a layer stands in its stead; what a mishap took off is marked once its repair is logged.
 */
export function laidOf(
  log: readonly LoggedWork[],
  mishaps: readonly Loss[],
  stepNow: (key: string) => StepNow | undefined,
): Laid {
  const stacks = new Map<string, LaidLayer[]>();
  for (const { entry, index } of inTime(log)) {
    const now = stepNow(entry.stepKey);
    const assumed = entry.zones.length === 0;
    const layers = layersOf(entry, now);
    if (layers.length === 0) continue;
    for (const zone of new Set(assumed ? (now?.zones ?? []) : entry.zones)) {
      const stack = stacks.get(zone) ?? [];
      stacks.set(zone, [
        ...(entry.replaces ? stack.filter((own) => own.step !== entry.stepKey) : stack),
        ...layers.map((layer): LaidLayer => ({
          ...layer,
          ...factsOf(entry, index),
          assumed,
          goneBy: null,
          comesOffBy: null,
        })),
      ]);
    }
  }
  takeOff(stacks, log, mishaps);
  return stacks;
}

/** What of a stack still lies there. */
export const lyingOf = (stack: readonly LaidLayer[] | undefined): LaidLayer[] =>
  (stack ?? []).filter(({ goneBy }) => goneBy === null);
/** What of a stack stays: it lies there, and no repair that is planned takes it off. */
export const stayingOf = (stack: readonly LaidLayer[] | undefined): LaidLayer[] =>
  lyingOf(stack).filter(({ comesOffBy }) => comesOffBy === null);

/** Colours that stay on each zone, from the lowest up, by their codes; zones without one are left out. */
export const coloursLaid = (laid: Laid): Record<string, string[]> =>
  Object.fromEntries(
    [...laid].flatMap(([zone, stack]) => {
      const codes = stayingOf(stack).flatMap(({ what, code }) => (what === 'colour' && code !== null ? [code] : []));
      return codes.length > 0 ? [[zone, codes] as const] : [];
    }),
  );

/** Entries in the order in which they ended; of equals as they are listed. */
export const inTime = <T extends Pick<LoggedWork, 'endedAt'>>(log: readonly T[]): { entry: T; index: number }[] =>
  log
    .map((entry, index) => ({ entry, index, at: Date.parse(entry.endedAt) }))
    .sort((a, b) => a.at - b.at || a.index - b.index);

const factsOf = ({ id, stepKey, mixed, endedAt, again, tempC, humidity }: LoggedWork, entry: number) => ({
  entry,
  entryId: id,
  step: stepKey,
  mixed,
  endedAt,
  again,
  air: tempC === null || humidity === null ? null : { tempC, humidity },
});

/** What an entry laid: its own word, and only where it says nothing what its step lays now. */
function layersOf(entry: LoggedWork, now: StepNow | undefined): Layer[] {
  if (entry.share !== null && entry.share < 1) return [];
  const planned = now?.lays ?? [];
  const [one] = planned;
  const what = entry.what ?? one?.what ?? (entry.code ? 'colour' : '');
  if (what === '') return [];
  const like = planned.find((layer) => layer.what === what);
  const chemistry = entry.chemistry || like?.chemistry || USUAL_CHEMISTRY[what];
  const own: Layer = {
    what,
    chemistry,
    ...(like?.chemistry === chemistry && like.dries ? { dries: like.dries } : {}),
    // Who did not say what was laid did not say its colour either.
    code: entry.code || (entry.what === null ? (like?.code ?? null) : null),
    paint: entry.paint || inTheCup(entry.mixed) || like?.paint || '',
    coats: entry.coats ?? like?.coats ?? 1,
  };
  return [own];
}

/** What was mixed, by the names of its paints. */
const inTheCup = (mixed: Mixed | null): string => mixed?.parts.map(({ label }) => label).join(' + ') ?? '';

/** The entry with which the repair of a mishap began: what is lost is off from then on. */
export const mendOf = <T extends Pick<LoggedWork, 'stepKey' | 'again'>>(
  run: NonNullable<Loss['run']>,
  log: readonly T[],
): T | undefined => log.find(({ stepKey, again }) => !again && stepKey === run.steps[0]?.key);

function takeOff(stacks: Map<string, LaidLayer[]>, log: readonly LoggedWork[], mishaps: readonly Loss[]): void {
  mishaps.forEach(({ run, happenedAt }, mishap) => {
    if (!run) return;
    const mended = mendOf(run, log);
    const off = mended ? { goneBy: mishap } : { comesOffBy: mishap };
    const until = Date.parse(mended?.endedAt ?? happenedAt);
    for (const { step, zones } of run.lost)
      for (const zone of zones) {
        const stack = stacks.get(zone);
        if (!stack) continue;
        stacks.set(
          zone,
          stack.map((layer) =>
            layer.step === step && layer.goneBy === null && Date.parse(layer.endedAt) <= until
              ? { ...layer, ...off }
              : layer,
          ),
        );
      }
  });
}
