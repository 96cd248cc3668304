'use client';

import Button from '@mui/material/Button';
import type { PDFDocumentProxy } from 'pdfjs-dist';
import { useEffect, useEffectEvent, useRef, useState, type ReactNode } from 'react';
import { Opened } from './opened';
import { drawPage, openPdf, pageAsPicture } from './pdf-file';
import './pdf-pages.css';

const SHOWN_PX = 460;
const DAMAGED = 'it cannot be read as a PDF: it is damaged, or asks for a password';

/** Chooses a page of a PDF: leafed through here, and taken as a picture. */
export function PdfPages({
  file,
  onPage,
  onRefused,
  onClose,
}: {
  file: File;
  onPage: (picture: File, page: number) => void;
  onRefused: (says: string) => void;
  onClose: () => void;
}): ReactNode {
  const [pages, setPages] = useState<PDFDocumentProxy | null>(null);
  const [page, setPage] = useState(1);
  const [working, setWorking] = useState(false);
  const canvas = useRef<HTMLCanvasElement>(null);
  const refuse = useEffectEvent(onRefused);
  useEffect(() => {
    let [isGone, close] = [false, () => undefined as void];
    openPdf(file).then(
      (opened) => {
        close = opened.close;
        if (isGone) close();
        else setPages(opened.pages);
      },
      () => !isGone && refuse(DAMAGED),
    );
    return () => {
      isGone = true;
      close();
    };
  }, [file]);
  useEffect(() => {
    if (!pages || !canvas.current) return;
    // Drawn apart and put in when it is whole: leafing is quicker than drawing.
    let isGone = false;
    const sheet = document.createElement('canvas');
    void drawPage(pages, page, sheet, SHOWN_PX).then(() => {
      const shown = canvas.current;
      if (isGone || !shown) return;
      [shown.width, shown.height] = [sheet.width, sheet.height];
      shown.getContext('2d')!.drawImage(sheet, 0, 0);
    });
    return () => {
      isGone = true;
    };
  }, [pages, page]);
  const last = pages?.numPages ?? 1;
  const take = async () => {
    setWorking(true);
    try {
      onPage(await pageAsPicture(pages!, page, file.name), page);
    } catch (error) {
      onRefused((error as Error).message);
    } finally {
      setWorking(false);
    }
  };
  return (
    <Opened label={`Pages of ${file.name}`} onClose={onClose} className="pdf-pages" takesFocus closes>
      <p className="pane-actions">
        <Button variant="outlined" disabled={page <= 1} onClick={() => setPage(page - 1)}>
          Page before
        </Button>
        <label>
          Page{' '}
          <input
            type="number"
            min={1}
            max={last}
            value={page}
            onChange={({ target }) => setPage(Math.min(last, Math.max(1, Math.round(Number(target.value)) || 1)))}
          />{' '}
          of {pages ? last : '…'}
        </label>
        <Button variant="outlined" disabled={page >= last} onClick={() => setPage(page + 1)}>
          Next page
        </Button>
        <Button variant="contained" disabled={!pages || working} onClick={() => void take()}>
          {working ? 'Drawing it…' : 'Take this page'}
        </Button>
      </p>
      <canvas ref={canvas} role="img" aria-label={`Page ${page} of ${file.name}`} />
    </Opened>
  );
}
