import { BenchStation } from '@/stations/bench/bench-station';
import { madePage } from '../pages';
import { briefView } from '../view';

export default async function BenchPage({ params }: { params: Promise<{ id: string }> }) {
  return <BenchStation page={madePage('bench', await briefView((await params).id))} />;
}
