import { readdirSync } from 'node:fs';
import type { APIRequestContext } from '@playwright/test';
import { MIGRATION_NUMBERS, OLD_HOUSES, oldFile, restoreHouse, serveHouse, type Served } from '../support/old-house';
import { expect, STATIONS, test } from '../support/story';

/** What stands for the parts of an address that differ from brief to brief. */
interface Named {
  zone: string;
  entry: string | undefined;
  question: string | undefined;
}
const FILES = ['dossier.pdf', 'dossier.json', 'sources.csv', 'sightings.csv', 'rulings.csv'];
const FORMATS = ['gimp', 'swatches', 'csv', 'cgats', 'card'];

/** Every address of a brief that is read, as the folders of the application name them. */
function addresses({ zone, entry, question }: Named): string[] {
  const found = (readdirSync('src/app/briefs/[id]', { recursive: true }) as string[])
    .filter((file) => /(^|\/)(route\.ts|page\.tsx)$/.test(file))
    .map((file) => file.replace(/\/?(route\.ts|page\.tsx)$/, ''))
    .filter((address) => address !== 'dossier/import');
  return found.flatMap((address) => {
    if (address === 'dossier/[file]') return FILES.map((file) => `dossier/${file}`);
    if (address === 'palette/[format]') return FORMATS.map((format) => `palette/${format}`);
    if (address === 'made/[zone]') return [`made/${zone}`];
    if (address === 'log/falls/[entry]') return entry ? [`log/falls/${entry}`] : [];
    if (address === 'questions/[question]') return question ? [`questions/${question}`] : [];
    if (address === 'now/[page]') return STATIONS.map((station) => `now/${station}?shell=none&page=none`);
    if (address === 'choices/[option]/[choice]') return ['choices/weathering/none', 'choices/weathering/derelict'];
    if (address === 'cut') return ['cut?sheet=all&as=svg'];
    expect(address, 'an address that this test does not know how to fill').not.toContain('[');
    return [address];
  });
}

/** Opens every address of a brief, its papers where they are wanted. What is not there may say so; nothing may fail. */
async function openAll(request: APIRequestContext, base: string, brief: string, withPapers: boolean): Promise<void> {
  const page = async (station: string) => (await request.get(`${base}${brief}/${station}`)).text();
  const question = /"id":"([0-9a-f-]{36})","zone"/.exec((await page('evidence')).replaceAll('\\"', '"'))?.[1];
  const lines = (await (await request.get(`${base}${brief}/log/lines`)).json()) as { lines?: { id: string }[] };
  const broken: string[] = [];
  for (const address of addresses({ zone: 'fuselage-port', entry: lines.lines?.[0]?.id, question })) {
    if (!withPapers && /\.pdf$|\/card$/.test(address)) continue;
    const response = await request.get(`${base}${brief}/${address}`, { timeout: 120_000 });
    if (response.status() >= 500) broken.push(`${address}: ${response.status()}`);
  }
  expect(broken).toEqual([]);
}

const briefsOf = async (request: APIRequestContext, base: string): Promise<string[]> => [
  ...new Set((await (await request.get(base)).text()).match(/\/briefs\/[0-9a-f-]{36}/g)),
];

test.describe('houses of earlier versions', () => {
  let port = Number(process.env.E2E_PORT ?? 3700) + 100;

  test('there is one for every migration from now on', () => {
    const since = MIGRATION_NUMBERS.filter((number) => number > '020');
    expect(
      since.filter((number) => !OLD_HOUSES.includes(number)),
      'make it with scripts/make-house.sh',
    ).toEqual([]);
  });

  // What those between show and write is told without a browser, beside the pages.
  for (const house of [OLD_HOUSES[0]!, OLD_HOUSES.at(-1)!])
    test(`the one of ${house} opens at its addresses, goes out and comes back`, async ({ request }) => {
      test.setTimeout(240_000);
      let served: Served | null = null;
      try {
        served = await serveHouse(await restoreHouse(house), (port += 1));
        const { base } = served;
        const [first, ...others] = await briefsOf(request, base);
        expect(others.length).toBeGreaterThanOrEqual(2);
        const bring = async (data: Buffer, type: string) => {
          const response = await request.post(`${base}/briefs/import`, {
            data,
            headers: { origin: base, 'content-type': type },
          });
          const answer = (await response.json()) as { id?: string };
          expect(answer, 'taken in').toHaveProperty('id');
          return `/briefs/${answer.id!}`;
        };
        const opens = async (brief: string, stations: readonly string[] = STATIONS) => {
          for (const station of stations)
            expect((await request.get(`${base}${brief}/${station}`)).status(), station).toBe(200);
        };
        // A paper takes seconds: the oldest house tells of them.
        await openAll(request, base, first!, house === OLD_HOUSES[0]);
        for (const brief of others) await opens(brief);
        // The route is made of all that is kept: where it stands, what was brought is whole.
        const stands = (brief: string) => opens(brief, ['route']);
        await stands(await bring(await (await request.get(`${base}${first!}/brief.zip`)).body(), 'application/zip'));
        for (const brief of [first!, ...others])
          await stands(await bring(await (await request.get(`${base}${brief}/brief.json`)).body(), 'application/json'));
        // The same brief as that house itself wrote it.
        await opens(await bring(Buffer.from(JSON.stringify(oldFile(house))), 'application/json'));
      } finally {
        await served?.stop();
      }
    });
});
