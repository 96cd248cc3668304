import { TECHNIQUES, techniqueOf, type Technique } from '@/core/bench/techniques';
import { dryingFactor } from '@/core/paint/drying';
import { descendantsOf } from '@/core/route/behind';
import type { Lane } from '@/core/work/kinds';
import type { RunStep, WorkRun } from '@/core/route/runs';
import type { ColourShelf } from '@/core/kept/state';
import { spokenZones } from '@/core/outline/spoken';
import type { BriefView } from '@/core/derive/derive';
import { madeOf } from './how-made';

/** Techniques in a brief: taken into its route over a layer of some zones, or kept of what was laid on one. */

type Route = Pick<BriefView, 'state' | 'route' | 'outline' | 'standing'>;

/** All techniques by their keys: those that are shipped, and those of the house by their ids. */
export const techniquesOf = ({ techniques }: Pick<ColourShelf, 'techniques'>): Map<string, Technique> =>
  new Map([...Object.entries(TECHNIQUES), ...techniques.map((one) => [one.id, one] as const)]);

/** Over which layers of some zones something may be laid: those that lie on all of them, from the plastic up. */
export function layersUnder(view: Route, zones: readonly string[]): { step: string; title: string; done: boolean }[] {
  const [first, ...others] = zones.map((zone) =>
    madeOf(view, zone).filter(({ lostTo, comesOff }) => lostTo === null && comesOff === null),
  );
  const common = (first ?? []).filter(({ step }) => others.every((stack) => stack.some((own) => own.step === step)));
  return common.map(({ step, title, entry }) => ({ step, title, done: entry !== null }));
}

/**
 * The work of a technique on some zones, over a layer of theirs (or, with `over` null, on whatever is there). Its waits are scaled by the
 * air at the bench, and what is laid next on those zones waits for it. `key` names its steps.
 */
export function techniqueRun(
  view: Route,
  technique: Technique,
  zones: readonly string[],
  over: string | null,
  key: string,
): WorkRun {
  const { state, route, outline } = view;
  const climate = { tempC: state.brief.tempC, humidity: state.brief.humidity };
  const where = spokenZones(outline.zones, zones);
  const lane = route.steps.find((own) => own.key === over)?.lane ?? laneOf(view, zones);
  const steps = technique.steps.map((own, i): RunStep => {
    const under = technique.steps[i - 1]?.lays;
    const scale = under ? dryingFactor(under.chemistry, climate) : 1;
    return {
      key: `technique:${key}:${i + 1}`,
      title: `${own.does}: ${where}`.slice(0, 200),
      kind: own.kind,
      lane,
      minutes: own.minutes,
      zones,
      afterMin: Math.ceil(own.afterMin * scale),
      afterMost:
        own.afterMost === null ? null : Math.max(Math.floor(own.afterMost * scale), Math.ceil(own.afterMin * scale)),
      because: own.why || technique.title,
      lays: own.lays && { ...own.lays, code: null, coats: 1 },
      load:
        own.lays && (own.kind === 'spray' || own.kind === 'seal')
          ? { id: own.lays.paint.toLowerCase(), title: own.lays.paint, kind: 'solid', lightness: 50 }
          : null,
      mixed: own.mixed,
      cautions: own.caution ? [own.caution] : [],
    };
  });
  const after = over === null ? [] : [over];
  return { steps, lost: [], after, before: over === null ? [] : nextOver(view, zones, over) };
}

/** What is laid next on any of the zones, and is not done. */
function nextOver({ standing, route }: Route, zones: readonly string[], over: string): string[] {
  const behind = descendantsOf(route, [over]);
  const laying = route.steps.filter(
    (step) =>
      behind.has(step.key) &&
      step.lays.length > 0 &&
      standing.progress.get(step.key)!.toDo.some((zone) => zones.includes(zone)),
  );
  const laterStill = descendantsOf(
    route,
    laying.map(({ key }) => key),
  );
  return laying.filter(({ key }) => !laterStill.has(key)).map(({ key }) => key);
}

const LANES: Record<string, Lane> = {
  interior: 'Cockpit',
  bays: 'Wings',
  wings: 'Wings',
  fuselage: 'Fuselage',
  gear: 'Gear, stores',
  stores: 'Gear, stores',
  subject: 'Base',
};

function laneOf({ outline }: Route, zones: readonly string[]): Lane {
  const groups = new Set(outline.zones.filter(({ key }) => zones.includes(key)).map(({ group }) => group));
  const [only] = groups;
  return groups.size === 1 ? (LANES[only!] ?? 'Whole') : 'Whole';
}

/** What was laid on a zone by some steps, as a technique; null where none of them is in the log. */
export function techniqueOfLog(view: Route, title: string, where: string, steps: readonly string[]): Technique | null {
  const byKey = new Map(view.route.steps.map((own) => [own.key, own]));
  const made = [...view.standing.laid.keys()].flatMap((zone) => madeOf(view, zone));
  const layers = steps.flatMap((key) => {
    const own = made.find(({ step, entry }) => step === key && entry !== null);
    if (!own) return [];
    const { title, kind, what, chemistry, paint, entry } = own;
    return [
      {
        title,
        kind,
        minutes: entry!.actualMinutes,
        what,
        chemistry,
        paint,
        mixed: entry!.mixed,
        note: entry!.note,
        cautions: byKey.get(key)?.cautions.map(({ says }) => says) ?? [],
      },
    ];
  });
  return layers.length > 0 ? techniqueOf(title, where, layers) : null;
}
