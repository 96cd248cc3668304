import { EvidenceStation } from '@/stations/evidence/evidence-station';
import { PAGES } from '../pages';
import { briefView } from '../view';

export default async function EvidencePage({ params }: { params: Promise<{ id: string }> }) {
  return <EvidenceStation data={PAGES.evidence(await briefView((await params).id))} />;
}
