import { z } from 'zod';
import { estimated, PRIOR } from '@/core/bench/estimate';
import { finite, parseInput, type Contract } from './contract';

const minutes = finite.min(0, 'must not be negative').max(1e6, 'must be at most 1000000').nullable();
const input = z.strictObject({
  log: z.array(
    z.strictObject({ kind: z.string().min(1, 'must not be empty').max(60), planned: minutes, actual: minutes }),
  ),
  prior: finite.gt(0, 'must be above 0').max(1000, 'must be at most 1000').default(PRIOR),
});

/** What a log teaches about the minutes of each kind of work. */
export const estimate: Contract = {
  run(raw) {
    const { log, prior } = parseInput(input, raw);
    return { ...estimated(log, prior), assumed: { prior } };
  },
};
