import cie from './cie-31.json' with { type: 'json' };
import type { Reflectance, Xyz } from './types';

/** Plain summation over the 31 bands of the weights for D65. Throws RangeError unless there are 31. */
export function reflectanceToXyz(reflectance: Reflectance): Xyz {
  if (reflectance.length !== 31) throw new RangeError('a reflectance has 31 values, 400 to 700 nm by 10');
  const weigh = (weights: readonly number[]) => weights.reduce((total, w, i) => total + w * reflectance[i]!, 0);
  return [weigh(cie.weights_D65.X), weigh(cie.weights_D65.Y), weigh(cie.weights_D65.Z)];
}
