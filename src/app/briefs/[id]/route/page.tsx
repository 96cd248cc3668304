import { routeFacts } from '@/stations/route/route-facts';
import { RouteStation } from '@/stations/route/route-station';
import { briefView } from '../view';

export default async function RoutePage({ params }: { params: Promise<{ id: string }> }) {
  const { view } = await briefView((await params).id);
  return <RouteStation facts={routeFacts(view)} />;
}
