import { headers } from 'next/headers';
import type { WRITABLE } from '@/core/kept/act';
import { DEVICE_HEADER } from '@/wall/device';
import { Refused } from './answer';

/** What a paired device at the bench may do, beside the actions that its door lets through. */

/** Records that the Bench and the Log keep. */
const OF_BENCH: ReadonlySet<(typeof WRITABLE)[number]> = new Set(['log_entry', 'timer', 'spray_out']);
const STATIONS_OF_BENCH = ['bench', 'log'] as const;

const isDevice = async () => (await headers()).has(DEVICE_HEADER);

/** Refuses what is done on the computer alone. */
export async function onComputer(says: string): Promise<void> {
  if (await isDevice()) throw new Refused('', says);
}

/** Refuses a device that would write anything but what the Bench and the Log keep. */
export async function mayKeep(entity: (typeof WRITABLE)[number]): Promise<void> {
  if (!OF_BENCH.has(entity)) await onComputer('This is changed on the computer.');
}

/** Stations whose acts may be taken back; null for all of them. */
export const mayTakeBack = async (): Promise<readonly string[] | null> =>
  (await isDevice()) ? STATIONS_OF_BENCH : null;
