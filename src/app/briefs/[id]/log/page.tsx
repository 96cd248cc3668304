import { LogStation } from '@/stations/log/log-station';
import { madePage } from '../pages';
import { briefView } from '../view';

export default async function LogPage({ params }: { params: Promise<{ id: string }> }) {
  return <LogStation page={madePage('log', await briefView((await params).id))} />;
}
