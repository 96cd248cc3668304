import { useMemo, type ReactNode } from 'react';
import { extentOf, type Polygon } from '@/core/geometry/polygon';
import type { Outline } from '@/core/outline/outline';
import './sheet.css';

/** The airframe from ahead, nose on, starboard on the left: its dihedral, and how broad its bodies are. */
export function FrontView({
  outline,
  width,
}: {
  outline: Outline;
  /** px */
  width: number;
}): ReactNode {
  const drawing = useMemo(() => outline.front(), [outline]);
  const all = [...drawing.shapes, ...drawing.lines].map(({ points }) => points);
  const { left, right, top, bottom } = extentOf(all);
  const scale = (width - 8) / Math.max(right - left, 0.1);
  const path = (points: Polygon) =>
    `M${points.map(([u, v]) => `${((u - left) * scale + 4).toFixed(1)} ${((v - top) * scale + 4).toFixed(1)}`).join('L')}Z`;
  return (
    <svg
      className="view-drawing"
      role="img"
      aria-label="From ahead"
      width={width}
      height={Math.ceil((bottom - top) * scale + 8)}
    >
      {drawing.shapes.map(({ points, glass }, i) => (
        <path
          key={i}
          d={path(points)}
          fill={glass ? '#fafafa' : '#efefef'}
          stroke="#1c1c1c"
          strokeWidth={0.9}
          strokeLinejoin="round"
        />
      ))}
      {drawing.lines.map(({ points }, i) => (
        <path key={i} d={path(points)} fill="none" stroke="#1c1c1c" strokeWidth={0.6} />
      ))}
    </svg>
  );
}
