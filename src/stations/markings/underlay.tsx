'use client';

import Button from '@mui/material/Button';
import { useRef, useState, type KeyboardEvent, type PointerEvent, type ReactNode } from 'react';
import type { Kept } from '@/core/kept/records';
import { isSide, type View } from '@/core/outline/zones';
import { useMeasures } from '@/ui/shown-units';
import { PictureDrop } from '@/ui/picture-drop';
import { RemoveButton } from '@/stations/shell/remove-button';
import { ARROWS } from './handle';
import type { MarkingsPage } from './page-data';
import { useKeep } from '@/stations/shell/use-keep';

/** A drawing of one's own over a view, seen through like tracing paper: turned and sized so that its two known points lie where they belong. */
export function Underlay({
  underlay: { pictureId, fromPoint: a, toPoint: b },
  place,
  width,
  height,
}: {
  underlay: Kept<'underlay'>;
  /** Where a station and offset lie in the drawing, px. */
  place: (x: number, y: number) => readonly [number, number];
  width: number;
  height: number;
}): ReactNode {
  const [size, setSize] = useState<[number, number] | null>(null);
  const [ax, ay] = place(a.x, a.y);
  const [bx, by] = place(b.x, b.y);
  const [w, h] = size ?? [1, 1];
  const drawn = Math.hypot((b.u - a.u) * w, (b.v - a.v) * h);
  const scale = drawn > 0 ? Math.hypot(bx - ax, by - ay) / drawn : 1;
  const turn = Math.atan2(by - ay, bx - ax) - Math.atan2((b.v - a.v) * h, (b.u - a.u) * w);
  return (
    <div className="underlay" style={{ width, height }}>
      <img
        src={`/pictures/${pictureId}`}
        alt=""
        onLoad={({ currentTarget }) => setSize([currentTarget.naturalWidth, currentTarget.naturalHeight])}
        style={{
          visibility: size ? 'visible' : 'hidden',
          transform: `translate(${ax}px, ${ay}px) rotate(${turn}rad) scale(${scale}) translate(${-a.u * w}px, ${-a.v * h}px)`,
        }}
      />
    </div>
  );
}

interface OnPicture {
  u: number;
  v: number;
}

/** The drawing under a view: two points that are put on it, and how far they are apart on the machine. */
export function UnderlayForm({
  data,
  view,
  underlay,
}: {
  data: MarkingsPage;
  view: View;
  underlay: Kept<'underlay'> | null;
}): ReactNode {
  const { keep, busy } = useKeep(data.briefId, 'markings');
  const measures = useMeasures();
  const [pictureId, setPictureId] = useState(underlay?.pictureId ?? null);
  const [points, setPoints] = useState<readonly [OnPicture, OnPicture]>(
    underlay
      ? [underlay.fromPoint, underlay.toPoint]
      : [
          { u: 0.05, v: 0.5 },
          { u: 0.95, v: 0.5 },
        ],
  );
  const [apart, setApart] = useState(() =>
    measures.asTyped(Math.round(lengthOf(underlay) ?? data.spec.dimensions.length * 1000), 'mm'),
  );
  const [at, setAt] = useState(() => measures.asTyped(underlay?.fromPoint.x ?? 0, 'm'));
  const [up, setUp] = useState(() =>
    measures.asTyped(
      underlay?.fromPoint.y ?? (isSide(view) ? Math.round(data.spec.dimensions.fuselageHeight * 50) / 100 : 0),
      'm',
    ),
  );
  const [lengthMm, station, offset] = [measures.read(apart, 'mm'), measures.read(at, 'm'), measures.read(up, 'm')];
  const fault =
    lengthMm === null || lengthMm <= 0
      ? 'The known length has to be above 0.'
      : station === null || offset === null
        ? 'Where the first point lies is wanted, in m.'
        : Math.hypot(points[0].u - points[1].u, points[0].v - points[1].v) < 0.001
          ? 'The two points lie on one another.'
          : null;
  const lay = () =>
    keep(
      'underlay',
      underlay,
      {
        view,
        pictureId: pictureId!,
        fromPoint: { u: points[0].u, v: points[0].v, x: station!, y: offset! },
        toPoint: { u: points[1].u, v: points[1].v, x: station! + lengthMm! / 1000, y: offset! },
      },
      'The drawing lies on the view',
    );
  const put = (i: number, point: OnPicture) => setPoints(([a, b]) => (i === 0 ? [point, b] : [a, point]));
  return (
    <section aria-label="Your own drawing">
      <h2>Your own drawing on this view</h2>
      <PictureDrop
        says={`Drop a drawing of this view here, paste it, or press Enter to choose a file; nose to the ${view === 'starboard' ? 'right' : 'left'}`}
        onPicture={({ id }) => setPictureId(id)}
      />
      {pictureId ? (
        <>
          <p>
            Put 1 and 2 on two points that lie level on the machine, 1 on the one further forward; pull them, or use the
            arrows (alt: finer).
          </p>
          <TwoPoints src={`/pictures/${pictureId}`} alt={`Your drawing, ${view}`} points={points} onPut={put} />
          <p className="corner-row">
            <label>
              They are apart, mm in reality{' '}
              <input inputMode="decimal" size={8} value={apart} onChange={({ target }) => setApart(target.value)} />
            </label>{' '}
            <label>
              the first is at station, m{' '}
              <input inputMode="decimal" size={6} value={at} onChange={({ target }) => setAt(target.value)} />
            </label>{' '}
            <label>
              {isSide(view) ? 'up from the belly, m' : 'to starboard, m'}{' '}
              <input inputMode="decimal" size={6} value={up} onChange={({ target }) => setUp(target.value)} />
            </label>
          </p>
          {fault ? (
            <p role="alert" className="danger">
              ✕ {fault}
            </p>
          ) : null}
          <p className="pane-actions">
            <Button variant="contained" disabled={fault !== null || busy} onClick={() => void lay()}>
              Lay it on
            </Button>{' '}
            {underlay ? (
              <RemoveButton
                briefId={data.briefId}
                station="markings"
                entity="underlay"
                record={underlay}
                said="Drawing taken away; u brings it back"
                lossy
              >
                Take it away
              </RemoveButton>
            ) : null}
          </p>
        </>
      ) : null}
    </section>
  );
}

/** The known length of a drawing, mm in reality. */
const lengthOf = (underlay: Kept<'underlay'> | null): number | null =>
  underlay && 1000 * Math.hypot(underlay.toPoint.x - underlay.fromPoint.x, underlay.toPoint.y - underlay.fromPoint.y);

/** A picture with two points on it, pulled with the pointer or moved with the keys. */
function TwoPoints({
  src,
  alt,
  points,
  onPut,
}: {
  src: string;
  alt: string;
  points: readonly [OnPicture, OnPicture];
  onPut: (point: number, at: OnPicture) => void;
}): ReactNode {
  const frame = useRef<HTMLDivElement>(null);
  const onPointerMove = (event: PointerEvent, i: number) => {
    if (!event.currentTarget.hasPointerCapture(event.pointerId)) return;
    const { left, top, width, height } = frame.current!.getBoundingClientRect();
    onPut(i, { u: share((event.clientX - left) / width), v: share((event.clientY - top) / height) });
  };
  const onKeyDown = (event: KeyboardEvent, i: number) => {
    const way = ARROWS[event.key];
    if (!way) return;
    event.preventDefault();
    event.stopPropagation();
    const step = event.altKey ? 0.001 : 0.01;
    onPut(i, { u: share(points[i]!.u + way[0] * step), v: share(points[i]!.v + way[1] * step) });
  };
  return (
    <div className="underlay-picture" ref={frame}>
      <img src={src} alt={alt} />
      {points.map(({ u, v }, i) => (
        <button
          key={i}
          type="button"
          className="underlay-point"
          aria-label={`Point ${i + 1}: ${(u * 100).toFixed(1)} % across, ${(v * 100).toFixed(1)} % down`}
          style={{ left: `${u * 100}%`, top: `${v * 100}%` }}
          onPointerDown={(event) => event.currentTarget.setPointerCapture(event.pointerId)}
          onPointerMove={(event) => onPointerMove(event, i)}
          onKeyDown={(event) => onKeyDown(event, i)}
        >
          {i + 1}
        </button>
      ))}
    </div>
  );
}

/** A place on a picture, as a share of it. */
const share = (value: number) => Math.min(1, Math.max(0, Math.round(value * 1e5) / 1e5));
