import type { Cure } from '@/core/bench/cures';
import { mishapOf, MISHAPS, type MishapName } from '@/core/bench/mishaps';
import { reworkOf, type Doing, type LaidLayer, type Rework, type ReworkStep } from '@/core/bench/rework';
import { spokenZones } from '@/core/outline/spoken';

import { descendantsOf } from '@/core/route/behind';
import { minutesOfShare } from '@/core/laid/progress';
import { tapeRound } from '@/core/work/masking';
import { MOST_TAPE } from '@/core/work/tape';
import type { StepKind } from '@/core/work/kinds';
import type { RunStep, WorkRun } from '@/core/route/runs';
import { capital, lowered } from '@/core/units/words';
import { paintInFull } from '@/core/paint/catalogue';
import type { BroughtRound } from '@/core/weathering/bring-round';
import type { BriefView } from '@/core/derive/derive';
import { filterFor, withFilter, type Looked } from './filter-over';
import { calledLayer, mixedInWords, PLACED, stayingLayers, type MadeLayer } from './how-made';
import { stepsByKey } from '@/core/work/step';

/** How a mishap is mended in a brief: what is lost, what is done again, and how that goes into the route. */

/** A layer as it was laid, with the step that laid it. */
interface KnownLayer extends LaidLayer {
  made: MadeLayer;
}

export interface Mending {
  rework: Rework<KnownLayer>;
  run: WorkRun;
  /** The filter that brings it round, where one was asked for and helps. */
  filter: BroughtRound | null;
}

type Mended = Pick<BriefView, 'state' | 'route' | 'outline' | 'standing' | 'borders' | 'calls'>;

/**
 * The work that a cure makes on some zones. `key` names its steps. A cure that takes nothing off is a step by itself; what it covers stays.
 * Throws RangeError for a zone that the outline does not have.
 */
export function mend(
  view: Mended,
  kind: MishapName,
  cure: Cure,
  zones: readonly string[],
  key: string,
  looked: Looked | null = null,
): Mending {
  const { state, outline } = view;
  const climate = { tempC: state.brief.tempC, humidity: state.brief.humidity };
  const covers = cure.lays === 'called colour';
  const worked = (layers: readonly MadeLayer[]) => (covers ? fromItsColour(layers, view) : layers);
  const byKey = stepsByKey(view.route);
  const named = new Set(zones);
  const areas = new Map(outline.zones.map(({ key: own, areaM2 }) => [own, Math.max(areaM2, 0.01)]));
  const area = (keys: readonly string[]) => keys.reduce((sum, own) => sum + (areas.get(own) ?? 0), 0);
  /** Of the minutes that a layer took what these zones take of it. */
  const share = ({ step, entry }: MadeLayer) => {
    const known = byKey.get(step);
    const [minutes, on] = known ? [known.minutes, known.zones] : [entry!.actualMinutes, entry!.zones];
    const whole = area(on);
    return Math.max(1, minutesOfShare(minutes, whole > 0 ? area(on.filter((own) => named.has(own))) / whole : 1));
  };
  const stack: Record<string, KnownLayer[]> = Object.fromEntries(
    outline.zones.map(({ key: zone }) => [
      zone,
      worked(stayingLayers(view, zone)).map((made) => ({
        step: made.step,
        what: made.what,
        chemistry: made.chemistry,
        recipe: recipeOf(made),
        called: calledLayer(made),
        minutes: share(made),
        coats: made.coats,
        done: true,
        made,
      })),
    ]),
  );
  const masks = view.route.steps
    .filter((step) => step.kind === 'mask')
    .map((step) => ({ step: step.key, zones: step.zones }));
  const down = covers ? 'plastic' : (cure.down ?? 'clear');
  const rework = reworkOf(stack, { kind, zones, down }, masks, climate, cure, (round) =>
    tapeRound(new Set(round), view.borders, state.brief.denominator),
  );
  if (covers) {
    const run = runOf(view, kind, cure, rework, stack, key);
    return { rework: { ...rework, lost: [] }, run: { ...run, lost: [] }, filter: null };
  }
  const kept =
    cure.down === null ? onlyMending(rework, []) : MISHAPS[kind].staysOff ? onlyMending(rework, rework.lost) : rework;
  const run = runOf(view, kind, cure, kept, stack, key);
  const filter = cure.lays === 'filter' && looked ? filterFor(view, zones, looked) : null;
  if (!filter) return { rework: kept, run, filter };
  const filtered = withFilter(run, filter, view, zones);
  const hours = filtered.steps.reduce((sum, { minutes }) => sum + minutes, 0) / 60;
  return { rework: { ...kept, hours }, run: filtered, filter };
}

/** What is laid again where a colour is covered: that colour as it is called now, and all that lay over it; what is under it stays. */
function fromItsColour(layers: readonly MadeLayer[], { calls }: Pick<BriefView, 'calls'>): MadeLayer[] {
  // What nobody has called for covers nothing.
  const own = layers.findLastIndex(({ what, code }) => what === 'colour' && code !== null);
  return layers.slice(own < 0 ? layers.length : own).map((layer, i) => {
    const call = i === 0 ? calls.find(({ code }) => code === layer.code) : undefined;
    if (!call?.choice) return layer;
    const { paint } = call.choice;
    const { chemistry, dries } = paint;
    const coats = call.coats?.coats ?? layer.coats;
    return { ...layer, paint: paintInFull(paint), chemistry, dries, coats, entry: null };
  });
}

/** The repair by itself: what it takes off, if anything, is not laid again. */
const onlyMending = (rework: Rework<KnownLayer>, lost: Rework<KnownLayer>['lost']): Rework<KnownLayer> => {
  const steps = rework.steps.slice(0, 1);
  return { steps, lost, hours: steps[0]!.minutes / 60 };
};

const recipeOf = ({ paint, entry }: MadeLayer): string => mixedInWords(entry?.mixed ?? null) || entry?.paint || paint;

/** Work that goes through the airbrush. */
const SPRAYED_AGAIN: ReadonlySet<StepKind> = new Set(['spray', 'seal']);

/** What is no layer; each layer is laid as it was. */
const KINDS: Partial<Record<Doing, StepKind>> = { repair: 'mend', mask: 'mask', unmask: 'unmask' };
const kindOf = (step: ReworkStep<KnownLayer>): StepKind => step.layer?.made.kind ?? KINDS[step.do]!;

function runOf(
  { route, outline, standing }: Mended,
  kind: MishapName,
  cure: Cure,
  rework: Rework<KnownLayer>,
  stack: Readonly<Record<string, readonly KnownLayer[]>>,
  key: string,
): WorkRun {
  const byKey = stepsByKey(route);
  const spoken = (zones: readonly string[]) => spokenZones(outline.zones, zones);
  const [repair] = rework.steps;
  const lane = rework.lost[0]?.made.lane ?? 'Whole';
  const where = spoken(repair!.zones);
  const titleOf = (step: ReworkStep<KnownLayer>): string => {
    if (step.do === 'repair')
      return cure.lays === 'called colour' ? `Smooth what is raised: ${where}` : `${cure.title}: ${where}`;
    if (step.do === 'mask') return `Mask all round ${where}`;
    if (step.do === 'unmask') return `Take the tape off round ${where}`;
    const { what, made } = step.layer!;
    if (PLACED.has(what)) return `Again, on ${spoken(step.zones)}: ${lowered(made.title)}`;
    const covers = cure.lays === 'called colour' && what === 'colour';
    return `${capital(calledLayer(made))} ${covers ? 'over it' : 'again'} on ${spoken(step.zones)}`;
  };
  const steps = maskedAtOnce(rework.steps).map((step, i): RunStep => {
    const of = step.layer && byKey.get(step.layer.step);
    return {
      key: `rework:${key}:${i + 1}`,
      title: titleOf(step).slice(0, 200),
      kind: kindOf(step),
      lane,
      minutes: Math.max(1, Math.round(step.minutes)),
      zones: step.zones,
      afterMin: step.afterMin,
      afterMost: step.do === 'unmask' ? mostTape(rework.steps, step) : null,
      because: step.do === 'repair' ? cure.how : step.because,
      lays: step.layer && {
        what: step.layer.what,
        chemistry: step.layer.made.chemistry,
        code: step.layer.made.code,
        paint: step.layer.made.paint,
        coats: step.layer.coats || 1,
      },
      load: of?.load
        ? { id: of.load.id, title: of.load.title, kind: of.load.kind, lightness: of.load.lightness }
        : step.layer && !of && SPRAYED_AGAIN.has(step.layer.made.kind)
          ? { id: step.layer.recipe, title: step.layer.recipe, kind: 'solid', lightness: 50 }
          : null,
      again: step.layer?.step ?? null,
      mixed: step.layer?.made.entry?.mixed ?? null,
      cautions:
        step.do === 'repair' ? (cure.caution ? [cure.caution] : []) : of ? of.cautions.map(({ says }) => says) : [],
    };
  });
  const lost = [...new Set(rework.lost.map(({ step }) => step))].map((step) => ({
    step,
    zones: rework.lost.filter((layer) => layer.step === step).map(({ zone }) => zone),
  }));
  const done = new Set(standing.done.map(({ stepKey }) => stepKey));
  const gone = new Set(lost.flatMap(({ step, zones }) => zones.map((zone) => `${step} ${zone}`)));
  const isUnder = (zone: string, { step, done: isDone }: KnownLayer) =>
    isDone && !(MISHAPS[kind].staysOff && gone.has(`${step} ${zone}`));
  const under = repair!.zones.flatMap((zone) => stack[zone]!.findLast((layer) => isUnder(zone, layer))?.step ?? []);
  // What stays off is laid anew by the route, behind the repair.
  if (MISHAPS[kind].staysOff) return { steps, lost, after: [...new Set(under)], before: lost.map(({ step }) => step) };
  const after = [...new Set([...lost.map(({ step }) => step), ...under])];
  return { steps, lost, after, before: nextAfter(route, after, done) };
}

/** Tape comes off while the last coat over it still gives. */
function mostTape(steps: readonly ReworkStep<KnownLayer>[], unmask: ReworkStep<KnownLayer>): number {
  const last = steps.slice(0, steps.indexOf(unmask)).findLast(({ layer }) => layer)!.layer!.made;
  return Math.max(unmask.afterMin, MOST_TAPE[last.chemistry]);
}

/** Tape that goes on one after the other is one piece of work at the bench. */
const maskedAtOnce = (steps: readonly ReworkStep<KnownLayer>[]): ReworkStep<KnownLayer>[] =>
  steps.reduce<ReworkStep<KnownLayer>[]>((so, step) => {
    const last = so.at(-1);
    if (step.do !== 'mask' || last?.do !== 'mask') return [...so, step];
    const minutes = Math.max(last.minutes, step.minutes);
    return [...so.slice(0, -1), { ...last, minutes, zones: [...last.zones, ...step.zones] }];
  }, []);

/** What is not done and comes right after work that is: it waits until that is whole again. */
function nextAfter(route: Mended['route'], keys: readonly string[], done: ReadonlySet<string>): string[] {
  const from = new Set(keys);
  const next = [
    ...new Set(route.links.filter((link) => from.has(link.from) && !done.has(link.to)).map(({ to }) => to)),
  ];
  return next.filter((one) => {
    const behind = descendantsOf(route, [one]);
    return !keys.some((key) => behind.has(key));
  });
}

/** A cure of a kind by its title; null where there is none of that title. */
export const cureCalled = (kind: MishapName, title: string): Cure | null =>
  mishapOf(kind)!.ladder.find((cure) => cure.title === title) ?? null;
