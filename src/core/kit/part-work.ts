import { counted, listed } from '@/core/units/words';
import { inBoxOrder, partName, partNumber, type Part, type PartCondition, type PartOrigin } from './parts';

/** The work that parts make before they can be used, as data: by where they come from and how they are. */

/** How the keys of their steps begin. */
const BOX = 'box:';

/** What a part goes through, in this order: made or cut, washed, smoothed, tried in its place, painted, and glued before its gate. */
const STAGES = ['make', 'wash', 'smooth', 'fit', 'paint', 'glue'] as const;
type PartStage = (typeof STAGES)[number];

export interface PartWork {
  job: string;
  stage: PartStage;
  /** "Degrease", "Mend": the beginning of the step's title. */
  does: string;
  kind: 'wash' | 'clean' | 'mend' | 'fit' | 'assemble' | 'sand' | 'spray' | 'glue';
  minutes: number;
  /** Alike parts of one zone are one piece of work: so many minutes for each further one. */
  together: number | null;
  caution: 'resin' | 'blade' | 'cyanoacrylate' | 'cement' | 'solvent' | 'edges' | null;
  why: string;
}

const work = (
  stage: PartStage,
  job: string,
  does: string,
  kind: PartWork['kind'],
  minutes: number,
  together: number | null,
  caution: PartWork['caution'],
  why = '',
): PartWork => ({ stage, job, does, kind, minutes, together, caution, why });

const ORIGIN_WORK: Record<PartOrigin, readonly PartWork[]> = {
  kit: [],
  etched: [
    work('make', 'cut', 'Cut from the fret, file and bend', 'clean', 10, 3, 'edges', 'anneal what is bent in a curve'),
  ],
  resin: [
    work(
      'wash',
      'degrease',
      'Degrease',
      'wash',
      15,
      0.5,
      'solvent',
      'release agent on resin: masks would lift the paint',
    ),
    work(
      'make',
      'saw',
      'Saw off the casting blocks of',
      'sand',
      15,
      5,
      'resin',
      'sand wet: the dust must not be breathed',
    ),
  ],
  turned: [work('wash', 'degrease', 'Degrease', 'wash', 10, 0.5, 'solvent', 'cutting oil: paint would not hold')],
  printed: [
    work('wash', 'wash', 'Wash and cure', 'wash', 20, 1, 'solvent', 'what is not cured stays soft under paint'),
    work('smooth', 'smooth', 'Sand the layers off', 'sand', 15, 5, 'resin', 'layers show under every coat'),
  ],
  spare: [work('make', 'adapt', 'Adapt', 'fit', 15, null, 'blade', 'it was made for another kit')],
  'scratch-built': [work('make', 'make', 'Make', 'assemble', 45, null, 'blade')],
};

const CONDITION_WORK: Record<PartCondition, readonly PartWork[]> = {
  sound: [],
  flash: [work('make', 'scrape', 'Scrape flash and mould lines off', 'clean', 5, 2, 'blade')],
  broken: [
    work('make', 'mend', 'Pin and mend', 'mend', 20, null, 'cyanoacrylate', 'a joint alone breaks again: pin it'),
  ],
  missing: [
    work('make', 'make', 'Make anew, or find a spare for,', 'assemble', 45, null, 'blade', 'it is not in the box'),
  ],
  short: [work('make', 'build-up', 'Build up', 'mend', 20, null, 'cyanoacrylate', 'the mould was not filled')],
  cloudy: [work('smooth', 'polish', 'Polish clear', 'sand', 25, null, null, 'through the grits, then a dip in clear')],
};

/** A part as far as something has to be done before it can be used. */
export interface PartJob extends Pick<PartWork, 'job' | 'kind' | 'caution' | 'why'> {
  key: string;
  title: string;
  minutes: number;
  /** Where it belongs; '' where nobody said. */
  zone: string;
  parts: readonly string[];
  /** What they are painted with, where that is the job. */
  code: string | null;
  /** The day on which the last of them is expected; null where all are there. */
  notBefore: string | null;
  /** Jobs that come before it, for any of its parts, and after it. */
  after: readonly string[];
  before: readonly string[];
  /** It is done at what is built there, not at the bench: tried, and glued. */
  inPlace: boolean;
  /** Some of its parts are ready with it. */
  ends: boolean;
  /** What it is called, and takes, where the part that it replaces is glued already. */
  ifGlued: { title: string; minutes: number } | null;
}

const MOST_NAMED = 3;

/** Whether a part is wanted at all, as the options are chosen. */
export const isWanted = ({ onOption }: Pick<Part, 'onOption'>, options: Readonly<Record<string, string>>): boolean =>
  onOption === null || options[onOption.option] === undefined || options[onOption.option] === onOption.choice;

/**
 * What has to be done with the parts of a register, in the order of the box: what is replaced makes no work but its replacement does; what
 * is on order is fitted no sooner than it arrives. Alike work of one zone is one job.
 */
export function partJobs(register: readonly Part[], options: Readonly<Record<string, string>> = {}): PartJob[] {
  const parts = inBoxOrder(register.filter((part) => isWanted(part, options)));
  const replaced = new Set(parts.flatMap(({ replacesIds }) => replacesIds));
  const byId = new Map(parts.map((part) => [part.id, part]));
  const jobs = new Map<string, { work: ReturnType<typeof replacing> | PartWork; parts: Part[]; code?: string }>();
  /** Of each part its jobs, stage by stage. */
  const ways = new Map<string, Map<PartStage, string[]>>();
  const join = (key: string, one: PartWork, part: Part, code?: string) => {
    const known = jobs.get(key);
    if (known) known.parts.push(part);
    else jobs.set(key, { work: one, parts: [part], code });
    const way = ways.get(part.id) ?? new Map<PartStage, string[]>();
    ways.set(part.id, way.set(one.stage, [...(way.get(one.stage) ?? []), key]));
  };
  for (const part of parts) {
    if (replaced.has(part.id)) continue;
    const ordered = part.orderedUntil !== null;
    const alone = (job: string) => `${BOX}${partNumber(part)}:${job}`;
    const keyOf = (one: PartWork) =>
      one.together !== null && !ordered ? `${BOX}${one.job}:${part.zone}` : alone(one.job);
    const isMade = part.condition === 'missing' && !ordered;
    const conditions = part.condition === 'missing' && ordered ? [] : CONDITION_WORK[part.condition];
    const works = [...ORIGIN_WORK[part.origin], ...conditions];
    // What is made from nothing is missing anyhow: it is made once.
    const once = works.filter(({ job }, i) => works.findIndex((other) => other.job === job) === i);
    for (const one of once) join(keyOf(one), one, part);
    const old = part.replacesIds.flatMap((each) => byId.get(each) ?? []);
    const isBeside = part.origin !== 'kit' || isMade;
    if (old.length > 0) join(alone('replace'), replacing(old), part);
    else if (isBeside) join(keyOf(TRIED), TRIED, part);
    else if (ordered && works.length === 0) join(alone('unpack'), UNPACK, part);
    if (part.painted !== 'assembly')
      for (const code of part.codes) {
        const manner = part.painted === 'sprue' ? 'on the sprue' : 'on a stick';
        join(`${BOX}paint ${code} ${manner}:${part.zone}`, painting(code, manner), part, code);
      }
    const stuck = STUCK[OF_PLASTIC.has(part.origin) ? 'cement' : 'cyanoacrylate'];
    if (isBeside || old.length > 0) join(keyOf(stuck), stuck, part);
  }
  const links = linksOf([...ways.values()]);
  return [...jobs].map(([key, { work: one, parts: of, code = null }]) => {
    const pieces = of.reduce((sum, { count }) => sum + count, 0);
    const days = of.flatMap(({ orderedUntil }) => orderedUntil ?? []).sort();
    const them = of.length > MOST_NAMED ? counted(of.length, 'part') : listed(of.map(partName));
    const minutes = (first: number) => Math.round(first + (one.together ?? first * 0.5) * (pieces - 1));
    const glued = 'ifGlued' in one ? one.ifGlued : null;
    return {
      key,
      job: one.job,
      kind: one.kind,
      title: `${one.does} ${them}`,
      minutes: minutes(one.minutes),
      ifGlued: glued && { title: `${glued.does} ${them}`, minutes: minutes(glued.minutes) },
      caution: one.caution,
      code,
      why: one.why,
      zone: of[0]!.zone,
      parts: of.map(({ id }) => id),
      notBefore: days.at(-1) ?? null,
      after: links.after.get(key) ?? [],
      before: links.before.get(key) ?? [],
      inPlace: one.stage === 'fit' || one.stage === 'glue',
      ends: links.ends.has(key),
    };
  });
}

/** Which jobs come after which, from the ways that parts go; a job of several parts waits for those of each. */
function linksOf(ways: readonly ReadonlyMap<PartStage, readonly string[]>[]) {
  const [after, before] = [new Map<string, string[]>(), new Map<string, string[]>()];
  const ends = new Set<string>();
  const note = (to: Map<string, string[]>, key: string, other: string) => {
    const known = to.get(key) ?? [];
    if (!known.includes(other)) to.set(key, [...known, other]);
  };
  for (const way of ways) {
    const stages = STAGES.flatMap((stage) => (way.has(stage) ? [way.get(stage)!] : []));
    stages.forEach((keys, i) => {
      for (const key of keys) {
        if (i === stages.length - 1) ends.add(key);
        for (const next of stages[i + 1] ?? []) {
          note(before, key, next);
          note(after, next, key);
        }
      }
    });
  }
  return { after, before, ends };
}

/** Tried in its place, and glued in once it is painted: whatever did not come on the kit's own sprues. */
const TRIED = work('fit', 'fit', 'Dry-fit', 'fit', 6, 2, 'blade', 'now a file still helps, and nothing is painted');
const STUCK: Record<'cyanoacrylate' | 'cement', PartWork> = {
  cyanoacrylate: work(
    'glue',
    'glue',
    'Glue in',
    'glue',
    6,
    2,
    'cyanoacrylate',
    'the paint scraped off where they meet',
  ),
  cement: work('glue', 'cement', 'Cement in', 'glue', 6, 2, 'cement', 'the paint scraped off where they meet'),
};
/** Of what plastic cement melts together. */
const OF_PLASTIC: ReadonlySet<PartOrigin> = new Set(['kit', 'spare', 'scratch-built']);

/** While the old part is off, it stays off; where it is glued it has to be cut away. */
const replacing = (old: readonly Part[]): PartWork & { ifGlued: Pick<PartWork, 'does' | 'minutes'> } => {
  const them = listed(old.map(partName));
  return {
    ...work('fit', 'replace', `Leave ${them} off, and in its place dry-fit`, 'fit', 6, null, 'blade', TRIED.why),
    ifGlued: { does: `Cut ${them} away, and in its place dry-fit`, minutes: 15 },
  };
};
const painting = (code: string, manner: string): PartWork =>
  work('paint', 'paint', `Paint in ${code} ${manner}:`, 'spray', 15, 2, null, 'painted before it is assembled');
const UNPACK = work('fit', 'unpack', 'Unpack, look over and dry-fit', 'fit', 10, null, null);
