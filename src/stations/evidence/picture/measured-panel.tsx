'use client';

import type { ReactNode, Ref } from 'react';
import { ASPECT_NAMES, ASPECTS } from '@/core/evidence/aspects';
import type { XY } from '@/core/evidence/picture/homography';
import { roundToSd, TOOLS, type Calibration, type Tool } from '@/core/evidence/picture/measure';
import type { EvidencePage, SourceRow } from '@/stations/evidence/page-data';
import type { Figure } from '@/core/evidence/picture/figure';
import { Becomes, type FigureKeeper } from './becomes';
import '../evidence.css';

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
  ref: Ref<FigureKeeper>;
}): ReactNode {
  const wanted = tool === 'angle' ? 'text' : 'length';
  const aspects = ASPECT_NAMES.filter((name) => ASPECTS[name].type === wanted);
  const figure = measured && !('fault' in measured) ? measured : null;
  const rounded = figure && roundToSd(figure.value, figure.sd);
  const unit = TOOLS[tool].unit;

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
      <Becomes
        data={data}
        source={source}
        aspects={[...aspects].sort((a, b) => Number(b === 'size') - Number(a === 'size'))}
        onZone={null}
        value={tool === 'angle' ? `${rounded.value}° ± ${rounded.sd}°` : String(rounded.value)}
        sd={tool === 'angle' ? null : rounded.sd}
        says={`${rounded.value} ± ${rounded.sd} ${unit}`}
        note={`measured in the picture: ${TOOLS[tool].title.toLowerCase()}`}
        marks={{ tool, onSkin: false, points: points.map(([x, y]) => [x, y]), calibration: asKept(calibration) }}
        ref={ref}
      />
    </div>
  );
}

const asKept = (calibration: Calibration | null) => calibration as SourceRow['calibration'];
