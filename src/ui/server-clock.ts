'use client';

/** The server's clock as this device reckons it: devices are minutes, sometimes days apart, and a timer is the same on all of them. */

let offsetMs = 0;
let measured: Promise<void> | null = null;

/** Asks once what time it is there; half of the way there and back is taken off. */
export function measureServerClock(): Promise<void> {
  measured ??= (async () => {
    const sent = Date.now();
    const response = await fetch('/health', { cache: 'no-store' });
    const { now } = (await response.json()) as { now: number };
    const back = Date.now();
    offsetMs = now - (sent + back) / 2;
  })().catch(() => {
    measured = null;
  });
  return measured;
}

export const serverNow = (): number => Date.now() + offsetMs;
