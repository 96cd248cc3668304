import { isInRegion } from '@/core/geometry/polygon';
import { difference, intersection, type Region } from '@/core/geometry/clip';
import type { Xyz } from '@/core/outline/body';
import { withoutSlivers, type Chart } from '@/core/outline/chart';
import { moved, turnedWay, type Leaf, type Motion, type Opening } from '@/core/outline/leaves';
import { outOf } from '@/core/outline/lifting';
import type { Outline } from '@/core/outline/outline';
import type { Solid } from '@/core/outline/solid';
import { cornerAt } from './mesh';
import { liftedRegion, type Lifted } from './lift';
import { BARE, UNDER_ART, type SkinPiece } from './piece';

/** The skin with leaves of it standing open: what lies on a leaf goes with it. */

/** A region where it stays, and what of it each leaf takes along. */
export function apart(
  chart: Chart,
  region: Region,
  leaves: readonly Leaf[],
): { region: Region; motion: Motion | null }[] {
  let stays = region;
  const taken: { region: Region; motion: Motion }[] = [];
  for (const leaf of leaves) {
    if (leaf.chart.id !== chart.id) continue;
    const on = withoutSlivers(chart, intersection(stays, leaf.region));
    if (on.length === 0) continue;
    taken.push({ region: on, motion: leaf.motion });
    stays = withoutSlivers(chart, difference(stays, leaf.region));
  }
  return stays.length > 0 ? [{ region: stays, motion: null }, ...taken] : taken;
}

/** A mesh after a motion; as it is where there is none. */
export function carried({ positions, normals, index }: Lifted, motion: Motion | null): Lifted {
  if (!motion) return { positions, normals, index };
  const each = (values: Float32Array, to: (at: Xyz) => Xyz) => {
    const made = new Float32Array(values.length);
    for (let i = 0; i < values.length; i += 3) made.set(to(cornerAt(values, i / 3)), i);
    return made;
  };
  return {
    positions: each(positions, (at) => moved(motion, at)),
    normals: each(normals, (way) => turnedWay(motion, way)),
    index,
  };
}

/** Several meshes as one. */
export function joined(parts: readonly Lifted[]): Lifted {
  const all = (of: 'positions' | 'normals') => {
    const values = new Float32Array(parts.reduce((sum, part) => sum + part[of].length, 0));
    let at = 0;
    for (const part of parts) {
      values.set(part[of], at);
      at += part[of].length;
    }
    return values;
  };
  const index = new Uint32Array(parts.reduce((sum, part) => sum + part.index.length, 0));
  let [at, first] = [0, 0];
  for (const part of parts) {
    for (const corner of part.index) index[at++] = corner + first;
    first += part.positions.length / 3;
  }
  return { positions: all('positions'), normals: all('normals'), index };
}

/** The same skin from within. */
export function inward({ positions, normals, index }: Lifted): Lifted {
  const turned = new Uint32Array(index.length);
  for (let i = 0; i < index.length; i += 3) turned.set([index[i]!, index[i + 2]!, index[i + 1]!], i);
  return { positions, normals: normals.map((value) => -value), index: turned };
}

/** What hangs under a leaf goes with it: the place over it tells. */
export function hangsOn({ at }: Solid, leaves: readonly Leaf[]): Motion | null {
  const under = leaves.find(({ chart, region }) => {
    const { on } = chart;
    return on.kind === 'lifting' && on.face === -1 && isInRegion([outOf(on.of, at[1]), at[0]], region);
  });
  return under?.motion ?? null;
}

/** Rooms as they are seen through glass and through what stands open: their paint in the plane of the skin. */
export const sightsOf = (
  { sights }: Outline,
  opened: readonly Opening[],
  tolerance: number,
  over: number,
): SkinPiece[] =>
  sights
    .filter(({ opens }) => opens === null || opened.includes(opens))
    .map(({ of, chart, region }) => ({
      ...BARE,
      zone: of,
      ...liftedRegion(chart, region, tolerance, over * UNDER_ART),
    }));

/** The inside of leaves that show it. */
export const insidesOf = (leaves: readonly Leaf[], tolerance: number, over: number): SkinPiece[] =>
  leaves.flatMap(({ inside, chart, region, motion }): SkinPiece[] =>
    inside === null
      ? []
      : [{ ...BARE, zone: inside, ...carried(inward(liftedRegion(chart, region, tolerance, -over)), motion) }],
  );
