import { BriefList } from '@/stations/start/brief-list';
import { listBriefs } from '@/data/brief-list';
import { countRemoved } from '@/data/removed-briefs';
import { unitsOf } from '@/core/kept/state';
import { loadHouse } from '@/data/shelf';
import { withOpen } from './open-in';
import '@/stations/shell/head.css';

export const dynamic = 'force-dynamic';

export default async function Home() {
  const briefs = await withOpen(await listBriefs());
  const removed = await countRemoved();
  return (
    <>
      <header className="head">
        <div className="head-title">
          <strong>Build Brief</strong>
        </div>
      </header>
      <BriefList briefs={briefs} removed={removed} units={unitsOf(await loadHouse())} />
    </>
  );
}
