import { BriefStation } from '@/stations/brief/brief-station';
import { pageOf } from '../pages';
import { briefView } from '../view';

export default async function BriefPage({ params }: { params: Promise<{ id: string }> }) {
  return <BriefStation data={pageOf('brief', await briefView((await params).id))} />;
}
