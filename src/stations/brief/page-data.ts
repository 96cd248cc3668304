import type { BriefView } from '@/core/derive/derive';
import { contradictionsIn } from '@/core/kept/contradictions';
import { RECORDS, type RecordName } from '@/core/kept/records';
import { libertiesOf } from '@/core/workshop/liberties';
import { paintLabel } from '@/core/paint/catalogue';

const EVERY_KIND: ReadonlySet<RecordName> = new Set(Object.keys(RECORDS) as RecordName[]);

export interface BriefPage {
  briefId: string;
  sources: number;
  ruled: number;
  open: string[];
  /** What was taken whatever the sources say. */
  liberties: string[];
  calls: { code: string; name: string; paint: string | null; painted: boolean }[];
  steps: number;
  done: number;
  sessionsLeft: number;
  finish: string | null;
  /** What it says against itself: let go in a backup. */
  contradictions: string[];
}

export function briefPage(view: BriefView): BriefPage {
  return {
    briefId: view.state.brief.id,
    sources: view.state.sources.length,
    ruled: view.questions.filter((question) => !question.open).length,
    open: view.open.map(({ says }) => says),
    liberties: libertiesOf(view).map(({ question, value }) => `${question}: ${value}`),
    calls: view.calls.map((call) => ({
      code: call.code,
      name: call.official?.record.name ?? '',
      paint: call.choice ? paintLabel(call.choice.paint) : null,
      painted: call.painted,
    })),
    steps: view.route.steps.length,
    done: view.plan.work.filter((item) => item.done).length,
    sessionsLeft: view.plan.sessionsLeft,
    finish: view.plan.finish,
    contradictions: contradictionsIn(view.state, EVERY_KIND).map(({ says }) => says),
  };
}
