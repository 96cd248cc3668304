import { MarkingsStation } from '@/stations/markings/markings-station';
import { pageOf } from '../pages';
import { briefView } from '../view';

export default async function MarkingsPage({ params }: { params: Promise<{ id: string }> }) {
  return <MarkingsStation data={pageOf('markings', await briefView((await params).id))} />;
}
