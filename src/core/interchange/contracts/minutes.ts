import { z } from 'zod';
import { minutesOf, SEVERITIES, type Severity, type Work } from '@/core/work/minutes';
import { finite, parseInput, type Contract } from './contract';
import { size } from './shapes';

const count = z
  .number({ error: 'must be a number' })
  .int('must be a whole number')
  .min(0, 'must not be negative')
  .max(1e5, 'is too large');
const coats = finite.min(0, 'must not be negative').max(100, 'is too many').default(1);
const kind = <K extends string, S extends z.ZodRawShape>(name: K, facts: S) =>
  z.strictObject({ kind: z.literal(name), ...facts });

const painted = { areaCm2: size, coats, pieces: count.default(1) };
const work = z.discriminatedUnion(
  'kind',
  [
    kind('spray', painted),
    kind('can', painted),
    kind('brush', { areaCm2: size, edgeMm: size.default(0), coats }),
    kind('mask', { hardMm: size.default(0), softMm: size.default(0), coverCm2: size.default(0) }),
    kind('panes', { panes: count, frameMm: size.default(0), precut: z.boolean().default(false) }),
    kind('unmask', { edgeMm: size }),
    kind('sand', {
      seamMm: size,
      severity: z.enum(Object.keys(SEVERITIES) as [Severity, ...Severity[]], {
        error: 'must be hairline, shallow or deep',
      }),
    }),
    kind('fill', { seamMm: size }),
    kind('restore', { crossings: count }),
    kind('washcoat', { areaCm2: size }),
    kind('wipe', { areaCm2: size }),
    kind('stencils', { pieces: count }),
    kind('fit', { parts: count }),
    kind('glue', { seamMm: size }),
    kind('clean', { areaCm2: size }),
  ],
  { error: 'must be a kind of work that is reckoned' },
);
const input = z.strictObject({
  work: z.array(work, { error: 'must be a list of work' }).max(1e5, 'is too long'),
});

/** `minutes`: first estimates of work, from what it is made of. */
export const minutes: Contract = {
  run(raw) {
    const { work: given } = parseInput(input, raw);
    return {
      minutes: given.map((one) => {
        // Masks that are bought cut need no knife along the frames.
        const { precut = false, ...facts } = one as Work & { precut?: boolean };
        return minutesOf(precut ? { ...facts, frameMm: 0 } : facts);
      }),
    };
  },
};
