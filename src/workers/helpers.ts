import type { EventEmitter } from 'node:events';

/**
 * Processes beside a web process, for what takes much memory or all of a core: what they use is theirs, and they give way to whoever waits for a
 * page. The web process hangs this up by its name; where there is none (scripts, tests, while one edits), work is done without.
 */
export type HelperName = 'paper' | 'pictures';
/** What a ServerThread needs of whoever does its jobs. */
export interface Helper extends Pick<EventEmitter, 'on'> {
  postMessage: (message: unknown) => void;
  unref: () => void;
  terminate: () => unknown;
}

const held = globalThis as { buildBriefHelper?: (name: HelperName) => Helper };

export const hangUpHelpers = (make: (name: HelperName) => Helper): void => {
  held.buildBriefHelper = make;
};

export const hasHelpers = (): boolean => held.buildBriefHelper !== undefined;

/** A new helper; null where there are none. */
export const helperFor = (name: HelperName): Helper | null => held.buildBriefHelper?.(name) ?? null;
