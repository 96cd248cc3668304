'use client';

import { useEffect, useRef, type ReactNode } from 'react';
import type { Pixels } from '@/core/markings/traced';
import './held-over.css';

/** The machine as it is ruled, over a picture that it was laid over: as far from the left as `share` says, 0 to 1. */
export function HeldOver({
  held,
  width,
  height,
  share,
}: {
  held: Pixels;
  /** Of the picture, px. */
  width: number;
  height: number;
  share: number;
}): ReactNode {
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    const image = new ImageData(new Uint8ClampedArray(held.data), held.width, held.height);
    canvas.current!.getContext('2d')!.putImageData(image, 0, 0);
  }, [held]);
  return (
    <canvas
      ref={canvas}
      className="held-over"
      width={held.width}
      height={held.height}
      aria-hidden="true"
      style={{ width, height, clipPath: `inset(0 ${100 - 100 * share}% 0 0)` }}
    />
  );
}
