import { nowMs } from '@/clock/now';

/** That it is there, and what time it is here. */
export const GET = () => Response.json({ ok: true, now: nowMs() }, { headers: { 'cache-control': 'no-store' } });
