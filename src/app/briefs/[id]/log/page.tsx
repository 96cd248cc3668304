import { LogStation } from '@/stations/log/log-station';
import { pageOf } from '../pages';
import { briefView } from '../view';

export default async function LogPage({ params }: { params: Promise<{ id: string }> }) {
  return <LogStation data={pageOf('log', await briefView((await params).id))} />;
}
