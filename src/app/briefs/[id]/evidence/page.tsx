import { EvidenceStation } from '@/stations/evidence/evidence-station';
import { pageOf } from '../pages';
import { briefView } from '../view';

export default async function EvidencePage({ params }: { params: Promise<{ id: string }> }) {
  return <EvidenceStation data={pageOf('evidence', await briefView((await params).id))} />;
}
