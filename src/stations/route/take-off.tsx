'use client';

import type { ReactNode } from 'react';
import { takenOff } from '@/core/route/evening';
import { useKeep } from '@/stations/shell/use-keep';
import { fullDay } from '@/ui/dates';
import type { RoutePage } from './page-data';

/** Takes one evening off the week; the plan goes on without it. */
export function TakeOff({ briefId, session }: { briefId: string; session: RoutePage['sessions'][number] }): ReactNode {
  const { keep, busy } = useKeep(briefId, 'route');
  const onDay = session.startLocal.slice(0, 10);
  return (
    <button
      type="button"
      className="row-button"
      disabled={busy}
      aria-label={`Not at the bench on ${fullDay(onDay)}`}
      onClick={() => void keep('evening', null, takenOff(onDay), 'Taken off; u brings it back')}
    >
      not this evening
    </button>
  );
}
