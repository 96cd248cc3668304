'use client';

import { wrap, type Remote } from 'comlink';
import { useEffect, useRef, useState } from 'react';

/** A worker that stays as long as what asks it is shown: what it made ready once it need not make again. */
export function useStandingWorker<Api>(make: () => Worker): () => Remote<Api> {
  const standing = useRef<{ worker: Worker; api: Remote<Api> } | null>(null);
  useEffect(
    () => () => {
      standing.current?.worker.terminate();
      standing.current = null;
    },
    [],
  );
  return () => {
    if (!standing.current) {
      const worker = make();
      standing.current = { worker, api: wrap<Api>(worker) };
    }
    return standing.current.api;
  };
}

/**
 * What such a worker answers to a question, asked again whenever the question changes: while it works only the last question waits. The former
 * answer stays until the next is there. `question` is told by its words; null asks nothing.
 */
export function useAnswered<Answer>(
  question: string | null,
  ask: (question: string) => Promise<Answer>,
): Answer | null {
  const [answer, setAnswer] = useState<Answer | null>(null);
  const waiting = useRef<string | null>(null);
  const isAsking = useRef(false);
  const isShown = useRef(true);
  useEffect(() => {
    isShown.current = true;
    return () => {
      isShown.current = false;
    };
  }, []);
  useEffect(() => {
    waiting.current = question;
    if (isAsking.current) return;
    isAsking.current = true;
    void (async () => {
      try {
        while (waiting.current !== null) {
          const now = waiting.current;
          waiting.current = null;
          const found = await ask(now);
          if (isShown.current) setAnswer(found);
        }
      } finally {
        isAsking.current = false;
      }
    })();
    // Asked for another question alone.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [question]);
  return question === null ? null : answer;
}
