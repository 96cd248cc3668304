import { startTransition, useEffect, useOptimistic, useRef } from 'react';
import { enterCell } from '@/actions/evidence';
import type { Result } from '@/core/interchange/result';
import { useSaving } from '@/ui/saving';
import { withEntry } from './entered';
import type { CellText, Standing } from './ledger';
import type { EvidencePage, QuestionRow } from './page-data';

/**
 * The ledger's rows, and how a cell is kept: what is typed stands there at once, support and ruling follow with the answer. A cell that is
 * typed into again before that builds on what the answer will say stands there.
 */
export function useCellEntries(data: EvidencePage): [QuestionRow[], (entry: CellText) => Promise<Result>] {
  const { run } = useSaving();
  const [questions, enter] = useOptimistic(data.questions, (was, entry: CellText) =>
    withEntry(was, data.sources, entry),
  );
  const sent = useRef(new Map<string, { standing: Promise<Standing>; answered: boolean }>());
  // A new page shows what was answered.
  useEffect(() => {
    for (const [cell, { answered }] of sent.current) if (answered) sent.current.delete(cell);
  }, [data.questions]);

  const keep = (entry: CellText): Promise<Result> =>
    new Promise((resolve) => {
      startTransition(async () => {
        enter(entry);
        const cell = `${entry.questionId} ${entry.sourceId}`;
        const stands = sent.current.get(cell)?.standing ?? entry.standing;
        const answer = run(
          async (act) => enterCell({ act, briefId: data.briefId, ...entry, standing: await stands }),
          entry.text.trim() === '' ? 'Sighting removed; u brings it back' : undefined,
        );
        const own = {
          standing: answer.then((result) => (result.ok ? result.value.standing : stands)),
          answered: false,
        };
        sent.current.set(cell, own);
        const result = await answer;
        own.answered = true;
        resolve(result.ok ? { ...result, value: null } : result);
      });
    });
  return [questions, keep];
}
