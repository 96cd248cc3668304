import { listRemoved } from '@/data/removed-briefs';
import { RemovedBriefs } from '@/stations/start/removed-briefs';
import { HouseHead } from '@/stations/start/house-head';

export const dynamic = 'force-dynamic';

export default async function Removed() {
  const briefs = await listRemoved();
  return (
    <>
      <HouseHead page="Removed briefs" />
      <RemovedBriefs briefs={briefs} />
    </>
  );
}
