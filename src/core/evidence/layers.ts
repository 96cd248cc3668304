import type { Day } from '@/core/units/day';
import type { PaintEvent } from './events';

/** One coat, patch or addition on a zone. */
export interface Layer {
  kind: 'first' | PaintEvent['kind'];
  /** A colour code, or what was put on; null where nobody knows. */
  value: string | null;
  /** Since when; null = from the beginning. */
  since: Day | null;
  /** What is under it still shows. */
  showsUnder: boolean;
}

/**
 * Everything that lies on a zone on a day, bottom to top, back to the last repaint that hides all below: what has to be laid down,
 * in that order, to show the edges of what is under. `firstValue` is what the zone wore before anything happened to it.
 */
export function layersOn(events: readonly PaintEvent[], zone: string, day: Day, firstValue: string | null): Layer[] {
  let layers: Layer[] = [{ kind: 'first', value: firstValue, since: null, showsUnder: false }];
  const happened = events
    .filter((event) => event.zone === zone && event.onDay <= day)
    .sort((a, b) => a.onDay.localeCompare(b.onDay));
  for (const { kind, value, onDay, showsUnder } of happened) {
    const layer: Layer = { kind, value: value || null, since: onDay, showsUnder };
    layers = kind === 'repaint' && !showsUnder ? [layer] : [...layers, layer];
  }
  return layers;
}

/** The coat that covers the zone: its last repaint, or its first paint. */
export const mainCoat = (layers: readonly Layer[]): number =>
  Math.max(
    0,
    layers.findLastIndex((layer) => layer.kind === 'repaint' || layer.kind === 'first'),
  );

/** True when the model needs more than its visible coat: something older has to be laid first, or a patch over it. */
export const needsOrder = (layers: readonly Layer[]): boolean => layers.length > 1;
