import type { Choice, Put, Rule } from './dispatch';
import type { Sequencer } from './sequence';

/** A choice with the plan that it makes. */
export interface Tried extends Choice {
  put: Put;
}

/** Between what each weight of a rule is drawn. */
const RANGES: Readonly<Record<keyof Rule, readonly [number, number]>> = {
  slack: [0.01, 3],
  waste: [0.5, 8],
  cleaning: [0.5, 16],
  unready: [1, 200],
  pausing: [1, 60],
};

/** What a search tries next, by chance. */
export class Variations {
  private readonly sprayed: readonly number[];

  constructor(
    private readonly sequencer: Sequencer,
    private readonly random: () => number,
  ) {
    this.sprayed = sequencer.steps.flatMap((_, k) => (sequencer.paint[k]! >= 0 ? [k] : []));
  }

  atLarge(): Choice {
    const spread = this.between([0.1, 60]);
    return {
      rule: mapRule((name) => this.between(RANGES[name])),
      bias: new Float64Array(this.sequencer.steps.length).map(() => this.random() * spread),
      closed: new Set(),
    };
  }

  of(current: Tried, isThinning: boolean): Choice {
    const { random, sprayed } = this;
    const { rule, bias, closed, put } = current;
    const chance = random();
    if (isThinning && chance < 0.15) {
      const next = new Set(closed);
      if (next.size > 0 && random() < 0.4) next.delete(this.oneOf([...next]));
      else next.add(put.spots[this.pick(bias.length)]!.first);
      return { rule, bias, closed: next };
    }
    if (chance < 0.3)
      return { rule: mapRule((name) => rule[name] * (random() < 0.4 ? this.between([0.6, 1.6]) : 1)), bias, closed };
    const next = bias.slice();
    if (chance < 0.65 && sprayed.length > 1) this.gather(next, put);
    else {
      const spread = this.between([3, 60]);
      for (let left = 1 + this.pick(8); left > 0; left -= 1) next[this.pick(bias.length)]! += (random() - 0.5) * spread;
    }
    return { rule, bias: next, closed };
  }

  /** A spray waits for another of its colour, or that one and what it waits for hurry. */
  private gather(bias: Float64Array, { spots }: Put): void {
    const { sequencer, sprayed, random } = this;
    const a = this.oneOf(sprayed);
    const b = this.oneOf(sprayed.filter((k) => sequencer.paint[k] === sequencer.paint[a]));
    if (a === b) return;
    const [sooner, later] = spots[a]!.start < spots[b]!.start ? [a, b] : [b, a];
    const by = this.between([3, 60]);
    if (random() < 0.5) {
      bias[sooner]! += by;
      return;
    }
    const hurried = [later];
    for (const k of hurried) {
      bias[k]! -= by;
      for (const { step } of sequencer.before[k]!)
        if (spots[step]!.start > spots[sooner]!.start && !hurried.includes(step)) hurried.push(step);
    }
  }

  private between = ([low, high]: readonly [number, number]): number => low * (high / low) ** this.random();
  private pick(count: number): number {
    return Math.min(count - 1, Math.floor(this.random() * count));
  }
  private oneOf(list: readonly number[]): number {
    return list[this.pick(list.length)]!;
  }
}

const mapRule = (weight: (name: keyof Rule) => number): Rule => ({
  slack: weight('slack'),
  waste: weight('waste'),
  cleaning: weight('cleaning'),
  unready: weight('unready'),
  pausing: weight('pausing'),
});
