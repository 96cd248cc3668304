import { renderToBuffer, type DocumentProps } from '@react-pdf/renderer';
import type { ReactElement, ReactNode } from 'react';
import { BenchPlanPdf, type BenchPlan } from './bench-plan';
import { BriefPdf } from './brief-pdf';
import { ColourCard, type CardData } from './colour-card';
import { CutSheetPdf, type CutPaper } from './cut-sheet-pdf';
import type { DossierPaper } from './dossier-data';
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

/** A printed paper as the bytes of a PDF. */
export async function renderPaper(job: PaperJob): Promise<Uint8Array> {
  const document =
    job.kind === 'brief'
      ? BriefPdf({ data: job.data })
      : job.kind === 'bench plan'
        ? BenchPlanPdf({ data: job.data })
        : job.kind === 'dossier'
          ? DossierPdf({ data: job.data })
          : job.kind === 'cut sheets'
            ? CutSheetPdf({ data: job.data })
            : job.kind === 'record'
              ? RecordPdf(job)
              : ColourCard({ data: job.data });
  return new Uint8Array(await renderToBuffer(asDocument(await Promise.resolve(document))));
}

/** The outermost element is a Document, which the types cannot see through the component. */
const asDocument = (node: ReactNode) => node as ReactElement<DocumentProps>;
