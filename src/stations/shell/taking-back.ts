import { useCallback } from 'react';
import { redo, undo } from '@/actions/records';
import { useSaving } from '@/ui/saving';
import { useOutbox } from './outbox';
import { undoInWords } from './undo-words';

/** Taking back and doing again at a brief: what is not told to the server yet is let go on this device, the rest by the server. */
export function useTakingBack(briefId: string) {
  const { run, tell } = useSaving();
  const outbox = useOutbox();

  const doAgain = useCallback(async () => {
    const result = await run((act) => redo({ act, briefId }));
    if (result.ok) tell(undoInWords(result.value, 'again'));
  }, [run, tell, briefId]);

  const takeBack = useCallback(
    async (only?: string) => {
      if (await outbox.takeBack(only)) return tell('Taken back: it was not told to the server yet');
      const result = await run((act) => undo({ act, briefId, ...(only ? { only } : {}) }));
      if (!result.ok) return;
      const isUndone = result.value.undone !== null;
      tell(undoInWords(result.value), isUndone ? { label: 'Do again', press: () => void doAgain() } : undefined);
    },
    [outbox, run, tell, briefId, doAgain],
  );

  /** The last act; or one by its identity, wherever it stands in the list. */
  return { takeBack, doAgain };
}
