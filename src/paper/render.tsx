import { renderToStream, type DocumentProps } from '@react-pdf/renderer';
import type { ReactElement, ReactNode } from 'react';
import type { DottedSheet } from '@/core/markings/dots';
import { BenchPlanPdf, type BenchPlan } from './bench-plan';
import { BriefPdf } from './brief-pdf';
import { ColourCard, type CardData } from './colour-card';
import { CutSheetPdf, type CutPaper } from './cut-sheet-pdf';
import type { DossierPaper } from './dossier-data';
import { Contents } from './flow';
import { DossierPdf } from './dossier-pages';
import type { BriefPaper } from './paper-data';
import type { SheetData } from '@/sheet/sheet-data';
import type { RecordPaper } from './record-data';
import { RecordPdf } from './record-pdf';
import { sheetInDots } from './sheet-in-dots';
import { threeQuarterOf } from './three-quarter';

/** Which paper is wanted, with what it says. */
export type PaperJob =
  | { kind: 'brief'; data: BriefPaper }
  | { kind: 'bench plan'; data: BenchPlan }
  | { kind: 'dossier'; data: DossierPaper }
  | { kind: 'colour card'; data: CardData }
  | { kind: 'cut sheets'; data: CutPaper; pictures: Record<string, Uint8Array> }
  | { kind: 'sheet in dots'; data: DottedSheet; pictures: Record<string, Uint8Array> }
  | { kind: 'whole machine'; data: SheetData }
  | { kind: 'record'; data: RecordPaper; pictures: Record<string, Uint8Array> };

/** What is laid out in pages. */
type PagedJob = Exclude<PaperJob, { kind: 'sheet in dots' | 'whole machine' }>;

/** From so many pages on a paper has a page of contents. */
const LONG = 12;

/** A printed paper as the bytes of a PDF, or of a PNG, which come once all its pages are laid out. A long one is laid out twice: its contents name pages. */
export async function renderPaper(job: PaperJob): Promise<AsyncIterable<Uint8Array>> {
  if (job.kind === 'sheet in dots') return sheetInDots(job.data, job.pictures);
  if (job.kind === 'whole machine') return only(await threeQuarterOf(job.data));
  const contents = new Contents();
  const whole = job.kind === 'brief' || job.kind === 'record' ? await threeQuarterOf(job.data.sheet) : null;
  const pages = await laidOut(job, whole, contents);
  return contents.total > LONG ? laidOut(job, whole, contents.toPrint()) : pages;
}

/** The bytes of one piece, or none. */
async function* only(bytes: Uint8Array | null): AsyncGenerator<Uint8Array> {
  yield bytes ?? new Uint8Array();
}

const laidOut = async (
  job: PagedJob,
  whole: Uint8Array | null,
  contents: Contents,
): Promise<AsyncIterable<Uint8Array>> =>
  (await renderToStream(asDocument(documentOf(job, whole, contents)))) as AsyncIterable<Buffer>;

function documentOf(job: PagedJob, whole: Uint8Array | null, contents: Contents): ReactNode {
  switch (job.kind) {
    case 'brief':
      return BriefPdf({ data: job.data, whole, contents });
    case 'bench plan':
      return BenchPlanPdf({ data: job.data, contents });
    case 'dossier':
      return DossierPdf({ data: job.data, contents });
    case 'cut sheets':
      return CutSheetPdf(job);
    case 'record':
      return RecordPdf({ ...job, whole, contents });
    case 'colour card':
      return ColourCard({ data: job.data, contents });
  }
}

/** The outermost element is a Document, which the types cannot see through the component. */
const asDocument = (node: ReactNode) => node as ReactElement<DocumentProps>;
