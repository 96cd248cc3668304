import { KitStation } from '@/stations/kit/kit-station';
import { madePage } from '../pages';
import { briefView } from '../view';

export default async function KitPage({ params }: { params: Promise<{ id: string }> }) {
  return <KitStation page={madePage('kit', await briefView((await params).id))} />;
}
