import { isGrave, layOver } from '@/core/paint/chemistry';
import type { Minutes } from '@/core/units/minutes';
import { laysColour, type Route, type RouteStep } from '@/core/work/step';
import { stayingOf, type Laid, type LaidLayer } from './laid';
import { areaIn, minutesOn, type StepProgress } from './progress';

/** A coat that lies on some zones where another colour is wanted now. */
export interface Changed {
  /** The code that lies there, since when (the first of it, ISO text), and on which zones. */
  from: string;
  since: string;
  zones: string[];
  /** The code that goes over it, in so many coats; what that takes, and its mask. */
  to: string;
  coats: number;
  minutes: Minutes;
  maskMinutes: Minutes;
  /** Coats of colour that would lie there in the end. */
  inAll: number;
  /** Why it had better be stripped first; null where the new one may go over it. */
  strip: 'too thick' | 'chemistry' | null;
  /** Other work that lies over the old coat, and comes again over the new one: its titles. */
  again: string[];
}

/** More full coats of colour than this fill the detail. */
const MOST_COATS = 4;

/** What is laid and no longer wanted, with what goes over it: each pair of colours once, the larger first. */
export function changedIn(
  route: Pick<Route, 'steps'>,
  { laid, progress }: { laid: Laid; progress: ReadonlyMap<string, StepProgress> },
  areaOf: (zone: string) => number,
): Changed[] {
  const pairs = new Map<string, { under: LaidLayer[]; zones: string[]; step: RouteStep; layers: LaidLayer[][] }>();
  for (const step of route.steps) {
    const colour = step.lays.find(({ what, code }) => what === 'colour' && code !== null);
    if (!colour) continue;
    for (const zone of progress.get(step.key)!.toDo) {
      const stack = stayingOf(laid.get(zone));
      const under = stack.findLast(({ what, code }) => what === 'colour' && code !== null);
      if (!under || under.code === colour.code || isWanted(route, zone, under.code!)) continue;
      const key = `${under.code} ${step.key}`;
      const known = pairs.get(key) ?? { under: [], zones: [], step, layers: [] };
      known.under.push(under);
      known.zones.push(zone);
      known.layers.push(stack.filter(({ what }) => what === 'colour'));
      pairs.set(key, known);
    }
  }
  return [...pairs.values()]
    .map(({ under, zones, step, layers }): Changed => {
      const [colour] = step.lays.filter(({ what }) => what === 'colour');
      const mask = route.steps.find(({ tape }) => tape?.goes === 'on' && tape.of === step.key);
      const inAll = colour!.coats + Math.max(...layers.map((own) => own.reduce((sum, { coats }) => sum + coats, 0)));
      const bites = under.some(({ chemistry }) => isGrave(layOver(colour!.chemistry, chemistry).verdict));
      return {
        from: under[0]!.code!,
        since: under.map(({ endedAt }) => endedAt).sort()[0]!,
        zones,
        to: colour!.code!,
        coats: colour!.coats,
        minutes: minutesOn(step, zones, areaOf),
        maskMinutes: mask ? minutesOn(mask, zones, areaOf) : 0,
        inAll,
        strip: bites ? 'chemistry' : inAll > MOST_COATS ? 'too thick' : null,
        again: buriedBy(route, zones, laid, progress, step),
      };
    })
    .sort((a, b) => areaIn(b.zones, areaOf) - areaIn(a.zones, areaOf) || (a.to < b.to ? -1 : 1));
}

const isWanted = ({ steps }: Pick<Route, 'steps'>, zone: string, code: string): boolean =>
  steps.some((step) => step.zones.includes(zone) && laysColour(step, code));

/** Work that is laid over the old coat and is to do again on these zones. */
function buriedBy(
  { steps }: Pick<Route, 'steps'>,
  zones: readonly string[],
  laid: Laid,
  progress: ReadonlyMap<string, StepProgress>,
  by: RouteStep,
): string[] {
  const there = new Set(zones.flatMap((zone) => stayingOf(laid.get(zone)).map(({ step }) => step)));
  return steps.flatMap(({ key, title, lays }) =>
    key !== by.key && lays.length > 0 && there.has(key) && progress.get(key)!.toDo.some((zone) => zones.includes(zone))
      ? [title]
      : [],
  );
}
