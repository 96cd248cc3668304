'use client';

import type { ReactNode, Ref } from 'react';
import { roundToSd } from '@/core/evidence/picture/measure';
import type { Point } from '@/core/geometry/polygon';
import { isSide } from '@/core/outline/zones';
import type { Prints, TracedHere } from '@/core/skin/camera/machine-over';
import type { LaidFlat, StraightOn } from '@/core/skin/camera/straight-on';
import { SKIN_TOOLS, type SkinTool, type TracedMarking } from '@/core/skin/camera/traced';
import type { EvidencePage, SourceRow } from '@/stations/evidence/page-data';
import { capital } from '@/core/units/words';
import { useZoneChoice } from '@/stations/shell/zone-choice';
import { useShown } from '@/ui/shown-units';
import { Becomes, type FigureKeeper } from './becomes';
import { EdgeAcross } from './edge-across';
import { FIGURES } from './figures';
import { AsArtwork, UnderDrawing } from './from-straight-on';
import { IntoMarking, markingInWords } from './into-marking';
import { IntoScheme } from './into-scheme';
import { SEEN_FROM, StraightOnPicture, type KeptPrints } from './straight-on-picture';
import '../evidence.css';

/** What was traced on the machine: its figure with its uncertainty, what it becomes a sighting of, and how it goes into the scheme. */
export function SkinPanel({
  data,
  source,
  tool,
  trace,
  traced,
  asks,
  ref,
  lengthOf,
  straightOn,
}: {
  data: EvidencePage;
  source: SourceRow;
  tool: SkinTool;
  trace: readonly Point[];
  traced: TracedHere | null;
  asks: string;
  ref: Ref<FigureKeeper>;
  /** What lies between two points, on the skin. */
  lengthOf: (points: Point[]) => Promise<TracedHere | null>;
  /** What lies within what was drawn round, laid flat. */
  straightOn: {
    fromView: (prints: Prints) => Promise<StraightOn | null>;
    inOwnPlane: (prints: Prints) => Promise<LaidFlat | null>;
    prints: KeptPrints;
  };
}): ReactNode {
  const shown = useShown();
  const { titleOf } = useZoneChoice();
  const { least } = SKIN_TOOLS[tool];
  const help = (
    <p className="dim">
      {asks} {trace.length < least ? `${trace.length} of ${least}.` : ''} Click, or p for the middle; drag or nudge with
      arrows, o takes the next point, Delete the last.
    </p>
  );
  if (!traced || trace.length < least) return help;
  const [from, to] = trace;
  if (tool === 'edge' && from && to)
    return (
      <>
        <EdgeAcross data={data} source={source} trace={[from, to]} lengthOf={lengthOf} ref={ref} />
        {help}
      </>
    );
  const { figure } = traced;
  const rounded = figure && roundToSd(figure.value, figure.sd);
  const told = figure && FIGURES[figure.of];
  const along = traced.marking
    ? markingInWords(traced.marking)
    : tool === 'border' || tool === 'length'
      ? alongInWords(traced)
      : '';
  const near = nearInWords(traced, tool === 'border' || tool === 'length');
  const part = (value: number) => roundToSd(value, figure!.sd).value;
  return (
    <>
      <div className="measured" role="status">
        {figure && rounded && told ? (
          <>
            <p>
              <strong className="figure">
                {shown(`${rounded.value} ± ${rounded.sd} ${told.unit}`)} {told.says}
              </strong>{' '}
              <span className="dim">
                from clicking {part(figure.parts.points)}, from how the machine lies {part(figure.parts.camera)}{' '}
                {told.unit}; one standard deviation. On {traced.zones.map(titleOf).join(', ')}.
              </span>
            </p>
            {along ? <p className="dim">{shown(capital(along))}</p> : null}
            {near ? <p className="dim">{shown(capital(near))}</p> : null}
          </>
        ) : null}
        {traced.says.map((says) => (
          <p key={says}>{says}</p>
        ))}
      </div>
      {figure && rounded && told ? (
        <Becomes
          data={data}
          source={source}
          aspects={traced.marking ? [...told.aspects, 'markingPlace'] : told.aspects}
          onZone={traced.zones[0] ?? null}
          value={told.unit === 'mm' ? String(rounded.value) : `${rounded.value} ± ${rounded.sd} ${told.unit}`}
          sd={told.unit === 'mm' ? rounded.sd : null}
          says={`${rounded.value} ± ${rounded.sd} ${told.unit}`}
          otherwise={traced.marking ? { markingPlace: placeOf(traced.marking, traced.corners) } : undefined}
          note={`traced on the machine in the picture: ${along || told.says}`.slice(0, 300)}
          marks={{ tool, onSkin: true, points: trace.map(([u, v]) => [u, v]), calibration: null }}
          ref={ref}
        />
      ) : null}
      {tool === 'border' || tool === 'area' ? (
        <IntoScheme data={data} source={source} tool={tool} traced={traced} />
      ) : null}
      {traced.marking ? <IntoMarking data={data} traced={traced.marking} /> : null}
      {tool === 'area' ? (
        <StraightOnPicture
          key={JSON.stringify(trace)}
          source={source}
          prints={straightOn.prints}
          lay={straightOn.fromView}
          seen={({ view }) => `seen ${SEEN_FROM[view]}`}
        >
          {(flat) => <UnderDrawing data={data} flat={flat} />}
        </StraightOnPicture>
      ) : null}
      {traced.marking ? (
        <StraightOnPicture
          key={JSON.stringify(trace)}
          source={source}
          prints={straightOn.prints}
          lay={straightOn.inOwnPlane}
          seen={() => 'in its own plane, unrolled from the skin'}
        >
          {(flat) => <AsArtwork data={data} flat={flat} />}
        </StraightOnPicture>
      ) : null}
      {help}
    </>
  );
}

/** "640 mm up at station 2 110, … (± 9 to 14 mm)": a border corner by corner. */
function alongInWords({ corners, view }: TracedHere): string {
  const known = corners.flatMap(({ isKnown, inView, sdMm }) => (isKnown && inView ? [{ inView, sdMm }] : []));
  if (!view || known.length === 0) return '';
  const mm = (metres: number) => Math.round(metres * 1000);
  const sds = known.map(({ sdMm }) => Math.round(sdMm));
  const places = known.map(({ inView: [x, y] }) =>
    isSide(view) ? `${mm(y)} up at ${mm(x)}` : `${mm(Math.abs(y))} ${y < 0 ? 'to port' : 'to starboard'} at ${mm(x)}`,
  );
  const [low, high] = [Math.min(...sds), Math.max(...sds)];
  return `${places.join(', ')} mm aft of the nose, ± ${low === high ? low : `${low} to ${high}`} mm`;
}

/** "It begins 84 ± 9 mm from the cowling joint and ends 210 ± 12 mm from the port wing joint 1". */
function nearInWords({ corners }: TracedHere, isLine: boolean): string {
  const said = ({ near, sdMm }: TracedHere['corners'][number]) => {
    const { value, sd } = roundToSd(near!.mm, sdMm);
    return `${value} ± ${sd} mm from the ${near!.id}`;
  };
  const [first, last] = [corners[0], corners.at(-1)];
  const begins = first?.near ? `${isLine ? 'it begins' : 'its first corner lies'} ${said(first)}` : '';
  const ends = isLine && last?.near && last !== first ? `${begins ? '' : 'it '}ends ${said(last)}` : '';
  return [begins, ends].filter(Boolean).join(' and ');
}

/** Where the middle of a marking lies aft of the nose, as well as its corners are known. */
function placeOf({ place: { station } }: TracedMarking, corners: TracedHere['corners']) {
  const { value, sd } = roundToSd(station * 1000, Math.max(...corners.map(({ sdMm }) => sdMm)));
  return { value: String(value), sd, says: `${value} ± ${sd} mm aft of the nose` };
}
