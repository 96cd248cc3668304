'use client';

import IconButton from '@mui/material/IconButton';
import { X } from 'lucide-react';
import { useEffect, useRef, type ReactNode } from 'react';
import { focusOn } from './focus-kept';

/** What is open, the last opened at the end, with how each is closed. */
const open: { close: () => void; element: () => HTMLElement | null }[] = [];

function onEscape(event: KeyboardEvent): void {
  if (event.key !== 'Escape' || event.defaultPrevented || event.isComposing) return;
  const target = event.target as HTMLElement;
  if (target.closest('[role="dialog"], [role="listbox"]:not([tabindex="0"]), [role="menu"]')) return;
  const last = open.findLast(({ element }) => element()?.contains(target)) ?? open.at(-1);
  if (!last) return;
  event.preventDefault();
  last.close();
}

/** Esc closes this: from anywhere in it, and from elsewhere where it was opened last. */
export function useEscape(close: () => void, element: () => HTMLElement | null = () => null): void {
  const latest = useRef({ close, element });
  useEffect(() => {
    latest.current = { close, element };
  });
  useEffect(() => {
    const own = { close: () => latest.current.close(), element: () => latest.current.element() };
    open.push(own);
    if (open.length === 1) document.addEventListener('keydown', onEscape);
    return () => {
      open.splice(open.indexOf(own), 1);
      if (open.length === 0) document.removeEventListener('keydown', onEscape);
    };
  }, []);
}

/** The button that closes what is open; Esc does too, from anywhere in it. */
export function CloseOpened({ label, onClose }: { label: string; onClose: () => void }): ReactNode {
  const button = useRef<HTMLButtonElement>(null);
  useEscape(onClose, () => button.current?.closest<HTMLElement>('[data-opened]') ?? null);
  return (
    <IconButton
      className="opened-close"
      size="small"
      aria-label={`Close ${label}`}
      title="Close (Esc)"
      onClick={onClose}
      ref={button}
    >
      <X size={18} />
    </IconButton>
  );
}

/** What a press opened: it comes into sight, Esc closes it, and the focus goes into it where `takesFocus` says so. */
export function Opened({
  label,
  onClose,
  className = 'ledger-detail',
  takesFocus = false,
  isFollowed = true,
  closes = false,
  children,
}: {
  label: string;
  onClose: () => void;
  className?: string;
  takesFocus?: boolean;
  /** Whether the page moves to it; not where the hand goes on beside it. */
  isFollowed?: boolean;
  /** Brings a button that closes it. */
  closes?: boolean;
  children: ReactNode;
}): ReactNode {
  const section = useRef<HTMLElement>(null);
  useEscape(onClose, () => section.current);
  useEffect(() => {
    const own = section.current!;
    if (isFollowed) own.scrollIntoView({ block: 'nearest' });
    if (takesFocus && !own.contains(document.activeElement)) focusOn(own);
  }, [takesFocus, isFollowed]);
  return (
    <section className={className} aria-label={label} ref={section} data-opened="">
      {closes ? <CloseOpened label={label} onClose={onClose} /> : null}
      {children}
    </section>
  );
}
