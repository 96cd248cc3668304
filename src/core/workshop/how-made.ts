import { MISHAPS } from '@/core/bench/mishaps';
import type { Kept } from '@/core/kept/records';
import { stayingOf } from '@/core/laid/laid';
import type { Lane, StepKind } from '@/core/work/kinds';
import { KIND_OF_LAYER, type Layer } from '@/core/work/layer';
import { lowered } from '@/core/units/words';
import type { BriefView } from '@/core/derive/derive';
import { stepsByKey } from '@/core/work/step';

/** One layer of a zone: what it is, and what was written down when it was laid. */
export interface MadeLayer extends Layer {
  step: string;
  title: string;
  kind: StepKind;
  lane: Lane;
  /** Null while it is not laid. */
  entry: Kept<'log_entry'> | null;
  /** What took it, where it lies no longer; and what will, where that is planned. */
  lostTo: string | null;
  comesOff: string | null;
  /** A coat that lies there, and of which nothing is called for on this zone any more. */
  isUnwanted: boolean;
}

type Made = Pick<BriefView, 'state' | 'route' | 'outline' | 'standing'>;

/** How a zone was made, from the plastic up: what was laid on it, as it was logged, then what is still planned there. */
export function madeOf({ state, route, standing }: Made, zone: string): MadeLayer[] {
  const steps = stepsByKey(route);
  const wanted = new Set(
    route.steps.flatMap(({ zones, lays }) =>
      zones.includes(zone) ? lays.flatMap(({ what, code }) => (what === 'colour' ? [code] : [])) : [],
    ),
  );
  const mishap = (place: number | null) => (place === null ? null : lowered(MISHAPS[state.mishaps[place]!.kind].title));
  const laid = (standing.laid.get(zone) ?? []).map(({ goneBy, comesOffBy, entry: place, ...layer }): MadeLayer => {
    const entry = state.log[place]!;
    return {
      ...layer,
      title: entry.title,
      kind: entry.stepKind || KIND_OF_LAYER[layer.what],
      lane: steps.get(layer.step)?.lane ?? 'Whole',
      entry,
      lostTo: mishap(goneBy),
      comesOff: mishap(comesOffBy),
      isUnwanted:
        layer.what === 'colour' &&
        layer.code !== null &&
        wanted.size > 0 &&
        !wanted.has(null) &&
        !wanted.has(layer.code),
    };
  });
  const planned = (standing.stacks.get(zone) ?? []).flatMap((layer): MadeLayer[] => {
    const step = layer.laid ? undefined : steps.get(layer.step);
    return step
      ? [
          {
            ...layer,
            title: step.title,
            kind: step.kind,
            lane: step.lane,
            entry: null,
            lostTo: null,
            comesOff: null,
            isUnwanted: false,
          },
        ]
      : [];
  });
  return [...laid, ...planned];
}

/** What was laid on a zone and stays there, from the plastic up. */
export const stayingLayers = (view: Made, zone: string): MadeLayer[] => {
  const stays = new Set(stayingOf(view.standing.laid.get(zone)).map(({ entryId }) => entryId));
  return madeOf(view, zone).filter(({ entry }) => entry !== null && stays.has(entry.id));
};

/** What is logged on a zone and left no layer there, and is no step of the route, any more or ever; the newest first. */
export function alsoDone({ state, route, standing }: Made, zone: string): Kept<'log_entry'>[] {
  const known = new Set(route.steps.map(({ key }) => key));
  const laid = new Set((standing.laid.get(zone) ?? []).map(({ entryId }) => entryId));
  return state.log
    .filter(({ id, stepKey, zones, again }) => !again && !known.has(stepKey) && !laid.has(id) && zones.includes(zone))
    .sort((a, b) => b.endedAt.localeCompare(a.endedAt));
}

/** Zones that carry, or shall carry, anything. */
export const madeZones = ({ standing, outline }: Made): string[] =>
  outline.zones.flatMap(({ key }) =>
    (standing.stacks.get(key)?.length ?? 0) + (standing.laid.get(key)?.length ?? 0) > 0 ? [key] : [],
  );

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
