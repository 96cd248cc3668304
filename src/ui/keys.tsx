'use client';

import { useEffect, useRef } from 'react';

/** Every shortcut of the application: what `?` shows. */
export const KEY_MAP: readonly (readonly [key: string, does: string])[] = [
  ['0 – 7', 'go to a station'],
  ['/', 'find a zone, source, colour or step'],
  ['n', 'something new at this station'],
  ['e', 'edit machine and kit'],
  ['m', 'say something for many zones at once (Evidence)'],
  ['Shift', 'with a press on the sheet: several zones; a line drawn round them does the same'],
  ['t', 'start the next clock of the step in hand (Bench)'],
  ['d', 'the step in hand is done (Bench)'],
  ['space', 'the next card (Bench)'],
  ['Shift ← →', 'the chosen step of the strip a session earlier or later (Route)'],
  ['u', 'take back what was done last; its button in the head names it'],
  ['Shift u', 'do again what was taken back'],
  ['h', 'what was done: the last thirty acts, any of which can be looked at and taken back'],
  ['r s', 'rule a question, say what a source says of it (its name in the ledger has the focus)'],
  ['c', 'the paints for a colour, the nearest in hand (its row at Colours has the focus)'],
  ['any letter', 'fills the cell of the ledger that has the focus (Evidence)'],
  ['p o s', 'put a point, take the next, keep the measurement (a picture at Evidence)'],
  ['+ − r b', 'zoom, turn, lighten a picture'],
  ['Esc', 'close what is open, choose no zone'],
  ['arrows', 'choose a zone, when the drawing has the focus'],
  ['=', 'the sums of the workshop, filled in from the brief'],
  ['?', 'this list'],
];

/** Calls `handle` on a plain key press anywhere outside a field. */
export function useKey(key: string, handle: () => void): void {
  const latest = useRef(handle);
  useEffect(() => {
    latest.current = handle;
  });
  useEffect(() => {
    const listen = (event: KeyboardEvent) => {
      if (event.key !== key || event.ctrlKey || event.metaKey || event.altKey || event.defaultPrevented) return;
      const target = event.target as HTMLElement;
      if (
        target.closest('input, textarea, select, [contenteditable], [role="combobox"], [role="dialog"]') &&
        key !== 'Escape'
      )
        return;
      event.preventDefault();
      latest.current();
    };
    document.addEventListener('keydown', listen);
    return () => document.removeEventListener('keydown', listen);
  }, [key]);
}
