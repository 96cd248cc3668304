import type { Xyz } from '@/core/outline/body';
import type { Outline } from '@/core/outline/outline';
import { formOf } from '@/core/outline/presets';
import { rod } from '@/core/outline/solid';
import { besideOf, type Beside, type Ground } from './beside';
import { solidSkin } from './lift';
import { BARE, type SkinPiece } from './piece';
import type { Pose } from './pose';

/** How far a rod holds a machine over what it stands on, and how thick it is, as shares of its length. */
const ROD = { holds: 0.3, radius: 0.006, at: 0.4 } as const;

/** What the machine stands on and what stands beside it. */
export function aroundOf(
  standing: readonly SkinPiece[],
  { spec: { preset, dimensions } }: Outline,
  { isOnRod }: Pose,
  subjects: readonly Beside[],
  tolerance: number,
): SkinPiece[] {
  if (!isOnRod && subjects.length === 0) return [];
  const { from, to } = boundsOf(standing);
  const { length, fuselageHeight } = dimensions;
  const isDeck = formOf(preset) !== 'aircraft';
  const lowest = from[2] - (isOnRod ? ROD.holds * length : 0);
  const ground: Ground = isDeck
    ? { from: to[0], to: from[0], left: from[1], right: to[1], z: fuselageHeight }
    : { from: from[0] - CLEAR * length, to: from[0] - 2 * length, left: from[1], right: to[1], z: lowest };
  const beside = besideOf(subjects, ground, { from, to }).map((piece): SkinPiece => ({ ...BARE, ...piece }));
  if (!isOnRod) return beside;
  const foot: Xyz = [from[0] + ROD.at * (to[0] - from[0]), 0, lowest];
  const held: Xyz = [foot[0], 0, from[2] + ROD.holds * fuselageHeight];
  const bar = rod({ zone: STAND, views: [] }, foot, held, ROD.radius * length);
  return [...beside, { ...BARE, zone: STAND, ...solidSkin(bar, tolerance) }];
}
/** What is no zone of the model. */
const STAND = 'stand';
/** Room before the machine, as a share of its length. */
const CLEAR = 0.1;

function boundsOf(pieces: readonly SkinPiece[]): { from: Xyz; to: Xyz } {
  const [from, to] = [
    [Infinity, Infinity, Infinity],
    [-Infinity, -Infinity, -Infinity],
  ] as [[number, number, number], [number, number, number]];
  for (const { positions } of pieces)
    for (let i = 0; i < positions.length; i += 1) {
      const k = i % 3;
      from[k] = Math.min(from[k]!, positions[i]!);
      to[k] = Math.max(to[k]!, positions[i]!);
    }
  return { from, to };
}
