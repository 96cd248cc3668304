import { raisedBy } from '@/core/workshop/born';
import { deriveBrief } from '@/core/derive/derive';
import { BLANK_LOG_ENTRY, BLANK_LAYING } from '@/core/kept/blank';
import { outlineSpecOf, type ColourShelf } from '@/core/kept/state';
import { officialColours } from '@/core/codes/official';
import type { Lab } from '@/core/colour/types';
import { matchSingle } from '@/core/match/single';
import { buildOutline, type Outline } from '@/core/outline/outline';
import type { View } from '@/core/outline/zones';
import type { KeptCamera } from '@/core/skin/camera/kept-camera';
import { localDay } from '@/core/route/calendar';
import { planRoute } from '@/core/route/plan';
import { addDays } from '@/core/units/day';
import { briefFileSchema, stateOfFile, type BriefFile } from '@/core/interchange/brief-file';
import { newAct, perform } from '@/data/acts';
import { importBrief } from '@/data/brief-files';
import { createBrief } from '@/data/briefs';
import { loadShelf } from '@/data/shelf';
import { dunlin } from './dunlin';
import { laidIn, photograph, TAKEN } from './photographs';
import { drawShot, pixelOf, PLAIN, type Shot } from './pictures';
import { bracken, turnstone } from './small-briefs';
import { dunlinParts, firstEveningParts } from './parts';
import { loadDemoShelf } from './shelf';

type Manner = Shot['manner'];
interface Frame {
  view: View;
  manner: Manner;
  slant?: number;
  squeeze?: number;
  crop?: readonly [number, number];
}

/** Which pictures the demo's sources have, by the start of the source's title. */
const FRAMES: Record<string, Frame> = {
  'Kit sheet': { view: 'port', manner: 'colour drawing' },
  'Box painting': { view: 'starboard', manner: 'painting', slant: -4 },
  'Scheme drawing': { view: 'upper', manner: 'line drawing' },
  'Works apron': { view: 'starboard', manner: 'monochrome photograph' },
  Apron: { view: 'port', manner: 'colour photograph' },
  'Hangar row': { view: 'starboard', manner: 'colour photograph', slant: 7, squeeze: 0.92 },
  'Low pass': { view: 'lower', manner: 'colour photograph', slant: 9, squeeze: 0.8 },
  'Profile in': { view: 'port', manner: 'colour drawing' },
  'Decal sheet': { view: 'starboard', manner: 'line drawing' },
  'Museum machine': { view: 'starboard', manner: 'colour photograph', crop: [0.45, 1] },
  'Summer camp': { view: 'port', manner: 'monochrome photograph', slant: 4 },
  'On skis': { view: 'port', manner: 'colour photograph', slant: -3 },
  'Picture postcard': { view: 'starboard', manner: 'colour photograph' },
};

/** Steps of the main demo that are still ahead although they could be done: tonight's work. */
const LEFT_FOR_NOW = [
  'belts',
  'fit-cockpit',
  'nose-weight',
  'drill-fuselage',
  'matt-interior',
  'bay:TCS 42',
  'gate:wings',
  'flaps',
  'seams-wings',
  'mask-canopy',
];

/** Days since the builds were begun, and until the last one is: the next session of each is never today, at whatever hour it is shown. */
const AT_IT = 13;
const LONG_AT_IT = 130;
const AHEAD = 2;

interface Begun {
  file: BriefFile;
  chosen: readonly string[];
  parts?: BriefFile['parts'];
  /** A step that is not done with all behind it, and others that are left although they could be done. */
  behind?: readonly [string, readonly string[]];
}

/** Where the demo's builder lives. */
const AT = 'Europe/Berlin';

/** The three builds as they stand at `nowUtc` (ISO text), without their pictures: the same state of each on whatever day it is. */
export function demoBuilds(nowUtc: string, shelf: ColourShelf): BriefFile[] {
  const today = localDay(nowUtc, AT);
  const builds: Begun[] = [
    // Everything before the fuselage closes is done, but tonight's steps.
    { ...dunlin(addDays(today, -AT_IT)), parts: dunlinParts(today), behind: ['gate:fuselage', LEFT_FOR_NOW] },
    // Painted, marked and sealed: what goes wrong now costs whole layers.
    { ...turnstone(addDays(today, -LONG_AT_IT)), behind: ['seal', []] },
    bracken(addDays(today, AHEAD)),
  ];
  return builds.map(({ file: made, chosen, parts = [], behind }) => {
    const file = { ...made, parts, choices: choicesOf(chosen, shelf) };
    return { ...file, log: behind ? workedSoFar(file, shelf, nowUtc, ...behind) : [] };
  });
}

/** Loads the shelf and the three demo briefs into an empty house. `nowUtc` is the present as ISO text. */
export async function loadDemo(nowUtc: string): Promise<string[]> {
  await loadDemoShelf();
  const shelf = await loadShelf();
  const ids: string[] = [];
  for (const made of demoBuilds(nowUtc, shelf)) {
    const file = await withBenchPicture(await drawPictures(made, shelf), shelf);
    ids.push((await importBrief(briefFileSchema.parse(file))).value);
  }
  return ids;
}

/**
 * The main demo's machine on its first evening: the shelf, the kit with what is wrong in the box, and every question still open. Nothing was
 * looked at yet.
 */
export async function loadFirstEvening(nowUtc: string): Promise<string> {
  if ((await loadShelf()).paints.length === 0) await loadDemoShelf();
  const today = localDay(nowUtc, AT);
  const { file } = dunlin(today);
  const { brief, airframe, sessions } = file;
  const asBought = {
    ...brief,
    boughtOn: today,
    options: { ...brief.options, canopy: 'closed', flaps: 'up', stores: 'none' } as const,
  };
  const made = await createBrief({
    brief: asBought,
    airframe,
    sessions,
    questions: raisedBy({ brief: asBought, airframe, subjects: [] }),
  });
  await perform(newAct(made.value, 'kit'), async (writer) => {
    await writer.insertMany('part', firstEveningParts(today));
  });
  return made.value;
}

/** Beyond this the demo's builder would rather buy. */
const GOOD_ENOUGH = 3;

/** The demo's builder takes the nearest paint of the drawer for each of these codes, or else the nearest there is. */
function choicesOf(codes: readonly string[], shelf: ColourShelf): BriefFile['choices'] {
  const official = officialColours(shelf.codes, shelf.chips);
  return codes.flatMap((code) => {
    const colour = official.get(code);
    if (!colour?.lab) return [];
    const { finish, kind } = colour.record;
    const found = matchSingle({ lab: colour.lab, sd: colour.sd, code, finish, kind }, shelf.paints, 1);
    const best = found.find((match) => match.inDrawer && match.dE00 < GOOD_ENOUGH) ?? found.at(-1);
    return best ? [{ ...BLANK_LAYING, filter: null, code, line: best.paint.line, number: best.paint.number }] : [];
  });
}

/** Draws the sources' pictures: each shows what it says, and what is ruled where it says nothing. */
async function drawPictures(file: BriefFile, shelf: ColourShelf): Promise<BriefFile> {
  const official = officialColours(shelf.codes, shelf.chips);
  const colourOfCode = (code: string): Lab => official.get(code)?.lab ?? PLAIN;
  const outline = buildOutline(outlineSpecOf(file.airframe, file.brief));
  const questions = new Map(file.questions.map((question) => [question.ref, question]));
  const coloursIn = (said: readonly { question: string; value: string }[]) =>
    new Map(
      said
        .filter(({ question }) => questions.get(question)?.aspect === 'colour')
        .map(({ question, value }) => [questions.get(question)!.zone, value]),
    );
  const ruled = coloursIn(file.rulings);
  const markings = file.markings.map((marking, i) => ({ ...marking, id: String(i) }));
  const fields = file.fields.map((field, i) => ({ ...field, id: String(i) }));
  const pictures: Record<string, string> = {};
  const cameras = new Map<string, KeptCamera>();
  for (const source of file.sources) {
    const of = <T>(all: Record<string, T>): T | undefined =>
      Object.entries(all).find(([start]) => source.title.startsWith(start))?.[1];
    const [frame, shot] = [of(FRAMES), of(TAKEN)];
    if (!frame && !shot) continue;
    const said = coloursIn(file.sightings.filter((sighting) => sighting.source === source.ref));
    const colourOf = (zone: string) => colourOfCode(said.get(zone) ?? ruled.get(zone) ?? '');
    const film = filmOf(source.film);
    const picture = shot
      ? await photograph(
          {
            spec: outline.spec,
            denominator: file.brief.denominator,
            fields,
            markings,
            colourOf,
            codeColour: colourOfCode,
          },
          { ...shot, film },
        )
      : await drawShot(outline, { ...frame!, film, colourOf, codeColour: colourOfCode, markings });
    pictures[source.ref] = picture.toString('base64');
    if (shot?.laid) cameras.set(source.ref, laidIn(outline.spec, shot));
  }
  return measuredIn(outline, {
    ...file,
    pictures,
    sources: file.sources.map((source) => ({
      ...source,
      pictureId: source.ref in pictures ? source.ref : null,
      camera: cameras.get(source.ref) ?? null,
    })),
  });
}

const filmOf = (film: BriefFile['sources'][number]['film']) =>
  film === 'panchromatic' || film === 'orthochromatic' ? film : undefined;

/** Gives the apron picture of the main demo its scale, and the band that was measured in it its points. */
function measuredIn(outline: Outline, file: BriefFile): BriefFile {
  const apron = file.sources.find((source) => source.title.startsWith('Apron'));
  const marking = file.markings.find(({ title }) => title === 'Fuselage band');
  const place = marking?.places[0];
  if (!apron || !place) return file;
  const at = (u: number, v: number) => pixelOf(outline, FRAMES.Apron!, [u, v]);
  const { length } = outline.spec.dimensions;
  const half = marking.heightMm / 2000;
  const calibration = { kind: 'length' as const, points: [at(0, -0.6), at(length, -0.6)], mm: length * 1000, sdMm: 20 };
  const points = [at(place.station - half, -place.offset), at(place.station + half, -place.offset)];
  const size = file.questions.find((question) => question.aspect === 'size')!.ref;
  return {
    ...file,
    sources: file.sources.map((source) => (source === apron ? { ...source, calibration } : source)),
    sightings: file.sightings.map((sighting) =>
      sighting.source === apron.ref && sighting.question === size
        ? { ...sighting, marks: { tool: 'length' as const, onSkin: false, points, calibration } }
        : sighting,
    ),
  };
}

/**
 * What a builder did up to now, with honest minutes: everything that does not lie behind a step, behind what is left for now, or behind a
 * colour that is not decided.
 */
function workedSoFar(
  file: BriefFile,
  shelf: ColourShelf,
  nowUtc: string,
  behind: string,
  left: readonly string[],
): BriefFile['log'] {
  const { route } = deriveBrief(stateOfFile(file, shelf), shelf, { nowUtc, effort: 0 });
  // Nobody sprays what is not decided, or goes on over what is left.
  const open = route.steps.flatMap((step) => (step.open ? [step.key] : []));
  const notYet = new Set([behind, ...left, ...open].flatMap((key) => [...descendants(route.links, key)]));
  const done = new Set(route.steps.map((step) => step.key).filter((key) => !notYet.has(key)));
  const worked = {
    steps: route.steps.filter((step) => done.has(step.key)),
    links: route.links.filter((link) => done.has(link.from) && done.has(link.to)),
  };
  const begun = `${file.brief.startOn}T06:00:00Z`;
  const past = planRoute(
    worked,
    [],
    { timeZone: file.brief.timeZone, startOn: file.brief.startOn, weekly: file.sessions, nowUtc: begun },
    0,
  );
  const instant = (minutes: number) => new Date(Date.parse(past.origin) + minutes * 60_000).toISOString();
  return past.work.flatMap(({ key, step, segments }, i) => {
    const [from, to] = [segments[0]![0], segments.at(-1)![1]];
    if (instant(to) > nowUtc) return [];
    const honest = [0.9, 1.1, 1.35, 1, 1.2][i % 5]! + (key.startsWith('mask') ? 0.4 : 0);
    return [
      {
        ...BLANK_LOG_ENTRY,
        stepKey: key,
        stepKind: step.kind,
        what: step.lays[0]?.what ?? '',
        zones: step.zones,
        code: step.code ?? '',
        chemistry: step.load?.chemistry ?? '',
        // Drops as they went into the cup, the thinner by eye: near the advice, never quite it.
        mixed: step.load
          ? {
              parts: [{ label: step.lays[0]?.paint || step.load.title, drops: 12 + (i % 4) }],
              thinner: 1 + (i % 3) / 2,
            }
          : null,
        ml: step.load ? Math.round(10 * (0.8 + 0.3 * (i % 4))) / 10 : null,
        coats: step.load ? (step.lays[0]?.coats ?? 1) : null,
        tempC: file.brief.tempC - (i % 3),
        humidity: file.brief.humidity + 2 * (i % 4),
        title: step.title,
        lane: step.lane,
        plannedMinutes: step.minutes,
        actualMinutes: Math.max(1, Math.round(step.minutes * honest)),
        startedAt: instant(from),
        endedAt: instant(to),
        note: NOTES[key] ?? '',
        paint: step.lays[0]?.paint ?? '',
      },
    ];
  });
}

/** Gives the last spray of a log a picture of the model at the bench. */
async function withBenchPicture(file: BriefFile, shelf: ColourShelf): Promise<BriefFile> {
  const last = file.log.findLastIndex(({ stepKey }) => stepKey.startsWith('spray:'));
  if (last < 0) return file;
  const official = officialColours(shelf.codes, shelf.chips);
  const worn = new Map(file.log.flatMap(({ code, zones }) => (code ? zones.map((zone) => [zone, code] as const) : [])));
  const colour = (code: string): Lab => official.get(code)?.lab ?? PLAIN;
  const picture = await drawShot(buildOutline(outlineSpecOf(file.airframe, file.brief)), {
    view: 'starboard',
    manner: 'colour photograph',
    slant: -5,
    film: undefined,
    colourOf: (zone) => colour(worn.get(zone) ?? ''),
    codeColour: colour,
    markings: [],
  });
  const pictures = { ...file.pictures, bench: picture.toString('base64') };
  return {
    ...file,
    pictures,
    log: file.log.map((entry, i) => (i === last ? { ...entry, pictureId: 'bench' } : entry)),
  };
}

const NOTES: Record<string, string> = {
  'prime-interior': 'thinned 2:1, 1.1 bar, no runs',
  'wipe-interior': 'left it a little long, came off with a damp brush',
  'gate:wings': 'tip seam needed a shim of 0.2 mm',
};

function descendants(links: readonly { from: string; to: string }[], root: string): Set<string> {
  const found = new Set([root]);
  const open = [root];
  while (open.length > 0) {
    const current = open.pop();
    for (const { from, to } of links) {
      if (from !== current || found.has(to)) continue;
      found.add(to);
      open.push(to);
    }
  }
  return found;
}
