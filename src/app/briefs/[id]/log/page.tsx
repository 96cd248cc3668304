import { logFacts } from '@/stations/log/log-facts';
import { LogStation } from '@/stations/log/log-station';
import { briefView } from '../view';

export default async function LogPage({ params }: { params: Promise<{ id: string }> }) {
  const { view } = await briefView((await params).id);
  return <LogStation facts={logFacts(view)} />;
}
