import type { View } from '@/core/outline/zones';

/** A field of the scheme: an area of one colour, drawn in a view and laid on the surface, over what lies there already. */

/**
 * A corner as it is drawn: station in m aft of the nose, offset in m up from the belly (side views) or to starboard (from above and below).
 * One that hangs on a marking keeps its distance from it when that is moved.
 */
export interface Corner {
  x: number;
  y: number;
  on: { marking: string; place: number } | null;
}

export const BAND_ON = ['fuselage', 'wings', 'tailplane', 'fin'] as const;

export type FieldShape =
  | { kind: 'area'; view: View; corners: Corner[]; smooth: boolean }
  /** All below a line (or above it), right round the keel (or the spine). */
  | { kind: 'height'; view: 'port' | 'starboard'; corners: Corner[]; smooth: boolean; covers: 'below' | 'above' }
  /** Right round the fuselage between two stations, or along the chord between two distances from the centre line. */
  | { kind: 'band'; on: (typeof BAND_ON)[number]; from: number; to: number }
  /** Whole zones in a tone of their own. */
  | { kind: 'zones'; zones: string[] }
  | {
      kind: 'mottle';
      view: View;
      corners: Corner[];
      smooth: boolean;
      /** Share of the area that the blotches cover. */
      density: number;
      /** Freehand at close range, or through holes in a card that is held off the skin. */
      by: 'freehand' | 'stencil';
      blotchMm: number;
    };

export const FIELD_EDGES = ['hard', 'soft'] as const;

/** What a field is unless somebody says otherwise. */
export const PLAIN_FIELD = { mirrored: false, keptTo: [] as string[], edge: 'hard', softMm: 0 } as const;

/** What the computation needs of a field. */
export interface SchemeField {
  id: string;
  title: string;
  /** Colour code, as it is called. */
  code: string;
  shape: FieldShape;
  /** On the other side too, as in a mirror. */
  mirrored: boolean;
  /** Only on these zones; everywhere where none is named. */
  keptTo: readonly string[];
  edge: (typeof FIELD_EDGES)[number];
  /** Width of a soft edge, mm in reality. */
  softMm: number;
  /** Later ones lie over earlier ones. */
  rank: number;
}

/** Where a marking lies, for corners that hang on it. */
export type PlaceOf = (marking: string, place: number) => { x: number; y: number } | null;

/** Corners as they lie now: those that hang on a marking at their distance from it. */
export const cornersNow = (
  corners: readonly (Corner & { from?: { x: number; y: number } })[],
  placeOf: PlaceOf,
): [number, number][] =>
  corners.map(({ x, y, on }) => {
    const at = on && placeOf(on.marking, on.place);
    return at ? [at.x + x, at.y + y] : [x, y];
  });
