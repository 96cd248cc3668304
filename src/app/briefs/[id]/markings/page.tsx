import { MarkingsStation } from '@/stations/markings/markings-station';
import { madePage } from '../pages';
import { briefView } from '../view';

export default async function MarkingsPage({ params }: { params: Promise<{ id: string }> }) {
  return <MarkingsStation page={madePage('markings', await briefView((await params).id))} />;
}
