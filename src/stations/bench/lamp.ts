'use client';

import { useEffect, useState, useSyncExternalStore } from 'react';
import { callsOut, mayCallOut } from '@/stations/shell/call-out';

const KEY = 'bench lamp';
const listeners = new Set<() => void>();

function subscribe(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

/** How this device stands at the bench: dark or light, its screen kept on, its timers heard. */
export function useLamp() {
  const isDark = useSyncExternalStore(
    subscribe,
    () => localStorage.getItem(KEY) === 'dark',
    () => false,
  );
  useEffect(() => {
    document.documentElement.dataset.lamp = isDark ? 'dark' : 'light';
    return () => {
      delete document.documentElement.dataset.lamp;
    };
  }, [isDark]);
  const [awake, setAwake] = useState(false);
  const [called, setCalled] = useState(callsOut);
  useEffect(() => {
    if (!awake || !('wakeLock' in navigator)) return undefined;
    let lock: WakeLockSentinel | null = null;
    let stopped = false;
    const take = async () => {
      if (document.visibilityState !== 'visible') return;
      lock = await navigator.wakeLock.request('screen').catch(() => null);
      if (!lock) setAwake(false);
      else if (stopped) void lock.release();
    };
    void take();
    // The lock falls whenever the page is put away: it is taken anew when it comes back.
    const again = () => void take();
    document.addEventListener('visibilitychange', again);
    return () => {
      stopped = true;
      document.removeEventListener('visibilitychange', again);
      void lock?.release();
    };
  }, [awake]);
  return {
    isDark,
    turn: () => {
      localStorage.setItem(KEY, isDark ? 'light' : 'dark');
      listeners.forEach((listener) => listener());
    },
    isAwake: awake,
    keepAwake: () => setAwake(!awake),
    callsOut: called,
    letCallOut: () => void mayCallOut().then(() => setCalled(true)),
  };
}
