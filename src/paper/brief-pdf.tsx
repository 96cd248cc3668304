import { Document, Page, Text, View as Box } from '@react-pdf/renderer';
import type { ReactNode } from 'react';
import { DossierPages } from './dossier-pages';
import { FourViews } from './four-views';
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
