import { routePage } from '@/stations/route/page-data';
import { RouteStation } from '@/stations/route/route-station';
import { briefView } from '../view';

export default async function RoutePage({ params }: { params: Promise<{ id: string }> }) {
  const { view } = await briefView((await params).id);
  return <RouteStation data={routePage(view)} />;
}
