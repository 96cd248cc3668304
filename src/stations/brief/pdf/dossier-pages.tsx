import { Document, Page, Text, View as Box } from '@react-pdf/renderer';
import type { ReactNode } from 'react';
import type { DossierFacts } from './dossier-facts';
import { Foot, registerFonts, Row, s } from './paper';

/** The dossier by itself. */
export function DossierPdf({ facts }: { facts: DossierFacts }): ReactNode {
  registerFonts();
  return (
    <Document title={`Dossier: ${facts.title}`} creator="Build Brief" producer="Build Brief">
      <DossierPages facts={facts} />
    </Document>
  );
}

/** The dossier as a section of its own, in whatever document. */
export function DossierPages({ facts }: { facts: DossierFacts }): ReactNode {
  return (
    <Page size="A4" style={s.page}>
      <Foot facts={facts} />
      <Text style={s.title}>Dossier: {facts.title}</Text>
      <Text style={s.subtitle}>{facts.subtitle}</Text>
      <Text style={s.h2} minPresenceAhead={60}>
        Questions, rulings and what they rest on
      </Text>
      <Row head widths={[32, 20, 16, 32]} cells={['Question', 'Ruling', 'Support', 'Basis and reason']} />
      {facts.questions.map((item, i) => (
        <Box key={i} wrap={false}>
          <Row widths={[32, 20, 16, 32]} cells={[item.question, item.ruling, item.support, item.basis]} />
          {item.contributions ? <Text style={[s.dim, { marginLeft: 8 }]}>{item.contributions}</Text> : null}
        </Box>
      ))}
      <Text style={s.h2} minPresenceAhead={60}>
        Sources
      </Text>
      {facts.sources.map((source, i) => (
        <Row
          key={i}
          widths={[28, 16, 22, 34]}
          cells={[source.title, source.kind, source.date, [source.citation, source.sides].filter(Boolean).join('; ')]}
        />
      ))}
      {facts.events.length > 0 ? (
        <>
          <Text style={s.h2} minPresenceAhead={60}>
            What happened to the paint
          </Text>
          {facts.events.map((event, i) => (
            <Row key={i} widths={[30, 18, 52]} cells={[event.zone, event.day, event.what]} />
          ))}
        </>
      ) : null}
      {facts.layers.length > 0 ? (
        <>
          <Text style={s.h2} minPresenceAhead={60}>
            To lay down, in order
          </Text>
          {facts.layers.map((layer, i) => (
            <Row key={i} widths={[30, 70]} cells={[layer.zone, layer.order]} />
          ))}
        </>
      ) : null}
    </Page>
  );
}
