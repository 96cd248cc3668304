/** So many answers of a stage are kept: what stands, what was tried on it, and what it was before. */
const MOST_KEPT = 3;

interface Kept {
  inputs: readonly unknown[];
  value: unknown;
}

/**
 * What each stage of deriving was computed from the last few times, and what came out: a stage whose inputs are the same objects as one of those
 * times is not computed again. Inputs that are made anew each time are compared by what they say.
 */
export class Stages {
  private readonly held = new Map<string, readonly Kept[]>();

  /** `value` of a stage, from memory where every input is the very same. */
  same<T>(stage: string, inputs: readonly unknown[], value: () => T): T {
    const known = this.held.get(stage) ?? [];
    const found = known.find(
      (kept) => kept.inputs.length === inputs.length && kept.inputs.every((input, i) => input === inputs[i]),
    );
    const now = found ?? { inputs, value: value() };
    this.held.set(stage, [now, ...known.filter((kept) => kept !== found)].slice(0, MOST_KEPT));
    return now.value as T;
  }

  /** The earlier object where the new one says the same, so that what is computed from it need not be computed again. */
  settled<T extends object>(stage: string, made: T): T {
    const says = JSON.stringify(made);
    return this.same(stage, [says], () => made);
  }
}
