import { BriefStation } from '@/stations/brief/brief-station';
import { PAGES } from '../pages';
import { briefView } from '../view';

export default async function BriefPage({ params }: { params: Promise<{ id: string }> }) {
  return <BriefStation data={PAGES.brief(await briefView((await params).id))} />;
}
