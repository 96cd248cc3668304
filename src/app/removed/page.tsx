import Link from 'next/link';
import { listRemoved } from '@/data/removed-briefs';
import { RemovedBriefs } from '@/stations/start/removed-briefs';

export const dynamic = 'force-dynamic';

export default async function Removed() {
  const briefs = await listRemoved();
  return (
    <>
      <header className="head">
        <div className="head-title">
          <Link href="/" className="head-home" aria-label="All briefs">
            ≡
          </Link>
          <strong>Build Brief</strong>
          <span>Removed briefs</span>
        </div>
      </header>
      <RemovedBriefs briefs={briefs} />
    </>
  );
}
