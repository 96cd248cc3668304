import { BriefStation } from '@/stations/brief/brief-station';
import { sentPage } from '../pages';
import { briefView } from '../view';

export default async function BriefPage({ params }: { params: Promise<{ id: string }> }) {
  return <BriefStation page={sentPage('brief', await briefView((await params).id))} />;
}
