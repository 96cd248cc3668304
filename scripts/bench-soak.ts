import { Agent, request as ask } from 'node:http';
import { randomUUID } from 'node:crypto';
import sharp from 'sharp';
import { median, pace, type Figure } from './bench-figures';
import { memoryOf } from './memory-of';

/** Long service: builders who look, write, print and bring pictures for an hour; then the same load as at first. */

const BUILDERS = 12;
const LOOKS = ['kit', 'evidence', 'colours', 'markings', 'route', 'bench', 'log', 'brief'];
const PAPERS = ['brief.pdf', 'dossier/dossier.pdf', 'record.pdf', 'bench-plan.pdf', 'palette/card'];
const FILES = ['brief.zip', 'brief.json', 'record.html', 'scheme.svg', 'bench.ics', 'steps.csv', 'parts.csv'];

interface Answer {
  ms: number;
  status: number;
  body: Buffer;
}

const send = (
  agent: Agent,
  url: string,
  body: Buffer | string | null = null,
  headers: Record<string, string> = {},
): Promise<Answer> => {
  const start = performance.now();
  return new Promise((resolve) => {
    const chunks: Buffer[] = [];
    const done = (status: number) => resolve({ ms: performance.now() - start, status, body: Buffer.concat(chunks) });
    const { origin } = new URL(url);
    const request = ask(
      url,
      {
        agent,
        method: body === null ? 'GET' : 'POST',
        headers: { 'accept-encoding': 'gzip', ...(body === null ? {} : { origin }), ...headers },
      },
      (response) => {
        response.on('data', (chunk: Buffer) => chunks.push(chunk));
        response.on('end', () => done(response.statusCode ?? 0));
        response.on('error', () => done(0));
      },
    );
    request.on('error', () => done(0));
    request.end(body ?? undefined);
  });
};

/** A picture that no other is, with noise in it so that it costs what a photograph costs. */
const photograph = (n: number, width: number): Promise<Buffer> =>
  sharp({
    create: {
      width,
      height: Math.round(width * 0.7),
      channels: 3,
      background: { r: n % 256, g: 120, b: 90 },
      noise: { type: 'gaussian', mean: 128, sigma: 30 },
    },
  })
    .jpeg({ quality: 85 })
    .toBuffer();

function asForm(bytes: Buffer): { body: Buffer; type: string } {
  const edge = randomUUID();
  const head = `--${edge}\r\ncontent-disposition: form-data; name="picture"; filename="p.jpg"\r\ncontent-type: image/jpeg\r\n\r\n`;
  return {
    body: Buffer.concat([Buffer.from(head), bytes, Buffer.from(`\r\n--${edge}--\r\n`)]),
    type: `multipart/form-data; boundary=${edge}`,
  };
}

/** What is brought in over the hour was seen in a source of its own. */
const SOURCE = 'Long service';
async function sourceIn(base: string, briefs: readonly string[]) {
  const agent = new Agent();
  for (const brief of briefs) {
    const url = `${base}/briefs/${brief}/dossier/import?act=${randomUUID()}`;
    const { status, body } = await send(agent, url, `title,kind\n${SOURCE},photograph\n`, {
      'content-type': 'text/csv',
    });
    if (status !== 200) throw new Error(`its source was not taken in: ${body.toString().slice(0, 200)}`);
  }
  agent.destroy();
}

/** The load that fresh and used are compared by: pages alone, as fast as they come, for so many seconds. Answers a second and 95th, ms. */
async function pagesFor(seconds: number, base: string, briefs: readonly string[]) {
  const times: number[] = [];
  const until = performance.now() + seconds * 1000;
  await Promise.all(
    Array.from({ length: BUILDERS }, async (_, who) => {
      const agent = new Agent({ keepAlive: true, maxSockets: 1 });
      for (let turn = 0; performance.now() < until; turn += 1)
        times.push(
          (await send(agent, `${base}/briefs/${briefs[(who + turn) % briefs.length]}/${LOOKS[turn % LOOKS.length]}`))
            .ms,
        );
      agent.destroy();
    }),
  );
  times.sort((a, b) => a - b);
  // Machines that others use too are quicker and slower from minute to minute: the pace of the moment says how much of it is theirs.
  return {
    perSecond: times.length / seconds,
    p95: times[Math.floor(times.length * 0.95)]!,
    paceNs: Number(pace().found),
  };
}

export async function benchSoak(
  base: string,
  briefs: readonly string[],
  serverPid: number,
  minutes: number,
): Promise<Figure[]> {
  await sourceIn(base, briefs);
  await pagesFor(20, base, briefs);
  const fresh = await pagesFor(30, base, briefs);
  console.log(
    `fresh: ${fresh.perSecond.toFixed(1)} pages a second, 95th ${fresh.p95.toFixed(0)} ms, MB ${memoryOf(serverPid).join(' ')}`,
  );
  const answers: { ms: number; status: number }[] = [];
  const broken = new Map<string, number>();
  const started = performance.now();
  const until = started + minutes * 60_000;
  let most = 0;
  const watch = setInterval(() => {
    const mb = memoryOf(serverPid);
    most = Math.max(most, mb.at(-1) ?? 0);
    const last = answers.slice(-300).map(({ ms }) => ms);
    console.log(
      `${((performance.now() - started) / 60_000).toFixed(1)} min: ${answers.length} answers, median ${median(last).toFixed(0)} ms, MB ${mb.join(' ')}`,
    );
  }, 30_000);
  await Promise.all(
    Array.from({ length: BUILDERS }, async (_, who) => {
      const agent = new Agent({ keepAlive: true, maxSockets: 1 });
      const pictures: string[] = [];
      for (let turn = who * 7; performance.now() < until; turn += 1) {
        const brief = `${base}/briefs/${briefs[(who + turn) % briefs.length]}`;
        const of = (list: readonly string[]) => list[turn % list.length]!;
        let url = `${brief}/${of(LOOKS)}`;
        let answer: Answer;
        if (turn % 53 === 0) answer = await send(agent, (url = `${brief}/${of(PAPERS)}`));
        else if (turn % 29 === 0) answer = await send(agent, (url = `${brief}/${of(FILES)}`));
        else if (turn % 31 === 0) {
          const { body, type } = asForm(await photograph(turn, turn % 5 ? 2400 : 6000));
          answer = await send(agent, (url = `${base}/pictures`), body, { 'content-type': type });
          const { id } = JSON.parse(answer.body.toString() || '{}') as { id?: string };
          if (id) pictures.push(id);
        } else if (turn % 5 === 0 && pictures.length > 0)
          answer = await send(agent, (url = `${base}/pictures/${of(pictures)}`));
        else if (turn % 11 === 0) {
          const zone = ['fin-port', 'spinner', 'wing-upper-inner-port'][turn % 3];
          answer = await send(
            agent,
            (url = `${brief}/dossier/import?act=${randomUUID()}`),
            `zone,aspect,source,value\n${zone},fit,${SOURCE},seen ${randomUUID().slice(0, 8)}\n`,
            { 'content-type': 'text/csv' },
          );
        } else answer = await send(agent, url);
        answers.push({ ms: answer.ms, status: answer.status });
        if (answer.status === 0 || answer.status >= 500)
          broken.set(`${answer.status} ${new URL(url).pathname.replace(/[0-9a-f-]{36}/, '…')}`, 1);
        await new Promise((resolve) => setTimeout(resolve, 150));
      }
      agent.destroy();
    }),
  );
  clearInterval(watch);
  await pagesFor(20, base, briefs);
  const used = await pagesFor(30, base, briefs);
  const after = memoryOf(serverPid);
  const asked = `${minutes} min of ${BUILDERS} builders, ${answers.length} requests`;
  return [
    { what: `${asked}: not answered, or 5xx`, found: [...broken.keys()].join(', ') || '0', asked: '0' },
    { what: 'the same: largest process, MB (most, after)', found: `${most}, ${after.at(-1)}`, asked: '400' },
    {
      what: 'pages a second at that pace (ns a turn), fresh and then',
      found: `${fresh.perSecond.toFixed(0)} (${fresh.paceNs}), ${used.perSecond.toFixed(0)} (${used.paceNs})`,
      asked: 'within 20 %',
    },
    {
      what: 'pages, 95th, ms, fresh and then',
      found: `${fresh.p95.toFixed(0)}, ${used.p95.toFixed(0)}`,
      asked: 'no worse',
    },
    pace(),
  ];
}
