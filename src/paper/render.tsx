import { renderToStream, type DocumentProps } from '@react-pdf/renderer';
import type { ReactElement, ReactNode } from 'react';
import { BenchPlanPdf, type BenchPlan } from './bench-plan';
import { BriefPdf } from './brief-pdf';
import { ColourCard, type CardData } from './colour-card';
import { CutSheetPdf, type CutPaper } from './cut-sheet-pdf';
import type { DossierPaper } from './dossier-data';
import { Contents } from './flow';
import { DossierPdf } from './dossier-pages';
import type { BriefPaper } from './paper-data';
import type { RecordPaper } from './record-data';
import { RecordPdf } from './record-pdf';

/** Which paper is wanted, with what it says. */
export type PaperJob =
  | { kind: 'brief'; data: BriefPaper }
  | { kind: 'bench plan'; data: BenchPlan }
  | { kind: 'dossier'; data: DossierPaper }
  | { kind: 'colour card'; data: CardData }
  | { kind: 'cut sheets'; data: CutPaper }
  | { kind: 'record'; data: RecordPaper; pictures: Record<string, Uint8Array> };

/** From so many pages on a paper has a page of contents. */
const LONG = 12;

/** A printed paper as the bytes of a PDF, which come once all its pages are laid out. A long one is laid out twice: its contents name pages. */
export async function renderPaper(job: PaperJob): Promise<AsyncIterable<Uint8Array>> {
  const contents = new Contents();
  const pages = await laidOut(job, contents);
  return contents.total > LONG ? laidOut(job, contents.toPrint()) : pages;
}

const laidOut = async (job: PaperJob, contents: Contents): Promise<AsyncIterable<Uint8Array>> =>
  (await renderToStream(asDocument(documentOf(job, contents)))) as AsyncIterable<Buffer>;

function documentOf(job: PaperJob, contents: Contents): ReactNode {
  switch (job.kind) {
    case 'brief':
      return BriefPdf({ data: job.data, contents });
    case 'bench plan':
      return BenchPlanPdf({ data: job.data, contents });
    case 'dossier':
      return DossierPdf({ data: job.data, contents });
    case 'cut sheets':
      return CutSheetPdf({ data: job.data });
    case 'record':
      return RecordPdf({ ...job, contents });
    case 'colour card':
      return ColourCard({ data: job.data, contents });
  }
}

/** The outermost element is a Document, which the types cannot see through the component. */
const asDocument = (node: ReactNode) => node as ReactElement<DocumentProps>;
