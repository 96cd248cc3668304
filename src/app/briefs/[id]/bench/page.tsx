import { BenchStation } from '@/stations/bench/bench-station';
import { pageOf } from '../pages';
import { briefView } from '../view';

export default async function BenchPage({ params }: { params: Promise<{ id: string }> }) {
  return <BenchStation data={pageOf('bench', await briefView((await params).id))} />;
}
