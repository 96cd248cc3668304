import { RouteStation } from '@/stations/route/route-station';
import { madePage } from '../pages';
import { briefView } from '../view';

export default async function RoutePage({ params }: { params: Promise<{ id: string }> }) {
  return <RouteStation page={madePage('route', await briefView((await params).id))} />;
}
