import { renderToBuffer, type DocumentProps } from '@react-pdf/renderer';
import type { ReactElement, ReactNode } from 'react';
import { BriefPdf } from './brief-pdf';
import { ColourCard, type CardFacts } from './colour-card';
import type { DossierFacts } from './dossier-facts';
import { DossierPdf } from './dossier-pages';
import type { PdfFacts } from './pdf-facts';

/** Which paper is wanted, with what it says. */
export type PaperJob =
  | { kind: 'brief'; facts: PdfFacts }
  | { kind: 'dossier'; facts: DossierFacts }
  | { kind: 'colour card'; facts: CardFacts };

/** A printed paper as the bytes of a PDF. */
export async function renderPaper(job: PaperJob): Promise<Uint8Array> {
  const document =
    job.kind === 'brief'
      ? BriefPdf({ facts: job.facts })
      : job.kind === 'dossier'
        ? DossierPdf({ facts: job.facts })
        : ColourCard({ facts: job.facts });
  return new Uint8Array(await renderToBuffer(asDocument(await Promise.resolve(document))));
}

/** The outermost element is a Document, which the types cannot see through the component. */
const asDocument = (node: ReactNode) => node as ReactElement<DocumentProps>;
