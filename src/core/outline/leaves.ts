import type { Region } from '@/core/geometry/clip';
import type { Xyz } from './body';
import type { Chart } from './chart';
import { plus, turnedAbout, unit, way } from './space';

/** Parts of the skin that move when something is opened: they keep their places on their charts, and stand elsewhere in space. */

export const OPENINGS = ['canopy', 'doors', 'flaps', 'fold'] as const;
export type Opening = (typeof OPENINGS)[number];

/** A turn about an axis through a point, right-handed, and a slide after it, m. */
export interface Motion {
  through: Xyz;
  axis: Xyz;
  turnDeg: number;
  slide: Xyz;
}

export interface Leaf {
  opens: Opening;
  chart: Chart;
  region: Region;
  motion: Motion;
  /** The zone that its inside is painted with, where that is seen. */
  inside: string | null;
}

/** What is seen of a room through the skin: behind glass always, else where its leaf is open. */
export interface Sight {
  of: string;
  opens: Opening | null;
  chart: Chart;
  region: Region;
}

export const slid = (slide: Xyz): Motion => ({ through: [0, 0, 0], axis: [0, 0, 1], turnDeg: 0, slide });
export const turned = (through: Xyz, axis: Xyz, turnDeg: number): Motion => ({
  through,
  axis: unit(axis),
  turnDeg,
  slide: [0, 0, 0],
});

/** A direction after a motion. */
export const turnedWay = ({ axis, turnDeg }: Pick<Motion, 'axis' | 'turnDeg'>, v: Xyz): Xyz =>
  turnedAbout(axis, (turnDeg * Math.PI) / 180, v);

/** A place after a motion, m. */
export const moved = (motion: Motion, at: Xyz): Xyz =>
  plus(plus(motion.through, turnedWay(motion, way(motion.through, at))), motion.slide);
