import { headers } from 'next/headers';
import type { WRITABLE } from '@/core/kept/act';
import { DEVICE_HEADER } from '@/wall/device';
import { Refused } from './answer';

/** What a paired device at the bench may do, beside the actions that its door lets through. */

/** Records that the Bench and the Log keep. */
const OF_BENCH: ReadonlySet<(typeof WRITABLE)[number]> = new Set(['log_entry', 'timer', 'spray_out']);
/** Work and mishaps come by actions of their own; what they made is taken out as a record. */
const TAKEN_OUT_AT_BENCH: ReadonlySet<(typeof WRITABLE)[number]> = new Set([...OF_BENCH, 'work_run', 'mishap']);
const STATIONS_OF_BENCH = ['bench', 'log'] as const;

/** Whether a paired device asks, or does. */
export const isDevice = async (): Promise<boolean> => (await headers()).has(DEVICE_HEADER);

/** Refuses what is done on the computer alone. */
export async function onComputer(says: string): Promise<void> {
  if (await isDevice()) throw new Refused('', says);
}

/** Refuses a device that would write anything but what the Bench and the Log keep. */
export async function mayKeep(entity: (typeof WRITABLE)[number]): Promise<void> {
  if (!OF_BENCH.has(entity)) await onComputer('This is changed on the computer.');
}

/** Refuses a device that would take out anything but what came in at the Bench and the Log. */
export async function mayTakeOut(entity: (typeof WRITABLE)[number]): Promise<void> {
  if (!TAKEN_OUT_AT_BENCH.has(entity)) await onComputer('This is taken out on the computer.');
}

/** Stations whose acts may be taken back; null for all of them. */
export const mayTakeBack = async (): Promise<readonly string[] | null> =>
  (await isDevice()) ? STATIONS_OF_BENCH : null;
