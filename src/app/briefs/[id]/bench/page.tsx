import { cardsForNow } from '@/core/bench/cards';
import { BenchStation } from '@/stations/bench/bench-station';
import { briefView } from '../view';

export default async function BenchPage({ params }: { params: Promise<{ id: string }> }) {
  const { view } = await briefView((await params).id);
  const { cards, running, startLocal } = cardsForNow(view);
  return (
    <BenchStation
      data={{
        briefId: view.state.brief.id,
        cards,
        running,
        startLocal,
        timers: view.state.timers,
        finish: view.plan.finish,
      }}
    />
  );
}
