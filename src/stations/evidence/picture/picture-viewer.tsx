'use client';

import {
  useEffect,
  useEffectEvent,
  useRef,
  useState,
  type KeyboardEvent,
  type PointerEvent,
  type ReactNode,
  type RefObject,
} from 'react';
import type { XY } from '@/core/evidence/picture/homography';

/** Where one looks: the picture point in the middle, px of the screen per px of the picture, and the turn in degrees. */
interface Gaze {
  centre: XY;
  scale: number;
  turn: number;
}
interface Size {
  width: number;
  height: number;
}

export interface ViewerMarks {
  points: readonly XY[];
  selected: number | null;
  onSelect: (index: number | null) => void;
  onMove: (index: number, to: XY) => void;
  /** A click or the key p puts a point; undefined when no tool is in hand. */
  onPut?: (at: XY) => void;
  onRemoveLast: () => void;
}

interface Props {
  pictureId: string;
  title: string;
  marks?: ViewerMarks;
  /** What is drawn over the picture, in its px; `px` is one screen px there. */
  drawing?: (px: number) => ReactNode;
  onKey?: (key: string) => boolean;
  /** What lies on the picture under its drawing, as large as it. */
  over?: ReactNode;
  /** Told once the picture is there, px. */
  onSize?: (size: Size) => void;
}

const MOST_SCALE = 24;
const CLICK_SLACK = 4;
const LOUPE = 150;
const LOUPE_ZOOM = 6;

/** Where one looks at a picture from, and how that is changed: in its own px, whatever the turn. */
function useGaze(frame: RefObject<HTMLDivElement | null>, size: Size | null) {
  const [gaze, setGaze] = useState<Gaze>({ centre: [0, 0], scale: 1, turn: 0 });
  const fit = (of: Size, turn: number) => {
    const box = frame.current!.getBoundingClientRect();
    const lying = turn % 180 !== 0;
    const [w, h] = lying ? [of.height, of.width] : [of.width, of.height];
    setGaze({ centre: [of.width / 2, of.height / 2], scale: Math.min(box.width / w, box.height / h), turn });
  };

  const unturn = ([x, y]: XY): XY => {
    const angle = (-gaze.turn * Math.PI) / 180;
    return [x * Math.cos(angle) - y * Math.sin(angle), x * Math.sin(angle) + y * Math.cos(angle)];
  };
  /** From a place on the screen to one in the picture. */
  const inPicture = (client: XY, at: Gaze = gaze): XY => {
    const box = frame.current!.getBoundingClientRect();
    const [x, y] = unturn([client[0] - box.left - box.width / 2, client[1] - box.top - box.height / 2]);
    return [at.centre[0] + x / at.scale, at.centre[1] + y / at.scale];
  };
  const zoom = (by: number, about?: XY) =>
    setGaze((was) => {
      const scale = Math.min(MOST_SCALE, Math.max(0.05, was.scale * by));
      if (!about) return { ...was, scale };
      // What is under the pointer stays under it.
      const held = inPicture(about, was);
      const then = inPicture(about, { ...was, scale });
      return { ...was, scale, centre: [was.centre[0] + held[0] - then[0], was.centre[1] + held[1] - then[1]] };
    });
  const pan = (x: number, y: number) => {
    const [dx, dy] = unturn([x, y]);
    setGaze((was) => ({ ...was, centre: [was.centre[0] - dx / was.scale, was.centre[1] - dy / was.scale] }));
  };
  const turn = (by: number) => size && fit(size, (gaze.turn + by + 360) % 360);

  // The wheel must not scroll the page, which only a listener of our own may forbid.
  const onWheel = useEffectEvent((event: WheelEvent) => {
    event.preventDefault();
    zoom(Math.exp(-event.deltaY / 400), [event.clientX, event.clientY]);
  });
  useEffect(() => {
    const element = frame.current!;
    const listen = (event: WheelEvent) => onWheel(event);
    element.addEventListener('wheel', listen, { passive: false });
    return () => element.removeEventListener('wheel', listen);
  }, [frame]);

  return { gaze, setGaze, fit, unturn, inPicture, zoom, pan, turn };
}

/** Fingers and mouse: a drag pans or pulls a point, two fingers zoom, a press puts a point. */
function usePointers(
  frame: RefObject<HTMLDivElement | null>,
  marks: Props['marks'],
  { inPicture, zoom, pan }: Pick<ReturnType<typeof useGaze>, 'inPicture' | 'zoom' | 'pan'>,
) {
  const [hover, setHover] = useState<XY | null>(null);
  const pointers = useRef(new Map<number, XY>());
  const gesture = useRef<{ kind: 'pan' | 'point'; index: number; from: XY; moved: boolean } | null>(null);
  const onPointerDown = (event: PointerEvent) => {
    if ((event.target as HTMLElement).closest('button, input')) return;
    frame.current!.setPointerCapture(event.pointerId);
    const client: XY = [event.clientX, event.clientY];
    pointers.current.set(event.pointerId, client);
    const point = (event.target as Element).closest('[data-point]')?.getAttribute('data-point');
    const index = point === null || point === undefined ? -1 : Number(point);
    if (index >= 0) marks?.onSelect(index);
    gesture.current = { kind: index >= 0 ? 'point' : 'pan', index, from: client, moved: false };
  };
  const onPointerMove = (event: PointerEvent) => {
    const client: XY = [event.clientX, event.clientY];
    if (marks?.onPut) setHover(inPicture(client));
    const last = pointers.current.get(event.pointerId);
    const going = gesture.current;
    if (!last || !going) return;
    const others = [...pointers.current].filter(([id]) => id !== event.pointerId);
    pointers.current.set(event.pointerId, client);
    if (others.length === 1) {
      // Two fingers: their distance is the zoom.
      const [, other] = others[0]!;
      const was = Math.hypot(last[0] - other[0], last[1] - other[1]);
      const is = Math.hypot(client[0] - other[0], client[1] - other[1]);
      going.moved = true;
      if (was > 0) zoom(is / was, [(client[0] + other[0]) / 2, (client[1] + other[1]) / 2]);
      return;
    }
    if (Math.hypot(client[0] - going.from[0], client[1] - going.from[1]) > CLICK_SLACK) going.moved = true;
    if (!going.moved) return;
    if (going.kind === 'point') marks?.onMove(going.index, inPicture(client));
    else pan(client[0] - last[0], client[1] - last[1]);
  };
  const onPointerUp = (event: PointerEvent) => {
    pointers.current.delete(event.pointerId);
    const going = gesture.current;
    if (pointers.current.size === 0) gesture.current = null;
    if (going && !going.moved && going.kind === 'pan' && event.type === 'pointerup')
      marks?.onPut?.(inPicture([event.clientX, event.clientY]));
  };

  return { hover, setHover, onPointerDown, onPointerMove, onPointerUp };
}

/** A picture to look at closely: zoom, turn, lighten; points by mouse, touch or keys, with a loupe for the last px. */
export function PictureViewer({ pictureId, title, marks, drawing, over, onKey, onSize }: Props): ReactNode {
  const frame = useRef<HTMLDivElement>(null);
  const [size, setSize] = useState<Size | null>(null);
  const [light, setLight] = useState({ brightness: 100, contrast: 100 });
  const { gaze, setGaze, fit, unturn, inPicture, zoom, pan, turn } = useGaze(frame, size);
  const { hover, setHover, onPointerDown, onPointerMove, onPointerUp } = usePointers(frame, marks, {
    inPicture,
    zoom,
    pan,
  });
  const address = `/pictures/${pictureId}`;

  const nudge = (key: string, by: number): boolean => {
    const step = { ArrowUp: [0, -by], ArrowDown: [0, by], ArrowLeft: [-by, 0], ArrowRight: [by, 0] }[key] as
      [number, number] | undefined;
    if (!step) return false;
    const point = marks && marks.selected !== null ? marks.points[marks.selected] : undefined;
    if (point) {
      // A nudge is one px of the picture, whatever the zoom.
      const [dx, dy] = unturn(step);
      marks!.onMove(marks!.selected!, [point[0] + Math.round(dx), point[1] + Math.round(dy)]);
    } else pan(-step[0] * 24, -step[1] * 24);
    return true;
  };
  const keys: Record<string, () => void> = {
    '+': () => zoom(1.25),
    '=': () => zoom(1.25),
    '-': () => zoom(0.8),
    '0': () => size && fit(size, gaze.turn),
    '1': () => setGaze((was) => ({ ...was, scale: 1 })),
    r: () => turn(90),
    b: () => setLight((was) => ({ ...was, brightness: Math.min(250, was.brightness + 15) })),
    B: () => setLight((was) => ({ ...was, brightness: Math.max(25, was.brightness - 15) })),
    p: () => marks?.onPut?.(gaze.centre),
    o: () => marks && marks.points.length > 0 && marks.onSelect(((marks.selected ?? -1) + 1) % marks.points.length),
    Delete: () => marks?.onRemoveLast(),
    Backspace: () => marks?.onRemoveLast(),
  };
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.ctrlKey || event.metaKey || event.altKey || (event.target as HTMLElement).closest('input')) return;
    if (event.key === 'Escape' && marks?.selected != null) marks.onSelect(null);
    else if (!nudge(event.key, event.shiftKey ? 10 : 1) && !onKey?.(event.key)) {
      const act = keys[event.key];
      if (!act) return;
      act();
    }
    event.preventDefault();
    event.stopPropagation();
  };

  const px = 1 / gaze.scale;
  const loupeAt = marks ? (marks.selected !== null ? marks.points[marks.selected] : marks.onPut ? hover : null) : null;
  return (
    <div className="viewer-block">
      <div
        className={`viewer${marks?.onPut ? ' putting' : ''}`}
        ref={frame}
        tabIndex={0}
        role="application"
        aria-label={`Picture: ${title}. Plus and minus zoom, r turns, b lightens, arrows move${marks?.onPut ? ', p puts a point in the middle, o takes the next point' : ''}`}
        onPointerDown={onPointerDown}
        onPointerMove={onPointerMove}
        onPointerUp={onPointerUp}
        onPointerCancel={onPointerUp}
        onPointerLeave={() => setHover(null)}
        onKeyDown={onKeyDown}
      >
        <div
          className="viewer-plane"
          style={{
            transform: `rotate(${gaze.turn}deg) scale(${gaze.scale}) translate(${-gaze.centre[0]}px, ${-gaze.centre[1]}px)`,
          }}
        >
          <img
            src={address}
            alt={title}
            draggable={false}
            style={{ filter: `brightness(${light.brightness}%) contrast(${light.contrast}%)` }}
            onLoad={(event) => {
              const { naturalWidth: width, naturalHeight: height } = event.currentTarget;
              setSize({ width, height });
              onSize?.({ width, height });
              fit({ width, height }, 0);
            }}
          />
          {over}
          {size ? (
            <svg
              width={size.width}
              height={size.height}
              viewBox={`0 0 ${size.width} ${size.height}`}
              aria-hidden="true"
            >
              {drawing?.(px)}
              {marks ? <Points marks={marks} px={px} /> : null}
            </svg>
          ) : null}
        </div>
        {marks?.onPut ? <span className="viewer-cross" aria-hidden="true" /> : null}
        {loupeAt && size ? <Loupe address={address} size={size} at={loupeAt} /> : null}
      </div>
      <ViewerTools
        title={title}
        scale={gaze.scale}
        zoom={zoom}
        turn={turn}
        onFit={() => size && fit(size, gaze.turn)}
        light={light}
        onLight={setLight}
      />
    </div>
  );
}

/** The points that are put, the selected one larger; dark and light, so that they show on any ground. */
function Points({ marks, px }: { marks: NonNullable<Props['marks']>; px: number }): ReactNode {
  return (
    <>
      {marks.points.map(([x, y], i) => (
        <g key={i} data-point={i} className="viewer-point">
          <circle cx={x} cy={y} r={16 * px} fill="transparent" />
          <circle
            cx={x}
            cy={y}
            r={(marks.selected === i ? 8 : 6) * px}
            fill="none"
            stroke="#000"
            strokeWidth={(marks.selected === i ? 5 : 3.5) * px}
          />
          <circle
            cx={x}
            cy={y}
            r={(marks.selected === i ? 8 : 6) * px}
            fill="none"
            stroke="#fff"
            strokeWidth={(marks.selected === i ? 2.6 : 1.6) * px}
          />
        </g>
      ))}
    </>
  );
}

interface Light {
  brightness: number;
  contrast: number;
}

function ViewerTools({
  title,
  scale,
  zoom,
  turn,
  onFit,
  light,
  onLight,
}: {
  title: string;
  scale: number;
  zoom: (by: number) => void;
  turn: (by: number) => void;
  onFit: () => void;
  light: Light;
  onLight: (light: Light) => void;
}): ReactNode {
  return (
    <div className="viewer-tools" role="toolbar" aria-label={`View of ${title}`}>
      <button type="button" onClick={() => zoom(1.25)} aria-label="Zoom in">
        +
      </button>
      <button type="button" onClick={() => zoom(0.8)} aria-label="Zoom out">
        −
      </button>
      <button type="button" onClick={onFit}>
        Fit
      </button>
      <button type="button" onClick={() => turn(90)} aria-label="Turn by a quarter">
        ↻
      </button>
      <span className="dim">{Math.round(scale * 100)} %</span>
      {(['brightness', 'contrast'] as const).map((name) => (
        <label key={name}>
          {name}
          <input
            type="range"
            min={25}
            max={250}
            step={5}
            value={light[name]}
            onChange={(event) => onLight({ ...light, [name]: Number(event.target.value) })}
          />
        </label>
      ))}
    </div>
  );
}

function Loupe({ address, size, at }: { address: string; size: Size; at: XY }): ReactNode {
  return (
    <span
      className="loupe"
      aria-hidden="true"
      style={{
        width: LOUPE,
        height: LOUPE,
        backgroundImage: `url(${address})`,
        backgroundSize: `${size.width * LOUPE_ZOOM}px ${size.height * LOUPE_ZOOM}px`,
        backgroundPosition: `${LOUPE / 2 - at[0] * LOUPE_ZOOM}px ${LOUPE / 2 - at[1] * LOUPE_ZOOM}px`,
      }}
    />
  );
}
