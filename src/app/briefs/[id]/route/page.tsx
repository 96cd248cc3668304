import { RouteStation } from '@/stations/route/route-station';
import { pageOf } from '../pages';
import { briefView } from '../view';

export default async function RoutePage({ params }: { params: Promise<{ id: string }> }) {
  return <RouteStation data={pageOf('route', await briefView((await params).id))} />;
}
