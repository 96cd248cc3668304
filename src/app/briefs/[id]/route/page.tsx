import { RouteStation } from '@/stations/route/route-station';
import { sentPage } from '../pages';
import { briefView } from '../view';

export default async function RoutePage({ params }: { params: Promise<{ id: string }> }) {
  return <RouteStation page={sentPage('route', await briefView((await params).id))} />;
}
