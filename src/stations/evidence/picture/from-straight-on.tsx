'use client';

import Button from '@mui/material/Button';
import Link from 'next/link';
import { useState, type ReactNode } from 'react';
import type { LaidFlat, StraightOn } from '@/core/skin/camera/straight-on';
import type { EvidencePage } from '@/stations/evidence/page-data';
import { useKeep } from '@/stations/shell/use-keep';
import { useSheetData } from '@/stations/shell/zone-choice';
import { useSaving } from '@/ui/saving';
import { MarkingChoice } from './marking-choice';
import { SEEN_FROM, takenIn } from './straight-on-picture';

/** Takes a piece that was laid flat into the house, and goes on with its identity. */
function TakeIn({
  flat,
  then,
  children,
}: {
  flat: LaidFlat;
  then: (pictureId: string) => Promise<unknown>;
  children: ReactNode;
}): ReactNode {
  const { tell } = useSaving();
  const [busy, setBusy] = useState(false);
  const take = async () => {
    setBusy(true);
    const taken = await takenIn(flat);
    if ('fault' in taken) tell(`It was not taken in: ${taken.fault}`);
    else await then(taken.id);
    setBusy(false);
  };
  return (
    <Button variant="outlined" disabled={busy} onClick={() => void take()}>
      {children}
    </Button>
  );
}

/** One press lays it under the drawing of its view, where it belongs. */
export function UnderDrawing({ data, flat }: { data: EvidencePage; flat: StraightOn }): ReactNode {
  const { keep } = useKeep(data.briefId, 'evidence');
  const under = data.underlays.find(({ view }) => view === flat.view) ?? null;
  const [[left, top], [right, bottom]] = flat.corners;
  return (
    <TakeIn
      flat={flat}
      then={(pictureId) =>
        keep(
          'underlay',
          under,
          {
            view: flat.view,
            pictureId,
            fromPoint: { u: 0, v: 0, x: left, y: top },
            toPoint: { u: 1, v: 1, x: right, y: bottom },
          },
          `It lies under the drawing ${SEEN_FROM[flat.view]} now, at Markings`,
        )
      }
    >
      {under ? 'Lay it under the drawing instead of what lies there' : 'Lay it under the drawing'}
    </TakeIn>
  );
}

/** One press makes it the artwork of a marking, as large as it is. */
export function AsArtwork({ data, flat }: { data: EvidencePage; flat: LaidFlat }): ReactNode {
  const { keep } = useKeep(data.briefId, 'evidence');
  const sheet = useSheetData();
  const [chosen, setChosen] = useState('');
  const [shown, setShown] = useState<string | null>(null);
  const artworks = data.markings.flatMap((marking) => {
    const laid = sheet?.markings.find(({ id }) => id === marking.id);
    return laid?.kind === 'artwork' ? [{ ...marking, design: laid.design }] : [];
  });
  const marking = artworks.find(({ id }) => id === chosen) ?? artworks[0];
  if (!marking)
    return <p className="dim">With a marking of the kind “artwork” at Markings this can become its picture.</p>;
  return (
    <div className="measured-target">
      becomes the artwork of{' '}
      <MarkingChoice label="Artwork of" markings={artworks} chosen={marking.id} onChoose={setChosen} />{' '}
      <TakeIn
        flat={flat}
        then={async (pictureId) => {
          const kept = await keep(
            'marking',
            marking,
            {
              design: { ...marking.design, pictureId, aspect: Math.round((1000 * flat.width) / flat.height) / 1000 },
              heightMm: Math.round(flat.height * flat.mmPerPx),
            },
            `${marking.title} shows it now`,
          );
          if (kept.ok) setShown(marking.id);
        }}
      >
        Make it its artwork
      </TakeIn>
      {shown === marking.id ? (
        <>
          {' '}
          <Link href={`/briefs/${data.briefId}/markings?marking=${marking.id}`}>Trace it into fields and masks</Link>
        </>
      ) : null}
    </div>
  );
}
