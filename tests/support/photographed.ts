import { halton, type Point } from '@/core/geometry/polygon';
import { bodyPoint, girthOfHeight, sectionAt, type Body, type Xyz } from '@/core/outline/body';
import { namedPlaces } from '@/core/outline/named-places';
import { buildOutline, chartsOf, type Outline } from '@/core/outline/outline';
import { PRESETS, type PresetName } from '@/core/outline/presets';
import { times, unit } from '@/core/outline/space';
import type { KeptCamera } from '@/core/skin/camera/kept-camera';
import { landerOn, type Lander } from '@/core/skin/camera/landing';
import { project, type Camera } from '@/core/skin/camera/view';
import { lookingAt } from './cameras';

/** Machines photographed by cameras that are known, with places set in them as a hand sets them. */

export const PICTURE = { width: 1600, height: 1100 };

/** Evenly spread numbers, the same on every day: `i` of run `run`. */
export const even = (run: number, i: number): number =>
  halton(run + 1, [2, 3, 5, 7, 11, 13, 17, 19, 23, 29, 31, 37][i % 12]!);
/** From such to a normal one (Box and Muller 1958). */
export const normal = (run: number, i: number): number =>
  Math.sqrt(-2 * Math.log(even(run, i) * 0.999 + 5e-4)) * Math.cos(2 * Math.PI * even(run, i + 1));

export interface Photographed {
  outline: Outline;
  land: Lander;
  camera: Camera;
  kept: KeptCamera;
  fuselage: Body;
}

export const outlineIn = (preset: PresetName): Outline => {
  const { dimensions, landing } = PRESETS[preset];
  return buildOutline({ preset, dimensions, landing, folded: false });
};

/** From the port side, ahead or behind, a little above or below. Places are set to `noisePx`. */
export function photographed(preset: PresetName, run: number, noisePx = 0): Photographed {
  const outline = outlineIn(preset);
  const { length, span } = outline.spec.dimensions;
  const towards = unit([-0.9 + 1.6 * even(run, 0), -(0.4 + 0.6 * even(run, 1)), -0.35 + 0.7 * even(run, 2)]);
  const distance = 1000 * span * (1.3 + 5 * even(run, 3) ** 2);
  const aim: Xyz = [500 * length, 0, 500];
  const camera = lookingAt([0, 1, 2].map((k) => aim[k]! + towards[k]! * distance) as unknown as Xyz, aim, {
    focalPx: PICTURE.width * (0.8 + 2 * even(run, 4)),
    up: [0, 0.1 * (even(run, 5) - 0.5), 1],
  });
  const fuselage = chartsOf(outline).find(({ id }) => id === 'fuselage')!.on;
  return {
    outline,
    land: landerOn(outline, false),
    camera,
    kept: keptOf(outline, camera, run, noisePx),
    fuselage: fuselage.kind === 'body' ? fuselage.body : { sections: [], y: 0 },
  };
}

function keptOf(outline: Outline, camera: Camera, run: number, noisePx: number): KeptCamera {
  return {
    ...PICTURE,
    points: namedPlaces(outline).flatMap(({ id, at }, i) => {
      const xyz = times(at, 1000);
      const seen = project(camera, xyz);
      // Not every place is found in every picture.
      if (!seen || (i * 0.618 + even(run, 6)) % 1 > 0.65) return [];
      const noise = [3 * i, 3 * i + 1].map((k) => noisePx * normal(91 * run + k, 0));
      return [{ place: id, at: [seen[0] + noise[0]!, seen[1] + noise[1]!], xyz: [...xyz] }] as KeptCamera['points'];
    }),
    focalPx: null,
    free: [],
    isMirrored: false,
    isFlying: false,
  };
}

/** Places (mm) of the port side at a height above the belly, between two shares of the length. */
export const portLine = ({ fuselage, outline }: Photographed, heightM: number, shares: readonly number[]): Xyz[] =>
  shares.map((share) => {
    const x = share * outline.spec.dimensions.length;
    const { z, height, n } = sectionAt(fuselage, x);
    return times(bodyPoint(fuselage, x, 360 - girthOfHeight(n, (heightM - z) / (height / 2))), 1000);
  });

/** The same in the picture, clicked to `noisePx`; null where something hides part of it. */
export function clicked(
  { camera, land }: Photographed,
  line: readonly Xyz[],
  run: number,
  noisePx: number,
): Point[] | null {
  const points = line.map((at, i): Point | null => {
    const seen = project(camera, at);
    const here = seen && land(camera, seen, 1);
    if (!here || Math.hypot(...here.xyz.map((value, k) => value - at[k]!)) > 1) return null;
    return [seen[0] + noisePx * normal(53 * run + 7 * i, 4), seen[1] + noisePx * normal(53 * run + 7 * i, 6)];
  });
  return points.includes(null) ? null : (points as Point[]);
}
