import type { ReactNode } from 'react';
import type { Point } from '@/core/geometry/polygon';

/** What is drawn over a picture: light over dark, so that it shows on any ground. `px` is one px of the screen in those of the picture. */

export const pathOf = (points: readonly Point[], closed = false): string =>
  points.length < 2 ? '' : `M${points.map((point) => point.join(' ')).join('L')}${closed ? 'Z' : ''}`;

/** A line with its two widths and its dashes in px of the screen. */
export function LightOverDark({
  d,
  px,
  light,
  dark,
  dashes,
}: {
  d: string;
  px: number;
  light: number;
  dark: number;
  dashes?: readonly number[];
}): ReactNode {
  const strokeDasharray = dashes?.map((length) => length * px).join(' ');
  return (
    <>
      <path d={d} fill="none" stroke="#000" strokeWidth={dark * px} strokeDasharray={strokeDasharray} />
      <path d={d} fill="none" stroke="#fff" strokeWidth={light * px} strokeDasharray={strokeDasharray} />
    </>
  );
}

/** Words beside a point. */
export const Label = ({ at: [x, y], px, children }: { at: Point; px: number; children: ReactNode }): ReactNode => (
  <text
    x={x + 8 * px}
    y={y - 8 * px}
    fontSize={15 * px}
    fill="#fff"
    stroke="#000"
    strokeWidth={3 * px}
    paintOrder="stroke"
  >
    {children}
  </text>
);
