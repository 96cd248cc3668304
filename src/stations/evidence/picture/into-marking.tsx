'use client';

import Button from '@mui/material/Button';
import { useState, type ReactNode } from 'react';
import { onOtherSide, placedAt } from '@/core/markings/place';
import { isSide } from '@/core/outline/zones';
import type { TracedMarking } from '@/core/skin/camera/traced';
import type { EvidencePage } from '@/stations/evidence/page-data';
import { useKeep } from '@/stations/shell/use-keep';
import { useSheetData } from '@/stations/shell/zone-choice';
import { useShown } from '@/ui/shown-units';
import { MarkingChoice } from './marking-choice';
import { saysOnBoth } from './said-of-sides';
import { SEEN_FROM } from './straight-on-picture';

/** "1 240 mm up at 4 310 mm aft of the nose, 820 wide, turned by 3 degrees": where a marking was traced. */
export function markingInWords({ place: { view, station, offset, turn }, wideMm }: TracedMarking): string {
  const mm = (metres: number) => Math.round(metres * 1000);
  const at = isSide(view)
    ? `${mm(offset)} mm up`
    : `${mm(Math.abs(offset))} mm ${offset < 0 ? 'to port' : 'to starboard'}`;
  const turned = turn === 0 ? '' : `, turned by ${Math.round(turn)}°`;
  return `its middle ${at} at ${mm(station)} mm aft of the nose, seen ${SEEN_FROM[view]}; ${Math.round(wideMm)} mm wide${turned}`;
}

/** One press puts a marking of the scheme where it was traced, and makes it as high. */
export function IntoMarking({ data, traced }: { data: EvidencePage; traced: TracedMarking }): ReactNode {
  const { keep, busy } = useKeep(data.briefId, 'evidence');
  const sheet = useSheetData();
  const shown = useShown();
  const [chosen, setChosen] = useState('');
  const [takesHeight, setTakesHeight] = useState(true);
  const [isOnBoth, setOnBoth] = useState(false);
  const mayMirror = saysOnBoth(data, traced.zone);
  // Those of the zone that it was traced on come first.
  const markings = [...data.markings].sort((a, b) => Number(b.zone === traced.zone) - Number(a.zone === traced.zone));
  const marking = markings.find(({ id }) => id === chosen) ?? markings[0];
  const laid = sheet?.markings.find(({ id }) => id === marking?.id);
  if (!marking || !laid)
    return <p className="dim">Enter the marking at Markings first: then it goes from here to where it was traced.</p>;
  return (
    <div className="measured-target">
      goes into the scheme as{' '}
      <MarkingChoice label="Marking in the scheme" markings={markings} chosen={marking.id} onChoose={setChosen} />{' '}
      <label>
        <input type="checkbox" checked={takesHeight} onChange={({ target }) => setTakesHeight(target.checked)} />{' '}
        {shown(`${Math.round(traced.highMm)} mm`)} high
      </label>{' '}
      {mayMirror ? (
        <label>
          <input type="checkbox" checked={isOnBoth} onChange={({ target }) => setOnBoth(target.checked)} /> and on the
          other side, as {mayMirror}
        </label>
      ) : null}{' '}
      <Button
        variant="outlined"
        disabled={busy}
        onClick={() =>
          void keep(
            'marking',
            marking,
            {
              places: (mayMirror !== null && isOnBoth
                ? [traced.place, onOtherSide(traced.place)]
                : [traced.place]
              ).reduce(placedAt, laid.places),
              ...(takesHeight ? { heightMm: Math.round(traced.highMm) } : {}),
            },
            `${marking.title} lies there now; u takes it back`,
          )
        }
      >
        Put it there
      </Button>
    </div>
  );
}
