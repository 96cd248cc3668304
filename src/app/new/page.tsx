import { newBrief } from '@/core/kept/new-brief';
import { MachineForm } from '@/stations/kit/machine-form';
import { houseTimeZone, nowUtc } from '@/clock/now';
import { unitsOf } from '@/core/kept/state';
import { loadShelf } from '@/data/shelf';
import { localDay } from '@/core/route/calendar';
import { HouseHead } from '@/stations/start/house-head';

export const dynamic = 'force-dynamic';

export default async function NewBriefPage() {
  const shelf = await loadShelf();
  return (
    <>
      <HouseHead page="New brief" />
      <main className="station">
        <h1>Which machine, from which kit?</h1>
        <p className="station-now">Type, scale and layout are enough to begin; all else can be said later.</p>
        <MachineForm
          {...newBrief(localDay(nowUtc(), houseTimeZone()), houseTimeZone())}
          owned={[...new Set(shelf.tools.map(({ kind }) => kind))]}
          units={unitsOf(shelf)}
        />
      </main>
    </>
  );
}
