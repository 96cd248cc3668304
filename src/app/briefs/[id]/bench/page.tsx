import { BenchStation } from '@/stations/bench/bench-station';
import { sentPage } from '../pages';
import { briefView } from '../view';

export default async function BenchPage({ params }: { params: Promise<{ id: string }> }) {
  return <BenchStation page={sentPage('bench', await briefView((await params).id))} />;
}
