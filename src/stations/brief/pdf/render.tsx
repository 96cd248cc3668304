import { renderToBuffer, type DocumentProps } from '@react-pdf/renderer';
import type { ReactElement, ReactNode } from 'react';
import { BriefPdf } from './brief-pdf';
import type { DossierFacts } from './dossier-facts';
import { DossierPdf } from './dossier-pages';
import type { PdfFacts } from './pdf-facts';

/** Which paper is wanted, with what it says. */
export type PaperJob = { kind: 'brief'; facts: PdfFacts } | { kind: 'dossier'; facts: DossierFacts };

/** A printed paper as the bytes of a PDF. */
export async function renderPaper(job: PaperJob): Promise<Uint8Array> {
  const document = job.kind === 'brief' ? BriefPdf({ facts: job.facts }) : DossierPdf({ facts: job.facts });
  return new Uint8Array(await renderToBuffer(asDocument(await Promise.resolve(document))));
}

/** The outermost element is a Document, which the types cannot see through the component. */
const asDocument = (node: ReactNode) => node as ReactElement<DocumentProps>;
