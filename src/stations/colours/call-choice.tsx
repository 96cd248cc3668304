'use client';

import type { ReactNode } from 'react';
import type { ColourCallRow } from './page-data';

/** Which call a pane is about. */
export function CallChoice({
  calls,
  code,
  onChoose,
}: {
  calls: readonly ColourCallRow[];
  code: string;
  onChoose: (code: string) => void;
}): ReactNode {
  return (
    <label>
      For{' '}
      <select value={code} onChange={(event) => onChoose(event.target.value)}>
        {calls.map((call) => (
          <option key={call.code} value={call.code}>
            {call.code} {call.name}
          </option>
        ))}
      </select>
    </label>
  );
}
