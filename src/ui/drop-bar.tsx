import type { ReactNode } from 'react';
import './drop-bar.css';

export interface DropPart {
  label: string;
  /** Screen colour; null for thinner. */
  hex: string | null;
  drops: number;
}

const MOST_SHOWN = 30;

/** A recipe as a row of drops, one mark for each, in mixing order; the thinner's are hollow. */
export function DropBar({ parts, label }: { parts: readonly DropPart[]; label?: string }): ReactNode {
  const total = parts.reduce((sum, { drops }) => sum + drops, 0);
  const says =
    label ?? parts.map((part) => `${part.drops} ${part.drops === 1 ? 'drop' : 'drops'} ${part.label}`).join(', ');
  // Beyond a row's length one mark stands for several.
  const each = Math.ceil(total / MOST_SHOWN);
  return (
    <span className="drop-bar" role="img" aria-label={says} title={says}>
      {parts.map((part) => (
        <span key={part.label} className="drops">
          {Array.from({ length: Math.max(1, Math.round(part.drops / each)) }, (_, i) => (
            <svg key={i} viewBox="0 0 12 16" width="12" height="16" aria-hidden="true">
              <path
                d="M6 1 C8 5 11 7.5 11 10.5 A5 5 0 0 1 1 10.5 C1 7.5 4 5 6 1 Z"
                fill={part.hex ?? 'none'}
                stroke={part.hex ? '#ffffff' : '#f3f3f3'}
                strokeWidth={part.hex ? 0.6 : 1.2}
              />
            </svg>
          ))}
        </span>
      ))}
      {each > 1 ? <small>1 mark = {each} drops</small> : null}
    </span>
  );
}
