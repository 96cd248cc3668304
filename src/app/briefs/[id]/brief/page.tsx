import { BriefStation } from '@/stations/brief/brief-station';
import { madePage } from '../pages';
import { briefView } from '../view';

export default async function BriefPage({ params }: { params: Promise<{ id: string }> }) {
  return <BriefStation page={madePage('brief', await briefView((await params).id))} />;
}
