import { z } from 'zod';
import { countCoats, coatThickness, EYES, type Eye } from '@/core/paint/coats';
import { colourValue } from './colour-value';
import { finite, parseInput, type Contract } from './contract';
import { paintValue } from './paint-value';

const DEFAULTS = { ratio: 1, eye: 'arm' } as const;
const EYE_NAMES = Object.keys(EYES) as [Eye, ...Eye[]];

const input = z.strictObject(
  {
    paint: paintValue,
    ratio: finite.min(0, 'a ratio is never below 0').max(100, 'a ratio is at most 100').optional(),
    ground: colourValue,
    target: colourValue.optional(),
    eye: z.enum(EYE_NAMES, { error: `must be one of ${EYE_NAMES.join(', ')}` }).optional(),
  },
  { error: 'must be an object with paint and ground' },
);

/** `coats`: how many a builder will need over a ground. */
export const coats: Contract = {
  run(raw) {
    const { paint, ratio = DEFAULTS.ratio, ground, target, eye = DEFAULTS.eye } = parseInput(input, raw);
    const curve = (raw as { ground: { reflectance?: number[] } }).ground.reflectance;
    const counted = countCoats({
      pigment: paint.known.pigment,
      thickness: coatThickness(ratio, paint.chemistry),
      ground: { lab: ground.lab, ...(curve ? { reflectance: curve } : {}) },
      eye,
      ...(target ? { target: target.lab } : {}),
    });
    return { ...counted, assumed: { ratio, eye, target: target ? 'as given' : 'masstone' } };
  },
};
