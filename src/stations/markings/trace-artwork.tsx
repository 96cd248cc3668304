'use client';

import type { ReactNode } from 'react';
import { artworkOf } from '@/core/markings/artwork';
import type { MarkingsPage } from './page-data';
import { strokeSaid, TracePicture } from './trace-picture';
import { useRedesign } from './use-redesign';

/** The picture of an artwork as fields that are masked, painted or printed. */
export function TraceArtwork({
  data,
  marking,
  pictureId,
}: {
  data: MarkingsPage;
  marking: MarkingsPage['markings'][number];
  pictureId: string;
}): ReactNode {
  const { redesign } = useRedesign(data.briefId, marking);
  return (
    <TracePicture
      data={data}
      pictureId={pictureId}
      own={marking.codes}
      strokeOf={(colour, taken) => strokeSaid(colour, taken, data, marking)}
      onTake={async (taken) => {
        const { artwork, aspect, fills } = artworkOf(taken.map(({ rings, code }) => ({ rings, fill: code })));
        const said = `${artwork.length} fields taken in; u brings the picture back`;
        await redesign({ artwork, aspect, pictureId: null }, said, { codes: fills });
      }}
    />
  );
}
