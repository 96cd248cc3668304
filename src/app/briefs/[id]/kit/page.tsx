import { KitStation } from '@/stations/kit/kit-station';
import { sentPage } from '../pages';
import { briefView } from '../view';

export default async function KitPage({ params }: { params: Promise<{ id: string }> }) {
  return <KitStation page={sentPage('kit', await briefView((await params).id))} />;
}
