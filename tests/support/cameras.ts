import type { Camera } from '@/core/skin/camera/view';
import type { Xyz } from '@/core/outline/body';
import { cross, unit, way } from '@/core/outline/space';

/** A camera at a place that looks at another; `up` is what it has above. */
export function lookingAt(
  centre: Xyz,
  aim: Xyz,
  { up = [0, 0, 1], ...own }: Partial<Omit<Camera, 'rotation' | 'centre'>> & { up?: Xyz },
): Camera {
  const ahead = unit(way(centre, aim));
  const right = unit(cross(ahead, Math.abs(ahead[2]) > 0.97 ? [1, 0, 0] : up));
  return { focalPx: 2000, principal: [800, 550], k1: 0, ...own, rotation: [right, cross(ahead, right), ahead], centre };
}
