'use client';

import Button from '@mui/material/Button';
import { useState, type ReactNode } from 'react';
import { deltaE00 } from '@/core/colour/difference';
import { hexToLab } from '@/core/colour/spaces';
import { MOST_COLOURS } from '@/core/markings/design';
import { UNTOLD_MM } from '@/core/markings/size';
import type { Pixels, Traced, TracedColour } from '@/core/markings/traced';
import { Chip } from '@/ui/swatch';
import { pictureOf, pixelsOf, WHOLE, type Crop } from '@/ui/pixels';
import { useShown } from '@/ui/shown-units';
import { useWorker } from '@/ui/use-worker';
import { CropPicture } from './crop-picture';
import type { MarkingsPage } from './page-data';

type Api = { traceArtwork: (pixels: Pixels, most: number) => Traced };

/** A larger picture is no truer: a decal is printed in no more dots. */
const LONGEST_PX = 480;
/** What is left out of the artwork. */
const NONE = '';

/** A colour of the picture that is taken, with the code that it is taken as. */
export interface Taken {
  code: string;
  rings: TracedColour['rings'];
}

/** A picture traced into fields of few colours: which of them are taken, and what each is painted in. */
export function TracePicture({
  data,
  pictureId,
  own,
  strokeOf,
  onTake,
}: {
  data: MarkingsPage;
  pictureId: string;
  /** What colours are taken as where none is near. */
  own: readonly string[];
  /** Of a colour among those that are taken: its finest stroke on the model, in words; without it none is told. */
  strokeOf?: (colour: TracedColour, taken: readonly TracedColour[]) => string;
  /** Takes rings as they lie in the whole picture, in pixels of which it is so wide and high. May refuse with a sentence. */
  onTake: (taken: readonly Taken[], whole: { width: number; height: number }) => Promise<unknown>;
}): ReactNode {
  const shown = useShown();
  const [busy, setBusy] = useState(false);
  const [most, setMost] = useState(3);
  const [codes, setCodes] = useState<Record<string, string>>({});
  const [crop, setCrop] = useState<Crop>(WHOLE);
  /** What was traced last lies there in the picture. */
  const [tracedIn, setTracedIn] = useState<Crop>(WHOLE);
  const [fault, setFault] = useState('');
  const { answer, working, start, stop } = useWorker<Api, Traced>(
    () => new Worker(new URL('../../workers/tracing.worker.ts', import.meta.url), { type: 'module' }),
  );
  const trace = async () => {
    setFault('');
    setCodes({});
    try {
      const pixels = pixelsOf(await pictureOf(pictureId), LONGEST_PX, crop);
      setTracedIn(crop);
      await start((api) => api.traceArtwork(pixels, most));
    } catch (error) {
      setFault(error instanceof Error ? error.message : 'This picture cannot be traced.');
    }
  };
  const codeOf = ({ hex, isGround }: TracedColour): string =>
    codes[hex] ?? (isGround ? NONE : nearestCode(hex, data.inks, own));
  const taken = answer?.colours.filter((colour) => codeOf(colour) !== NONE) ?? [];
  const take = async () => {
    setFault('');
    setBusy(true);
    try {
      const whole = inWhole(answer!, tracedIn);
      await onTake(
        taken.map((colour) => ({ rings: whole.put(colour.rings), code: codeOf(colour) })),
        whole,
      );
    } catch (error) {
      setFault(error instanceof Error ? error.message : 'It cannot be taken in.');
    }
    setBusy(false);
  };
  return (
    <section aria-label="Trace the picture">
      <details>
        <summary>{crop === WHOLE ? 'Only a piece of it' : 'A piece of it is traced'}</summary>
        <CropPicture pictureId={pictureId} onCrop={setCrop} />
      </details>
      <p className="corner-row">
        <label>
          Trace it in at most{' '}
          <select value={most} onChange={({ target }) => setMost(Number(target.value))}>
            {Array.from({ length: MOST_COLOURS }, (_, i) => i + 2).map((count) => (
              <option key={count} value={count}>
                {count} colours
              </option>
            ))}
          </select>
        </label>{' '}
        <Button variant="outlined" onClick={() => void (working ? stop() : trace())}>
          {working ? 'Stop' : 'Trace it'}
        </Button>{' '}
        {working ? <span role="status">Looking at its colours…</span> : null}
      </p>
      {fault ? <p role="alert">{fault}</p> : null}
      {answer ? (
        <>
          <svg
            viewBox={`0 0 ${answer.width} ${answer.height}`}
            role="img"
            aria-label={`The artwork in ${taken.length} colours`}
            style={{ maxWidth: 360, maxHeight: 240, background: 'var(--mount)' }}
          >
            {taken.map((colour) => (
              <path
                key={colour.hex}
                fill={data.inks[codeOf(colour)] ?? colour.hex}
                fillRule="evenodd"
                d={colour.rings
                  .map((ring) => `M${ring.map(([x, y]) => `${x.toFixed(1)} ${y.toFixed(1)}`).join('L')}Z`)
                  .join('')}
              />
            ))}
          </svg>
          <table className="plain">
            <thead>
              <tr>
                <th>In the picture</th>
                <th className="num">Of it, %</th>
                {strokeOf ? <th>Its finest stroke at 1/{data.denominator}</th> : null}
                <th>Taken as</th>
              </tr>
            </thead>
            <tbody>
              {answer.colours.map((colour) => (
                <tr key={colour.hex}>
                  <th scope="row">
                    <Chip hex={colour.hex} /> {colour.isGround ? <span className="dim">what it stands on</span> : null}
                  </th>
                  <td className="num">{(100 * colour.share).toFixed(1)}</td>
                  {strokeOf ? <td>{codeOf(colour) === NONE ? '–' : shown(strokeOf(colour, taken))}</td> : null}
                  <td>
                    <select
                      aria-label={`Taken as, ${colour.hex}`}
                      value={codeOf(colour)}
                      onChange={({ target }) => setCodes({ ...codes, [colour.hex]: target.value })}
                    >
                      <option value={NONE}>left out</option>
                      {data.codes.map(({ value, label }) => (
                        <option key={value} value={value}>
                          {label}
                        </option>
                      ))}
                    </select>
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          <p>
            <Button variant="contained" disabled={busy || taken.length === 0} onClick={() => void take()}>
              Take it in
            </Button>{' '}
            <span className="dim">Colours that are taken as the same code become one.</span>
          </p>
        </>
      ) : null}
    </section>
  );
}

/** Of the colours that the brief has, the nearest; of those of the marking where none is known. */
function nearestCode(hex: string, inks: Readonly<Record<string, string>>, own: readonly string[]): string {
  const lab = hexToLab(hex);
  const known = Object.entries(inks)
    .map(([code, ink]) => ({ code, off: deltaE00(lab, hexToLab(ink)) }))
    .sort((a, b) => a.off - b.off);
  return known[0]?.code ?? own[0] ?? NONE;
}

/** The narrowest stroke of a colour at the size of the model, and by what it can be made. */
export function strokeSaid(
  { leastPx }: TracedColour,
  taken: readonly TracedColour[],
  { denominator, lines }: MarkingsPage,
  { heightMm }: MarkingsPage['markings'][number],
): string {
  const ys = taken.flatMap(({ rings }) => rings.flatMap((ring) => ring.map(([, y]) => y)));
  const mm = (leastPx * heightMm) / denominator / Math.max(1, Math.max(...ys) - Math.min(...ys));
  const by = [
    ...(lines.cutter !== null && mm >= lines.cutter ? ['mask'] : []),
    ...(lines.brush !== null && mm >= lines.brush ? ['brush'] : []),
    ...(mm >= lines.printer ? ['print'] : []),
  ];
  const ways =
    mm < UNTOLD_MM ? 'nobody sees it' : by.length > 0 ? `by ${by.join(', ')}` : 'finer than anything here makes';
  return `${mm.toFixed(2)} mm: ${ways}`;
}

/** What was traced in a piece of a picture, as it lies in all of it: how large that is in the same pixels, and its rings there. */
function inWhole({ width, height }: Pick<Traced, 'width' | 'height'>, crop: Crop) {
  const [across, down] = [width / crop.width, height / crop.height];
  const put = (rings: TracedColour['rings']) =>
    rings.map((ring) => ring.map(([x, y]) => [x + crop.x * across, y + crop.y * down] as const));
  return { width: across, height: down, put };
}
