'use client';

import type { ReactNode } from 'react';
import { save } from '@/actions/records';
import { checkFourPoints, MeasureFault, type XY } from '@/core/evidence/picture/homography';
import { measure, type Calibration } from '@/core/evidence/picture/measure';
import { RecordForm } from '@/ui/fields';
import type { EvidencePage, SourceRow } from '@/stations/evidence/page-data';

/** The known size behind the points: kept with the source, so that every later measurement starts from it. */
export function ScaleForm({
  data,
  source,
  kind,
  points,
  complete,
}: {
  data: EvidencePage;
  source: SourceRow;
  kind: Calibration['kind'];
  points: readonly XY[];
  complete: boolean;
}): ReactNode {
  if (!complete) return null;
  const standing = source.calibration?.kind === kind ? source.calibration : null;
  const fields =
    kind === 'length'
      ? [{ name: 'mm', label: 'Known length', unit: 'mm', type: 'number' as const, width: 3 }]
      : [
          { name: 'widthMm', label: 'Panel width', unit: 'mm', type: 'number' as const, width: 3 },
          { name: 'heightMm', label: 'Panel height', unit: 'mm', type: 'number' as const, width: 3 },
        ];
  return (
    <RecordForm
      fields={[...fields, { name: 'sdMm', label: 'Known to plus or minus', unit: 'mm', type: 'number', width: 3 }]}
      initial={standing ?? { sdMm: 0 }}
      version={source.version}
      saveLabel="Set the scale"
      saved="Scale set"
      submit={async (values, version, act) => {
        const calibration = { kind, points, ...values } as Calibration;
        const fault = faultOf(calibration);
        if (fault) return { ok: false, faults: [{ field: kind === 'length' ? 'mm' : 'widthMm', says: fault }] };
        return save({
          act,
          briefId: data.briefId,
          station: 'evidence',
          entity: 'source',
          id: source.id,
          version,
          fields: { calibration },
        });
      }}
      onDone={() => undefined}
    />
  );
}

/** What is wrong with a scale: lengths of nothing, points in a line. */
function faultOf(calibration: Calibration): string | null {
  try {
    if (calibration.kind === 'panel') checkFourPoints(calibration.points, 'The points in the picture');
    measure('length', calibration.points.slice(0, 2), calibration);
    return null;
  } catch (error) {
    if (error instanceof MeasureFault) return error.message;
    throw error;
  }
}
