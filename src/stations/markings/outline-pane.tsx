'use client';

import { UNMEASURED } from '@/core/colour/unmeasured';
import Button from '@mui/material/Button';
import { useMemo, useRef, useState, type KeyboardEvent, type PointerEvent, type ReactNode } from 'react';
import type { Kept } from '@/core/kept/records';
import { shownView } from '@/core/markings/views';
import { buildOutline } from '@/core/outline/outline';
import { outlineHandles, pulled, type Pulled } from '@/core/outline/pulled';
import type { View } from '@/core/outline/zones';
import { asDrawn, fromDrawn } from '@/core/scheme/laid';
import { FrontView } from '@/sheet/front-view';
import { ViewDrawing, viewBox } from '@/sheet/view-drawing';
import { Explained } from '@/ui/explained';
import { useWidth } from '@/ui/use-width';
import { arrowed, Handle } from './handle';
import type { MarkingsPage } from './page-data';
import { Underlay, UnderlayForm } from './underlay';
import { useKeep } from '@/stations/shell/use-keep';
import { ViewChoice } from './view-choice';
import { useShown } from '@/ui/shown-units';

const PULLED: readonly View[] = ['port', 'upper'];
const MOST_WIDE_PX = 820;
const MOST_AHEAD_PX = 420;
const MOST_HIGH_PX = 440;
const STEPS = { plain: 0.02, shift: 0.2, alt: 0.005 };

/** The outline of this machine, pulled to a drawing of one's own that lies under it. */
export function OutlinePane({ data }: { data: MarkingsPage }): ReactNode {
  const shown = useShown();
  const { keep, busy } = useKeep(data.briefId, 'markings');
  const [view, setView] = useState<View>('port');
  const [held, setHeld] = useState<{ version: number; shape: Pulled } | null>(null);
  const [chosen, setChosen] = useState<string | null>(null);
  const drag = useRef<string | null>(null);
  const svg = useRef<SVGSVGElement>(null);
  const [width, around] = useWidth();
  const spec = useMemo(
    () => (held && held.version === data.airframeVersion ? { ...data.spec, ...held.shape } : data.spec),
    [held, data.spec, data.airframeVersion],
  );
  const outline = useMemo(() => buildOutline(spec), [spec]);
  const frame = useMemo(() => buildOutline(data.spec), [data.spec]);
  const handles = outlineHandles(spec).filter((handle) => handle.view === view);
  // The frame stays still while the outline in it is pulled.
  const { left, right, top, bottom } = frame.extents[view];
  const scale = Math.min(
    Math.min(width || MOST_WIDE_PX, MOST_WIDE_PX) / (right - left + 0.4),
    MOST_HIGH_PX / (bottom - top + 0.4),
  );
  const box = viewBox(frame.extents[view], scale);
  const own = viewBox(outline.extents[view], scale);
  const px = (x: number, y: number): [number, number] => {
    const [u, v] = asDrawn(outline, view, [[x, y]])[0]!;
    return [(u - box.x) * scale, (v - box.y) * scale];
  };
  const pull = (id: string, at: readonly [number, number]) => {
    const shape = pulled(spec, id, at);
    if (shape) setHeld({ version: data.airframeVersion, shape });
  };
  const keepAirframe = (fields: Partial<Kept<'airframe'>>, said: string) =>
    keep('airframe', { id: data.airframeId, version: data.airframeVersion }, fields, said).then(
      (result) => result.ok && setHeld(null),
    );
  const under = (event: PointerEvent): [number, number] => {
    const { left: x, top: y } = svg.current!.getBoundingClientRect();
    return fromDrawn(outline, view, [box.x + (event.clientX - x) / scale, box.y + (event.clientY - y) / scale]);
  };
  const onKey = (event: KeyboardEvent, id: string, x: number, y: number) => {
    const way = arrowed(event, STEPS, outline, view, [x, y]);
    if (!way) return;
    event.preventDefault();
    event.stopPropagation();
    pull(id, way);
  };
  const underlay = data.underlays.find((one) => one.view === view) ?? null;
  const at = handles.find(({ id }) => id === chosen);
  return (
    <div ref={around}>
      <div className="pane-bar">
        <ViewChoice views={PULLED} view={view} onView={setView} />
        <span className="spread" />
        {held ? (
          <>
            <Button
              variant="contained"
              disabled={busy}
              onClick={() => void keepAirframe(asFields(held.shape), 'Outline saved')}
            >
              Keep the outline
            </Button>
            <Button variant="outlined" onClick={() => setHeld(null)}>
              Let it go
            </Button>
          </>
        ) : data.spec.profile || data.spec.edges ? (
          <Button
            variant="outlined"
            disabled={busy}
            onClick={() => void keepAirframe({ profile: null, edges: null }, 'Fuselage and zones as they began')}
          >
            Fuselage and zones as they began
          </Button>
        ) : null}
      </div>
      <div className="scheme-drawing" style={{ width: box.width, height: box.height }}>
        <div
          style={{
            position: 'absolute',
            left: (own.x - box.x) * scale,
            top: (own.y - box.y) * scale,
          }}
        >
          <ViewDrawing
            view={view}
            drawn={shownView(outline, view, [], [])}
            scale={scale}
            selected={null}
            inkOf={() => UNMEASURED}
            fillOf={() => ({ paint: '#efefef' })}
            idPrefix="outline"
            zoneTitle={(zone) => zone}
          />
        </div>
        {underlay ? <Underlay underlay={underlay} place={px} width={box.width} height={box.height} /> : null}
        <svg
          ref={svg}
          className="scheme-handles"
          width={box.width}
          height={box.height}
          onPointerMove={(event) => drag.current && pull(drag.current, under(event))}
          onPointerUp={() => {
            drag.current = null;
          }}
        >
          {handles.map(({ id, title, x, y }) => (
            <Handle
              key={id}
              at={px(x, y)}
              label={shown(`${title}: ${x.toFixed(2)} m, ${y.toFixed(2)} m`)}
              chosen={chosen === id}
              onChoose={() => setChosen(id)}
              onGrab={() => {
                drag.current = id;
              }}
              onKeyDown={(event) => onKey(event, id, x, y)}
            />
          ))}
        </svg>
      </div>
      <p className="dim">
        {at ? shown(`${at.title}: ${at.x.toFixed(2)} m, ${at.y.toFixed(2)} m. `) : ''}Pull stations, wing and zone
        edges, or move them with the arrows (shift: 0.2 m, alt: 5 mm). Views, areas, markings and sheets follow when it
        is kept.
      </p>
      <figure className="from-ahead">
        <FrontView outline={outline} width={Math.min(width || MOST_AHEAD_PX, MOST_AHEAD_PX)} />
        <figcaption className="dim">From ahead, starboard on the left</figcaption>
      </figure>
      {data.noseWeight ? (
        <p>
          On its nose wheel it{' '}
          <Explained says={`${data.noseWeight.because.join('; ')}. An empty shell: what is built in comes on top.`}>
            {data.noseWeight.grams > 0
              ? `wants about ${Math.ceil(data.noseWeight.grams)} g`
              : 'stands without weight in the nose'}
          </Explained>
          {data.noseWeight.grams > 0
            ? shown(` in the nose, ${data.noseWeight.weightMm.toFixed(0)} mm behind its tip`)
            : ''}
          .
        </p>
      ) : null}
      <UnderlayForm key={`${view} ${underlay?.version ?? 0}`} data={data} view={view} underlay={underlay} />
    </div>
  );
}

/** A shape as the airframe keeps it. */
const asFields = ({ profile, ...shape }: Pulled): Partial<Kept<'airframe'>> => ({
  ...shape,
  profile: profile?.map(([t, top, bottom, width]) => [t, top, bottom, width]) ?? null,
});
