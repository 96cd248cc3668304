import { logPage } from '@/stations/log/page-data';
import { LogStation } from '@/stations/log/log-station';
import { briefView } from '../view';

export default async function LogPage({ params }: { params: Promise<{ id: string }> }) {
  const { view } = await briefView((await params).id);
  return <LogStation data={logPage(view)} />;
}
