'use client';

import Button from '@mui/material/Button';
import { useState, type ReactNode, type Ref } from 'react';
import { ASPECTS } from '@/core/evidence/aspects';
import { roundToSd } from '@/core/evidence/picture/measure';
import type { Point } from '@/core/geometry/polygon';
import type { Pixels } from '@/core/markings/traced';
import { isSide } from '@/core/outline/zones';
import { PLAIN_FIELD, type FieldShape } from '@/core/scheme/field';
import type { TracedHere } from '@/core/skin/camera/machine-over';
import type { StraightOn } from '@/core/skin/camera/straight-on';
import { SKIN_TOOLS, type SkinTool } from '@/core/skin/camera/traced';
import type { EvidencePage, SourceRow } from '@/stations/evidence/page-data';
import { useKeep } from '@/stations/shell/use-keep';
import { useSheetData, useZoneChoice } from '@/stations/shell/zone-choice';
import { useShown } from '@/ui/shown-units';
import { Becomes, type FigureKeeper } from './becomes';
import { FIGURES } from './figures';
import { SEEN_FROM, StraightOnPicture } from './straight-on-picture';
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
  straightOn,
}: {
  data: EvidencePage;
  source: SourceRow;
  tool: SkinTool;
  trace: readonly Point[];
  traced: TracedHere | null;
  asks: string;
  ref: Ref<FigureKeeper>;
  /** What lies within what was drawn round, laid flat. */
  straightOn: (pixels: Pixels) => Promise<StraightOn | null>;
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
  const { figure } = traced;
  const rounded = figure && roundToSd(figure.value, figure.sd);
  const told = figure && FIGURES[figure.of];
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
            {tool === 'border' ? <p className="dim">{shown(alongInWords(traced))}</p> : null}
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
          aspects={told.aspects}
          onZone={traced.zones[0] ?? null}
          value={told.unit === 'mm' ? String(rounded.value) : `${rounded.value} ± ${rounded.sd} ${told.unit}`}
          sd={told.unit === 'mm' ? rounded.sd : null}
          says={`${rounded.value} ± ${rounded.sd} ${told.unit}`}
          note={`traced on the machine in the picture: ${tool === 'border' ? alongInWords(traced) : told.says}`.slice(
            0,
            300,
          )}
          marks={{ tool, onSkin: true, points: trace.map(([u, v]) => [u, v]), calibration: null }}
          ref={ref}
        />
      ) : null}
      {tool === 'border' || tool === 'area' ? (
        <IntoScheme data={data} source={source} tool={tool} traced={traced} />
      ) : null}
      {tool === 'area' ? <StraightOnPicture key={JSON.stringify(trace)} source={source} lay={straightOn} /> : null}
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

/** One press puts what was traced into the scheme: a line at a height, or an area, in the view that looks at it. */
function IntoScheme({
  data,
  source,
  tool,
  traced,
}: {
  data: EvidencePage;
  source: SourceRow;
  tool: 'border' | 'area';
  traced: TracedHere;
}): ReactNode {
  const { keep, busy } = useKeep(data.briefId, 'evidence');
  const sheet = useSheetData();
  const [code, setCode] = useState('');
  const [covers, setCovers] = useState<'below' | 'above'>('below');
  const [isMirrored, setMirrored] = useState(false);
  const { view } = traced;
  const known = traced.corners.flatMap(({ isKnown, inView }) => (isKnown && inView ? [inView] : []));
  const least = tool === 'area' ? 3 : 2;
  if (!view || known.length < least) return null;
  if (tool === 'border' && !isSide(view))
    return <p className="dim">From here it goes into the scheme as an area: take “Area” and go round it.</p>;
  // Those of this machine come first.
  const called = (value: string) => Object.hasOwn(sheet?.inks ?? {}, value);
  const codes = [...data.codes].sort((a, b) => Number(called(b.value)) - Number(called(a.value)));
  const chosen = code || codes[0]?.value || '';
  const mayMirror = saysMirrored(data);
  const corners = known.map(([x, y]) => ({ x: Math.round(x * 1000) / 1000, y: Math.round(y * 1000) / 1000, on: null }));
  const shape: FieldShape =
    tool === 'border'
      ? {
          kind: 'height',
          view: view as 'port' | 'starboard',
          corners: [...corners].sort((a, b) => a.x - b.x),
          smooth: true,
          covers,
        }
      : { kind: 'area', view, corners, smooth: false };
  return (
    <div className="measured-target">
      goes into the scheme {tool === 'border' ? 'as the border of ' : 'as an area of '}
      <select value={chosen} onChange={({ target }) => setCode(target.value)} aria-label="Colour in the scheme">
        {codes.map(({ value, label }) => (
          <option key={value} value={value}>
            {label}
          </option>
        ))}
      </select>{' '}
      {tool === 'border' ? (
        <select
          value={covers}
          onChange={({ target }) => setCovers(target.value as 'below' | 'above')}
          aria-label="Which side of it"
        >
          <option value="below">below it</option>
          <option value="above">above it</option>
        </select>
      ) : (
        <span>{SEEN_FROM[view]}</span>
      )}{' '}
      {mayMirror ? (
        <label>
          <input type="checkbox" checked={isMirrored} onChange={({ target }) => setMirrored(target.checked)} /> and on
          the other side, as {mayMirror}
        </label>
      ) : null}{' '}
      <Button
        variant="outlined"
        disabled={busy || !chosen}
        onClick={() =>
          void keep(
            'scheme_field',
            null,
            {
              ...PLAIN_FIELD,
              keptTo: [],
              title: `Traced: ${source.title}`.slice(0, 80),
              code: chosen,
              shape,
              mirrored: mayMirror !== null && isMirrored,
              rank: Math.max(-1, ...(sheet?.fields ?? []).map(({ rank }) => rank)) + 1,
            },
            'It is in the scheme now; u takes it back',
          )
        }
      >
        Put it into the scheme
      </Button>
    </div>
  );
}

const [MIRRORED] = ASPECTS.pattern.choices;

/** Whether a source says that the other side shows the pattern as in a mirror, and which; null where none does. */
function saysMirrored({ questions, sources }: EvidencePage): string | null {
  for (const question of questions) {
    if (question.aspect !== 'pattern') continue;
    const said = question.sightings.find(({ value, sense }) => sense === 'for' && value === MIRRORED);
    const source = said && sources.find(({ id }) => id === said.sourceId);
    if (source) return `“${source.title}” says`;
    if (question.ruling?.value === MIRRORED) return 'it was ruled';
  }
  return null;
}
