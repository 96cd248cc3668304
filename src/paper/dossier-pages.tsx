import { Document } from '@react-pdf/renderer';
import type { ReactNode } from 'react';
import type { DossierPaper } from './dossier-data';
import { Contents, Flow, headRow, row, section, titled, type Piece } from './flow';
import { registerFonts } from './paper';

/** The dossier by itself. */
export function DossierPdf({ data, contents }: { data: DossierPaper; contents: Contents }): ReactNode {
  registerFonts();
  return (
    <Document title={`Dossier: ${data.title}`} creator="Build Brief" producer="Build Brief">
      <DossierPages data={data} contents={contents} isFirst />
    </Document>
  );
}

const QUESTION = [32, 20, 16, 32];
const SOURCE = [28, 16, 22, 34];
const EVENT = [30, 18, 52];
const LAYER = [30, 70];

/** The dossier as a section of its own, in whatever document. */
export function DossierPages({
  data,
  contents,
  isFirst = false,
}: {
  data: DossierPaper;
  contents: Contents;
  isFirst?: boolean;
}): ReactNode {
  const pieces: Piece[] = [
    ...titled(`Dossier: ${data.title}`, data.subtitle),
    section('Questions, rulings and what they rest on'),
    headRow(QUESTION, ['Question', 'Ruling', 'Support', 'Basis and reason']),
    ...data.questions.map((item) =>
      row(QUESTION, [item.question, item.ruling, item.support, item.basis], item.contributions),
    ),
    section('Sources'),
    ...data.sources.map((source) =>
      row(SOURCE, [source.title, source.kind, source.date, [source.citation, source.sides].filter(Boolean).join('; ')]),
    ),
    ...(data.events.length > 0
      ? [
          section('What happened to the paint'),
          ...data.events.map((event) => row(EVENT, [event.zone, event.day, event.what])),
        ]
      : []),
    ...(data.layers.length > 0
      ? [section('To lay down, in order'), ...data.layers.map((layer) => row(LAYER, [layer.zone, layer.order]))]
      : []),
  ];
  return <Flow data={data} contents={contents} pieces={pieces} isFirst={isFirst} />;
}
