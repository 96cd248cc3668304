import type { DoneStep } from '@/core/laid/standing';
import { momentInWords } from '@/core/units/day';
import { durationInWords } from '@/core/units/minutes';
import { faultsIn } from './accepted';
import { beginningOf, shifted, type AcceptedPlan } from './accepted-plan';
import { planFrame, sessionAt, type PlannedWork, type PlanSettings } from './plan';
import type { Instant, PlanProblem } from './schedule/problem';
import { makingRoom } from './schedule/schedule';
import { Timeline, type Placed } from './schedule/timeline';
import type { Route } from '@/core/work/step';

/** Where one step of a plan may lie while all others stay where they are. */
export interface Room {
  /** It begins no sooner than this, for that reason; minutes of the plan. */
  from: Instant;
  fromWhy: string;
  /** It ends no later than this, for that reason. */
  by: Instant;
  byWhy: string;
}

const NOW = 'that is past';
const FREE = 'nothing waits for it';

/** The room of every step that is not done. */
export function roomsOf(
  route: Pick<Route, 'steps' | 'links'>,
  work: readonly Pick<PlannedWork, 'key' | 'segments' | 'done'>[],
  now: Instant,
): Map<string, Room> {
  const titles = new Map(route.steps.map(({ key, title }) => [key, title]));
  const spans = new Map(work.map(({ key, segments }) => [key, [segments[0]![0], segments.at(-1)![1]] as const]));
  const rooms = new Map<string, Room>();
  for (const { key, done } of work) if (!done) rooms.set(key, { from: now, fromWhy: NOW, by: Infinity, byWhy: FREE });
  const notBefore = (key: string, from: Instant, fromWhy: string) => {
    const room = rooms.get(key);
    if (room && from > room.from) rooms.set(key, { ...room, from, fromWhy });
  };
  const notAfter = (key: string, by: Instant, byWhy: string) => {
    const room = rooms.get(key);
    if (room && by < room.by) rooms.set(key, { ...room, by, byWhy });
  };
  for (const { from, to, minLag, maxLag, why } of route.links) {
    const [before, after] = [spans.get(from), spans.get(to)];
    if (!before || !after) continue;
    const wait =
      minLag > 0
        ? `${durationInWords(minLag)} after “${titles.get(from)}”: ${why}`
        : `“${titles.get(from)}” comes first`;
    notBefore(to, before[1] + minLag, wait);
    // What was done out of its turn holds nothing back any more.
    if (!rooms.has(to)) continue;
    notAfter(
      from,
      after[0] - minLag,
      minLag > 0 ? `“${titles.get(to)}” waits ${durationInWords(minLag)} for it` : `“${titles.get(to)}” follows it`,
    );
    if (maxLag === null) continue;
    notAfter(
      to,
      before[1] + maxLag + after[1] - after[0],
      `at most ${durationInWords(maxLag)} after “${titles.get(from)}”`,
    );
    notBefore(
      from,
      after[0] - maxLag - (before[1] - before[0]),
      `“${titles.get(to)}” follows within ${durationInWords(maxLag)}`,
    );
  }
  return rooms;
}

/** The plan then, and what else moves to make room; or why not. */
export type Dragged = { laid: AcceptedPlan['laid']; moved: string[] } | { says: string };

/** What is done, and what is planned of the rest. */
function standing(problem: PlanProblem, planned: readonly { id: string; segments: [number, number][] }[]) {
  const isDone = new Set(problem.actuals.map(({ id }) => id));
  return [
    ...problem.actuals.map(({ id, start, end }) => ({
      key: id,
      segments: [[start, end] as [number, number]],
      done: true,
    })),
    ...planned.flatMap(({ id, segments }) => (isDone.has(id) ? [] : [{ key: id, segments, done: false }])),
  ];
}

/**
 * The plan with one step laid in the session of `at` (minutes since 1970), as near behind it as there is room; where there is none, what lies
 * there makes room. Or why that cannot be.
 */
export function dragged(
  route: Route,
  done: readonly DoneStep[],
  settings: PlanSettings,
  laid: AcceptedPlan['laid'],
  key: string,
  at: Instant,
): Dragged {
  const frame = planFrame(route, done, settings);
  const { problem, sessions, local, now } = frame;
  const zero = beginningOf(frame);
  const steps = new Map(problem.steps.map((step) => [step.id, step]));
  const own = laid.find((one) => one.key === key);
  const step = steps.get(key);
  if (!own || !step) return { says: 'This step is not planned any more.' };
  const others = laid
    .filter((one) => one.key !== key)
    .map((one) => ({ id: one.key, segments: shifted(one.segments, -zero) }));
  const timeline = new Timeline(problem);
  for (const { id, segments } of [...others].sort((a, b) => a.segments[0]![0] - b.segments[0]![0])) {
    const other = steps.get(id);
    const placed = other && timeline.earliest(other, segments[0]![0]);
    if (placed && placed.segments[0]![0] === segments[0]![0]) timeline.place(placed);
  }
  const session = sessions.find(({ start, end }) => start <= at - zero && at - zero < end);
  if (!session) return { says: 'There is no session there.' };
  const pieces = [...others, { id: key, segments: shifted(own.segments, -zero) }];
  const room = roomsOf(route, standing(problem, pieces), now).get(key);
  if (!room) return { says: 'This step is done.' };
  const clock = (minutes: Instant) => momentInWords(local(minutes));
  if (room.from >= session.end) return { says: `Not before ${clock(room.from)}: ${room.fromWhy}.` };
  if (room.by <= session.start)
    return { says: `As the plan stands it must be done by ${clock(room.by)}: ${room.byWhy}.` };
  if (step.needsBooth && !session.booth) return { says: 'Nothing can be sprayed in that session.' };
  const fits = (placed: Placed | null): placed is Placed =>
    placed !== null &&
    sessionAt(sessions, placed.segments[0]![0]) === session.id &&
    placed.segments.at(-1)![1] <= room.by;
  const found = [at - zero, session.start].map((from) => timeline.earliest(step, Math.max(from, room.from))).find(fits);
  const full = (): Dragged => ({
    says: `There is no room for its ${durationInWords(step.minutes)} in that session, between ${clock(Math.max(room.from, session.start))} (${room.from > session.start ? room.fromWhy : 'the session begins'}) and ${clock(Math.min(room.by, session.end))} (${room.by < session.end ? room.byWhy : 'the session ends'}).`,
  });
  if (!found) {
    // What lies there makes room, as long as nothing has to wait for anything longer.
    const from = Math.max(Math.min(at - zero, Math.min(room.by, session.end) - step.minutes), room.from, session.start);
    const starts = new Map(others.map(({ id, segments }) => [id, segments[0]![0]]));
    const empty = new Timeline(problem).earliest(step, from);
    if (!fits(empty)) return full();
    const steps = makingRoom(problem, starts.set(key, empty.segments[0]![0]), key);
    if (!steps) return full();
    const segmentsOf = new Map(steps.map(({ id, segments }) => [id, segments]));
    return kept(
      laid.map((one) => ({
        ...one,
        segments: segmentsOf.has(one.key) ? shifted(segmentsOf.get(one.key)!, zero) : one.segments,
      })),
    );
  }
  return kept(laid.map((one) => (one.key === key ? { ...one, segments: shifted(found.segments, zero) } : one)));

  /** What the plan breaks already, such as steps that came since and wait to be accepted, is not the drag's doing. */
  function kept(next: AcceptedPlan['laid']): Dragged {
    const faults = faultsIn(route, frame, next);
    const standing = new Set(faults.length > 0 ? faultsIn(route, frame, laid) : []);
    const fault = faults.find((one) => !standing.has(one));
    if (fault) return { says: `That would break the plan: ${fault}.` };
    const before = new Map(laid.map((one) => [one.key, one.segments[0]?.[0]]));
    return {
      laid: next,
      moved: next
        .filter((one) => one.key !== key && one.segments[0]?.[0] !== before.get(one.key))
        .map(({ title }) => title),
    };
  }
}
