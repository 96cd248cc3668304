import { UNMEASURED } from '@/core/colour/unmeasured';
import type { Region } from '@/core/geometry/clip';
import type { Polygon } from '@/core/geometry/polygon';
import { extentOf } from '@/core/geometry/polygon';
import { artworkIn, schemeOn, type PlaceableMarking } from '@/core/markings/placing';
import type { Outline } from '@/core/outline/outline';
import { VIEWS } from '@/core/outline/zones';
import type { SchemeField } from '@/core/scheme/field';
import { fieldsInView } from '@/core/scheme/in-view';
import { ringsOf, shapesUnderFields } from '@/core/scheme/shown-field';

export interface SchemeDrawn {
  outline: Outline;
  denominator: number;
  fields: readonly SchemeField[];
  markings: readonly PlaceableMarking[];
  /** Screen colours by zone and by code. */
  zoneColours: Readonly<Record<string, string>>;
  inks: Readonly<Record<string, string>>;
}

const GAP_MM = 8;
const OPEN = '#f3f3f3';

/** All views, and the one from ahead, as one SVG in true mm at the scale of the model. */
export function schemeSvg({ outline, denominator, fields, markings, zoneColours, inks }: SchemeDrawn): string {
  const scale = 1000 / denominator;
  const painted = schemeOn(outline, fields, markings);
  const views = [...VIEWS, 'front' as const];
  let y = GAP_MM;
  let width = 0;
  const groups = views.map((view) => {
    const drawing = view === 'front' ? outline.front() : outline.drawings[view];
    const { left, right, top, bottom } =
      view === 'front'
        ? extentOf([...drawing.shapes, ...drawing.lines].map(({ points }) => points))
        : outline.extents[view];
    const at = ([u, v]: readonly [number, number]) =>
      `${(GAP_MM + (u - left) * scale).toFixed(3)} ${(y + (v - top) * scale).toFixed(3)}`;
    const closed = (line: Polygon) => `M${line.map(at).join('L')}Z`;
    const inked = (rings: Region, code: string) =>
      `<path d="${rings.map(closed).join('')}" fill="${inks[code] ?? UNMEASURED}" fill-rule="evenodd" stroke="none"/>`;
    const fields = view === 'front' ? [] : fieldsInView(outline, painted, view);
    const shapes = shapesUnderFields(drawing, fields).map(({ shape, over }) => {
      const fill = shape.glass ? '#fafafa' : (zoneColours[shape.zone] ?? OPEN);
      const laid = over.map((piece) => inked(ringsOf(piece), piece.code));
      return `<path d="${closed(shape.points)}" fill="${fill}"/>${laid.join('')}`;
    });
    const lines = drawing.lines.map(
      ({ points, weight }) =>
        `<path d="M${points.map(at).join('L')}" fill="none" stroke-width="${weight === 'bold' ? 0.35 : 0.12}"/>`,
    );
    const art = artworkIn(outline, markings, view).flatMap((piece) =>
      piece.fields.map(({ region, code }) => inked(region, code)),
    );
    y += (bottom - top) * scale + GAP_MM;
    width = Math.max(width, (right - left) * scale);
    return `<g id="${view}">${shapes.join('')}${lines.join('')}${art.join('')}</g>`;
  });
  const [w, h] = [(width + 2 * GAP_MM).toFixed(3), y.toFixed(3)];
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${w}mm" height="${h}mm" viewBox="0 0 ${w} ${h}" stroke="#1c1c1c" stroke-width="0.18" stroke-linejoin="round">`,
    ...groups,
    '</svg>',
    '',
  ].join('\n');
}
