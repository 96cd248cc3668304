import type { Kept } from '@/core/kept/records';
import { inOrder, type StackLayer } from '@/core/route/stack';
import { zonesLaid, zonesOfStep, type RouteStep } from '@/core/route/step';
import { MISHAPS } from '@/core/bench/mishaps';
import { lowered } from '@/core/units/words';
import type { BriefView } from './derive';
import { standingLog } from './plan-settings';

/** One layer of a zone: what it is, and what was written down when it was laid. */
export interface MadeLayer extends StackLayer {
  title: string;
  kind: RouteStep['kind'];
  /** Null while it is not laid. */
  entry: Kept<'log_entry'> | null;
  /** What took it, where it lies no longer. */
  lostTo: string | null;
}

type Made = Pick<BriefView, 'state' | 'route' | 'outline'>;

/** How a zone was made, from the plastic up: what lies on it, what will, and what a mishap took off it again. */
export function madeOf({ state, route }: Made, zone: string): MadeLayer[] {
  const logged = new Map(standingLog(state).map((entry) => [entry.stepKey, entry]));
  return inOrder(route).flatMap((step): MadeLayer[] => {
    if (!step.layer || !zonesOfStep(step, route.covered).includes(zone)) return [];
    const { what, chemistry, code, paint, coats } = step.layer;
    const isThere = zonesLaid(step, route).includes(zone);
    return [
      {
        step: step.key,
        title: step.title,
        kind: step.kind,
        what,
        chemistry,
        code,
        paint,
        coats,
        entry: logged.get(step.key) ?? null,
        lostTo: isThere ? null : takenBy(state.mishaps, step.key, zone),
      },
    ];
  });
}

/** What is logged on a zone and is no step of the route, any more or ever, the newest first. */
export function alsoDone({ state, route }: Made, zone: string): Kept<'log_entry'>[] {
  const known = new Set(route.steps.map(({ key }) => key));
  return standingLog(state)
    .filter(({ stepKey, zones }) => !known.has(stepKey) && zones.includes(zone))
    .sort((a, b) => b.endedAt.localeCompare(a.endedAt));
}

/** Zones that carry, or shall carry, anything. */
export const madeZones = ({ route, outline }: Made): string[] => {
  const laid = new Set(route.steps.flatMap((step) => (step.layer ? zonesOfStep(step, route.covered) : [])));
  return outline.zones.flatMap(({ key }) => (laid.has(key) ? [key] : []));
};

function takenBy(mishaps: readonly Kept<'mishap'>[], step: string, zone: string): string {
  const mishap = mishaps.find(({ run }) => run?.lost.some((one) => one.step === step && one.zones.includes(zone)));
  return mishap ? lowered(MISHAPS[mishap.kind].title) : 'a mishap';
}

/** A cup as it was mixed: "3 drops of Fen Green, 1 of White; thinned 1.5 : 1". */
export function mixedInWords(mixed: Kept<'log_entry'>['mixed']): string {
  if (!mixed) return '';
  const thinned = mixed.thinner > 0 ? `; thinned ${mixed.thinner} : 1` : '; not thinned';
  const [first, ...others] = mixed.parts;
  if (others.length === 0) return `${first!.label}${thinned}`;
  return `${mixed.parts.map(({ label, drops }, i) => `${drops}${i === 0 ? (drops === 1 ? ' drop' : ' drops') : ''} of ${label}`).join(', ')}${thinned}`;
}

/** What a layer is called in short: its paint, else what was in the cup, else what it is. */
export const calledLayer = ({ paint, entry, what, title }: MadeLayer): string =>
  PLACED.has(what) ? title : paint || entry?.mixed?.parts[0]?.label || entry?.paint || what;

/** What is placed by itself is called as its step is. */
export const PLACED: ReadonlySet<MadeLayer['what']> = new Set(['marking', 'decal']);
