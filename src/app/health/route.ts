/** That it is there, and what time it is here. */
export const GET = () => Response.json({ ok: true, now: Date.now() }, { headers: { 'cache-control': 'no-store' } });
