import { durationInWords } from '@/core/units/minutes';
import type { Network } from './network';
import { CLEAN, cleanOutMinutes, overlaps, type PlanProblem, type PlanStep } from './problem';
import { placeBlock } from './serial';
import { endOf, startOf, Timeline, type Placed } from './timeline';

export interface Holding {
  kind: 'lag' | 'work' | 'session' | 'booth';
  step: string;
  /** The step it waited for. */
  from?: string;
  minutes?: number;
  says: string;
}

const nameOf = (step: PlanStep) => step.title ?? step.id;

/** The chain of waits, work and session ends that fixes the finish, last step first. */
export function holdingChain(network: Network, placed: readonly (Placed | null)[]): Holding[] {
  const { problem } = network;
  const planned = placed.flatMap((item) => (item ? [item] : []));
  // The last to end first; of those that end together the one that is named first.
  const byEnd = planned.map((item) => ({ item, end: endOf(item) })).sort((a, b) => b.end - a.end);
  const chain: Holding[] = [];
  let current = byEnd[0]?.item ?? null;
  const seen = new Set<Placed>();
  while (current && !seen.has(current)) {
    seen.add(current);
    const { step } = current;
    const start = startOf(current);
    const busyFrom = start - current.clean;
    const arcs = network.before[network.index.get(step.id)!]!.map((arc) => ({
      ...arc,
      end: network.done[arc.step]?.[1] ?? (placed[arc.step] ? endOf(placed[arc.step]!) : -Infinity),
    }));
    const binding = arcs.sort((a, b) => b.end + b.minLag - (a.end + a.minLag))[0];
    const ready = binding ? binding.end + binding.minLag : -Infinity;
    const before: Placed | null = byEnd.find(({ item, end }) => end <= busyFrom && item !== current)?.item ?? null;
    const other = binding ? problem.steps[binding.step]! : null;
    const toOther = () => (current = binding && placed[binding.step] ? placed[binding.step]! : null);
    if (binding && other && ready === start) {
      if (binding.minLag > 0)
        chain.push({
          kind: 'lag',
          step: step.id,
          from: other.id,
          minutes: binding.minLag,
          says: `${nameOf(step)} waits ${durationInWords(binding.minLag)} after ${nameOf(other)}`,
        });
      else
        chain.push({
          kind: 'work',
          step: step.id,
          from: other.id,
          minutes: step.minutes,
          says: `${nameOf(step)} follows ${nameOf(other)}`,
        });
      toOther();
      continue;
    }
    if (before && endOf(before) === busyFrom) {
      chain.push({
        kind: 'work',
        step: step.id,
        from: before.step.id,
        minutes: step.minutes,
        says: `${nameOf(step)} is next after ${nameOf(before.step)}`,
      });
      current = before;
      continue;
    }
    if (step.needsBooth && problem.boothWindows.some((booth) => booth.start === start)) {
      chain.push({ kind: 'booth', step: step.id, says: `${nameOf(step)} waits for the spraying booth` });
    } else {
      chain.push({ kind: 'session', step: step.id, says: `${nameOf(step)} waits for a session` });
    }
    // What made it miss the session before: the wait behind it, or the work that filled it.
    if (binding && other && (!before || ready >= endOf(before))) {
      if (binding.minLag > 0)
        chain.push({
          kind: 'lag',
          step: step.id,
          from: other.id,
          minutes: binding.minLag,
          says: `${nameOf(step)} waits ${durationInWords(binding.minLag)} after ${nameOf(other)}`,
        });
      toOther();
    } else current = before;
  }
  return chain;
}

export interface Infeasible {
  links: [string, string][];
  says: string;
  wouldHelp: string[];
}

/** Why blocks found no place: each is tried alone, in empty sessions, so that what is wrong with itself is named. */
export function whyInfeasible(network: Network, unplaced: readonly (readonly number[])[]): Infeasible[] {
  const { problem } = network;
  const reasons: Infeasible[] = [];
  for (const block of unplaced) {
    for (const i of block) {
      const reason = stepTooLong(problem, problem.steps[i]!);
      if (reason) reasons.push(reason);
    }
    if (reasons.length > 0 || block.length < 2) continue;
    const alone: (Placed | null)[] = problem.steps.map(() => null);
    const free: Network = {
      ...network,
      before: network.before.map((arcs) => arcs.filter((arc) => block.includes(arc.step))),
    };
    if (!placeBlock(free, new Timeline({ ...problem, actuals: [] }), alone, block))
      reasons.push(blockDoesNotFit(network, block));
  }
  if (reasons.length > 0) return reasons;
  const deadline = lateAfterActual(network, unplaced);
  if (deadline) return [deadline];
  const left = unplaced.flat();
  const minutes = left.reduce((total, i) => total + problem.steps[i]!.minutes, 0);
  return [
    {
      links: [],
      says: `the sessions end before everything is done: ${left.length} ${left.length === 1 ? 'step' : 'steps'} left over, ${durationInWords(minutes)} of work`,
      wouldHelp: [`${durationInWords(minutes)} more of sessions after the last one`],
    },
  ];
}

function stepTooLong(problem: PlanProblem, step: PlanStep): Infeasible | null {
  const now = problem.now ?? -Infinity;
  const sessions = problem.windows
    .map((w) => ({ start: Math.max(w.start, now), end: w.end }))
    .filter((w) => w.end > w.start);
  const longest = (spans: readonly { start: number; end: number }[]) =>
    Math.max(0, ...spans.map((span) => span.end - span.start));
  const whole = longest(sessions);
  if (step.needsBooth) {
    const booth = longest(overlaps(sessions, problem.boothWindows));
    if (booth < step.minutes) {
      return {
        links: [],
        says:
          booth === 0
            ? `${nameOf(step)} needs the booth, and no session has it`
            : `${nameOf(step)} needs at least ${step.minutes} minutes in the booth in one session; the longest is ${booth}`,
        wouldHelp: [`a session with ${step.minutes} minutes in the booth`],
      };
    }
  }
  if (step.splittable) return null;
  // The least clean-out that any state could leave to it.
  const states = [
    ...new Set([
      CLEAN,
      problem.airbrush?.initial ?? CLEAN,
      ...problem.steps.flatMap((other) => (other.colour !== null ? [other.colour] : [])),
    ]),
  ];
  const clean =
    step.colour === null
      ? 0
      : Math.min(...states.map((state) => cleanOutMinutes(problem.airbrush, state, step.colour!)));
  const needs = step.minutes + clean;
  if (needs <= whole) return null;
  return {
    links: [],
    says: `${nameOf(step)} needs at least ${needs} minutes in one session; the longest is ${whole}`,
    wouldHelp: [`a session of ${needs} minutes`],
  };
}

function blockDoesNotFit(network: Network, block: readonly number[]): Infeasible {
  const { problem } = network;
  const links = block.flatMap((i) =>
    network.before[i]!.filter((arc) => arc.maxLag !== null && block.includes(arc.step)).map((arc): [string, string] => [
      problem.steps[arc.step]!.id,
      problem.steps[i]!.id,
    ]),
  );
  const longest = Math.max(0, ...problem.windows.map((w) => w.end - w.start));
  for (let minutes = longest + 5; minutes <= 24 * 60; minutes += 5) {
    const start = problem.now ?? 0;
    const session = { id: 'trial', start, end: start + minutes };
    const trial: PlanProblem = { ...problem, windows: [session], boothWindows: [session], actuals: [], now: null };
    const alone: (Placed | null)[] = problem.steps.map(() => null);
    const free: Network = {
      ...network,
      problem: trial,
      before: network.before.map((arcs) => arcs.filter((arc) => block.includes(arc.step))),
    };
    if (placeBlock(free, new Timeline(trial), alone, block)) {
      return {
        links,
        says: `needs at least ${minutes} minutes in one session; the longest is ${longest}`,
        wouldHelp: [`a session of ${minutes} minutes`],
      };
    }
  }
  return {
    links,
    says: 'no session is long enough for these waits',
    wouldHelp: ['a longer greatest wait', 'sessions nearer to one another'],
  };
}

function lateAfterActual(network: Network, unplaced: readonly (readonly number[])[]): Infeasible | null {
  const links = unplaced
    .flat()
    .flatMap((i) =>
      network.before[i]!.filter((arc) => arc.maxLag !== null && network.done[arc.step]).map((arc): [string, string] => [
        network.problem.steps[arc.step]!.id,
        network.problem.steps[i]!.id,
      ]),
    );
  if (links.length === 0) return null;
  return {
    links,
    says: 'no session comes in time after what is already done',
    wouldHelp: ['a session before the greatest wait ends', 'doing the earlier step again'],
  };
}
