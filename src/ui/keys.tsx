'use client';

import { useEffect, useEffectEvent } from 'react';
import { focusHasJustMoved } from './focus-kept';

/** Every shortcut of the application: what `?` shows. */
export const KEY_MAP: readonly (readonly [key: string, does: string])[] = [
  ['0 – 7', 'go to a station'],
  ['v', 'turn the machine in the hand, and put it down'],
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
  ['?', 'this list, and what the words mean'],
];

let filling = 0;

/** Something is being filled in from now on, until what is answered is called: meanwhile no letter is a command. */
export function beginFilling(): () => void {
  filling += 1;
  return () => void (filling -= 1);
}

/** Who says what a key would have done, and why it did not. */
let says: (text: string) => void = () => undefined;

const TYPED_INTO = 'input, textarea, select, [contenteditable], [role="combobox"], [role="dialog"]';
const PRESSED_BY_SPACE = 'button, a[href], summary, [role="button"], [role="option"]';
/** They take nothing away from what is being filled in. */
const HARMLESS: readonly string[] = ['?', 'Escape'];

const isPlain = (event: KeyboardEvent) =>
  !event.ctrlKey && !event.metaKey && !event.altKey && !event.defaultPrevented && !event.isComposing;

/** Why a letter is no command just now; null where it is one. */
function heldUp(key: string): string | null {
  if (HARMLESS.includes(key)) return null;
  if (filling > 0) return `Something is being filled in: keep it, or close it with Esc. Then ${key} is a key again`;
  if (focusHasJustMoved()) return `What is in hand has just changed: press ${key} again if it is still meant`;
  return null;
}

/** Calls `handle` on a plain key press anywhere outside a field. */
export function useKey(key: string, handle: (() => void) | null): void {
  const onKey = useEffectEvent(() => handle?.());
  const isHeard = handle !== null;
  useEffect(() => {
    if (!isHeard) return undefined;
    const listen = (event: KeyboardEvent) => {
      // A key that is held down is one press.
      if (event.key !== key || !isPlain(event) || event.repeat) return;
      const target = event.target as HTMLElement;
      if (target.closest(TYPED_INTO) && key !== 'Escape') return;
      if (key === ' ' && target.closest(PRESSED_BY_SPACE)) return;
      event.preventDefault();
      const why = heldUp(key);
      if (why) says(why);
      else onKey();
    };
    document.addEventListener('keydown', listen);
    return () => document.removeEventListener('keydown', listen);
  }, [key, isHeard]);
}

/** A key that does nothing here says what it is for. */
export function useKeysExplained(tell: (text: string) => void): void {
  const say = useEffectEvent(tell);
  useEffect(() => {
    says = (text) => say(text);
    const listen = (event: KeyboardEvent) => {
      if (!isPlain(event) || event.repeat || event.key.length !== 1 || event.key === ' ') return;
      if ((event.target as HTMLElement).closest(TYPED_INTO)) return;
      const meant = KEY_MAP.filter(([keys]) => keys.split(' ').includes(event.key)).map(([, does]) => does);
      say(
        meant.length > 0
          ? `Nothing for ${event.key} to do here. It is to: ${meant.join('; or: ')}`
          : `${event.key} is no key here; ? lists those there are`,
      );
    };
    // On the window: after all who may have heard it.
    window.addEventListener('keydown', listen);
    return () => {
      says = () => undefined;
      window.removeEventListener('keydown', listen);
    };
  }, []);
}
