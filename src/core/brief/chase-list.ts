import { chanceToFlip, chaseScore, photographsToSettle, sourcesToLookAt } from '@/core/evidence/chase';
import type { Window } from '@/core/evidence/date-fit';
import type { Outline } from '@/core/outline/outline';
import { VIEWS, type View } from '@/core/outline/zones';
import type { RoutePlan } from '@/core/route/plan';
import { redoOf } from '@/core/route/redo';
import type { Route } from '@/core/route/step';
import { daysBetween } from '@/core/units/day';
import type { GateView } from './gate-views';
import type { QuestionView, WeighedBrief } from './questions';
import type { BriefState } from '@/core/kept/state';

/** A question worth chasing, with why and how. */
export interface ChaseItem {
  question: QuestionView;
  gate: GateView;
  chance: number;
  redoMinutes: number;
  /** Local date-time of the first step that fixes the answer, or of its gate; null when neither is planned. */
  lastUseful: string | null;
  /** That step is done already. */
  tooLate: boolean;
  daysLeft: number | null;
  score: number;
  blocks: string[];
  /** Sources in hand that show the zone and say nothing of it yet. */
  lookAt: string[];
  /** What to look for: a picture of these sides from this window (null: of the inside), and how many would settle it. */
  find: { views: View[]; window: Window; photographs: number | null };
}

/** A ruling that stands on less than this is still worth a picture. */
const SHAKY = 0.25;

/** What to chase, most worthwhile first: chance to flip x hours to redo x urgency to the last useful day. */
export function chaseList(
  state: BriefState,
  { questions, evidence, weights, windows }: WeighedBrief,
  outline: Outline,
  route: Route,
  plan: RoutePlan,
  gates: readonly GateView[],
  today: string,
): ChaseItem[] {
  const gateBy = new Map(gates.map((gate) => [gate.name, gate]));
  const workBy = new Map(plan.work.map((item) => [item.key, item]));
  const viewsOf = new Map<string, View[]>();
  for (const view of VIEWS)
    for (const zone of new Set(outline.drawings[view].shapes.map((shape) => shape.zone)))
      viewsOf.set(zone, [...(viewsOf.get(zone) ?? []), view]);
  const lookable = state.sources.map((source) => ({ ...source, window: windows.get(source.id)! }));

  return questions
    .map((question) => ({ question, chance: chanceToFlip(question.weighed) }))
    .filter(
      ({ question, chance }) =>
        question.open || (question.ruling?.basis === 'supported' && !question.ruledOpposite && chance >= SHAKY),
    )
    .map(({ question, chance }): ChaseItem => {
      const { zone, aspect } = question.record;
      const gate = gateBy.get(question.gate)!;
      const closedIn = question.gate === 'fuselage' || question.gate === 'wings';
      const redo = redoOf(route, zone, aspect, question.gate, closedIn);
      const fixing = redo.fixing.flatMap((key) => workBy.get(key) ?? []);
      const tooLate = fixing.some((work) => work.done) || (fixing.length === 0 && gate.passed);
      const starts = [...fixing.map((work) => work.start), ...(gate.start && !gate.passed ? [gate.start] : [])].sort();
      const lastUseful = starts[0] ?? null;
      const daysLeft = lastUseful && Math.max(0, daysBetween(today, lastUseful.slice(0, 10)));
      const views = viewsOf.get(zone) ?? [];
      return {
        question,
        gate,
        chance,
        redoMinutes: redo.minutes,
        lastUseful,
        tooLate,
        daysLeft: daysLeft === '' ? null : daysLeft,
        score: chaseScore(chance, redo.minutes, daysLeft === '' ? null : daysLeft),
        blocks: redo.blocks,
        lookAt: sourcesToLookAt(
          lookable,
          evidence.target,
          evidence.repaints.filter((repaint) => repaint.zone === zone),
          zone,
          views,
          new Set(question.sightings.map((sighting) => sighting.sourceId)),
          weights,
        ),
        find: { views, window: evidence.target, photographs: photographsToSettle(evidence, question.weighed, weights) },
      };
    })
    .sort((a, b) => b.score - a.score || a.question.record.zone.localeCompare(b.question.record.zone));
}
