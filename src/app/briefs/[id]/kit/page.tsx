import { KitStation } from '@/stations/kit/kit-station';
import { pageOf } from '../pages';
import { briefView } from '../view';

export default async function KitPage({ params }: { params: Promise<{ id: string }> }) {
  return <KitStation data={pageOf('kit', await briefView((await params).id))} />;
}
