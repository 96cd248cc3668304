'use client';

import Button from '@mui/material/Button';
import Link from 'next/link';
import { useParams } from 'next/navigation';
import type { ReactNode } from 'react';

/** What goes on an empty screen, and the next thing to do with a button that does it. `to` is the station, with its query where it has one. */
export function NextThing({
  to,
  does,
  beside = null,
  children,
}: {
  to: string;
  does: string;
  /** Another thing that can be done. */
  beside?: ReactNode;
  children: ReactNode;
}): ReactNode {
  const params = useParams<{ id: string }>();
  return (
    <div className="empty">
      <p>{children}</p>
      <Button variant="contained" component={Link} prefetch={false} href={`/briefs/${params?.id ?? ''}/${to}`}>
        {does}
      </Button>{' '}
      {beside}
    </div>
  );
}
