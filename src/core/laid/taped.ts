import { minutesAfter } from '@/core/units/minutes';
import { DRY } from '@/core/work/layer';
import { stepsByKey, type Route } from '@/core/work/step';
import { LONGEST_TAPE, MOST_TAPE } from '@/core/work/tape';
import { inTime, lyingOf, type Laid, type LoggedWork } from './laid';

/** Tape that is on a zone now. */
export interface Tape {
  /** What is sprayed over it, or what it protects; null where its step is gone. */
  of: string | null;
  since: string;
  /** The place in the log of the entry that put it on. */
  entry: number;
  /** The last moment at which it comes off well: while the coat over it still gives, or before its glue stays. */
  until: string;
}

/** The tape that is on, by zone, the oldest first. */
export function tapedOf(
  route: Pick<Route, 'steps'>,
  log: readonly LoggedWork[],
  laid: Laid,
): Map<string, readonly Tape[]> {
  const steps = stepsByKey(route);
  const on = new Map<string, Omit<Tape, 'until'>[]>();
  for (const { entry, index } of inTime(log)) {
    if (entry.again || (entry.share !== null && entry.share < 1)) continue;
    const step = steps.get(entry.stepKey);
    const goes = step?.tape?.goes ?? (step ? null : BY_KIND[entry.stepKind]);
    if (!goes) continue;
    const of = step?.tape?.of ?? null;
    for (const zone of entry.zones.length > 0 ? entry.zones : (step?.zones ?? [])) {
      const others = (on.get(zone) ?? []).filter((tape) => tape.of !== of);
      on.set(zone, goes === 'off' ? others : [...others, { of, since: entry.endedAt, entry: index }]);
    }
  }
  return new Map(
    [...on].flatMap(([zone, tapes]) =>
      tapes.length === 0
        ? []
        : [[zone, tapes.map((tape) => ({ ...tape, until: untilOf(tape, zone, laid, steps.has(tape.of ?? '')) }))]],
    ),
  );
}

const BY_KIND: Partial<Record<LoggedWork['stepKind'], 'on' | 'off'>> = { mask: 'on', unmask: 'off' };

function untilOf({ of, since }: Omit<Tape, 'until'>, zone: string, laid: Laid, isForACoat: boolean): string {
  const over =
    of !== null && !isForACoat
      ? undefined
      : lyingOf(laid.get(zone)).findLast(({ what, endedAt }) => !DRY.has(what) && endedAt >= since);
  return minutesAfter(over?.endedAt ?? since, over ? MOST_TAPE[over.chemistry] : LONGEST_TAPE);
}
