'use client';

import Link from 'next/link';
import { useParams } from 'next/navigation';
import type { ReactNode } from 'react';
import type { Turn } from '@/core/kept/turn';

/** What a change turns, each line with the way to where it is looked at again. */
export function TurnList({ turns }: { turns: readonly Turn[] }): ReactNode {
  const id = useParams<{ id?: string }>()?.id;
  return (
    <ul className="turns">
      {turns.map(({ says, at, questionId }) => (
        <li key={says}>
          {says}
          {id ? (
            <>
              {' '}
              <Link href={`/briefs/${id}/${at}${questionId ? `?question=${questionId}` : ''}`}>Look</Link>
            </>
          ) : null}
        </li>
      ))}
    </ul>
  );
}
