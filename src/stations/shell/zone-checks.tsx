'use client';

import type { ReactNode } from 'react';
import './zone-checks.css';

/** Zones to be marked one by one. */
export function ZoneChecks({
  zones,
  marked,
  onMark,
}: {
  zones: readonly { key: string; title: string }[];
  marked: readonly string[];
  onMark: (marked: string[]) => void;
}): ReactNode {
  const toggle = (key: string) => onMark(marked.includes(key) ? marked.filter((one) => one !== key) : [...marked, key]);
  return (
    <ul className="plain-list zone-checks">
      {zones.map(({ key, title }) => (
        <li key={key}>
          <label>
            <input type="checkbox" checked={marked.includes(key)} onChange={() => toggle(key)} /> {title}
          </label>
        </li>
      ))}
    </ul>
  );
}
