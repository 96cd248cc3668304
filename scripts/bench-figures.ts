/** One line of the bench: what was measured, what came out, what was asked. */
export interface Figure {
  what: string;
  found: string;
  asked: string;
}

/** Writes it as a line. */
export const show = ({ what, found, asked }: Figure) =>
  console.log(`${what.padEnd(72)} ${found.padStart(16)}   asked: ${asked}`);

export const median = (values: readonly number[]): number =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]!;
export const medianAndWorst = (values: readonly number[], digits = 0): string =>
  `${median(values).toFixed(digits)}, ${Math.max(...values).toFixed(digits)}`;

/** Milliseconds of so many runs, after three that do not count. */
export async function timed(work: () => unknown, times: number, unmeasured = 3): Promise<number[]> {
  const taken: number[] = [];
  for (let i = 0; i < times + unmeasured; i += 1) {
    const start = performance.now();
    await work();
    if (i >= unmeasured) taken.push(performance.now() - start);
  }
  return taken;
}

/** Nanoseconds of one turn of an empty loop: shared machines lend very different shares of themselves from hour to hour. */
export function paceNs(): number {
  const turns = 2e8;
  const start = performance.now();
  let sum = 0;
  for (let i = 0; i < turns; i += 1) sum = (sum + i) | 0;
  const each = ((performance.now() - start) / turns) * 1e6;
  // The sum is looked at, so that the loop is not left out.
  return sum === 1 ? 0 : each;
}

export const pace = (): Figure => ({
  what: 'pace: ns a turn of an empty loop',
  found: paceNs().toFixed(2),
  asked: '0.4 on a desk',
});
