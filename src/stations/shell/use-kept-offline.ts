'use client';

import { useEffect } from 'react';

/** Keeps the Bench and the Log of a brief on this device, where its browser can: over TLS, or on this computer. */
export function useKeptOffline(briefId: string): void {
  useEffect(() => {
    if (!('serviceWorker' in navigator) || process.env.NODE_ENV !== 'production') return;
    void (async () => {
      await navigator.serviceWorker.register('/sw.js');
      const { active } = await navigator.serviceWorker.ready;
      active?.postMessage({ pages: [`/briefs/${briefId}/bench`, `/briefs/${briefId}/log`] });
    })().catch(() => undefined);
  }, [briefId]);
}
