import { LogStation } from '@/stations/log/log-station';
import { PAGES } from '../pages';
import { briefView } from '../view';

export default async function LogPage({ params }: { params: Promise<{ id: string }> }) {
  return <LogStation data={PAGES.log(await briefView((await params).id))} />;
}
