'use client';

import { useRouter, useSearchParams } from 'next/navigation';
import type { ReactNode } from 'react';

export type Panes<P extends string> = readonly (readonly [pane: P, title: string])[];

/** The pane of a station that its address asks for; the first where it asks for none. */
export function usePane<P extends string>(panes: Panes<P>): P {
  const asked = useSearchParams().get('show');
  return (panes.find(([name]) => name === asked) ?? panes[0]!)[0];
}

/** What there is to show, the one that is shown underlined: alike at every station. */
export function PaneTabs<P extends string>({
  panes,
  chosen,
  onChoose,
}: {
  panes: Panes<P>;
  chosen: P;
  onChoose: (pane: P) => void;
}): ReactNode {
  return (
    <nav className="panes" aria-label="What to show">
      {panes.map(([pane, title]) => (
        <button
          key={pane}
          type="button"
          aria-current={pane === chosen ? 'page' : undefined}
          onClick={() => onChoose(pane)}
        >
          {title}
        </button>
      ))}
    </nav>
  );
}

/** What a station can show, one pane at a time; which one stands in its address. */
export function PaneBar<P extends string>({
  path,
  panes,
  chosen,
}: {
  /** Of the station. */
  path: string;
  panes: Panes<P>;
  chosen: P;
}): ReactNode {
  const router = useRouter();
  return (
    <PaneTabs
      panes={panes}
      chosen={chosen}
      onChoose={(pane) => router.replace(`${path}?show=${pane}`, { scroll: false })}
    />
  );
}
