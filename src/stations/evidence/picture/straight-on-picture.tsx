'use client';

import Button from '@mui/material/Button';
import { useEffect, useRef, useState, type ReactNode } from 'react';
import type { View } from '@/core/outline/zones';
import type { KeptCamera } from '@/core/skin/camera/kept-camera';
import type { Prints } from '@/core/skin/camera/machine-over';
import type { LaidFlat } from '@/core/skin/camera/straight-on';
import { counted } from '@/core/units/words';
import type { SourceRow } from '@/stations/evidence/page-data';
import { keepAs } from '@/ui/keep-as';
import { pictureOf, pixelsOf } from '@/ui/pixels';
import { useShown } from '@/ui/shown-units';
import { uploadPicture } from '@/ui/upload-picture';

export const SEEN_FROM: Readonly<Record<View, string>> = {
  port: 'from port',
  starboard: 'from starboard',
  upper: 'from above',
  lower: 'from below',
};

/** A larger picture is no finer than what is laid flat of it. */
const LONGEST_PX = 3000;
/** Lengths of a scale bar, mm; the longest that is no longer than a third of the picture is drawn. */
const BARS = [5, 10, 20, 50, 100, 200, 500, 1000, 2000, 5000, 10_000];

/** Pictures over which the machine was laid, the one in hand first. */
export type KeptPrints = readonly [KeptPrint, ...KeptPrint[]];
interface KeptPrint {
  pictureId: string;
  kept: KeptCamera;
}

/** A piece of the picture laid flat at true scale, with a bar; taken out as a picture, or used for something else: `children`. */
export function StraightOnPicture<Flat extends LaidFlat>({
  source,
  prints: [own, ...others],
  lay,
  seen,
  children,
}: {
  source: SourceRow;
  prints: KeptPrints;
  lay: (prints: Prints) => Promise<Flat | null>;
  /** From where: "seen from port". */
  seen: (flat: Flat) => string;
  children: (flat: Flat) => ReactNode;
}): ReactNode {
  const shown = useShown();
  const canvas = useRef<HTMLCanvasElement>(null);
  const [flat, setFlat] = useState<Flat | null>(null);
  const [says, setSays] = useState('');
  const [busy, setBusy] = useState(false);
  useEffect(() => {
    if (flat && canvas.current) drawFlat(canvas.current, flat);
  }, [flat]);
  const read = async ({ pictureId, kept }: KeptPrint) => ({
    kept,
    pixels: pixelsOf(await pictureOf(pictureId), LONGEST_PX),
  });
  const show = async (further: readonly KeptPrint[]) => {
    setBusy(true);
    setSays('');
    try {
      const found = await lay([await read(own), ...(await Promise.all(further.map(read)))]);
      setFlat(found);
      if (!found) setSays('No view looks at it: it cannot be laid flat from here.');
    } catch {
      setSays('This picture cannot be read.');
    }
    setBusy(false);
  };
  return (
    <div className="straight-on">
      <Button variant="outlined" disabled={busy} onClick={() => void show([])}>
        {busy ? 'Being laid flat…' : 'Show it straight on'}
      </Button>{' '}
      {others.length > 0 ? (
        <Button variant="outlined" disabled={busy} onClick={() => void show(others)}>
          From all pictures that show it
        </Button>
      ) : null}
      {says ? <p role="alert">{says}</p> : null}
      {flat ? (
        <>
          <figure>
            <canvas
              ref={canvas}
              width={flat.width}
              height={flat.height + BAR_PX}
              role="img"
              aria-label={`${source.title}, laid flat, ${seen(flat)}`}
            />
            <figcaption className="dim">
              {shown(
                `Laid flat, ${seen(flat)}, ${flat.mmPerPx.toFixed(1)} mm to a point; the bar is ${barOf(flat)} mm. ${flat.pictures > 1 ? `${counted(flat.pictures, 'picture')} together show` : 'The picture shows'} ${Math.round(flat.shown * 100)} % of it.`,
              )}{' '}
              <Button
                size="small"
                onClick={() => canvas.current!.toBlob((blob) => blob && keepAs(blob, 'straight-on.png'), 'image/png')}
              >
                Take it out (PNG)
              </Button>
            </figcaption>
          </figure>
          {children(flat)}
        </>
      ) : null}
    </div>
  );
}

/** A piece as a picture of the house, without its bar: its identity, or why it was not taken. */
export async function takenIn(flat: LaidFlat): Promise<{ id: string } | { fault: string }> {
  const blob = await new Promise<Blob | null>((done) => pieceOf(flat).toBlob(done, 'image/png'));
  return blob
    ? uploadPicture(new File([blob], 'straight-on.png', { type: 'image/png' }), () => undefined)
    : { fault: 'the browser makes no picture of it' };
}

/** Room for the bar under the picture. */
const BAR_PX = 22;
const barOf = ({ width, mmPerPx }: LaidFlat): number => BARS.findLast((mm) => mm <= (width * mmPerPx) / 3) ?? BARS[0]!;

function pieceOf({ width, height, data }: LaidFlat): HTMLCanvasElement {
  const piece = document.createElement('canvas');
  piece.width = width;
  piece.height = height;
  piece.getContext('2d')!.putImageData(new ImageData(new Uint8ClampedArray(data), width, height), 0, 0);
  return piece;
}

function drawFlat(canvas: HTMLCanvasElement, flat: LaidFlat): void {
  const context = canvas.getContext('2d')!;
  context.fillStyle = '#fff';
  context.fillRect(0, 0, canvas.width, canvas.height);
  context.drawImage(pieceOf(flat), 0, 0);
  const mm = barOf(flat);
  context.fillStyle = '#000';
  context.fillRect(4, flat.height + 6, mm / flat.mmPerPx, 3);
  context.font = '12px sans-serif';
  context.fillText(`${mm} mm`, 8 + mm / flat.mmPerPx, flat.height + 12);
}
