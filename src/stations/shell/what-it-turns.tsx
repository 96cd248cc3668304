'use client';

import { useEffect, useEffectEvent, useState, type ReactNode } from 'react';
import type { Result } from '@/core/interchange/result';
import type { Stamp } from '@/core/kept/act';
import type { Turn } from '@/core/kept/turn';
import { stampNow } from '@/ui/saving';
import { TurnList } from '@/ui/turn-list';
import './what-it-turns.css';

/** How long nothing is typed before it is asked what it would turn, ms. */
const PAUSE = 500;

/**
 * What a change would turn, before it is made. `of` names what would be changed, so that it is asked again only when that is another; null where
 * nothing would. `weigh` asks the server, which keeps nothing of it.
 */
export function WhatItTurns({
  of,
  weigh,
  pause = PAUSE,
  choice,
}: {
  of: string | null;
  weigh: (act: Stamp) => Promise<Result<Turn[]>>;
  pause?: number;
  /** What is to be chosen about it, below it. */
  choice?: (turns: readonly Turn[]) => ReactNode;
}): ReactNode {
  const [found, setFound] = useState<{ of: string; answer: Result<Turn[]> | null } | null>(null);
  const ask = useEffectEvent(weigh);
  useEffect(() => {
    if (of === null) return undefined;
    let stale = false;
    const timer = setTimeout(() => {
      ask(stampNow()).then(
        (answer) => !stale && setFound({ of, answer }),
        () => !stale && setFound({ of, answer: null }),
      );
    }, pause);
    return () => {
      stale = true;
      clearTimeout(timer);
    };
  }, [of, pause]);
  if (of === null) return null;
  const answer = found?.of === of ? found.answer : undefined;
  return (
    <section className="what-it-turns" aria-live="polite" aria-label="What this changes">
      <h3>What this changes</h3>
      <Found answer={answer} />
      {answer?.ok ? choice?.(answer.value) : null}
    </section>
  );
}

/** `answer` is undefined while it is reckoned, and null where the server is away. */
function Found({ answer }: { answer: Result<Turn[]> | null | undefined }): ReactNode {
  if (answer === undefined) return <p className="dim">Reckoning …</p>;
  if (answer === null) return <p className="dim">The server cannot be reached: it is said when it is kept.</p>;
  if (answer.ok)
    return answer.value.length === 0 ? (
      <p className="dim">Nothing beside itself: rulings, paints, sizes and plan stay as they are.</p>
    ) : (
      <TurnList turns={answer.value} leads={false} />
    );
  return (
    <p className="dim">
      {'faults' in answer ? answer.faults.map(({ says }) => says).join('. ') : 'It was changed elsewhere meanwhile.'}
    </p>
  );
}
