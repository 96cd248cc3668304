import type { MouseEvent } from 'react';

/** A press anywhere in a row opens it; what has a press of its own keeps it, and a text that is being marked stays marked. */
export const openedByRow = (open: () => void) => (event: MouseEvent<HTMLElement>) => {
  const target = event.target as HTMLElement;
  if (target.closest('button, a, input, select, textarea, label') || window.getSelection()?.toString()) return;
  open();
};
