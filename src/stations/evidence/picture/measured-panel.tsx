'use client';

import Button from '@mui/material/Button';
import { useImperativeHandle, useState, type ReactNode, type Ref } from 'react';
import { addSighting } from '@/actions/evidence';
import { ASPECT_NAMES, ASPECTS, type Aspect } from '@/core/evidence/aspects';
import type { XY } from '@/core/evidence/picture/homography';
import { roundToSd, TOOLS, type Calibration, type Tool } from '@/core/evidence/picture/measure';
import { useZoneChoice } from '@/stations/shell/zone-choice';
import { useSaving } from '@/ui/saving';
import type { EvidencePage, SourceRow } from '@/stations/evidence/page-data';
import type { Figure } from '@/core/evidence/picture/figure';
import '../evidence.css';

/** Makes the figure in hand a sighting. */
export interface MeasuredKeeper {
  keep: () => void;
}

/** The figure with its uncertainty, and what it becomes a sighting of. */
export function MeasuredPanel({
  data,
  source,
  tool,
  points,
  measured,
  calibration,
  ref,
}: {
  data: EvidencePage;
  source: SourceRow;
  tool: Tool;
  points: readonly XY[];
  measured: Figure | null;
  calibration: Calibration | null;
  ref: Ref<MeasuredKeeper>;
}): ReactNode {
  const { run, busy } = useSaving();
  const { zone } = useZoneChoice();
  // The zone chosen on the sheet, unless another was named here.
  const [named, setNamed] = useState<string | null>(null);
  const onZone = named ?? zone ?? data.zones[0]!.value;
  const wanted = tool === 'angle' ? 'text' : 'length';
  const aspects = ASPECT_NAMES.filter((name) => ASPECTS[name].type === wanted);
  const [chosenAspect, setAspect] = useState<Aspect>('size');
  const aspect = aspects.includes(chosenAspect) ? chosenAspect : aspects[0]!;
  const [item, setItem] = useState('');
  const figure = measured && !('fault' in measured) ? measured : null;
  const rounded = figure && roundToSd(figure.value, figure.sd);
  const unit = TOOLS[tool].unit;

  const keep = async () => {
    if (!figure || !rounded || busy) return;
    await run(
      (act) =>
        addSighting({
          act,
          briefId: data.briefId,
          sourceId: source.id,
          zone: onZone,
          aspect,
          item,
          value: tool === 'angle' ? `${rounded.value}° ± ${rounded.sd}°` : String(rounded.value),
          sd: tool === 'angle' ? null : rounded.sd,
          clarity: 'clear',
          sense: 'for',
          note: `measured in the picture: ${TOOLS[tool].title.toLowerCase()}`,
          marks: { tool, points, calibration },
        }),
      `${rounded.value} ± ${rounded.sd} ${unit} is a sighting now`,
    );
  };
  // The viewer has the focus while one measures: its key s comes here.
  useImperativeHandle(ref, () => ({ keep: () => void keep() }));

  if (measured && 'fault' in measured)
    return (
      <p role="alert" className="danger">
        ✕ {measured.fault}
      </p>
    );
  if (!figure || !rounded) return null;
  const part = (value: number) => roundToSd(value, figure.sd).value;
  return (
    <div className="measured" role="status">
      <p>
        <strong className="figure">
          {rounded.value} ± {rounded.sd} {unit}
        </strong>{' '}
        <span className="dim">
          from clicking {part(figure.parts.points)}, from the scale’s points {part(figure.parts.scale)}, from its known
          size {part(figure.parts.known)} {unit}; one standard deviation
          {tool === 'angle' && !calibration ? '; in the plane of the picture' : ''}
        </span>
      </p>
      <div className="measured-target">
        becomes a sighting of{' '}
        <select value={onZone} onChange={(event) => setNamed(event.target.value)} aria-label="Zone measured">
          {data.zones.map((option) => (
            <option key={option.value} value={option.value}>
              {option.label}
            </option>
          ))}
        </select>{' '}
        <select
          value={aspect}
          onChange={(event) => setAspect(event.target.value as Aspect)}
          aria-label="Aspect measured"
        >
          {aspects.map((name) => (
            <option key={name} value={name}>
              {ASPECTS[name].title.toLowerCase()}
            </option>
          ))}
        </select>{' '}
        <input
          value={item}
          onChange={(event) => setItem(event.target.value)}
          placeholder="which one"
          aria-label="Which one"
          size={14}
        />{' '}
        <Button variant="contained" onClick={() => void keep()} disabled={busy}>
          Keep it (s)
        </Button>
      </div>
    </div>
  );
}
