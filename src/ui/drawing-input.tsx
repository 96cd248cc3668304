'use client';

import type { ReactNode } from 'react';
import type { DrawnShape } from '@/core/geometry/svg-paths';
import { FileButton } from './file-button';

/** Takes a drawing in SVG: it is read here, in the browser, into own curves; nothing of its markup goes anywhere. */
export function DrawingInput({
  label,
  disabled = false,
  onShapes,
}: {
  label: string;
  disabled?: boolean;
  /** May refuse with a sentence. */
  onShapes: (shapes: DrawnShape[]) => void | Promise<void>;
}): ReactNode {
  const take = async (file: File) => {
    const { shapesOfSvg, DrawingFault, MOST_SVG_BYTES } = await import('@/core/geometry/svg-paths');
    try {
      if (file.size > MOST_SVG_BYTES) throw new DrawingFault('The drawing has more than 2 MB.');
      await onShapes(shapesOfSvg(await file.text()));
      return null;
    } catch (error) {
      return error instanceof DrawingFault ? error.message : 'This drawing cannot be read.';
    }
  };
  return <FileButton label={label} disabled={disabled} accept=".svg,image/svg+xml" onFile={take} />;
}
