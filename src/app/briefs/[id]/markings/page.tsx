import { MarkingsStation } from '@/stations/markings/markings-station';
import { sentPage } from '../pages';
import { briefView } from '../view';

export default async function MarkingsPage({ params }: { params: Promise<{ id: string }> }) {
  return <MarkingsStation page={sentPage('markings', await briefView((await params).id))} />;
}
