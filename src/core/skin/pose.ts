import type { Options } from '@/core/kit/options';
import type { Opening } from '@/core/outline/leaves';

/** How the finished model stands: what of it is open, whether its gear is down, and on what it stands. */
export interface Pose {
  opened: readonly Opening[];
  isGearUp: boolean;
  isOnRod: boolean;
}

/** On its gear and closed. */
export const CLOSED: Pose = { opened: [], isGearUp: false, isOnRod: false };

export function poseOf({ canopy, doors, flaps, wings, gear, stand }: Options): Pose {
  const opened: [Opening, boolean][] = [
    ['canopy', canopy === 'open'],
    ['doors', doors === 'open'],
    ['flaps', flaps === 'down'],
    ['fold', wings === 'folded'],
  ];
  return {
    opened: opened.flatMap(([opening, isOpen]) => (isOpen ? [opening] : [])),
    isGearUp: gear === 'up',
    isOnRod: stand === 'a rod',
  };
}
