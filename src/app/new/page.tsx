import Link from 'next/link';
import { newBrief } from '@/core/kept/new-brief';
import { MachineForm } from '@/stations/kit/machine-form';
import { houseTimeZone, nowUtc } from '@/clock/now';
import { loadShelf } from '@/data/shelf';
import { localDay } from '@/core/route/calendar';

export const dynamic = 'force-dynamic';

export default async function NewBriefPage() {
  const { tools } = await loadShelf();
  return (
    <>
      <header className="head">
        <div className="head-title">
          <Link href="/" className="head-home" aria-label="All briefs">
            ≡
          </Link>
          <strong>Build Brief</strong>
          <span>New brief</span>
        </div>
      </header>
      <main className="station">
        <h1>Which machine, from which kit?</h1>
        <p className="station-now">Type, scale and layout are enough to begin; all else can be said later.</p>
        <MachineForm
          {...newBrief(localDay(nowUtc(), houseTimeZone()), houseTimeZone())}
          owned={[...new Set(tools.map(({ kind }) => kind))]}
        />
      </main>
    </>
  );
}
