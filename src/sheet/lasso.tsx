'use client';

import { useRef, useState, type PointerEvent, type ReactNode } from 'react';
import { isWithin, type Point } from '@/core/geometry/polygon';
import type { ShownView } from '@/core/markings/views';
import { viewBox } from './view-drawing';
import './sheet.css';

/** Shorter than this it was a press, px. */
const PRESS_PX = 6;

/** A line drawn round zones of a view chooses all that lie in it. */
export function Lasso({
  drawn,
  scale,
  onRound,
  children,
}: {
  drawn: ShownView;
  scale: number;
  onRound: (zones: string[]) => void;
  children: ReactNode;
}): ReactNode {
  const [line, setLine] = useState<Point[]>([]);
  const isDrawn = useRef(false);
  const at = ({ currentTarget, clientX, clientY }: PointerEvent<HTMLElement>): Point => {
    const { left, top } = currentTarget.getBoundingClientRect();
    return [clientX - left, clientY - top];
  };
  const isLong = line.some(([x, y]) => Math.hypot(x - line[0]![0], y - line[0]![1]) > PRESS_PX);
  const end = () => {
    if (isLong) {
      const box = viewBox(drawn.extent, scale);
      const round = line.map(([x, y]): Point => [box.x + x / scale, box.y + y / scale]);
      const zones = drawn.shapes.filter(({ middle }) => isWithin(middle, round));
      isDrawn.current = true;
      onRound([...new Set(zones.map(({ zone }) => zone))]);
    }
    setLine([]);
  };
  return (
    <div
      className="lasso"
      onPointerDown={(event) => {
        isDrawn.current = false;
        if (event.button === 0 && event.pointerType !== 'touch') setLine([at(event)]);
      }}
      onPointerMove={(event) => line.length > 0 && setLine([...line, at(event)])}
      onPointerUp={end}
      onPointerLeave={end}
      onClickCapture={(event) => isDrawn.current && event.stopPropagation()}
    >
      {children}
      {isLong ? (
        <svg className="lasso-line" aria-hidden="true">
          <polygon points={line.map((point) => point.join(',')).join(' ')} />
        </svg>
      ) : null}
    </div>
  );
}
