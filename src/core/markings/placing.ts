import type { MarkingPlace } from './place';
import { project } from '@/core/outline/drawing';
import { steps, type Point, type Polygon } from '@/core/geometry/polygon';
import type { Outline } from '@/core/outline/outline';
import { PRESETS } from '@/core/outline/presets';
import { bodyOf } from '@/core/outline/profile';
import type { View } from '@/core/outline/zones';
import { hexagonInsignia } from './insignia';
import { lettering } from './lettering';

export interface PlaceableMarking {
  id: string;
  kind: 'insignia' | 'lettering' | 'band';
  text: string;
  /** True height (of a band: its width along the fuselage), mm. */
  heightMm: number;
  codes: readonly string[];
  places: readonly MarkingPlace[];
}

/** A marking as it lies on one view, in metres: filled fields and strokes, each with its colour code. */
export interface Artwork {
  marking: string;
  view: View;
  fields: { points: Polygon; code: string }[];
  strokes: { points: Polygon; width: number; code: string }[];
}

/** Every place of a marking, drawn at true proportion on its view. */
export function placeMarking(outline: Outline, marking: PlaceableMarking): Artwork[] {
  const size = marking.heightMm / 1000;
  const codeAt = (i: number) => marking.codes[Math.min(i, marking.codes.length - 1)] ?? '';
  return marking.places.map((place): Artwork => {
    const base = { marking: marking.id, view: place.view, fields: [], strokes: [] };
    const length = outline.spec.dimensions.length;
    const isSide = place.view === 'port' || place.view === 'starboard';
    const [u0, v0] = project(place.view, length, place.station, isSide ? 0 : place.offset, isSide ? place.offset : 0);
    const turn = (place.turn * Math.PI) / 180;
    const put = ([u, v]: Point): Point => [
      u0 + u * Math.cos(turn) - v * Math.sin(turn),
      v0 + u * Math.sin(turn) + v * Math.cos(turn),
    ];
    switch (marking.kind) {
      case 'insignia':
        return {
          ...base,
          fields: hexagonInsignia().map(({ points, colour }) => ({
            points: points.map(([u, v]) => put([u * size, v * size])),
            code: codeAt(colour),
          })),
        };
      case 'lettering': {
        const { strokes, thickness, width } = lettering(marking.text);
        return {
          ...base,
          strokes: strokes.map((stroke) => ({
            points: stroke.map(([u, v]) => put([(u - width / 2) * size, (v - 0.5) * size])),
            width: thickness * size,
            code: codeAt(0),
          })),
        };
      }
      case 'band':
        return { ...base, fields: [{ points: bandOn(outline, place.view, place.station, size), code: codeAt(0) }] };
    }
  });
}

/** A band right round the fuselage, as one view shows it. */
function bandOn(outline: Outline, view: View, station: number, width: number): Polygon {
  const { dimensions: d, preset } = outline.spec;
  const body = bodyOf(PRESETS[preset].profile, d);
  const xs = steps(station - width / 2, station + width / 2, 4);
  const isSide = view === 'port' || view === 'starboard';
  const edge = (x: number, high: boolean): Point =>
    isSide
      ? project(view, d.length, x, 0, high ? body.top(x) : body.bottom(x))
      : project(view, d.length, x, (high ? 1 : -1) * body.halfWidth(x), 0);
  return [...xs.map((x) => edge(x, true)), ...[...xs].reverse().map((x) => edge(x, false))];
}
