import { among, type Among } from './among';
import type { Options } from './options';

/** Whether a part of the machine can be looked at: plainly, through glass only, or not at all. */
export type Sight = 'plain' | 'through glass' | 'hidden';

interface Covering {
  when: Among<Options>;
  groups: readonly string[];
  sight: Exclude<Sight, 'plain'>;
  because: string;
}

/** Which choices hide which kinds of zones, with the reason: what nobody will see needs no colour. */
const COVERINGS: readonly Covering[] = [
  { when: { gear: ['up'] }, groups: ['gear', 'bays'], sight: 'hidden', because: 'the doors are closed over it' },
  {
    when: { state: ['stored'], canopy: ['closed'], doors: ['closed'] },
    groups: ['interior'],
    sight: 'hidden',
    because: 'the covers lie over the glass',
  },
  {
    when: { canopy: ['closed'], doors: ['closed'] },
    groups: ['interior'],
    sight: 'through glass',
    because: 'canopy and doors are closed',
  },
];

interface Place {
  group: string;
  /** A room under the open sky: what closes canopy and doors does not close it. */
  isOpen?: true;
}

/** How a zone is seen with these options, and why it is not seen plainly. */
export function sightOf({ group, isOpen }: Place, options: Options): { sight: Sight; because: string } {
  const over = COVERINGS.filter(
    ({ when, groups, sight }) =>
      groups.includes(group) && among(when, options) && !(isOpen && sight === 'through glass'),
  );
  const deepest = over.find(({ sight }) => sight === 'hidden') ?? over[0];
  return deepest ? { sight: deepest.sight, because: deepest.because } : { sight: 'plain', because: '' };
}

export const isSeen = (zone: Place, options: Options): boolean => sightOf(zone, options).sight !== 'hidden';
