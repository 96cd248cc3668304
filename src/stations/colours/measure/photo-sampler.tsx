'use client';

import Button from '@mui/material/Button';
import { useEffect, useRef, useState, type KeyboardEvent, type PointerEvent, type ReactNode } from 'react';
import { useDropzone } from 'react-dropzone';
import { colourFromPhoto, patchOf, photoFault, type SampledColour } from '@/core/colour/photo';
import { hexOf } from '@/core/colour/spaces';
import type { Lab } from '@/core/colour/types';
import type { MeasuredColour } from './measured-colour';

/** Cards whose value is known well enough. */
const CARDS: { key: string; title: string; lab: Lab; sd: number }[] = [
  { key: 'grey18', title: 'grey card, 18 %', lab: [49.5, 0, 0], sd: 0.7 },
  { key: 'grey50', title: 'grey card, 50 %', lab: [76.1, 0, 0], sd: 0.7 },
  { key: 'white', title: 'white card of a checker', lab: [96, -0.3, 1.2], sd: 0.5 },
  { key: 'paper', title: 'plain office paper (blue-white, poor)', lab: [95, 1, -4], sd: 2.5 },
];

interface Box {
  x: number;
  y: number;
  size: number;
}
const MOST_SIDE = 1200;
const STEP = 4;

/** Two patches in one photograph: the card and what is asked for. The picture stays in the browser. */
export function PhotoSampler({ onColour }: { onColour: (colour: MeasuredColour) => void }): ReactNode {
  const canvas = useRef<HTMLCanvasElement>(null);
  const [picture, setPicture] = useState<ImageData | null>(null);
  const [fault, setFault] = useState('');
  const [card, setCard] = useState(CARDS[0]!);
  const [placing, setPlacing] = useState<'card' | 'sample'>('card');
  const [boxes, setBoxes] = useState<{ card: Box | null; sample: Box | null }>({ card: null, sample: null });
  const [size, setSize] = useState(40);
  const { getRootProps, getInputProps, open } = useDropzone({
    accept: { 'image/*': [] },
    multiple: false,
    noClick: true,
    onDrop: async ([file]) => {
      if (!file) return;
      try {
        setPicture(await pixelsOf(file));
        setBoxes({ card: null, sample: null });
        setPlacing('card');
        setFault('');
      } catch {
        setFault('This file is no picture that can be opened.');
      }
    },
  });
  useEffect(() => {
    if (picture) canvas.current?.getContext('2d')?.putImageData(picture, 0, 0);
  }, [picture]);

  const place = (x: number, y: number, at = placing) => {
    if (!picture) return;
    const clamp = (value: number, most: number) => Math.max(size / 2, Math.min(most - size / 2, value));
    setBoxes({ ...boxes, [at]: { x: clamp(x, picture.width), y: clamp(y, picture.height), size } });
  };
  const point = (event: PointerEvent<HTMLCanvasElement>) => {
    const box = event.currentTarget.getBoundingClientRect();
    const scale = picture!.width / box.width;
    place((event.clientX - box.left) * scale, (event.clientY - box.top) * scale);
    setPlacing(placing === 'card' && !boxes.sample ? 'sample' : placing);
  };
  const nudge = (event: KeyboardEvent) => {
    const by = { ArrowLeft: [-STEP, 0], ArrowRight: [STEP, 0], ArrowUp: [0, -STEP], ArrowDown: [0, STEP] }[event.key];
    if (!by || !picture) return;
    event.preventDefault();
    const here = boxes[placing] ?? { x: picture.width / 2, y: picture.height / 2, size };
    place(here.x + by[0]!, here.y + by[1]!);
  };
  const found = picture && boxes.card && boxes.sample ? sampled(picture, boxes.card, boxes.sample, card) : null;
  return (
    <div {...getRootProps({ className: 'photo-sampler' })}>
      <input {...getInputProps()} aria-label="Photograph with a card" />
      <div className="filters">
        <Button variant="outlined" onClick={open}>
          {picture ? 'Another photograph' : 'Choose a photograph'}
        </Button>
        <label>
          Beside{' '}
          <select value={card.key} onChange={(event) => setCard(CARDS.find(({ key }) => key === event.target.value)!)}>
            {CARDS.map(({ key, title }) => (
              <option key={key} value={key}>
                {title}
              </option>
            ))}
          </select>
        </label>
        {picture ? (
          <>
            <label>
              Point at{' '}
              <select value={placing} onChange={(event) => setPlacing(event.target.value as typeof placing)}>
                <option value="card">the card</option>
                <option value="sample">the colour</option>
              </select>
            </label>
            <label>
              Patch{' '}
              <select value={size} onChange={(event) => setSize(Number(event.target.value))}>
                {[12, 24, 40, 80].map((value) => (
                  <option key={value} value={value}>
                    {value} px
                  </option>
                ))}
              </select>
            </label>
          </>
        ) : (
          <span className="dim">or drop one here: chip, cap or spray-out flat beside the card, in one even light</span>
        )}
      </div>
      {fault ? <p role="alert">{fault}</p> : null}
      {picture ? (
        <div className="photo-frame" style={{ aspectRatio: `${picture.width} / ${picture.height}` }}>
          <canvas
            ref={canvas}
            width={picture.width}
            height={picture.height}
            tabIndex={0}
            aria-label={`Photograph; arrow keys move the patch on ${placing === 'card' ? 'the card' : 'the colour'}`}
            onPointerDown={point}
            onKeyDown={nudge}
          />
          {(['card', 'sample'] as const).map((key) => {
            const box = boxes[key];
            return box ? (
              <span
                key={key}
                className="photo-patch"
                style={{
                  left: `${(100 * (box.x - box.size / 2)) / picture.width}%`,
                  top: `${(100 * (box.y - box.size / 2)) / picture.height}%`,
                  width: `${(100 * box.size) / picture.width}%`,
                  aspectRatio: '1',
                }}
              >
                {key === 'card' ? 'card' : 'colour'}
              </span>
            ) : null;
          })}
        </div>
      ) : null}
      {found && 'fault' in found ? <p role="alert">{found.fault}</p> : null}
      {found && 'lab' in found ? (
        <p>
          <span className="chip large" style={{ background: hexOf(found.lab) }} /> L* {found.lab[0].toFixed(1)} a*{' '}
          {found.lab[1].toFixed(1)} b* {found.lab[2].toFixed(1)}, <strong>± {found.sd.toFixed(1)} ΔE00</strong>{' '}
          <Button
            variant="contained"
            onClick={() =>
              onColour({
                lab: found.lab,
                sd: found.sd,
                origin: 'sampled',
                instrument: `photograph beside a ${card.title}`,
                how: `from a photograph beside a ${card.title}`,
              })
            }
          >
            Take this colour
          </Button>
          <span className="dim" style={{ display: 'block' }}>
            {found.because.join('; ')}
          </span>
        </p>
      ) : null}
    </div>
  );
}

/** The picture's pixels, at most `MOST_SIDE` wide or high. Throws when it is no picture. */
async function pixelsOf(file: File): Promise<ImageData> {
  const whole = await createImageBitmap(file);
  const scale = Math.min(1, MOST_SIDE / Math.max(whole.width, whole.height));
  const [width, height] = [Math.round(whole.width * scale), Math.round(whole.height * scale)];
  const context = new OffscreenCanvas(width, height).getContext('2d')!;
  context.drawImage(whole, 0, 0, width, height);
  return context.getImageData(0, 0, width, height);
}

function sampled(
  picture: ImageData,
  card: Box,
  sample: Box,
  known: { lab: Lab; sd: number },
): SampledColour | { fault: string } {
  const read = ({ x, y, size }: Box) => {
    const rgb: number[] = [];
    const [left, top] = [Math.round(x - size / 2), Math.round(y - size / 2)];
    for (let v = Math.max(0, top); v < Math.min(picture.height, top + size); v += 1)
      for (let u = Math.max(0, left); u < Math.min(picture.width, left + size); u += 1)
        for (let c = 0; c < 3; c += 1) rgb.push(picture.data[4 * (v * picture.width + u) + c]!);
    return patchOf(rgb);
  };
  const [colour, light] = [read(sample), read(card)];
  const says = photoFault(colour, light);
  return says ? { fault: says } : colourFromPhoto(colour, light, known.lab, known.sd);
}
