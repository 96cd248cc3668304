import { nowMs } from '@/clock/now';
import { databaseFault } from '@/data/database';

export const dynamic = 'force-dynamic';

/** That it is there with its database, and what time it is here; `run` is which start of the house it is. */
export async function GET(): Promise<Response> {
  const fault = await databaseFault();
  return Response.json(
    {
      ok: fault === null,
      now: nowMs(),
      run: process.env.HOUSE_RUN ?? null,
      ...(fault === null ? {} : { says: `The database does not answer: ${fault}.` }),
    },
    { status: fault === null ? 200 : 503, headers: { 'cache-control': 'no-store' } },
  );
}
