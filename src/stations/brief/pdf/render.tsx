import { renderToBuffer, type DocumentProps } from '@react-pdf/renderer';
import type { ReactElement } from 'react';
import { BriefPdf } from './brief-pdf';
import type { PdfFacts } from './pdf-facts';

/** The printed brief as the bytes of a PDF. */
export async function renderBriefPdf(facts: PdfFacts): Promise<Uint8Array> {
  // The document's outermost element is a Document, which the types cannot see through the component.
  const document = (await Promise.resolve(BriefPdf({ facts }))) as ReactElement<DocumentProps>;
  return new Uint8Array(await renderToBuffer(document));
}
