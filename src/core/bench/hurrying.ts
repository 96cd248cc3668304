import type { Chemistry } from '@/core/paint/chemistry';
import { dryingFactor, type Climate } from '@/core/paint/drying';

/** A way to hurry what dries: how many times the usual wait is left, and what to mind. */
export interface Hurrying {
  name: string;
  factor: number;
  caution: string;
}

/** A box with a lamp in it: warmer makes styrene creep. */
const WARM_BOX: Climate = { tempC: 40, humidity: 30 };
/** Moving air alone, where water has to go; solvents mind it less. */
const FANNED: Partial<Record<Chemistry, number>> = { WA: 0.7, SA: 0.8 };
/** Less than this is not worth the lamp. */
const WORTH = 0.9;
/** What skins over when it is hurried, with the wet still under the skin. */
const SKINS: ReadonlySet<Chemistry> = new Set(['EN', 'OI']);

/** Ways to hurry a coat in the bench's air, none where nothing is gained. The wet windows of washes are not to be hurried. */
export function hurryingOf(chemistry: Chemistry, climate: Climate): Hurrying[] {
  const box = dryingFactor(chemistry, WARM_BOX) / dryingFactor(chemistry, climate);
  const fan = FANNED[chemistry] ?? 1;
  const skin = SKINS.has(chemistry) ? ' This skins over: not before it is dry to the touch.' : '';
  const ways: Hurrying[] = [
    {
      name: 'warm box, 40 °C',
      factor: Math.round(box * 100) / 100,
      caution: `Never warmer than 45 °C: the plastic softens.${skin}`,
    },
    {
      name: 'moving air, cool',
      factor: fan,
      caution: 'From the side and a good way off: dust, and ripples in what is wet.',
    },
  ];
  return ways.filter(({ factor }) => factor <= WORTH);
}
