import { Agent, request as ask } from 'node:http';
import { randomUUID } from 'node:crypto';
import { median, pace, type Figure } from './bench-figures';

/** Many at once: builders with kept connections who look at a page now and then, and some of whom write. */

const BUILDERS = 50;
const EVERY_MS = 1500;
const SECONDS = 30;
/** One request in so many is a write: a sighting from a table. */
const WRITES = 15;
const STATIONS = ['evidence', 'colours', 'markings', 'route', 'bench', 'log', 'brief'];

interface Answer {
  ms: number;
  ok: boolean;
}

function send(agent: Agent, url: string, body: string | null): Promise<Answer> {
  const start = performance.now();
  return new Promise((resolve) => {
    const done = (ok: boolean) => resolve({ ms: performance.now() - start, ok });
    const { origin } = new URL(url);
    const request = ask(
      url,
      {
        agent,
        method: body === null ? 'GET' : 'POST',
        headers: { 'accept-encoding': 'gzip', ...(body === null ? {} : { origin, 'content-type': 'text/csv' }) },
      },
      (response) => {
        response.resume();
        response.on('end', () => done(response.statusCode === 200));
        response.on('error', () => done(false));
      },
    );
    request.on('error', () => done(false));
    request.end(body ?? undefined);
  });
}

/** `briefs` with a zone and a source of each, for the writes. */
export async function benchMany(
  base: string,
  briefs: readonly { id: string; zone: string; source: string }[],
): Promise<Figure[]> {
  const answers: Answer[] = [];
  const until = performance.now() + SECONDS * 1000;
  const builder = async (who: number) => {
    const agent = new Agent({ keepAlive: true, maxSockets: 1 });
    const own = briefs[who % briefs.length]!;
    await new Promise((resolve) => setTimeout(resolve, (EVERY_MS * who) / BUILDERS));
    for (let turn = 0; performance.now() < until; turn += 1) {
      const start = performance.now();
      const writes = (turn * BUILDERS + who) % WRITES === 0;
      answers.push(
        writes
          ? await send(
              agent,
              `${base}/briefs/${own.id}/dossier/import?act=${randomUUID()}`,
              `zone,aspect,source,value\n${own.zone},fit,${own.source},seen ${randomUUID().slice(0, 8)}\n`,
            )
          : await send(agent, `${base}/briefs/${own.id}/${STATIONS[(who + turn) % STATIONS.length]}`, null),
      );
      await new Promise((resolve) => setTimeout(resolve, Math.max(0, EVERY_MS - (performance.now() - start))));
    }
    agent.destroy();
  };
  await Promise.all(Array.from({ length: BUILDERS }, (_, who) => builder(who)));
  const times = answers.map(({ ms }) => ms).sort((a, b) => a - b);
  const at = (share: number) => times[Math.floor(share * (times.length - 1))]!;
  const asked = `${BUILDERS} builders, a page every ${EVERY_MS / 1000} s, one in ${WRITES} writes`;
  return [
    { what: `${asked}: answers a second`, found: (answers.length / SECONDS).toFixed(1), asked: '33 are asked for' },
    { what: 'the same: not answered', found: String(answers.filter(({ ok }) => !ok).length), asked: '0' },
    {
      what: 'the same: ms (median, 95th, worst)',
      found: `${median(times).toFixed(0)}, ${at(0.95).toFixed(0)}, ${at(1).toFixed(0)}`,
      asked: '95th 300 at 3 ns, 1000 at 10 ns',
    },
    pace(),
  ];
}
