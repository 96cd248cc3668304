import { chanceToFlip, chaseScore, photographsToSettle, sourcesToLookAt } from '@/core/evidence/chase';
import type { Window } from '@/core/evidence/date-fit';
import { viewsShowing, type Outline } from '@/core/outline/outline';
import type { View } from '@/core/outline/zones';
import { redoInWords, redoOf } from '@/core/route/redo';
import type { Route } from '@/core/work/step';
import { daysBetween } from '@/core/units/day';
import type { Due, DueOf } from './due';
import type { GateView } from './gate-views';
import { elsewhere } from './open-items';
import type { QuestionView, WeighedBrief } from './questions';
import type { BriefState } from '@/core/kept/state';

/** A question worth chasing, with why and how. */
export interface ChaseItem {
  question: QuestionView;
  gate: GateView;
  chance: number;
  redoMinutes: number;
  /** Where those come from. */
  redoFrom: string;
  due: Due;
  /** To the day by which it should be known; null where there is none. */
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
  dueOf: DueOf,
  gates: readonly GateView[],
  today: string,
): ChaseItem[] {
  const gateBy = new Map(gates.map((gate) => [gate.name, gate]));
  const zones = new Map(outline.zones.map((zone) => [zone.key, zone]));
  const viewsOf = viewsShowing(outline);
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
      const place = zones.get(zone) ?? elsewhere(zone);
      const redo = redoOf(route, place, aspect, question.gate, place.closedBy !== null);
      const due = dueOf(place, aspect, question.gate);
      const daysLeft = due.by === null ? null : Math.max(0, daysBetween(today, due.by.slice(0, 10)));
      const views = viewsOf.get(zone) ?? [];
      return {
        question,
        gate,
        chance,
        redoMinutes: redo.minutes,
        redoFrom: redoInWords(redo),
        due,
        daysLeft,
        score: chaseScore(chance, redo.minutes, daysLeft),
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
