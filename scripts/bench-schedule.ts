import type { PlanLink, PlanProblem, PlanStep, SessionWindow } from '../src/core/route/schedule/problem';
import { schedule, type Aims } from '../src/core/route/schedule/schedule';
import { violations } from '../src/core/route/schedule/validate';
import { medianAndWorst, timed, type Figure } from './bench-figures';

const DAY = 24 * 60;
/** Three sessions a week, of 120, 90 and 180 minutes; start on the day, minutes. */
const WEEK = [
  [1, 19.5 * 60, 120],
  [3, 20 * 60, 90],
  [5, 14 * 60, 180],
] as const;

/** A network like that of a build: lanes, sprays in some colours, drying, wet pairs, sessions with and without a booth. */
function networkOfSize(count: number, seed: number): PlanProblem {
  let state = seed * 7919 + 13;
  const random = () => (state = (state * 48271) % 2147483647) / 2147483647;
  const pick = <T>(list: readonly T[]): T => list[Math.min(list.length - 1, Math.floor(random() * list.length))]!;
  const windows: SessionWindow[] = [];
  for (let week = 0; week < count / 2 + 8; week += 1)
    for (const [day, start, minutes] of WEEK) {
      const from = (week * 7 + day) * DAY + start;
      windows.push({ id: `w${windows.length}`, start: from, end: from + minutes });
    }
  const colours = Array.from({ length: Math.max(3, Math.round(count / 14)) }, (_, i) => `c${i}`);
  const lanes = Math.max(2, Math.round(count / 20));
  const last: (PlanStep | undefined)[] = Array.from({ length: lanes });
  const steps: PlanStep[] = [];
  const links: PlanLink[] = [];
  for (let i = 0; i < count; i += 1) {
    const isSpray = random() < 0.28;
    const step: PlanStep = {
      id: `s${i}`,
      minutes: 5 + 5 * Math.floor(random() * (isSpray ? 8 : 12)),
      splittable: !isSpray && random() < 0.15,
      colour: isSpray ? pick(colours) : null,
      needsBooth: isSpray,
    };
    const lane = Math.floor(random() * lanes);
    const before = last[lane];
    if (before) {
      const dries = before.colour ? pick([30, 60, 240, DAY]) : random() < 0.3 ? pick([60, 720, DAY]) : 0;
      const isWet = before.minutes + step.minutes < 60 && random() < 0.12;
      links.push({ from: before.id, to: step.id, minLag: isWet ? 15 : dries, maxLag: isWet ? 50 : null });
    }
    if (i > 3 && random() < 0.15)
      links.push({ from: `s${Math.floor(random() * i)}`, to: step.id, minLag: 0, maxLag: null });
    steps.push(step);
    last[lane] = step;
  }
  const cleanOut = {
    clean: Object.fromEntries(colours.map((colour) => [colour, 3])),
    ...Object.fromEntries(
      colours.map((from) => [
        from,
        Object.fromEntries(colours.map((to) => [to, from === to ? 0 : 4 + 2 * Math.floor(random() * 6)])),
      ]),
    ),
  };
  return {
    windows,
    boothWindows: windows.filter((_, i) => i % 3 !== 1),
    steps,
    links,
    airbrush: { initial: 'clean', resetEachWindow: false, cleanOut },
    now: null,
    actuals: [],
  };
}

const byDay: Aims = (finish, loads, sessions) => [Math.floor(finish / DAY), loads, sessions];
/** What two seconds of the contract stand for. */
const TWO_SECONDS = 120_000;

/** First plans, bounds and what two seconds bring, on generated networks; every plan is checked by the verifier. */
export async function benchSchedule(): Promise<Figure[]> {
  const figures: Figure[] = [];
  let broken = 0;
  for (const [count, asked] of [
    [24, 'proven, all three aims'],
    [60, 'within a session of the bound'],
    [250, 'finish within 3 % of the best known'],
  ] as const) {
    const gaps: number[] = [];
    const took: number[] = [];
    let proven = 0;
    const cases = [1, 2, 3, 4, 5, 6].map((seed) => networkOfSize(count, seed));
    for (const problem of cases) {
      const started = performance.now();
      const plan = schedule(problem, byDay, TWO_SECONDS);
      took.push(performance.now() - started);
      if (!plan.feasible) continue;
      broken += violations(problem, plan.steps).length;
      if (Math.floor(plan.lowerBound / DAY) === Math.floor(plan.finish / DAY)) proven += 1;
      gaps.push((plan.finish / plan.lowerBound - 1) * 100);
    }
    figures.push({
      what: `${count} steps: date proven, gap to the bound in % (median, worst), ms`,
      found: `${proven} of ${gaps.length}, ${medianAndWorst(gaps)}; ${medianAndWorst(took)}`,
      asked,
    });
  }
  for (const [count, asked] of [
    [60, '50'],
    [250, '50'],
    [1000, '400'],
  ] as const) {
    const problem = networkOfSize(count, 1);
    figures.push({
      what: `${count} steps: first plan, ms (median, worst)`,
      found: medianAndWorst(await timed(() => void schedule(problem, byDay, 0), 5)),
      asked,
    });
  }
  figures.push({ what: 'rules that these plans break', found: String(broken), asked: '0' });
  return figures;
}
