'use client';

import { useEffect } from 'react';

/** Fetching all files takes a moment of everybody's time. */
const WHEN_CALM_MS = 2500;

/**
 * Keeps the Bench and the Log of a brief on this device, where its browser can: over TLS, or on this computer. They are kept anew when `of`,
 * which names what they show, is another.
 */
export function useKeptOffline(briefId: string, of: string): void {
  useEffect(() => {
    if (!('serviceWorker' in navigator) || process.env.NODE_ENV !== 'production') return;
    const keep = async () => {
      await navigator.serviceWorker.register('/sw.js');
      const { active } = await navigator.serviceWorker.ready;
      active?.postMessage({ pages: [`/briefs/${briefId}/bench`, `/briefs/${briefId}/log`] });
    };
    // What is looked at now comes first.
    const later = setTimeout(() => void keep().catch(() => undefined), WHEN_CALM_MS);
    return () => clearTimeout(later);
  }, [briefId, of]);
}
