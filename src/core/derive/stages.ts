/**
 * What each stage of deriving was computed from last, and what came out: a stage whose inputs are the same objects as before is not
 * computed again. Inputs that are made anew each time are compared by what they say.
 */
export class Stages {
  private readonly held = new Map<string, { inputs: readonly unknown[]; value: unknown }>();

  /** `value` of a stage, from memory where every input is the very same. */
  same<T>(stage: string, inputs: readonly unknown[], value: () => T): T {
    const known = this.held.get(stage);
    if (known && known.inputs.length === inputs.length && known.inputs.every((input, i) => input === inputs[i]))
      return known.value as T;
    const made = value();
    this.held.set(stage, { inputs, value: made });
    return made;
  }

  /** The earlier object where the new one says the same, so that what is computed from it need not be computed again. */
  settled<T extends object>(stage: string, made: T): T {
    const says = JSON.stringify(made);
    return this.same(stage, [says], () => made);
  }
}
