import { BenchStation } from '@/stations/bench/bench-station';
import { PAGES } from '../pages';
import { briefView } from '../view';

export default async function BenchPage({ params }: { params: Promise<{ id: string }> }) {
  return <BenchStation data={PAGES.bench(await briefView((await params).id))} />;
}
