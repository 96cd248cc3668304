import type { Contract } from './contract';
import { difference } from './difference';
import { schedule } from './schedule';
import { weigh } from './weigh';

/** The computations of the headless command line, by name. */
export const CONTRACTS = { weigh, difference, schedule } satisfies Record<string, Contract>;

/** Commands that come with their own issues. */
export const LATER: readonly string[] = ['mix', 'layers', 'scheme', 'sums'];
