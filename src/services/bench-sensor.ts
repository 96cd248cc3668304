import { z } from 'zod';
import { ask } from './link';

const reading = z.object({
  tempC: z.number().min(-40).max(80),
  humidity: z.number().min(0).max(100),
  at: z.iso.datetime(),
});
export type BenchReading = z.infer<typeof reading>;

/** What the air at the bench is like now; the simulated sensor unless BENCH_SENSOR_URL names another. Throws LinkFault. */
export const readBench = async (base = process.env.BENCH_SENSOR_URL): Promise<BenchReading> =>
  reading.parse(await ask(base, '/bench/read', {}));
