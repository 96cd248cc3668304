import { z } from 'zod';
import { sectionAt } from '@/core/outline/body';
import { MOST_STRETCH, unroll as unrolled } from '@/core/outline/unroll';
import { finite, parseInput, type Contract } from './contract';
import { body, bodyOfInput, coordinate, denominator } from './shapes';

const place = z.strictObject(
  { x: coordinate, angleDeg: finite.min(-360, 'must be at least -360').max(720, 'must be at most 720') },
  { error: 'must be a place with x and angleDeg' },
);

const input = z
  .strictObject(
    { body, from: place, to: place, denominator },
    { error: 'must be an object with body, from, to and denominator' },
  )
  .superRefine(({ body: { stations }, from, to }, context) => {
    const fault = (path: string[], message: string) => context.addIssue({ code: 'custom', path, message });
    if (from.x >= to.x) fault(['to', 'x'], 'must lie aft of from.x');
    if (from.angleDeg >= to.angleDeg) fault(['to', 'angleDeg'], 'must be above from.angleDeg');
    else if (to.angleDeg - from.angleDeg > 360) fault(['to', 'angleDeg'], 'goes more than once round');
    if (stations.length === 0) return;
    if (from.x < stations[0]!.x) fault(['from', 'x'], 'lies before the first station');
    if (to.x > stations.at(-1)!.x) fault(['to', 'x'], 'lies behind the last station');
  });

/** `unroll`: a patch of a body's skin as a flat piece to cut, on the model. */
export const unroll: Contract = {
  run(raw) {
    const { body: given, from, to, denominator: scale } = parseInput(input, raw);
    const skin = bodyOfInput(given);
    const { outline, area, errorPercent, gores } = unrolled(skin, from, to);
    const { n } = sectionAt(skin, (from.x + to.x) / 2);
    return {
      outlineModelMm: outline.map(([u, v]) => [u / scale, v / scale]),
      areaModelMm2: area / scale ** 2,
      errorPercent,
      ...(gores > 1 ? { gores } : {}),
      says:
        gores > 1
          ? [
              `the skin is curved both ways here: in one piece it is stretched by up to ${errorPercent.toFixed(1)} %`,
              `cut it into ${gores} gores of equal angle to keep within ${MOST_STRETCH} %`,
            ]
          : [],
      assumed: { sectionExponent: n },
    };
  },
};
