import { intersection, together, type Region } from '@/core/geometry/clip';
import { rectangle, type Point } from '@/core/geometry/polygon';
import { smoothThrough } from '@/core/geometry/smooth-line';
import { laidOn, withoutSlivers, type Chart } from '@/core/outline/chart';
import { project } from '@/core/outline/drawing';
import type { Outline } from '@/core/outline/outline';
import { isSide, otherSide, type View } from '@/core/outline/zones';
import { cornersNow, type FieldShape, type PlaceOf, type SchemeField } from './field';

/** A field as it lies on the skin: for each chart that it reaches, its region there. */
export type LaidField = ReadonlyMap<string, Region>;

/** A shape of stations and offsets as a view draws it. */
export const asDrawn = (outline: Outline, view: View, line: readonly (readonly [number, number])[]): Point[] =>
  line.map(([x, y]) => {
    const side = isSide(view);
    return project(view, outline.spec.dimensions.length, x, side ? 0 : y, side ? y : 0);
  });

/** The station and offset of a point as a view draws it: `asDrawn` the other way round. */
export function fromDrawn(outline: Outline, view: View, [u, v]: Point): [x: number, y: number] {
  const x = view === 'starboard' ? outline.spec.dimensions.length - u : u;
  return [x, view === 'lower' ? v : -v];
}

/** The same place on the other side of the machine. */
const mirroredView = (view: View): View => (view === 'port' ? 'starboard' : view === 'starboard' ? 'port' : view);

interface Drawn {
  view: View;
  region: Region;
  /** On bodies and fins only: a line at a height says nothing of wings. */
  upright: boolean;
}

function drawnOf(outline: Outline, shape: FieldShape, mirrored: boolean, placeOf: PlaceOf): Drawn[] {
  if (shape.kind === 'band' || shape.kind === 'zones') return [];
  const corners = cornersNow(shape.corners, placeOf);
  const closed = shape.kind !== 'height';
  const line = shape.smooth ? smoothThrough(corners, closed) : corners;
  const far = outline.spec.dimensions.length * 2 + 50;
  const border =
    shape.kind === 'height'
      ? [
          [-far, line[0]![1]] as const,
          ...line,
          [far, line.at(-1)![1]] as const,
          [far, shape.covers === 'below' ? -far : far] as const,
          [-far, shape.covers === 'below' ? -far : far] as const,
        ]
      : line;
  const upright = shape.kind === 'height';
  const one: Drawn = { view: shape.view, region: [asDrawn(outline, shape.view, border)], upright };
  if (!mirrored) return [one];
  const view = mirroredView(shape.view);
  const flipped = view === shape.view ? border.map(([x, y]) => [x, -y] as const) : border;
  return [one, { view, region: [asDrawn(outline, view, flipped)], upright }];
}

/** The zones that a field may lie on; null for all. */
function allowed({ keptTo, mirrored }: SchemeField): ReadonlySet<string> | null {
  if (keptTo.length === 0) return null;
  return new Set(keptTo.flatMap((zone) => [zone, (mirrored && otherSide(zone)) || zone]));
}

const BAND_CHARTS: Record<Extract<FieldShape, { kind: 'band' }>['on'], RegExp> = {
  fuselage: /^fuselage$/,
  wings: /^(upper-)?wing-/,
  tailplane: /^tailplane-/,
  fin: /^fin-/,
};

function bandOn(chart: Chart, { on, from, to }: Extract<FieldShape, { kind: 'band' }>): Region {
  if (!BAND_CHARTS[on].test(chart.id)) return [];
  return [chart.on.kind === 'body' ? rectangle(from, 0, to, 360) : rectangle(from, -1000, to, 1000)];
}

/** A field on every surface that it reaches, no further than the painted skin. Total over fields that passed their schema. */
export function layField(outline: Outline, field: SchemeField, placeOf: PlaceOf): LaidField {
  const { shape } = field;
  const drawn = drawnOf(outline, shape, field.mirrored, placeOf);
  const zones = allowed(field);
  const named = shape.kind === 'zones' ? new Set(shape.zones) : null;
  const laid = new Map<string, Region>();
  const wanted = new Map<Chart, Region>();
  for (const { zone, chart, region, glass } of outline.regions) {
    if (glass || (zones && !zones.has(zone)) || (named && !named.has(zone))) continue;
    let on = wanted.get(chart);
    if (!on) {
      on =
        shape.kind === 'band'
          ? bandOn(chart, shape)
          : together(
              drawn
                .filter(({ upright }) => !upright || chart.on.kind === 'body' || chart.on.of.upright)
                .map(({ view, region: area }) => laidOn(chart, area, view))
                .filter((area) => area.length > 0),
            );
      wanted.set(chart, on);
    }
    const here = named ? region : withoutSlivers(chart, intersection(region, on));
    if (here.length > 0) laid.set(chart.id, [...(laid.get(chart.id) ?? []), ...here]);
  }
  return laid;
}
