import { markingsPage } from '@/stations/markings/page-data';
import { MarkingsStation } from '@/stations/markings/markings-station';
import { briefView } from '../view';

export default async function MarkingsPage({ params }: { params: Promise<{ id: string }> }) {
  const { view, shelf } = await briefView((await params).id);
  return <MarkingsStation data={markingsPage(view, shelf)} />;
}
