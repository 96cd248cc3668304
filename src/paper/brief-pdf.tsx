import { Document, G, Page, Path, Svg, Text, View as Box } from '@react-pdf/renderer';
import type { ReactNode } from 'react';
import { artworkIn, schemeOn } from '@/core/markings/placing';
import { fieldsInView, shapesUnderFields } from '@/core/scheme/in-view';
import type { Polygon } from '@/core/geometry/polygon';
import { buildOutline, type Outline } from '@/core/outline/outline';
import { VIEWS, type View } from '@/core/outline/zones';
import type { SheetData } from '@/sheet/sheet-data';
import { DossierPages } from './dossier-pages';
import { Foot, INK, registerFonts, Row, s } from './paper';
import type { BriefPaper } from './paper-data';

/** The printed brief. */
export function BriefPdf({ data }: { data: BriefPaper }): ReactNode {
  registerFonts();
  return (
    <Document title={`Build Brief: ${data.title}`} creator="Build Brief" producer="Build Brief">
      <Page size="A4" style={s.page}>
        <Foot data={data} />
        <Text style={s.title}>{data.title}</Text>
        <Text style={s.subtitle}>{data.subtitle}</Text>
        <FourViews sheet={data.sheet} />
        <Box style={s.block}>
          {data.sheet.titleBlock.map(({ label, value }) => (
            <Box key={label} style={s.cell}>
              <Text style={[s.dim, { fontSize: 7 }]}>{label}</Text>
              <Text style={{ fontFamily: 'Head', fontSize: 10.5 }}>{value}</Text>
            </Box>
          ))}
        </Box>
        <Text style={{ marginTop: 5 }}>Options: {data.options}.</Text>
        {data.notes ? <Text>{data.notes}</Text> : null}
        {data.open.length > 0 ? (
          <Box>
            <Text style={s.h2} minPresenceAhead={60}>
              Still open
            </Text>
            {data.open.map((item) => (
              <Row
                key={item.question}
                widths={[46, 18, 36]}
                cells={[item.question, item.state, `before: ${item.by}`]}
              />
            ))}
          </Box>
        ) : null}
      </Page>
      <Page size="A4" style={s.page}>
        <Foot data={data} />
        <Text style={s.h2}>Colours</Text>
        {data.colours.map((colour) => (
          <Box key={colour.code} style={s.row} wrap={false}>
            <Box style={{ width: '16%' }}>
              <Text style={{ fontFamily: 'Head', fontSize: 11 }}>{colour.code}</Text>
              <Text>{colour.name}</Text>
            </Box>
            <Box style={{ width: '17%', backgroundColor: '#777777', padding: 4, height: 28, flexDirection: 'row' }}>
              <Box style={{ flex: 1, backgroundColor: colour.official ?? '#777777' }} />
              <Box style={{ flex: 1, backgroundColor: colour.chosen ?? '#777777' }} />
            </Box>
            <Box style={{ width: '35%' }}>
              <Text style={s.strong}>{colour.paint}</Text>
              <Text style={s.dim}>{[colour.difference, colour.thinning].filter(Boolean).join('; ')}</Text>
            </Box>
            <Text style={{ width: '32%' }}>{colour.zones}</Text>
          </Box>
        ))}
        <Text style={[s.dim, { marginTop: 3 }]}>
          Left half official, right half chosen. A printer is not a paint: judge on a spray-out.
        </Text>
        {data.markings.length > 0 ? (
          <>
            <Text style={s.h2}>Markings</Text>
            <Row
              head
              widths={[34, 12, 12, 14, 14, 14]}
              cells={['', 'method', 'true, mm', 'at scale, mm', 'sheet, mm', '']}
            />
            {data.markings.map((m) => (
              <Row
                key={m.title}
                widths={[34, 12, 12, 14, 14, 14]}
                cells={[m.title, m.method, m.trueMm, m.modelMm, m.printed, m.verdict]}
              />
            ))}
          </>
        ) : null}
        <Text style={s.h2} minPresenceAhead={60}>
          Route by session
        </Text>
        {data.sessions.map((session) => (
          <Box key={session.title}>
            <Text style={s.h3} minPresenceAhead={30}>
              {session.title}
            </Text>
            {session.steps.map((step, i) => (
              <Box key={i} style={s.row} wrap={false}>
                <Box
                  style={{
                    width: 8,
                    height: 8,
                    marginTop: 1.5,
                    border: `0.7pt solid ${INK}`,
                    backgroundColor: step.gate ? INK : (step.hex ?? '#ffffff'),
                  }}
                />
                <Text style={{ width: 30 }}>{step.time}</Text>
                <Text style={[{ width: '44%' }, step.gate ? s.strong : {}]}>{step.title}</Text>
                <Text style={{ width: 40 }}>{step.minutes}</Text>
                <Text style={[s.dim, { flex: 1 }]}>{step.note}</Text>
              </Box>
            ))}
          </Box>
        ))}
        <Text style={s.h2} minPresenceAhead={60}>
          Cautions
        </Text>
        <Text style={s.dim}>The product’s own safety sheet, local rules and trained advice come first.</Text>
        {data.cautions.map((caution) => (
          <Row key={caution.says} widths={[55, 45]} cells={[caution.says, caution.steps]} />
        ))}
      </Page>
      <DossierPages data={data.dossier} />
    </Document>
  );
}

const WIDTH_PT = 515;

function FourViews({ sheet }: { sheet: SheetData }): ReactNode {
  const outline = buildOutline(sheet.spec);
  const wide = (view: View) => outline.extents[view].right - outline.extents[view].left;
  const scale = (WIDTH_PT - 24) / (Math.max(wide('port'), wide('upper')) + Math.max(wide('starboard'), wide('lower')));
  const barMm = 50;
  const barPt = ((barMm * sheet.denominator) / 1000) * scale;
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
        <Text>
          {barMm} mm at 1/{sheet.denominator}; dashed: not ruled yet
        </Text>
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
                {over.map(({ rings, code }, k) => (
                  <Path
                    key={k}
                    d={rings.map((ring) => d(ring)).join('')}
                    fillRule="evenodd"
                    fill={sheet.inks[code] ?? '#9a9a9a'}
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
                  fill={sheet.inks[field.code] ?? '#9a9a9a'}
                />
              ))}
            </G>
          ))}
        </G>
      </Svg>
    </Box>
  );
}
