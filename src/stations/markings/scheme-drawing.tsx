'use client';

import { UNMEASURED } from '@/core/colour/unmeasured';
import { memo, useRef, type KeyboardEvent, type PointerEvent, type ReactNode } from 'react';
import type { Kept } from '@/core/kept/records';
import type { ShownView } from '@/core/markings/views';
import type { Point } from '@/core/geometry/polygon';
import { smoothThrough } from '@/core/geometry/smooth-line';
import type { Outline } from '@/core/outline/outline';
import type { View } from '@/core/outline/zones';
import { caught, type Catches } from '@/core/scheme/catching';
import { asDrawn, fromDrawn } from '@/core/scheme/laid';
import { ViewDrawing, viewBox } from '@/sheet/view-drawing';
import { arrowed, Handle } from './handle';
import { Underlay } from './underlay';
import { useShown } from '@/ui/shown-units';

/** Steps of the keys, m: an arrow, with shift, with alt. */
const STEPS = { plain: 0.05, shift: 0.5, alt: 0.01 };
/** A view is no higher than leaves room for what is under it, px. */
const MOST_HIGH_PX = 440;
/** How near a corner comes to what catches it, px. */
const CATCH_PX = 7;

/** The corners of the field that is being drawn. */
export interface Handles {
  /** Stations and offsets, m. */
  corners: readonly (readonly [x: number, y: number])[];
  closed: boolean;
  smooth: boolean;
}

const Below = memo(ViewDrawing);

/** One view, large, with the scheme on it; the corners of the open field are pulled with the mouse or moved with the keys. */
export function SchemeDrawing({
  outline,
  view,
  width,
  below,
  catches,
  zoneColours,
  inks,
  zoneTitle,
  handles,
  selected,
  onSelect,
  onMove,
  onDrop,
  onInsert,
  onRemove,
  underlay,
}: {
  outline: Outline;
  view: View;
  width: number;
  below: ShownView;
  /** What a corner is caught by in this view. */
  catches: Catches;
  zoneColours: Record<string, string>;
  inks: Record<string, string>;
  zoneTitle: (zone: string) => string;
  handles: Handles | null;
  selected: number | null;
  onSelect: (corner: number) => void;
  /** A corner is on its way to a station and offset. */
  onMove: (corner: number, at: [number, number]) => void;
  onDrop: () => void;
  /** A corner wanted between one and the next. */
  onInsert: (after: number, at: [number, number]) => void;
  onRemove: (corner: number) => void;
  /** A drawing of one's own that is traced. */
  underlay: Kept<'underlay'> | null;
}): ReactNode {
  const shown = useShown();
  const drag = useRef<number | null>(null);
  const svg = useRef<SVGSVGElement>(null);
  const { left: from, right: to, top: high, bottom: low } = below.extent;
  const scale = Math.min(width / (to - from + 0.4), MOST_HIGH_PX / (low - high + 0.4));
  const box = viewBox(below.extent, scale);
  const px = ([u, v]: Point): Point => [(u - box.x) * scale, (v - box.y) * scale];
  const drawn = handles ? asDrawn(outline, view, handles.corners) : [];
  const line = handles?.smooth ? smoothThrough(drawn, handles.closed) : drawn;
  const path = line
    .map(
      (point, i) =>
        `${i ? 'L' : 'M'}${px(point)
          .map((n) => n.toFixed(1))
          .join(' ')}`,
    )
    .join('');

  const placeUnder = (event: PointerEvent): [number, number] => {
    const { left, top } = svg.current!.getBoundingClientRect();
    const at: Point = [box.x + (event.clientX - left) / scale, box.y + (event.clientY - top) / scale];
    const near = event.altKey ? null : caught(catches, at, CATCH_PX / scale);
    return fromDrawn(outline, view, near ?? at).map(rounded) as [number, number];
  };
  const onKey = (event: KeyboardEvent, i: number) => {
    const way = arrowed(event, STEPS, outline, view, handles!.corners[i]!);
    if (way) onMove(i, way.map(rounded) as [number, number]);
    else if (event.key === 'Insert' || event.key === '+') onInsert(i, midway(handles!.corners, i));
    else if (event.key === 'Delete' || event.key === 'Backspace') onRemove(i);
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
  return (
    <div className="scheme-drawing" style={{ width: box.width, height: box.height }}>
      <Below
        view={view}
        drawn={below}
        scale={scale}
        selected={null}
        inkOf={(code) => inks[code] ?? UNMEASURED}
        fillOf={(zone) => (zoneColours[zone] ? { paint: zoneColours[zone] } : { hatch: 'unseen' })}
        idPrefix="scheme"
        zoneTitle={zoneTitle}
      />
      {underlay ? (
        <Underlay
          underlay={underlay}
          place={(x, y) => px(asDrawn(outline, view, [[x, y]])[0]!)}
          width={box.width}
          height={box.height}
        />
      ) : null}
      <svg
        ref={svg}
        className="scheme-handles"
        width={box.width}
        height={box.height}
        onPointerMove={(event) => drag.current !== null && onMove(drag.current, placeUnder(event))}
        onPointerUp={() => {
          if (drag.current !== null) onDrop();
          drag.current = null;
        }}
      >
        {handles ? (
          <>
            <path d={`${path}${handles.closed ? 'Z' : ''}`} className="halo" />
            <path d={`${path}${handles.closed ? 'Z' : ''}`} className="line" />
            {drawn.map((point, i) => {
              const [station, offset] = handles.corners[i]!;
              return (
                <Handle
                  key={i}
                  at={px(point)}
                  label={shown(`Corner ${i + 1}: station ${station.toFixed(2)} m, ${offset.toFixed(2)} m`)}
                  chosen={selected === i}
                  onChoose={() => onSelect(i)}
                  onGrab={() => {
                    drag.current = i;
                  }}
                  onKeyDown={(event) => onKey(event, i)}
                  onBlur={onDrop}
                  onDoubleClick={() => onInsert(i, midway(handles.corners, i))}
                />
              );
            })}
          </>
        ) : null}
      </svg>
    </div>
  );
}

const rounded = (value: number) => Math.round(value * 1000) / 1000;

const midway = (corners: Handles['corners'], i: number): [number, number] => {
  const [a, b] = [corners[i]!, corners[(i + 1) % corners.length]!];
  return [rounded((a[0] + b[0]) / 2), rounded((a[1] + b[1]) / 2)];
};
