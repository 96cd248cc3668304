import { rectangle, type Point } from '@/core/geometry/polygon';
import { project, type Drawings } from './drawing';
import type { Dimensions } from './dimensions';
import { sided, type Zone } from './zones';

/** Tail booms from the wing to the tail, seen from the side, above and below. */
export function drawBooms(drawings: Drawings, d: Dimensions): Zone[] {
  if (d.boomSpacing <= 0 || d.boomDiameter <= 0) return [];
  const [from, to, half] = [d.wingStation + d.rootChord * 0.4, d.length, d.boomDiameter / 2];
  return (['port', 'starboard'] as const).map((side): Zone => {
    const key = sided('boom', side);
    const y = (side === 'port' ? -1 : 1) * d.boomSpacing;
    for (const view of ['upper', 'lower'] as const) {
      const [u, v] = project(view, d.length, from, y, 0);
      drawings[view].shapes.push({ zone: key, points: rectangle(u, v - half, u + to - from, v + half) });
    }
    const at = (x: number, z: number): Point => project(side, d.length, x, 0, z);
    const z = d.wingHeight;
    drawings[side].shapes.push({
      zone: key,
      points: [at(from, z + half), at(to, z + half * 0.7), at(to, z - half * 0.5), at(from, z - half)],
    });
    return {
      key,
      title: `Tail boom, ${side}`,
      side,
      group: 'fuselage',
      closedBy: null,
      areaM2: Math.PI * d.boomDiameter * (to - from),
    };
  });
}
