import { buffer } from 'node:stream/consumers';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { renderPaper, type PaperJob } from '@/paper/render';

/** A paper as its whole bytes. */
export const printed = async (job: PaperJob): Promise<Buffer> => buffer(await renderPaper(job));

/** The words on each page of a PDF. */
export async function pagesOf(bytes: Uint8Array): Promise<string[]> {
  const pdf = await getDocument({ data: new Uint8Array(bytes), verbosity: 0 }).promise;
  const pages: string[] = [];
  for (let n = 1; n <= pdf.numPages; n += 1) {
    const { items } = await (await pdf.getPage(n)).getTextContent();
    pages.push(items.map((item) => ('str' in item ? item.str : '')).join(' '));
  }
  await pdf.destroy();
  return pages;
}
