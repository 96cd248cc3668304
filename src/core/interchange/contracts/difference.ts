import { z } from 'zod';
import { deltaE00 } from '@/core/colour/difference';
import { ALIKE, cannotTell, combinedSd, differenceInWords } from '@/core/colour/words';
import { colourValue, valuesOf } from './colour-value';
import { parseInput, type Contract } from './contract';

const input = z.strictObject(
  {
    pairs: z.array(z.strictObject({ a: colourValue, b: colourValue }, { error: 'must be a pair of colours a and b' }), {
      error: 'must be a list of pairs',
    }),
  },
  { error: 'must be an object with a list of pairs' },
);

/** `difference`: colour values and how far apart they are. */
export const difference: Contract = {
  run(raw) {
    const { pairs } = parseInput(input, raw);
    return {
      pairs: pairs.map(({ a, b }) => {
        const dE00 = deltaE00(a.lab, b.lab);
        const sd = combinedSd(a.sd, b.sd);
        return {
          a: valuesOf(a),
          b: valuesOf(b),
          dE00,
          dL: b.lab[0] - a.lab[0],
          da: b.lab[1] - a.lab[1],
          db: b.lab[2] - a.lab[2],
          // Scripts ask only whether; the interface also says why.
          says: cannotTell(dE00, sd) ? ALIKE : differenceInWords(a.lab, b.lab, dE00, sd),
        };
      }),
    };
  },
};
