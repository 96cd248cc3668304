import { UNMEASURED } from '@/core/colour/unmeasured';
import { G, Path, Svg, Text, View as Box } from '@react-pdf/renderer';
import type { ReactNode } from 'react';
import { artworkIn, schemeOn } from '@/core/markings/placing';
import { fieldsInView } from '@/core/scheme/in-view';
import { ringsOf, shapesUnderFields } from '@/core/scheme/shown-field';
import type { Polygon } from '@/core/geometry/polygon';
import { buildOutline, type Outline } from '@/core/outline/outline';
import { VIEWS, type View } from '@/core/outline/zones';
import type { SheetData } from '@/sheet/sheet-data';
import { INK, s } from './paper';
import { BAR_MM } from './scale-bar';

/** The four views of a machine on a printed page, with a scale bar in true mm. */

const WIDTH_PT = 515;

const wide = ({ extents }: Outline, view: View) => extents[view].right - extents[view].left;
/** Points of paper to a metre of the machine. */
const scaleOf = (outline: Outline): number =>
  (WIDTH_PT - 24) /
  (Math.max(wide(outline, 'port'), wide(outline, 'upper')) +
    Math.max(wide(outline, 'starboard'), wide(outline, 'lower')));

/** Height that the four views take with their captions and the bar, points. */
export function heightOfViews(sheet: SheetData): number {
  const outline = buildOutline(sheet.spec);
  const scale = scaleOf(outline);
  const high = (view: View) => (outline.extents[view].bottom - outline.extents[view].top) * scale + 24;
  return Math.max(high('port'), high('starboard')) + Math.max(high('upper'), high('lower')) + 24;
}

export function FourViews({ sheet, bar }: { sheet: SheetData; bar: string }): ReactNode {
  const outline = buildOutline(sheet.spec);
  const scale = scaleOf(outline);
  const barPt = ((BAR_MM * sheet.denominator) / 1000) * scale;
  return (
    <Box>
      <Box style={{ flexDirection: 'row', flexWrap: 'wrap', justifyContent: 'space-between', alignItems: 'flex-end' }}>
        {VIEWS.map((view) => (
          <PdfView key={view} outline={outline} view={view} scale={scale} sheet={sheet} />
        ))}
      </Box>
      <Box style={{ flexDirection: 'row', alignItems: 'center', gap: 6, marginTop: 4 }}>
        <Box
          style={{
            width: barPt,
            height: 5,
            borderLeft: `1pt solid ${INK}`,
            borderRight: `1pt solid ${INK}`,
            borderBottom: `1pt solid ${INK}`,
          }}
        />
        <Text>{bar}</Text>
      </Box>
    </Box>
  );
}

function PdfView({
  outline,
  view,
  scale,
  sheet,
}: {
  outline: Outline;
  view: View;
  scale: number;
  sheet: SheetData;
}): ReactNode {
  const { left, right, top, bottom } = outline.extents[view];
  const [width, height] = [(right - left) * scale + 4, (bottom - top) * scale + 4];
  const d = (points: Polygon, closed = true) =>
    `M${points.map(([u, v]) => `${((u - left) * scale + 2).toFixed(2)} ${((v - top) * scale + 2).toFixed(2)}`).join('L')}${closed ? 'Z' : ''}`;
  const colours = new Map(sheet.zones.map((zone) => [zone.key, zone.colour]));
  const { lines } = outline.drawings[view];
  const fields = fieldsInView(outline, schemeOn(outline, sheet.fields, sheet.markings), view);
  const art = artworkIn(outline, sheet.markings, view);
  return (
    <Box>
      <Text style={[s.dim, { fontFamily: 'Head', textTransform: 'uppercase' }]}>{view}</Text>
      <Svg width={width} height={height} viewBox={`0 0 ${width} ${height}`}>
        <G>
          {shapesUnderFields(outline.drawings[view], fields).map(({ shape, over }, i) => {
            const colour = shape.glass ? '#fafafa' : colours.get(shape.zone);
            return (
              <G key={i}>
                <Path
                  d={d(shape.points)}
                  fill={colour ?? '#ffffff'}
                  stroke={INK}
                  strokeWidth={0.6}
                  {...(colour ? {} : { strokeDasharray: '2 1.5' })}
                />
                {over.map((piece, k) => (
                  <Path
                    key={k}
                    d={ringsOf(piece)
                      .map((ring) => d(ring))
                      .join('')}
                    fillRule="evenodd"
                    fill={sheet.inks[piece.code] ?? UNMEASURED}
                  />
                ))}
              </G>
            );
          })}
          {lines.map((line, i) => (
            <Path
              key={`l${i}`}
              d={d(line.points, false)}
              fill="none"
              stroke={INK}
              strokeWidth={line.weight === 'bold' ? 1.1 : 0.35}
            />
          ))}
          {art.map((piece, i) => (
            <G key={`a${i}`}>
              {piece.fields.map((field, k) => (
                <Path
                  key={k}
                  d={field.region.map((ring) => d(ring)).join('')}
                  fillRule="evenodd"
                  fill={sheet.inks[field.code] ?? UNMEASURED}
                />
              ))}
            </G>
          ))}
        </G>
      </Svg>
    </Box>
  );
}
