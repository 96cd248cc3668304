'use client';

import type { PDFDocumentProxy } from 'pdfjs-dist';

/** Pages of a PDF as pictures. The file is read in the browser: nothing of it but the page that is chosen goes to the server. */

/** Long edge of a page that is kept, px: as large as the house keeps pictures. */
const KEPT_PX = 4000;
/** More than the scans that are in such files have, dots an inch. */
const FINEST_DPI = 300;
/** The unit of a PDF, an inch. */
const POINTS = 72;
const QUALITY = 0.92;

export const isPdf = async (file: Blob): Promise<boolean> => (await file.slice(0, 5).text()) === '%PDF-';

/** Opens a file; `close` ends the worker that reads it. Throws where it is damaged, or asks for a password. */
export async function openPdf(file: Blob): Promise<{ pages: PDFDocumentProxy; close: () => void }> {
  const { getDocument, PDFWorker } = await import('pdfjs-dist/legacy/build/pdf.mjs');
  const port = new Worker(new URL('./pdf.worker.ts', import.meta.url), { type: 'module' });
  const worker = PDFWorker.create({ port });
  const close = () => {
    worker.destroy();
    port.terminate();
  };
  try {
    const reading = getDocument({
      data: new Uint8Array(await file.arrayBuffer()),
      worker,
      isEvalSupported: false,
      useWasm: false,
      wasmUrl: '/pdf/',
    });
    return { pages: await reading.promise, close };
  } catch (error) {
    close();
    throw error;
  }
}

/** Draws a page on a canvas so that its long edge has `longest` pixels, or as fine as makes sense. Page 1 is the first. */
export async function drawPage(
  pages: PDFDocumentProxy,
  number: number,
  canvas: HTMLCanvasElement,
  longest: number,
): Promise<void> {
  const page = await pages.getPage(number);
  const { width, height } = page.getViewport({ scale: 1 });
  const viewport = page.getViewport({ scale: Math.min(FINEST_DPI / POINTS, longest / Math.max(width, height)) });
  [canvas.width, canvas.height] = [Math.round(viewport.width), Math.round(viewport.height)];
  await page.render({ canvas, viewport, background: '#ffffff' }).promise;
}

/** A page as a picture that can be kept, named after the file and the page. */
export async function pageAsPicture(pages: PDFDocumentProxy, number: number, name: string): Promise<File> {
  const canvas = document.createElement('canvas');
  await drawPage(pages, number, canvas, KEPT_PX);
  const blob = await new Promise<Blob | null>((done) => canvas.toBlob(done, 'image/jpeg', QUALITY));
  if (!blob) throw new Error('the page is too large to be drawn');
  return new File([blob], `${name.replace(/\.pdf$/i, '')} p. ${number}.jpg`, { type: 'image/jpeg' });
}
