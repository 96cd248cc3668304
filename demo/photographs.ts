import sharp from 'sharp';
import { labToHex } from '@/core/colour/spaces';
import type { Lab } from '@/core/colour/types';
import type { PlaceableMarking } from '@/core/markings/placing';
import type { Xyz } from '@/core/outline/body';
import { namedPlaces } from '@/core/outline/named-places';
import { buildOutline, type OutlineSpec } from '@/core/outline/outline';
import { times, way } from '@/core/outline/space';
import type { SchemeField } from '@/core/scheme/field';
import type { KeptCamera } from '@/core/skin/camera/kept-camera';
import { landerOn } from '@/core/skin/camera/landing';
import { eyeOf, lookingAt, project, seenNear, type Camera } from '@/core/skin/camera/view';
import { skinOf } from '@/core/skin/machine';
import { pictureOf } from '@/core/skin/picture';
import { CLOSED } from '@/core/skin/pose';
import { filmGrain, GLASS, greyOnFilm, HEIGHT, WIDTH, type Shot } from './pictures';

/** The demo's photographs: its machines in space, seen by a camera that is known, so that what is found in them can be held against the truth. */

export interface CameraShot {
  /** Where it stands and what it looks at, in lengths of the machine: aft, to starboard, up. */
  from: Xyz;
  aim: Xyz;
  /** In widths of the picture. */
  focal: number;
  isFlying?: boolean;
  isMirrored?: boolean;
  film?: Shot['film'];
}

/** Photographs by a camera that is known, by the start of their source's title: over some of them the machine was laid. */
export const TAKEN: Record<string, CameraShot & { laid: boolean }> = {
  // From ahead and below, close by.
  'Engine change': { from: [-0.62, -0.9, -0.05], aim: [0.46, -0.08, 0.05], focal: 1.05, laid: true },
  // From the side and far off.
  'Delivery flight': { from: [0.62, 6.5, 0.5], aim: [0.5, 0, 0.08], focal: 5, isFlying: true, laid: true },
  // Printed the wrong way round.
  Taxiing: { from: [-0.5, 1.25, 0.12], aim: [0.46, 0, 0.05], focal: 1.25, isMirrored: true, laid: false },
};

export interface Taken {
  spec: OutlineSpec;
  denominator: number;
  fields: readonly SchemeField[];
  markings: readonly PlaceableMarking[];
  colourOf: (zone: string) => Lab;
  codeColour: (code: string) => Lab;
}

/** The camera of a shot, mm. */
export function cameraOf({ from, aim, focal }: CameraShot, length: number): Camera {
  const centre = times(from, length * 1000);
  return {
    focalPx: focal * WIDTH,
    principal: [WIDTH / 2, HEIGHT / 2],
    k1: 0,
    rotation: lookingAt(centre, times(aim, length * 1000)),
    centre,
  };
}

/** A JPEG as it was taken. */
export async function photograph(
  { spec, denominator, fields, markings, colourOf, codeColour }: Taken,
  shot: CameraShot,
): Promise<Buffer> {
  const camera = cameraOf(shot, spec.dimensions.length);
  const hex = (lab: Lab) => (shot.film ? greyOnFilm(lab, shot.film) : labToHex(lab).hex);
  const pieces = skinOf({ spec, denominator, fields, markings, pose: { ...CLOSED, isGearUp: shot.isFlying ?? false } });
  const picture = pictureOf(
    pieces.map((piece) => ({
      piece,
      colour: hex(piece.glass ? GLASS : piece.code ? codeColour(piece.code) : colourOf(piece.zone)),
      opacity: piece.glass ? 0.6 : piece.share,
    })),
    eyeOf(camera),
    WIDTH,
    HEIGHT,
    (at) => seenNear(camera, times(at, 1000)),
  );
  const machine = await sharp(picture, { raw: { width: WIDTH, height: HEIGHT, channels: 4 } })
    .png({ compressionLevel: 1 })
    .toBuffer();
  let image = sharp(
    await sharp(ground(camera, shot.isFlying ?? false))
      .composite([{ input: machine }, { input: await filmGrain(), blend: 'soft-light' }])
      .png({ compressionLevel: 1 })
      .toBuffer(),
  ).blur(0.7);
  if (shot.film) image = image.grayscale();
  if (shot.isMirrored) image = image.flop();
  return image.jpeg({ quality: 86 }).toBuffer();
}

/** Sky down to the horizon, and the apron before it. */
function ground({ rotation, focalPx, principal }: Camera, isFlying: boolean): Buffer {
  const [, down, ahead] = rotation;
  // A camera that looks up has the horizon low.
  const horizon = principal[1] + (focalPx * -ahead[2]) / -down[2];
  const apron = isFlying ? '' : `<rect y="${horizon}" width="${WIDTH}" height="${2 * HEIGHT}" fill="#a39d90"/>`;
  return Buffer.from(
    `<svg xmlns="http://www.w3.org/2000/svg" width="${WIDTH}" height="${HEIGHT}"><defs><linearGradient id="sky" x1="0" x2="0" y1="0" y2="1"><stop offset="0" stop-color="#9fb2c0"/><stop offset="1" stop-color="#d8dfe3"/></linearGradient></defs><rect width="${WIDTH}" height="${HEIGHT}" fill="url(#sky)"/>${apron}</svg>`,
  );
}

/** What a builder set in it: each place that nothing hides, to about a pixel. */
export function laidIn(spec: OutlineSpec, shot: CameraShot): KeptCamera {
  const outline = buildOutline(spec);
  const camera = cameraOf(shot, spec.dimensions.length);
  const land = landerOn(outline, shot.isFlying ?? false);
  const points = namedPlaces(outline).flatMap(({ id, at, isGear }, i) => {
    if (isGear && shot.isFlying) return [];
    const xyz = times(at, 1000);
    const seen = project(camera, xyz);
    if (!seen || seen[0] < 0 || seen[1] < 0 || seen[0] > WIDTH || seen[1] > HEIGHT) return [];
    const here = land(camera, seen, 1);
    const isHidden =
      here !== null && Math.hypot(...way(camera.centre, here.xyz)) < Math.hypot(...way(camera.centre, xyz)) - 400;
    if (isHidden) return [];
    const [u, v] = [seen[0] + Math.sin(7 * i), seen[1] + Math.cos(11 * i)];
    const set: [number, number] = [Math.round((shot.isMirrored ? WIDTH - u : u) * 10) / 10, Math.round(v * 10) / 10];
    return [{ place: id, at: set, xyz: [...xyz] as [number, number, number] }];
  });
  return {
    width: WIDTH,
    height: HEIGHT,
    points,
    focalPx: null,
    free: [],
    isMirrored: shot.isMirrored ?? false,
    isFlying: shot.isFlying ?? false,
  };
}
