import { LogStation } from '@/stations/log/log-station';
import { sentPage } from '../pages';
import { briefView } from '../view';

export default async function LogPage({ params }: { params: Promise<{ id: string }> }) {
  return <LogStation page={sentPage('log', await briefView((await params).id))} />;
}
