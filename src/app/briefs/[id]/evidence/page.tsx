import { EvidenceStation } from '@/stations/evidence/evidence-station';
import { madePage } from '../pages';
import { briefView } from '../view';

export default async function EvidencePage({ params }: { params: Promise<{ id: string }> }) {
  return <EvidenceStation page={madePage('evidence', await briefView((await params).id))} />;
}
