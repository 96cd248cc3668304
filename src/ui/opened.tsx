'use client';

import IconButton from '@mui/material/IconButton';
import { X } from 'lucide-react';
import { useEffect, useEffectEvent, useRef, type ReactNode } from 'react';
import { focusOn } from './focus-kept';
import './opened.css';

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

/** Esc closes this: from anywhere in it, and from elsewhere where it was opened last. Null where it is not to be closed. */
export function useEscape(close: (() => void) | null, element: () => HTMLElement | null = () => null): void {
  const onClose = useEffectEvent(() => close?.());
  const where = useEffectEvent(element);
  const closes = close !== null;
  useEffect(() => {
    if (!closes) return undefined;
    const own = { close: () => onClose(), element: () => where() };
    open.push(own);
    if (open.length === 1) document.addEventListener('keydown', onEscape);
    return () => {
      open.splice(open.indexOf(own), 1);
      if (open.length === 0) document.removeEventListener('keydown', onEscape);
    };
  }, [closes]);
}

/** The button that closes what is open, beside Esc. */
export const CloseButton = ({ label, onClose }: { label: string; onClose: () => void }): ReactNode => (
  <IconButton className="opened-close" size="small" aria-label={`Close ${label}`} title="Close (Esc)" onClick={onClose}>
    <X size={18} />
  </IconButton>
);

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
      {closes ? <CloseButton label={label} onClose={onClose} /> : null}
      {children}
    </section>
  );
}
