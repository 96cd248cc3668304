import { Document, Image, Page, Text, View as Box } from '@react-pdf/renderer';
import type { ReactNode } from 'react';
import { FourViews } from './four-views';
import { Foot, INK, registerFonts, Row, s } from './paper';
import type { RecordPaper } from './record-data';

/** The record of a build on paper; `pictures` are JPEG bytes by id, small enough for print. */
export function RecordPdf({
  data,
  pictures,
}: {
  data: RecordPaper;
  pictures: Readonly<Record<string, Uint8Array>>;
}): ReactNode {
  registerFonts();
  return (
    <Document title={`Record: ${data.title}`} creator="Build Brief" producer="Build Brief">
      <Page size="A4" style={s.page}>
        <Foot data={data} />
        <Text style={s.title}>{data.title}</Text>
        <Text style={s.subtitle}>{data.subtitle}</Text>
        <FourViews sheet={data.sheet} />
        <Text style={[s.strong, { marginTop: 6 }]}>{data.summary}</Text>
        {data.colours.length > 0 ? <Text style={s.h2}>Colours</Text> : null}
        {data.colours.map(({ code, name, hex, paint, zones }) => (
          <Box key={code} style={s.row} wrap={false}>
            <Box style={{ width: 22, height: 12, backgroundColor: hex ?? '#ffffff', border: `0.5pt solid ${INK}` }} />
            <Text style={{ width: '26%' }}>
              {code} {name}
            </Text>
            <Text style={{ width: '28%' }}>{paint}</Text>
            <Text style={{ flex: 1 }}>{zones}</Text>
          </Box>
        ))}
      </Page>
      <Page size="A4" style={s.page}>
        <Foot data={data} />
        <Text style={s.h2}>Day by day</Text>
        {data.days.map((day) => (
          <Box key={day.title}>
            <Text style={s.h3} minPresenceAhead={30}>
              {day.title}
            </Text>
            {day.lines.map((line, i) => (
              <Box key={i} style={s.row} wrap={false}>
                <Text style={{ width: 30 }}>{line.time}</Text>
                <Box style={{ flex: 1 }}>
                  <Text style={s.strong}>
                    {line.isMishap ? '! ' : ''}
                    {line.title}
                  </Text>
                  {line.says ? <Text style={s.dim}>{line.says}</Text> : null}
                  {line.note ? <Text>{line.note}</Text> : null}
                </Box>
                {line.picture && pictures[line.picture] ? (
                  // A printed page has no other text for a picture than its title.
                  // eslint-disable-next-line jsx-a11y/alt-text
                  <Image
                    src={{ data: Buffer.from(pictures[line.picture]!), format: 'jpg' }}
                    style={{ width: 130, maxHeight: 110, objectFit: 'contain' }}
                  />
                ) : null}
              </Box>
            ))}
          </Box>
        ))}
        {data.zones.length > 0 ? (
          <Text style={s.h2} minPresenceAhead={60}>
            How each zone was made, from the plastic up
          </Text>
        ) : null}
        {data.zones.map(({ title, layers }) => (
          <Row key={title} widths={[28, 72]} cells={[title, layers.join('; ')]} />
        ))}
      </Page>
    </Document>
  );
}
