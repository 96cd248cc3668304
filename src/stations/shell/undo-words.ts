import type { UndoAnswer } from '@/core/kept/undo-answer';

/** What one press of `u` or `U` did, and what it passed over because others have built on it. */
export function undoInWords({ undone, passed }: UndoAnswer, pressed: 'back' | 'again' = 'back'): string {
  const over = passed.map(({ title, says }) => `Passed over “${title}”: ${says}`);
  const did = pressed === 'back' ? 'Taken back' : 'Done again';
  const nothing = pressed === 'back' ? 'There is nothing left to take back' : 'There is nothing to do again';
  return [...over, undone ? `${did}: ${undone.title}` : over.length > 0 && pressed === 'again' ? '' : nothing]
    .filter(Boolean)
    .join(' ');
}
