'use client';

import type { Lamp } from '@/core/skin/seen-from';
import { useRef, type KeyboardEvent, type PointerEvent, type ReactNode } from 'react';
import './light-pad.css';

const STEP = 0.15;

const held = (value: number): number => Math.max(-0.9, Math.min(0.9, value));

/** Moves the light: drag the dot, or use the arrows. */
export function LightPad({ lamp, onLamp }: { lamp: Lamp; onLamp: (lamp: Lamp) => void }): ReactNode {
  const pad = useRef<HTMLButtonElement>(null);
  const [right, up] = lamp;
  const to = ({ clientX, clientY }: PointerEvent) => {
    const { left, top, width, height } = pad.current!.getBoundingClientRect();
    onLamp([held((2 * (clientX - left)) / width - 1), held(1 - (2 * (clientY - top)) / height)]);
  };
  const step = (event: KeyboardEvent) => {
    const by = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] }[event.key];
    if (!by) return;
    event.preventDefault();
    onLamp([held(right + by[0]! * STEP), held(up + by[1]! * STEP)]);
  };
  const where = [up > 0.1 ? 'above' : up < -0.1 ? 'below' : '', right > 0.1 ? 'right' : right < -0.1 ? 'left' : '']
    .filter(Boolean)
    .join(' and ');
  return (
    <button
      ref={pad}
      type="button"
      className="light-pad"
      aria-label={`Light, from ${where || 'where one looks'}: arrows move it`}
      title="Light: drag it, or use the arrows"
      onKeyDown={step}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        to(event);
      }}
      onPointerMove={(event) => event.buttons > 0 && to(event)}
    >
      <span style={{ left: `${50 + 50 * right}%`, top: `${50 - 50 * up}%` }} />
    </button>
  );
}
