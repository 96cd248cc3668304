import { z } from 'zod';
import { meetSkin, type Met, type Skin } from '@/core/skin/camera/meet-skin';
import { skinInput } from './area';
import { finite, parseInput, text, type Contract } from './contract';
import { bodyOfInput, placed } from './shapes';

const px = finite.min(-1e7, 'lies too far out').max(1e7, 'lies too far out');
const point = z.tuple([px, px], { error: 'must be a point [u, v]' });
const part = finite.min(-1.001, 'is no part of a rotation').max(1.001, 'is no part of a rotation');
const row = z.tuple([part, part, part], { error: 'must be a row of three' });
const far = finite.min(-1e9, 'lies too far out').max(1e9, 'lies too far out');

/** Rows so far from square to one another, or from length 1, are no rotation. */
const SQUARE = 1e-6;

const camera = z
  .strictObject(
    {
      focalPx: finite.gt(0, 'must be above 0').max(1e9, 'is too large'),
      principal: point,
      k1: finite.min(-10, 'must be at least -10').max(10, 'must be at most 10').default(0),
      rotation: z.tuple([row, row, row], { error: 'must be three rows' }),
      centre: z.tuple([far, far, far], { error: 'must be a place [x, y, z]' }),
    },
    { error: 'must be a camera' },
  )
  .superRefine(({ rotation }, context) => {
    const isSquare = rotation.every((one, i) =>
      rotation.every(
        (other, j) => Math.abs(one.reduce((sum, x, k) => sum + x * other[k]!, 0) - (i === j ? 1 : 0)) < SQUARE,
      ),
    );
    if (!isSquare) context.addIssue({ code: 'custom', path: ['rotation'], message: 'is no rotation' });
  });

const line = z.strictObject(
  {
    id: text,
    points: z.array(point, { error: 'must be a list of points [u, v]' }).min(1, 'has no point').max(2000),
  },
  { error: 'must be a line with id and points' },
);

const input = skinInput(
  {
    camera,
    lines: z.array(line, { error: 'must be a list of lines' }).max(500),
    sdPx: finite.gt(0, 'must be above 0').max(1e6, 'is too large').default(1),
  },
  placed,
);

const told = (met: Met | null) => {
  if (!met) return null;
  const { xyz, on, face, coords, sdMm, grazingDeg } = met;
  return { xyz, on, face, coords, sdMm, grazingDeg };
};

/** `lift`: lines that were drawn on a picture, on the skin that it shows. */
export const lift: Contract = {
  run(raw) {
    const { camera: from, bodies, surfaces, lines, sdPx, denominator } = parseInput(input, raw);
    const skins: Skin[] = [
      ...bodies.map((own): Skin => ({ id: own.id, kind: 'body', body: bodyOfInput(own) })),
      ...surfaces.map((own): Skin => ({ id: own.id, kind: 'surface', of: own })),
    ];
    return {
      lines: lines.map(({ id, points }) => {
        const met = points.map((at) => meetSkin(from, skins, at, sdPx));
        const lengthMm = met.slice(1).reduce<number | null>(
          (sum, place, i) => {
            const before = met[i];
            if (sum === null || !place || !before) return null;
            return sum + Math.hypot(...place.xyz.map((value, k) => value - before.xyz[k]!));
          },
          met[0] ? 0 : null,
        );
        return {
          id,
          points: met.map(told),
          lengthMm,
          lengthModelMm: lengthMm === null ? null : lengthMm / denominator,
        };
      }),
    };
  },
};
