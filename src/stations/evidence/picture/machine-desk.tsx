'use client';

import { useEffect, useMemo, useRef, useState, type ReactNode } from 'react';
import type { Point } from '@/core/geometry/polygon';
import type { Pixels } from '@/core/markings/traced';
import { DIMENSIONS } from '@/core/outline/dimensions';
import { namedPlaces } from '@/core/outline/named-places';
import { buildOutline } from '@/core/outline/outline';
import type { Over, SchemeToHold, SeenElsewhere, TracedHere } from '@/core/skin/camera/machine-over';
import type { LaidFlat, StraightOn } from '@/core/skin/camera/straight-on';
import { kitInWords, type Mend } from '@/core/skin/camera/mends';
import { asDrawn, SKIN_TOOLS, type SkinTool } from '@/core/skin/camera/traced';
import { runsOf } from '@/core/units/grouped';
import type { EvidencePage, SourceRow } from '@/stations/evidence/page-data';
import { useKeep } from '@/stations/shell/use-keep';
import { useSheetData } from '@/stations/shell/zone-choice';
import { useAnswered } from '@/ui/use-standing-worker';
import type { FigureKeeper } from './becomes';
import { AsOthersHaveIt, Elsewhere, tracesElsewhere } from './elsewhere';
import { FitPanel } from './fit-panel';
import { HeldOver } from './held-over';
import { Label, LightOverDark, pathOf } from './over-picture';
import { PictureViewer } from './picture-viewer';
import { PlaceList } from './place-list';
import { pointsInHand } from './points-in-hand';
import { SkinPanel } from './skin-panel';
import { useCamera } from './use-camera';
import { useLaying, type Laying } from './use-laying';
import './machine-desk.css';

/** What a tool asks for. */
const SKIN_ASKS: Readonly<Record<SkinTool, string>> = {
  border: 'Put points along the border of two colours, from one end to the other.',
  length: 'Put points along what is measured, from one end to the other.',
  diameter: 'Put three points on the rim.',
  angle: 'Put a point on one leg, on the corner, on the other leg.',
  area: 'Put points round the area.',
  edge: 'Put a point to either side of the border, straight across it and well into each colour.',
  marking: 'Put its lower left, its lower right and its upper left corner, as it is read.',
};

/** The machine laid over a picture: its places are set, and what is traced then lies on its skin. */
export function MachineDesk({
  data,
  source,
  tool,
}: {
  data: EvidencePage;
  source: SourceRow;
  /** Null while its places are set. */
  tool: SkinTool | null;
}): ReactNode {
  const sheet = useSheetData();
  if (!sheet) return null;
  return <OnSheet data={data} source={source} tool={tool} sheet={sheet} />;
}

function OnSheet({
  data,
  source,
  tool,
  sheet,
}: {
  data: EvidencePage;
  source: SourceRow;
  tool: SkinTool | null;
  sheet: NonNullable<ReturnType<typeof useSheetData>>;
}): ReactNode {
  const { spec, denominator } = sheet;
  const outline = useMemo(() => buildOutline(spec), [spec]);
  const places = useMemo(() => namedPlaces(outline), [outline]);
  const [size, setSize] = useState<{ width: number; height: number } | null>(null);
  const laying = useLaying(source, places, size);
  const { draft } = laying;
  const machine = useMemo(() => ({ spec, denominator }), [spec, denominator]);
  const api = useCamera();
  const over = useAnswered<Over>(
    draft && draft.points.length > 0 ? JSON.stringify({ machine, draft }) : null,
    () => api().over(machine, draft!) as Promise<Over>,
  );
  const figure = useRef<FigureKeeper>(null);
  const [traces, setTraces] = useState<Partial<Record<SkinTool, Point[]>>>({});
  const [selected, setSelected] = useState<number | null>(null);
  const trace = tool ? (traces[tool] ?? []) : [];
  const asked = draft && tool && over?.laid && trace.length > 0 ? { draft, tool, trace } : null;
  const traced = useAnswered<TracedHere | null>(
    asked && JSON.stringify({ machine, ...asked }),
    () => api().traced(machine, asked!.draft, asked!.tool, asked!.trace) as Promise<TracedHere | null>,
  );
  /** Other pictures over which the machine was laid. */
  const othersLaid = data.sources.flatMap(({ id, pictureId, camera }) =>
    camera && id !== source.id ? [{ pictureId, kept: camera }] : [],
  );
  const others = useMemo(() => tracesElsewhere(data, source.id), [data, source.id]);
  const elsewhere = useAnswered<SeenElsewhere[]>(
    draft && over?.laid && others.length > 0 ? JSON.stringify({ machine, draft, others }) : null,
    () => api().elsewhere(machine, draft!, others) as Promise<SeenElsewhere[]>,
  );
  const [wiped, setWiped] = useState(0);
  const scheme = useMemo((): SchemeToHold => {
    const { fields, markings, zones, inks } = sheet;
    return { fields, markings, inks, colours: Object.fromEntries(zones.map(({ key, colour }) => [key, colour])) };
  }, [sheet]);
  const held = useAnswered<Pixels | null>(
    draft && over?.laid && wiped > 0 ? JSON.stringify({ machine, draft, scheme }) : null,
    () => api().held(machine, draft!, scheme) as Promise<Pixels | null>,
  );
  const { keep, busy } = useKeep(data.briefId, 'evidence');
  const keepCamera = () =>
    draft && !busy ? keep('source', source, { camera: draft }, 'The machine lies over this picture now') : undefined;
  // What is traced stands on a camera that is kept.
  useEffect(() => {
    if (tool && laying.isChanged && over?.laid) void keepCamera();
    // When a tool is taken up.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [tool]);

  const change = (next: Point[]) => setTraces({ ...traces, [tool!]: next });
  const most = tool ? SKIN_TOOLS[tool].most : 0;
  const marks = tool ? pointsInHand(trace, most, Boolean(over?.laid), change, [selected, setSelected]) : laying.marks;
  return (
    <>
      <div className="machine-desk">
        <PictureViewer
          pictureId={source.pictureId!}
          title={source.title}
          onSize={setSize}
          marks={marks}
          over={held && size ? <HeldOver held={held} {...size} share={wiped / 100} /> : null}
          drawing={(px) => (
            <>
              {over?.fault === null ? <MachineLines lines={over.lines} px={px} isFaint={tool !== null} /> : null}
              <Elsewhere traces={elsewhere ?? []} px={px} />
              {tool ? (
                <TraceLine tool={tool} trace={trace} traced={traced} px={px} />
              ) : (
                <PlaceNames laying={laying} px={px} />
              )}
            </>
          )}
          onKey={(key) => {
            if (key !== 's') return false;
            if (tool) figure.current?.keep();
            else void keepCamera();
            return true;
          }}
        />
        {tool ? null : <PlaceList outline={outline} places={places} laying={laying} over={over} />}
      </div>
      {tool ? (
        over?.laid ? (
          <SkinPanel
            data={data}
            source={source}
            tool={tool}
            trace={trace}
            traced={traced}
            asks={SKIN_ASKS[tool]}
            ref={figure}
            lengthOf={(points) => api().traced(machine, draft!, 'length', points) as Promise<TracedHere | null>}
            straightOn={{
              fromView: (prints) => api().straightOn(machine, trace, prints) as Promise<StraightOn | null>,
              inOwnPlane: (prints) => api().inOwnPlane(machine, trace, prints) as Promise<LaidFlat | null>,
              prints: [
                { pictureId: source.pictureId!, kept: draft! },
                ...othersLaid.flatMap(({ pictureId, kept }) => (pictureId ? [{ pictureId, kept }] : [])),
              ],
            }}
          />
        ) : (
          <p role="status">Lay the machine over the picture first: then what is traced lies on its skin.</p>
        )
      ) : (
        <FitPanel
          over={over}
          laying={laying}
          onKeep={() => void keepCamera()}
          busy={busy}
          outline={{
            busy,
            mend: ({ dimension, to }) =>
              keep(
                'airframe',
                data.machine,
                { dimensions: { ...spec.dimensions, [dimension]: Math.round(to * 1000) / 1000 } },
                `${DIMENSIONS[dimension].title} is as the pictures have it; u takes it back`,
              ),
            kitInWords: (mend) => kitInWords(mend, data.machine.kit[mend.dimension] ?? null, denominator),
          }}
          findMends={() => api().mends(machine, [draft!, ...othersLaid.map(({ kept }) => kept)]) as Promise<Mend[]>}
        />
      )}
      {over?.laid ? (
        <label className="held-wipe">
          the ruled scheme held over it{' '}
          <input
            type="range"
            min={0}
            max={100}
            step={5}
            value={wiped}
            onChange={({ target }) => setWiped(Number(target.value))}
          />
        </label>
      ) : null}
      <AsOthersHaveIt traces={elsewhere ?? []} traced={traced} />
    </>
  );
}

/** Its lines, light over dark so that they show on any ground. */
function MachineLines({ lines, px, isFaint }: { lines: Float32Array; px: number; isFaint: boolean }): ReactNode {
  const d = useMemo(() => {
    const parts: string[] = [];
    for (let i = 0; i < lines.length; i += 4)
      parts.push(
        `M${lines[i]!.toFixed(1)} ${lines[i + 1]!.toFixed(1)}L${lines[i + 2]!.toFixed(1)} ${lines[i + 3]!.toFixed(1)}`,
      );
    return parts.join('');
  }, [lines]);
  return (
    <g opacity={isFaint ? 0.45 : 1}>
      <path d={d} fill="none" stroke="#000" strokeOpacity={0.6} strokeWidth={2.6 * px} />
      <path d={d} fill="none" stroke="#fff" strokeWidth={1 * px} />
    </g>
  );
}

/** What is asked for, beside the point that is set for it. */
function PlaceNames({ laying, px }: { laying: Laying; px: number }): ReactNode {
  const { selected, points } = laying.marks;
  const at = selected === null ? undefined : points[selected];
  return at ? (
    <Label at={at} px={px}>
      {laying.titleOf(laying.asked!)}
    </Label>
  ) : null;
}

/** What is traced: whole where it is known, dashed where it is not. */
function TraceLine({
  tool,
  trace,
  traced,
  px,
}: {
  tool: SkinTool;
  trace: readonly Point[];
  traced: TracedHere | null;
  px: number;
}): ReactNode {
  const known = runsOf(traced?.along.map(({ at, isKnown }) => (isKnown ? at : null)) ?? []);
  return (
    <>
      <LightOverDark
        d={pathOf(asDrawn(tool, trace), tool === 'area' && trace.length > 2)}
        px={px}
        light={1.2}
        dark={2.6}
        dashes={[6, 4]}
      />
      <LightOverDark d={known.map((line) => pathOf(line)).join('')} px={px} light={2} dark={4.2} />
    </>
  );
}
