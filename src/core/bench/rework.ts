import type { Chemistry } from '@/core/paint/chemistry';
import { dryingTime, type Climate } from '@/core/paint/drying';
import { waitBetween, type Film } from '@/core/laid/drying';
import type { LayerKind } from '@/core/work/kinds';
import type { Minutes } from '@/core/units/minutes';
import { counted } from '@/core/units/words';
import { DEPTH_WORDS, staying, type Depth } from './depth';
import type { Cure } from './cures';
import { mishapOf } from './mishaps';

/** A layer as it was laid on a zone. */
export interface LaidLayer {
  /** The step that laid it. */
  step: string;
  what: LayerKind;
  /** Null for what is no paint. */
  chemistry: Chemistry | null;
  /** As it was logged. */
  recipe: string;
  /** What sentences call it; its recipe where nothing is said. */
  called?: string;
  minutes: Minutes;
  coats: number;
  done: boolean;
}

export interface Damage {
  /** A kind of mishap, or what the builder calls it. */
  kind: string;
  zones: readonly string[];
  down: Depth;
}

/** Tape that was on for some of the sprays, and the zones that it covered or bounded. */
export interface KnownMask {
  step: string;
  zones: readonly string[];
}

export type Doing = 'repair' | 'prime' | 'spray' | 'apply' | 'mask' | 'unmask' | 'seal';

export interface ReworkStep<L extends LaidLayer = LaidLayer> {
  do: Doing;
  /** The step that is done again; null for what was not a step of the route. */
  again: string | null;
  zones: string[];
  recipe: string | null;
  minutes: Minutes;
  /** From the end of the step before it to its own beginning, at the least. */
  afterMin: Minutes;
  because: string;
  /** What it lays; null where it lays nothing. */
  layer: L | null;
}

export interface Rework<L extends LaidLayer = LaidLayer> {
  steps: ReworkStep<L>[];
  /** On each zone, from the plastic up. */
  lost: (L & { zone: string })[];
  /** At the bench; waits are beside it. */
  hours: number;
}

const DO: Record<LayerKind, Doing> = {
  primer: 'prime',
  undercoat: 'spray',
  tone: 'spray',
  colour: 'spray',
  marking: 'spray',
  clear: 'seal',
  decal: 'apply',
  wash: 'apply',
  oil: 'apply',
  chip: 'apply',
  pigment: 'apply',
};
const SPRAYED: ReadonlySet<Doing> = new Set<Doing>(['prime', 'spray', 'seal']);

/** Typical minutes of tape round a spot where its edges are not known, for each neighbour, and of taking it off. */
const MASKING = { first: 10, each: 3, most: 40, off: 5 };
const typicalTape = (neighbours: number): Minutes => Math.min(MASKING.most, MASKING.first + MASKING.each * neighbours);
/** Where nobody named a cure. */
const REPAIR: Pick<Cure, 'minutes' | 'waits'> = { minutes: 20, waits: 60 };

/**
 * What has to be done again after a mishap: the cause is mended, then what was lost comes back in its old order with the recipes as logged, on
 * the named zones only, with all neighbours masked that were sprayed in the same passes. Layers that were not laid yet are left to the route.
 * Afterwards the stack of each zone is what it was. `tapeRound` gives the minutes of tape round some zones; null where nobody measured. Throws RangeError for a zone that has no stack.
 */
export function reworkOf<L extends LaidLayer>(
  stack: Readonly<Record<string, readonly L[]>>,
  damage: Damage,
  masks: readonly KnownMask[],
  climate: Climate,
  cure: Pick<Cure, 'minutes' | 'waits'> = cureOf(damage),
  tapeRound: (zones: readonly string[]) => Minutes | null = () => null,
): Rework<L> {
  const named = [...new Set(damage.zones)];
  const standing = new Map<string, L[]>();
  const lost: Rework<L>['lost'] = [];
  for (const zone of named) {
    if (!Object.hasOwn(stack, zone)) throw new RangeError(`no stack is known of ${zone}`);
    const laid = stack[zone]!.filter(({ done }) => done);
    const stays = staying(laid, damage.down);
    standing.set(zone, laid.slice(0, stays));
    lost.push(...laid.slice(stays).map((layer) => ({ ...layer, zone })));
  }
  const steps: ReworkStep<L>[] = [
    {
      do: 'repair',
      again: null,
      zones: named,
      recipe: null,
      minutes: cure.minutes,
      afterMin: 0,
      because: `${mishapOf(damage.kind)?.title ?? damage.kind}, ${DEPTH_WORDS[damage.down]}: ${counted(lost.length, 'layer')} to lay again`,
      layer: null,
    },
  ];
  const tops = new Map<string, { layer: Film; fresh: boolean }>();
  for (const [zone, layers] of standing)
    if (layers.length > 0) tops.set(zone, { layer: filmOf(layers.at(-1)!), fresh: false });
  let first = true;
  for (const run of runsOf(inOldOrder(named, lost))) {
    const sprayed = SPRAYED.has(DO[run[0]!.layer.what]);
    const neighbours = sprayed ? maskedFor(run, stack, masks, new Set(named)) : [];
    steps.push(...neighbours.map((mask) => maskOn<L>(mask, tapeRound(run[0]!.zones))));
    for (const { layer, zones } of run) {
      const film = filmOf(layer);
      const waits = zones.flatMap((zone) => {
        const under = tops.get(zone);
        return under?.fresh ? [waitBetween(film, under.layer, climate)] : [];
      });
      if (first) waits.push({ minutes: cure.waits, why: 'the mended place is dry' });
      const longest = waits.sort((a, b) => b.minutes - a.minutes)[0];
      for (const zone of zones) tops.set(zone, { layer: film, fresh: true });
      steps.push({
        do: DO[layer.what],
        again: layer.step,
        zones,
        recipe: layer.recipe,
        minutes: layer.minutes,
        afterMin: longest?.minutes ?? 0,
        because: longest?.why ?? 'nothing fresh lies under it',
        layer,
      });
      first = false;
    }
    if (neighbours.length > 0) steps.push(maskOff<L>(neighbours, filmOf(run.at(-1)!.layer), climate));
  }
  return { steps, lost, hours: steps.reduce((sum, { minutes }) => sum + minutes, 0) / 60 };
}

function maskOn<L extends LaidLayer>({ step, zones }: KnownMask, minutes: Minutes | null): ReworkStep<L> {
  return {
    do: 'mask',
    again: step,
    zones: [...zones],
    recipe: null,
    minutes: minutes ?? typicalTape(zones.length),
    afterMin: 0,
    because: 'what was sprayed in the same pass is done, and stays as it is',
    layer: null,
  };
}

function maskOff<L extends LaidLayer>(
  masks: readonly KnownMask[],
  over: Parameters<typeof dryingTime>[0],
  climate: Climate,
): ReworkStep<L> {
  return {
    do: 'unmask',
    again: masks[0]!.step,
    zones: masks.flatMap(({ zones }) => zones),
    recipe: null,
    minutes: MASKING.off,
    afterMin: dryingTime(over, 'touch', climate),
    because: 'while the paint still gives',
    layer: null,
  };
}

/** The least cure of a kind that goes so deep; a typical one where none does. */
const cureOf = ({ kind, down }: Damage): Pick<Cure, 'minutes' | 'waits'> =>
  mishapOf(kind)?.ladder.find((cure) => cure.down === down) ?? REPAIR;

const filmOf = ({ what, chemistry, recipe, called = recipe }: LaidLayer): Film & { chemistry: Chemistry } => ({
  what,
  // What is no paint has no chemistry: it waits and is waited for like water.
  chemistry: chemistry ?? 'WA',
  dries: {},
  paint: called,
});

interface Again<L> {
  layer: L;
  zones: string[];
}

/** Two layers that are one piece of work on several zones. */
const isSame = (a: LaidLayer, b: LaidLayer): boolean =>
  a.step === b.step && a.what === b.what && a.chemistry === b.chemistry && a.recipe === b.recipe;

/** What was lost, zone by zone in its old order; what one step laid on several zones is laid on them together wherever the orders allow. */
function inOldOrder<L extends LaidLayer>(
  zones: readonly string[],
  lost: readonly (L & { zone: string })[],
): Again<L>[] {
  const left = new Map(zones.map((zone) => [zone, lost.filter((layer) => layer.zone === zone)]));
  const again: Again<L>[] = [];
  const isWaiting = (layer: L) => [...left.values()].some((own) => own.slice(1).some((later) => isSame(later, layer)));
  for (;;) {
    const heads = zones.flatMap((zone) => left.get(zone)!.slice(0, 1));
    const next = heads.find((layer) => !isWaiting(layer)) ?? heads[0];
    if (!next) return again;
    const together = heads.filter((layer) => isSame(layer, next));
    for (const { zone } of together) left.get(zone)!.shift();
    const { zone: _, ...layer } = next;
    again.push({ layer: layer as unknown as L, zones: together.map(({ zone }) => zone) });
  }
}

/** Work that follows on itself under the same tape: sprays, or what is laid by hand. */
function runsOf<L extends LaidLayer>(again: readonly Again<L>[]): Again<L>[][] {
  const runs: Again<L>[][] = [];
  const keyOf = ({ layer, zones }: Again<L>) => `${SPRAYED.has(DO[layer.what])} ${zones.join(' ')}`;
  for (const one of again) {
    const run = runs.at(-1);
    if (run && keyOf(run[0]!) === keyOf(one)) run.push(one);
    else runs.push([one]);
  }
  return runs;
}

/** The tape that a run of sprays wants: the masks of old that bound it, then whatever else was sprayed in the same passes. */
function maskedFor<L extends LaidLayer>(
  run: readonly Again<L>[],
  stack: Readonly<Record<string, readonly L[]>>,
  masks: readonly KnownMask[],
  named: ReadonlySet<string>,
): { step: string; zones: string[] }[] {
  const steps = new Set(run.map(({ layer }) => layer.step));
  const here = new Set(run[0]!.zones);
  // Zones that are mended too, but not in this run, are fresh or still open: they are masked like the others.
  const shared = Object.keys(stack).filter(
    (zone) => !here.has(zone) && stack[zone]!.some((layer) => layer.done && steps.has(layer.step)),
  );
  const known = masks
    .filter(({ zones }) => zones.some((zone) => named.has(zone)))
    .map(({ step, zones }) => ({ step, zones: zones.filter((zone) => !here.has(zone)) }))
    .filter(({ zones }) => zones.length > 0);
  const covered = new Set(known.flatMap(({ zones }) => zones));
  const rest = shared.filter((zone) => !covered.has(zone));
  return [...known, ...(rest.length > 0 ? [{ step: run[0]!.layer.step, zones: rest }] : [])];
}
