import type { KeyboardEvent, MouseEventHandler, ReactNode } from 'react';
import type { Outline } from '@/core/outline/outline';
import type { View } from '@/core/outline/zones';
import { asDrawn, fromDrawn } from '@/core/scheme/laid';

/** Steps of the arrow keys, m: alone, with shift, with alt. */
export interface ArrowSteps {
  plain: number;
  shift: number;
  alt: number;
}

/** The way that each arrow key points: to the right, and down. */
export const ARROWS: Record<string, readonly [u: number, v: number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** Where an arrow key moves a station and offset to, the way that it points on the view; null for any other key. */
export function arrowed(
  event: KeyboardEvent,
  steps: ArrowSteps,
  outline: Outline,
  view: View,
  at: readonly [number, number],
): [x: number, y: number] | null {
  const way = ARROWS[event.key];
  if (!way) return null;
  const step = event.shiftKey ? steps.shift : event.altKey ? steps.alt : steps.plain;
  const [u, v] = asDrawn(outline, view, [at])[0]!;
  return fromDrawn(outline, view, [u + way[0] * step, v + way[1] * step]);
}

/** A point of a drawing that is pulled with the mouse or moved with the keys. */
export function Handle({
  at: [cx, cy],
  label,
  chosen,
  onChoose,
  onGrab,
  onKeyDown,
  onBlur,
  onDoubleClick,
}: {
  /** px */
  at: readonly [number, number];
  label: string;
  chosen: boolean;
  onChoose: () => void;
  /** It is held from now on: the drawing hears where the pointer goes. */
  onGrab: () => void;
  onKeyDown: (event: KeyboardEvent) => void;
  onBlur?: () => void;
  onDoubleClick?: MouseEventHandler;
}): ReactNode {
  return (
    <circle
      cx={cx}
      cy={cy}
      r={chosen ? 7 : 5.5}
      tabIndex={0}
      role="button"
      aria-label={label}
      className={chosen ? 'corner chosen' : 'corner'}
      onFocus={onChoose}
      onKeyDown={onKeyDown}
      onBlur={onBlur}
      onPointerDown={(event) => {
        if (event.button !== 0) return;
        onGrab();
        onChoose();
        event.currentTarget.ownerSVGElement!.setPointerCapture(event.pointerId);
        event.preventDefault();
      }}
      onDoubleClick={onDoubleClick}
    />
  );
}
