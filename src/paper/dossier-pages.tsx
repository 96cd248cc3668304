import { Document, Page, Text, View as Box } from '@react-pdf/renderer';
import type { ReactNode } from 'react';
import type { DossierPaper } from './dossier-data';
import { Foot, registerFonts, Row, s } from './paper';

/** The dossier by itself. */
export function DossierPdf({ data }: { data: DossierPaper }): ReactNode {
  registerFonts();
  return (
    <Document title={`Dossier: ${data.title}`} creator="Build Brief" producer="Build Brief">
      <DossierPages data={data} />
    </Document>
  );
}

/** The dossier as a section of its own, in whatever document. */
export function DossierPages({ data }: { data: DossierPaper }): ReactNode {
  return (
    <Page size="A4" style={s.page}>
      <Foot data={data} />
      <Text style={s.title}>Dossier: {data.title}</Text>
      <Text style={s.subtitle}>{data.subtitle}</Text>
      <Text style={s.h2} minPresenceAhead={60}>
        Questions, rulings and what they rest on
      </Text>
      <Row head widths={[32, 20, 16, 32]} cells={['Question', 'Ruling', 'Support', 'Basis and reason']} />
      {data.questions.map((item, i) => (
        <Box key={i}>
          <Row widths={[32, 20, 16, 32]} cells={[item.question, item.ruling, item.support, item.basis]} />
          {item.contributions ? <Text style={[s.dim, { marginLeft: 8 }]}>{item.contributions}</Text> : null}
        </Box>
      ))}
      <Text style={s.h2} minPresenceAhead={60}>
        Sources
      </Text>
      {data.sources.map((source, i) => (
        <Row
          key={i}
          widths={[28, 16, 22, 34]}
          cells={[source.title, source.kind, source.date, [source.citation, source.sides].filter(Boolean).join('; ')]}
        />
      ))}
      {data.events.length > 0 ? (
        <>
          <Text style={s.h2} minPresenceAhead={60}>
            What happened to the paint
          </Text>
          {data.events.map((event, i) => (
            <Row key={i} widths={[30, 18, 52]} cells={[event.zone, event.day, event.what]} />
          ))}
        </>
      ) : null}
      {data.layers.length > 0 ? (
        <>
          <Text style={s.h2} minPresenceAhead={60}>
            To lay down, in order
          </Text>
          {data.layers.map((layer, i) => (
            <Row key={i} widths={[30, 70]} cells={[layer.zone, layer.order]} />
          ))}
        </>
      ) : null}
    </Page>
  );
}
