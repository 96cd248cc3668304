import { RouteStation } from '@/stations/route/route-station';
import { PAGES } from '../pages';
import { briefView } from '../view';

export default async function RoutePage({ params }: { params: Promise<{ id: string }> }) {
  return <RouteStation data={PAGES.route(await briefView((await params).id))} />;
}
