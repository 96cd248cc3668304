import { BriefList } from '@/stations/start/brief-list';
import { listBriefs } from '@/data/briefs';
import { openIn } from './open-in';

export const dynamic = 'force-dynamic';

export default async function Home() {
  const briefs = await Promise.all(
    (await listBriefs()).map(async (brief) => ({ ...brief, open: await openIn(brief.id) })),
  );
  return (
    <>
      <header className="head">
        <div className="head-title">
          <strong>Build Brief</strong>
        </div>
      </header>
      <BriefList briefs={briefs} />
    </>
  );
}
