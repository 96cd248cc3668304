import { evidencePage } from '@/stations/evidence/page-data';
import { EvidenceStation } from '@/stations/evidence/evidence-station';
import { briefView } from '../view';

export default async function EvidencePage({ params }: { params: Promise<{ id: string }> }) {
  const { view, shelf, revisions } = await briefView((await params).id);
  return <EvidenceStation data={evidencePage(view, shelf, revisions.brief.number)} />;
}
