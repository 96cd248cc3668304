import { EvidenceStation } from '@/stations/evidence/evidence-station';
import { sentPage } from '../pages';
import { briefView } from '../view';

export default async function EvidencePage({ params }: { params: Promise<{ id: string }> }) {
  return <EvidenceStation page={sentPage('evidence', await briefView((await params).id))} />;
}
