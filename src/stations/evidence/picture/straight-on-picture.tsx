'use client';

import Button from '@mui/material/Button';
import { useEffect, useRef, useState, type ReactNode } from 'react';
import type { Pixels } from '@/core/markings/traced';
import type { View } from '@/core/outline/zones';
import type { StraightOn } from '@/core/skin/camera/straight-on';
import type { SourceRow } from '@/stations/evidence/page-data';
import { keepAs } from '@/ui/keep-as';
import { pictureOf, pixelsOf } from '@/ui/pixels';
import { useShown } from '@/ui/shown-units';

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

/** A piece of the picture laid flat at true scale, with a bar; taken out as a picture. */
export function StraightOnPicture({
  source,
  lay,
}: {
  source: SourceRow;
  lay: (pixels: Pixels) => Promise<StraightOn | null>;
}): ReactNode {
  const shown = useShown();
  const canvas = useRef<HTMLCanvasElement>(null);
  const [flat, setFlat] = useState<StraightOn | null>(null);
  const [says, setSays] = useState('');
  const [busy, setBusy] = useState(false);
  useEffect(() => {
    if (flat && canvas.current) drawFlat(canvas.current, flat);
  }, [flat]);
  const show = async () => {
    setBusy(true);
    setSays('');
    try {
      const found = await lay(pixelsOf(await pictureOf(source.pictureId!), LONGEST_PX));
      setFlat(found);
      if (!found) setSays('No view looks at it: it cannot be laid flat from here.');
    } catch {
      setSays('This picture cannot be read.');
    }
    setBusy(false);
  };
  return (
    <div className="straight-on">
      <Button variant="outlined" disabled={busy} onClick={() => void show()}>
        {busy ? 'Being laid flat…' : 'Show it straight on'}
      </Button>
      {says ? <p role="alert">{says}</p> : null}
      {flat ? (
        <figure>
          <canvas
            ref={canvas}
            width={flat.width}
            height={flat.height + BAR_PX}
            role="img"
            aria-label={`${source.title}, laid flat ${SEEN_FROM[flat.view]}`}
          />
          <figcaption className="dim">
            {shown(
              `Seen ${SEEN_FROM[flat.view]}, ${flat.mmPerPx.toFixed(1)} mm to a point; the bar is ${barOf(flat)} mm. The picture shows ${Math.round(flat.shown * 100)} % of it.`,
            )}{' '}
            <Button
              size="small"
              onClick={() => canvas.current!.toBlob((blob) => blob && keepAs(blob, 'straight-on.png'), 'image/png')}
            >
              Take it out (PNG)
            </Button>
          </figcaption>
        </figure>
      ) : null}
    </div>
  );
}

/** Room for the bar under the picture. */
const BAR_PX = 22;
const barOf = ({ width, mmPerPx }: StraightOn): number =>
  BARS.findLast((mm) => mm <= (width * mmPerPx) / 3) ?? BARS[0]!;

function drawFlat(canvas: HTMLCanvasElement, flat: StraightOn): void {
  const context = canvas.getContext('2d')!;
  context.fillStyle = '#fff';
  context.fillRect(0, 0, canvas.width, canvas.height);
  const piece = document.createElement('canvas');
  piece.width = flat.width;
  piece.height = flat.height;
  piece.getContext('2d')!.putImageData(new ImageData(new Uint8ClampedArray(flat.data), flat.width, flat.height), 0, 0);
  context.drawImage(piece, 0, 0);
  const mm = barOf(flat);
  context.fillStyle = '#000';
  context.fillRect(4, flat.height + 6, mm / flat.mmPerPx, 3);
  context.font = '12px sans-serif';
  context.fillText(`${mm} mm`, 8 + mm / flat.mmPerPx, flat.height + 12);
}
