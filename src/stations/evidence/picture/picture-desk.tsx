'use client';

import dynamic from 'next/dynamic';
import { useRef, useState, type ReactNode } from 'react';
import { figureOf } from '@/core/evidence/picture/figure';
import { TOOLS, type Calibration, type Tool } from '@/core/evidence/picture/measure';
import type { XY } from '@/core/evidence/picture/homography';
import type { EvidencePage, SourceRow } from '@/stations/evidence/page-data';
import type { FigureKeeper } from './becomes';
import { MeasuredPanel } from './measured-panel';
import { Label, LightOverDark, pathOf } from './over-picture';
import { PictureViewer } from './picture-viewer';
import { pointsInHand } from './points-in-hand';
import { ScaleForm } from './scale-form';
import { TonePanel, type Patch } from './tone-panel';
import { useShown } from '@/ui/shown-units';
import { SKIN_TOOLS, type SkinTool } from '@/core/skin/camera/traced';
import '../evidence.css';

const MachineDesk = dynamic(() => import('./machine-desk').then((module) => module.MachineDesk));

export type Mode = 'look' | 'scale' | 'panel' | Tool | 'tone';
const MODES: { mode: Mode; title: string; points: number; asks: string }[] = [
  { mode: 'look', title: 'Look', points: 0, asks: '' },
  {
    mode: 'scale',
    title: 'Known length',
    points: 2,
    asks: 'Put a point on each end of something whose length is known.',
  },
  {
    mode: 'panel',
    title: 'Known panel',
    points: 4,
    asks: 'Put a point on each corner of a flat panel whose size is known: upper left, upper right, lower right, lower left.',
  },
  { mode: 'length', title: 'Length', points: 2, asks: 'Put a point on each end.' },
  { mode: 'diameter', title: 'Diameter', points: 3, asks: 'Put three points on the rim.' },
  { mode: 'angle', title: 'Angle', points: 3, asks: 'Put a point on one leg, on the corner, on the other leg.' },
  {
    mode: 'tone',
    title: 'Tones',
    points: 40,
    asks: 'Put a point on the patch that is asked for, then on patches whose colour is known.',
  },
];
const isTool = (mode: Mode): mode is Tool => mode in TOOLS;

/** A source's picture with everything to measure in it, and another one beside it to compare. */
export function PictureDesk({ data, source }: { data: EvidencePage; source: SourceRow }): ReactNode {
  const shown = useShown();
  const [mode, setMode] = useState<Mode>('look');
  const [points, setPoints] = useState<Partial<Record<Mode, XY[]>>>({});
  const [patches, setPatches] = useState<Patch[]>([]);
  const [selected, setSelected] = useState<number | null>(null);
  /** What is done with the machine that lies over the picture; null while it is looked at in its own plane. */
  const [onMachine, setOnMachine] = useState<'lay' | SkinTool | null>(null);
  const [beside, setBeside] = useState('');
  const measuredPanel = useRef<FigureKeeper>(null);
  const calibration = source.calibration as Calibration | null;
  const { points: wanted, asks } = MODES.find((item) => item.mode === mode)!;
  const here = mode === 'tone' ? patches.map((patch) => patch.at) : (points[mode] ?? standingPoints(mode, calibration));
  const other = data.sources.find((item) => item.id === beside);
  const withPicture = data.sources.filter((item) => item.pictureId && item.id !== source.id);

  const change = (next: XY[]) => {
    if (mode === 'tone') setPatches((was) => next.map((at, i) => ({ ...(was[i] ?? { code: '', radius: 8 }), at })));
    else setPoints({ ...points, [mode]: next });
  };
  const measured = isTool(mode) && here.length === wanted ? figureOf(mode, here, calibration) : null;
  return (
    <div className="picture-desk">
      <div className="mode-bar" role="group" aria-label="Tools for the picture">
        {MODES.map((item) => (
          <button
            key={item.mode}
            type="button"
            aria-pressed={onMachine === null && mode === item.mode}
            onClick={() => {
              setMode(item.mode);
              setOnMachine(null);
              setSelected(null);
            }}
          >
            {item.title}
          </button>
        ))}
        <span className="mode-group" role="group" aria-label="With the machine laid over it">
          <button type="button" aria-pressed={onMachine === 'lay'} onClick={() => setOnMachine('lay')}>
            Lay the machine over it
          </button>
          {onMachine || source.camera
            ? (Object.keys(SKIN_TOOLS) as SkinTool[]).map((tool) => (
                <button key={tool} type="button" aria-pressed={onMachine === tool} onClick={() => setOnMachine(tool)}>
                  {SKIN_TOOLS[tool].title} on it
                </button>
              ))
            : null}
        </span>
        <label>
          beside{' '}
          <select value={beside} onChange={(event) => setBeside(event.target.value)} aria-label="Another source beside">
            <option value="">nothing</option>
            {withPicture.map((item) => (
              <option key={item.id} value={item.id}>
                {item.title}
              </option>
            ))}
          </select>
        </label>
      </div>
      {onMachine ? (
        <MachineDesk data={data} source={source} tool={onMachine === 'lay' ? null : onMachine} />
      ) : (
        <>
          <div className={other ? 'viewers two' : 'viewers'}>
            <PictureViewer
              pictureId={source.pictureId!}
              title={source.title}
              marks={pointsInHand(here, wanted, mode !== 'look', change, [selected, setSelected])}
              drawing={(px) => (
                <>
                  {mode === 'look' || isTool(mode) ? <KeptMarks data={data} source={source} px={px} /> : null}
                  <Shape mode={mode} points={here} px={px} />
                </>
              )}
              onKey={(key) => {
                if (key !== 's') return false;
                measuredPanel.current?.keep();
                return true;
              }}
            />
            {other ? <PictureViewer key={other.id} pictureId={other.pictureId!} title={other.title} /> : null}
          </div>
          {mode === 'scale' || mode === 'panel' ? (
            <ScaleForm
              key={`${mode} ${source.version}`}
              data={data}
              source={source}
              kind={mode === 'scale' ? 'length' : 'panel'}
              points={here}
              complete={here.length === wanted}
            />
          ) : null}
          {isTool(mode) ? (
            <MeasuredPanel
              data={data}
              source={source}
              tool={mode}
              points={here}
              measured={measured}
              calibration={calibration}
              ref={measuredPanel}
            />
          ) : null}
          {mode === 'look' ? (
            <p className="dim">
              {calibration
                ? `${shown(scaleInWords(calibration))} `
                : 'No scale yet: a known length or a known panel gives one. '}
              Drag or arrows move, wheel or + − zoom, r turns, b and B lighten and darken.
            </p>
          ) : (
            <p className="dim">
              {asks} {here.length < wanted && mode !== 'tone' ? `${here.length} of ${wanted}.` : ''} Click, or p for the
              middle; drag or nudge with arrows (shift: 10 px), o takes the next point, Delete the last.
            </p>
          )}
          {mode === 'tone' ? (
            <TonePanel data={data} source={source} patches={patches} onPatches={setPatches} onSelect={setSelected} />
          ) : null}
        </>
      )}
    </div>
  );
}

/** The points of the scale that stands, when its tool is taken up again. */
const standingPoints = (mode: Mode, calibration: Calibration | null): XY[] =>
  (mode === 'scale' && calibration?.kind === 'length') || (mode === 'panel' && calibration?.kind === 'panel')
    ? [...calibration.points]
    : [];

const scaleInWords = (calibration: Calibration): string =>
  calibration.kind === 'length'
    ? `Scale: ${calibration.mm} ± ${calibration.sdMm} mm between two points.`
    : `Scale: a panel of ${calibration.widthMm} × ${calibration.heightMm} ± ${calibration.sdMm} mm, rectified.`;

/** Lines that tell what the points mean. */
function Shape({ mode, points, px }: { mode: Mode; points: readonly XY[]; px: number }): ReactNode {
  if (mode === 'look' || mode === 'tone') return null;
  return <LightOverDark d={pathOf(points, mode === 'panel' && points.length === 4)} px={px} light={1.4} dark={3.4} />;
}

/** What was measured in this picture before, with its figure. */
function KeptMarks({ data, source, px }: { data: EvidencePage; source: SourceRow; px: number }): ReactNode {
  const kept = data.questions.flatMap((question) =>
    question.sightings.filter((s) => s.sourceId === source.id && s.questionId === question.id && s.marks),
  );
  return kept.map((sighting) => {
    const { points } = sighting.marks!;
    return (
      <g key={sighting.id} className="kept-marks">
        <LightOverDark d={pathOf(points)} px={px} light={1.2} dark={3} dashes={[5]} />
        <Label at={points[0]!} px={px}>
          {sighting.value}
          {sighting.sd ? ` ± ${sighting.sd}` : ''}
        </Label>
      </g>
    );
  });
}
