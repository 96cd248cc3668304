'use client';

import { proxy, wrap, type Remote } from 'comlink';
import { useEffect, useRef, useState } from 'react';

/**
 * Heavy work in a worker of its own: one run at a time, a new one ends the one before. `make` starts the worker, `work` calls it and
 * tells what it hears on the way; `settle` puts an answer that needed no work, or none.
 */
export function useWorker<Api, Answer>(make: () => Worker) {
  const worker = useRef<Worker | null>(null);
  const [answer, setAnswer] = useState<Answer | null>(null);
  const [working, setWorking] = useState(false);
  useEffect(() => () => worker.current?.terminate(), []);

  const stop = () => {
    worker.current?.terminate();
    worker.current = null;
    setWorking(false);
  };
  const start = async (work: (api: Remote<Api>, hear: (soFar: Answer) => void) => Promise<Answer>) => {
    worker.current?.terminate();
    const mine = make();
    worker.current = mine;
    setWorking(true);
    setAnswer(null);
    const current = () => worker.current === mine;
    const hear = (soFar: Answer) => current() && setAnswer(soFar);
    try {
      const found = await work(wrap<Api>(mine), proxy(hear) as unknown as (soFar: Answer) => void);
      if (current()) setAnswer(found);
    } finally {
      if (current()) {
        setWorking(false);
        mine.terminate();
      }
    }
  };
  return { answer, working, start, stop, settle: setAnswer };
}
