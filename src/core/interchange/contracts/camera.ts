import { z } from 'zod';
import { fewestPlaces, findCamera, NoCamera, placesForFreed } from '@/core/skin/camera/find-camera';
import { ContractFaults, finite, parseInput, text, type Contract } from './contract';
import { coordinate } from './shapes';

/** So far outside of a picture, in its sizes, nothing was found in it. */
const OUTSIDE = 10;
const MOST_POINTS = 200;

const px = finite.min(-1e7, 'lies too far out').max(1e7, 'lies too far out');
const sidePx = finite.gt(0, 'must be above 0').max(1e6, 'is too large');
const place = z.strictObject(
  {
    id: text,
    at: z.tuple([px, px], { error: 'must be a point [u, v]' }),
    xyz: z.tuple([coordinate, coordinate, coordinate], { error: 'must be a place [x, y, z]' }),
    sdPx: finite.gt(0, 'must be above 0').max(1e6, 'is too large').default(1),
  },
  { error: 'must be a place with id, at and xyz' },
);

const input = z
  .strictObject(
    {
      picture: z.strictObject({ width: sidePx, height: sidePx }, { error: 'must be an object with width and height' }),
      points: z
        .array(place, { error: 'must be a list of places' })
        .max(MOST_POINTS, `has more than ${MOST_POINTS} places`),
      known: z
        .strictObject({
          focalPx: finite.gt(0, 'must be above 0').max(1e9, 'is too large').nullable().default(null),
          principal: z.tuple([px, px], { error: 'must be a point [u, v]' }).nullable().default(null),
          k1: finite.min(-10, 'must be at least -10').max(10, 'must be at most 10').default(0),
        })
        .prefault({}),
      free: z.array(z.enum(['principal', 'k1'], { error: 'must be principal or k1' })).default([]),
    },
    { error: 'must be an object with picture and points' },
  )
  .superRefine(({ picture, points, known, free }, context) => {
    const seen = new Set<string>();
    points.forEach(({ id, at: [u, v] }, i) => {
      if (seen.has(id))
        context.addIssue({ code: 'custom', path: ['points', i, 'id'], message: `"${id}" is there twice` });
      seen.add(id);
      const isOut = (value: number, side: number) => value < -OUTSIDE * side || value > (1 + OUTSIDE) * side;
      if (isOut(u, picture.width) || isOut(v, picture.height))
        context.addIssue({
          code: 'custom',
          path: ['points', i, 'at'],
          message: 'lies outside of ten times the picture',
        });
    });
    const fewest = fewestPlaces(known) + placesForFreed(free);
    if (points.length < fewest)
      context.addIssue({ code: 'custom', path: ['points'], message: `at least ${fewest} places are needed` });
  });

/** `camera`: from where a picture was taken, by places of the machine that were found in it. */
export const camera: Contract = {
  run(raw) {
    const { picture, points, known, free } = parseInput(input, raw);
    try {
      return findCamera(picture, points, known, new Set(free));
    } catch (error) {
      if (!(error instanceof NoCamera)) throw error;
      throw new ContractFaults([{ path: 'points', says: error.message }]);
    }
  },
};
