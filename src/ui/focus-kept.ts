'use client';

import { useEffect } from 'react';

/**
 * The focus is where the hand is. What has the focus can be taken out of the page, switched off while an act is on its way, or moved by
 * what the act brought; a browser then lets the focus fall to the page as a whole, and the keyboard begins again at its top. Here it goes
 * to the same thing made anew, to what took its place, or to what opened what has closed.
 */

interface Held {
  element: HTMLElement;
  /** Its ancestors, the nearest first, with the place of the way down among their children. */
  trail: { parent: Element; index: number }[];
}

const REACHED = 'a[href], button, input, select, textarea, summary, [tabindex]:not([tabindex="-1"])';
/** Nobody is put into a field unawares: what is typed next would be in it. */
const TYPED = 'input:not([type="checkbox"], [type="radio"], [type="button"]), textarea, select, [role="combobox"]';
/** What opens and closes as a whole: from it the focus goes back to what opened it. */
const OPENS = 'form, dialog, [role="dialog"], [data-opened]';
/** What may stand for something in it that is switched off for a moment. */
const STANDS_IN = 'form, [data-opened], li, tr, [role="row"], section, main';
const GRASPS = ['gotpointercapture', 'lostpointercapture'] as const;
const REMEMBERED = 24;
/** So long after what was typed into has gone no letter is a command: it was meant for the field. */
const SETTLES_MS = 400;

let movedAt = -Infinity;

/** Whether a field has just gone from under the hand: who types on means the field. */
export const focusHasJustMoved = (): boolean => performance.now() - movedAt < SETTLES_MS;

const isSeen = (element: Element) => element.isConnected && element.checkVisibility({ visibilityProperty: true });
const takesFocus = (element: HTMLElement): boolean =>
  isSeen(element) && !element.matches(':disabled') && element.matches(REACHED);

/** Puts the focus there, on what is no field too, without moving the page. */
export function focusOn(element: HTMLElement): void {
  if (!element.matches(REACHED) && !element.hasAttribute('tabindex')) element.tabIndex = -1;
  element.focus({ preventScroll: true });
}

/** What is switched off loses the focus a frame later: it counts as lost at once. */
const nothingHasIt = () =>
  document.activeElement === null ||
  document.activeElement === document.body ||
  document.activeElement.matches(':disabled');
const nameOf = (element: Element) => element.getAttribute('aria-label') ?? element.textContent ?? '';
const namesake = (within: Element, like: Element) =>
  [...within.querySelectorAll<HTMLElement>(like.tagName)].find(
    (one) => nameOf(one) === nameOf(like) && takesFocus(one),
  );
const firstIn = (within: HTMLElement) =>
  [within, ...within.querySelectorAll<HTMLElement>(REACHED)].find((one) => takesFocus(one) && !one.matches(TYPED));

function heldBy(element: HTMLElement): Held {
  const trail: Held['trail'] = [];
  for (let child: Element = element; child.parentElement; child = child.parentElement)
    trail.push({ parent: child.parentElement, index: [...child.parentElement.children].indexOf(child) });
  return { element, trail };
}

/** Where the focus goes from what is gone; the latest of `before` had it before. */
function placeAfter({ element, trail }: Held, before: readonly HTMLElement[]): HTMLElement | undefined {
  let gone: Element = element;
  while (gone.parentElement) gone = gone.parentElement;
  if (element.closest(OPENS)) {
    const opener = before.findLast((one) => !gone.contains(one));
    if (opener && takesFocus(opener)) return opener;
  }
  for (const { parent, index } of trail) {
    if (!isSeen(parent) || parent === document.body) continue;
    const again = namesake(parent, element);
    if (again) return again;
    for (const at of [index, index - 1]) {
      const beside = parent.children[Math.min(at, parent.children.length - 1)];
      const found = beside instanceof HTMLElement && (namesake(beside, element) ?? firstIn(beside));
      if (found) return found;
    }
    if (parent.matches(STANDS_IN)) return parent as HTMLElement;
  }
  return document.querySelector<HTMLElement>('main') ?? undefined;
}

/** Keeps the focus in the page through every act, for as long as the component stands. */
export function useFocusKept(): void {
  useEffect(() => {
    /** What has the focus, or had it last; what is switched off while the focus stands beside it; what was left by will. */
    const now: { held: Held | null; off: { held: Held; beside: Element } | null; left: Element | null } = {
      held: null,
      off: null,
      left: null,
    };
    let asked = 0;
    const history: HTMLElement[] = [];
    let isTyping = false;

    const move = (to: HTMLElement) => {
      if (isTyping) movedAt = performance.now();
      focusOn(to);
    };
    const check = () => {
      asked = 0;
      const { held, off } = now;
      if (off && document.activeElement === off.beside) {
        const was = off.held;
        if (takesFocus(was.element)) move(was.element);
        else if (!isSeen(was.element)) goOn(was);
        return;
      }
      now.off = null;
      if (held && held.element !== now.left && nothingHasIt()) goOn(held);
    };
    const goOn = (from: Held) => {
      now.off = null;
      if (takesFocus(from.element)) return move(from.element);
      if (isSeen(from.element)) {
        const beside = from.element.parentElement?.closest<HTMLElement>(STANDS_IN);
        if (!beside) return;
        move(beside);
        now.off = { held: from, beside };
        return;
      }
      const next = placeAfter(from, history);
      if (next) move(next);
    };
    const ask = () => {
      if (asked === 0 && (now.off || nothingHasIt())) asked = requestAnimationFrame(check);
    };
    const onFocus = ({ target }: FocusEvent) => {
      if (!(target instanceof HTMLElement) || target === document.body) return;
      now.left = null;
      if (target === now.off?.beside) return;
      now.held = heldBy(target);
      history.push(target);
      if (history.length > REMEMBERED) history.shift();
    };
    // Who presses on the bare page lets go by will: what had the focus stays as it is.
    const onBlur = ({ target, relatedTarget }: FocusEvent) => {
      if (relatedTarget === null && target instanceof HTMLElement && takesFocus(target)) now.left = target;
    };
    // What is dragged takes no text with it.
    const onGrasp = ({ type }: Event) => {
      if (type === 'gotpointercapture') document.documentElement.dataset.dragging = '';
      else delete document.documentElement.dataset.dragging;
    };
    const onKey = ({ key, target }: KeyboardEvent) =>
      void (isTyping = key !== 'Escape' && target instanceof Element && target.matches(TYPED));
    const onPress = () => void (isTyping = false);
    const watched = new MutationObserver((changes) => {
      // What is put elsewhere in the page loses the focus too, against anybody's will.
      if (now.left && changes.some(({ removedNodes }) => [...removedNodes].some((node) => node.contains(now.left))))
        now.left = null;
      ask();
    });
    watched.observe(document.body, {
      childList: true,
      subtree: true,
      attributes: true,
      attributeFilter: ['disabled', 'hidden'],
    });
    const gone = new AbortController();
    const { signal } = gone;
    document.addEventListener('focusin', onFocus, { signal });
    document.addEventListener('focusout', onBlur, { signal });
    document.addEventListener('keydown', onKey, { capture: true, signal });
    document.addEventListener('pointerup', onPress, { signal });
    for (const grasp of GRASPS) document.addEventListener(grasp, onGrasp, { signal });
    return () => {
      gone.abort();
      watched.disconnect();
      cancelAnimationFrame(asked);
    };
  }, []);
}
