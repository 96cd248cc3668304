import { BriefList } from '@/stations/start/brief-list';
import { listBriefs } from '@/data/briefs';

export const dynamic = 'force-dynamic';

export default async function Home() {
  return (
    <>
      <header className="head">
        <div className="head-title">
          <strong>Build Brief</strong>
        </div>
      </header>
      <BriefList briefs={await listBriefs()} />
    </>
  );
}
