import { GATES, type GateName } from '@/core/route/gates';
import type { RoutePlan } from '@/core/route/plan';
import type { QuestionView } from './questions';

/** A gate of the route with the questions that it closes over. */
export interface GateView {
  name: GateName;
  title: string;
  /** Local date-time at which it is planned; null when it is not part of the route. */
  start: string | null;
  passed: boolean;
  open: QuestionView[];
}

export function gateViews(plan: RoutePlan, questions: readonly QuestionView[]): GateView[] {
  return (Object.keys(GATES) as GateName[]).flatMap((name) => {
    const work = plan.work.find((item) => item.step.gate === name);
    const open = questions.filter((question) => question.open && question.gate === name);
    return work || open.length > 0
      ? [{ name, title: GATES[name], start: work?.start ?? null, passed: work?.done ?? false, open }]
      : [];
  });
}
