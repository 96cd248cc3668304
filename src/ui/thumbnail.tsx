import type { ReactNode } from 'react';

/** A kept picture, small, that opens whole beside the page. */
export function Thumbnail({ pictureId, of }: { pictureId: string; of: string }): ReactNode {
  return (
    <a href={`/pictures/${pictureId}`} target="_blank" rel="noreferrer">
      <img src={`/pictures/${pictureId}?size=thumbnail`} alt={`${of}, picture`} loading="lazy" />
    </a>
  );
}
