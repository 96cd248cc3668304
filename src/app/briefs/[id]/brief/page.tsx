import { paintLabel } from '@/core/paint/catalogue';
import { BriefStation } from '@/stations/brief/brief-station';
import { briefView } from '../view';

export default async function BriefPage({ params }: { params: Promise<{ id: string }> }) {
  const { view } = await briefView((await params).id);
  return (
    <BriefStation
      data={{
        briefId: view.state.brief.id,
        sources: view.state.sources.length,
        ruled: view.questions.filter((question) => !question.open).length,
        open: view.questions
          .filter((question) => question.open)
          .map((question) => `${question.zoneTitle}, ${question.aspectTitle.toLowerCase()}`),
        calls: view.calls.map((call) => ({
          code: call.code,
          name: call.official?.record.name ?? '',
          paint: call.choice ? paintLabel(call.choice.paint) : null,
        })),
        steps: view.plan.work.length,
        done: view.plan.work.filter((item) => item.done).length,
        sessionsLeft: view.plan.sessionsLeft,
        finish: view.plan.finish,
      }}
    />
  );
}
