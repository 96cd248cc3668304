import { coats } from './coats';
import type { Contract } from './contract';
import { difference } from './difference';
import { layers } from './layers';
import { mix } from './mix';
import { schedule } from './schedule';
import { scheme } from './scheme';
import { weigh } from './weigh';

/** The computations of the headless command line, by name. */
export const CONTRACTS = { weigh, difference, mix, layers, coats, scheme, schedule } satisfies Record<string, Contract>;

/** Commands that come with their own issues. */
export const LATER: readonly string[] = ['sums'];
