'use client';

import Link from 'next/link';
import { useParams } from 'next/navigation';
import type { ReactNode } from 'react';
import type { Turn } from '@/core/kept/turn';
import './turn-list.css';

/** What a change turns, each line with the way to where it is looked at again; none (`leads` false) where it is not made yet. */
export function TurnList({ turns, leads = true }: { turns: readonly Turn[]; leads?: boolean }): ReactNode {
  const brief = useParams<{ id?: string }>()?.id;
  const id = leads ? brief : undefined;
  return (
    <ul className="turns">
      {turns.map(({ says, at, questionId, strip }) => (
        <li key={says}>
          {says}
          {id ? (
            <>
              {' '}
              {strip ? (
                <Link href={`/briefs/${id}/log?show=mishaps&kind=ruledAnew&zones=${strip.join(',')}`}>
                  Strip it first
                </Link>
              ) : (
                <Link href={`/briefs/${id}/${at}${questionId ? `?question=${questionId}` : ''}`}>Look</Link>
              )}
            </>
          ) : null}
        </li>
      ))}
    </ul>
  );
}
