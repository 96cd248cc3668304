import { lookingAt as rotationAt, type Camera } from '@/core/skin/camera/view';
import type { Xyz } from '@/core/outline/body';

/** A camera at a place that looks at another; `up` is what it has above. */
export function lookingAt(
  centre: Xyz,
  aim: Xyz,
  { up, ...own }: Partial<Omit<Camera, 'rotation' | 'centre'>> & { up?: Xyz },
): Camera {
  return { focalPx: 2000, principal: [800, 550], k1: 0, ...own, rotation: rotationAt(centre, aim, up), centre };
}
