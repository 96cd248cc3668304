import { counted, listed } from '@/core/units/words';
import { inBoxOrder, partName, partNumber, type Part, type PartCondition, type PartOrigin } from './parts';

/** The work that parts make before they can be used, as data: by where they come from and how they are. */

/** How the keys of their steps begin. */
const BOX = 'box:';

export interface PartWork {
  job: string;
  /** "Degrease", "Mend": the beginning of the step's title. */
  does: string;
  kind: 'wash' | 'clean' | 'mend' | 'fit' | 'assemble' | 'sand' | 'spray';
  minutes: number;
  /** Alike parts of one zone are one piece of work: so many minutes for each further one. */
  together: number | null;
  caution: 'resin' | 'blade' | 'cyanoacrylate' | 'solvent' | 'edges' | null;
  why: string;
}

const work = (
  job: string,
  does: string,
  kind: PartWork['kind'],
  minutes: number,
  together: number | null,
  caution: PartWork['caution'],
  why = '',
): PartWork => ({ job, does, kind, minutes, together, caution, why });

const ORIGIN_WORK: Record<PartOrigin, readonly PartWork[]> = {
  kit: [],
  etched: [work('cut', 'Cut from the fret, file and bend', 'clean', 10, 3, 'edges', 'anneal what is bent in a curve')],
  resin: [
    work('degrease', 'Degrease', 'wash', 15, 0.5, 'solvent', 'release agent on resin: masks would lift the paint'),
    work('saw', 'Saw off the casting blocks of', 'sand', 15, 5, 'resin', 'sand wet: the dust must not be breathed'),
  ],
  turned: [work('degrease', 'Degrease', 'wash', 10, 0.5, 'solvent', 'cutting oil: paint would not hold')],
  printed: [
    work('wash', 'Wash and cure', 'wash', 20, 1, 'solvent', 'what is not cured stays soft under paint'),
    work('smooth', 'Sand the layers off', 'sand', 15, 5, 'resin', 'layers show under every coat'),
  ],
  spare: [work('adapt', 'Adapt', 'fit', 15, null, 'blade', 'it was made for another kit')],
  'scratch-built': [work('make', 'Make', 'assemble', 45, null, 'blade')],
};

const CONDITION_WORK: Record<PartCondition, readonly PartWork[]> = {
  sound: [],
  flash: [work('scrape', 'Scrape flash and mould lines off', 'clean', 5, 2, 'blade')],
  broken: [work('mend', 'Pin and mend', 'mend', 20, null, 'cyanoacrylate', 'a joint alone breaks again: pin it')],
  missing: [work('make', 'Make anew, or find a spare for,', 'assemble', 45, null, 'blade', 'it is not in the box')],
  short: [work('build-up', 'Build up', 'mend', 20, null, 'cyanoacrylate', 'the mould was not filled')],
  cloudy: [work('polish', 'Polish clear', 'sand', 25, null, null, 'through the grits, then a dip in clear')],
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
}

const MOST_NAMED = 3;

/**
 * What has to be done with the parts of a register, in the order of the box: what is replaced makes no work but its replacement does; what
 * is on order is fitted no sooner than it arrives. Alike work of one zone is one job.
 */
export function partJobs(register: readonly Part[]): PartJob[] {
  const parts = inBoxOrder(register);
  const replaced = new Set(parts.flatMap(({ replacesId }) => replacesId ?? []));
  const byId = new Map(parts.map((part) => [part.id, part]));
  const jobs = new Map<string, { work: PartWork; parts: Part[]; code?: string }>();
  const join = (key: string, one: PartWork, part: Part, code?: string) => {
    const known = jobs.get(key);
    if (known) known.parts.push(part);
    else jobs.set(key, { work: one, parts: [part], code });
  };
  for (const part of parts) {
    if (replaced.has(part.id)) continue;
    const ordered = part.orderedUntil !== null;
    const alone = (job: string) => `${BOX}${partNumber(part)}:${job}`;
    const conditions = part.condition === 'missing' && ordered ? [] : CONDITION_WORK[part.condition];
    const works = [...ORIGIN_WORK[part.origin], ...conditions];
    for (const one of works)
      join(one.together !== null && !ordered ? `${BOX}${one.job}:${part.zone}` : alone(one.job), one, part);
    if (part.painted !== 'assembly')
      for (const code of part.codes) {
        const manner = part.painted === 'sprue' ? 'on the sprue' : 'on a stick';
        join(`${BOX}paint ${code} ${manner}:${part.zone}`, painting(code, manner), part, code);
      }
    const old = part.replacesId && byId.get(part.replacesId);
    if (old) join(alone('replace'), replacing(old), part);
    else if (ordered && works.length === 0) join(alone('unpack'), UNPACK, part);
  }
  return [...jobs].map(([key, { work: one, parts: of, code = null }]) => {
    const pieces = of.reduce((sum, { count }) => sum + count, 0);
    const days = of.flatMap(({ orderedUntil }) => orderedUntil ?? []).sort();
    return {
      key,
      job: one.job,
      kind: one.kind,
      title: `${one.does} ${of.length > MOST_NAMED ? counted(of.length, 'part') : listed(of.map(partName))}`,
      minutes: Math.round(one.minutes + (one.together ?? one.minutes * 0.5) * (pieces - 1)),
      caution: one.caution,
      code,
      why: one.why,
      zone: of[0]!.zone,
      parts: of.map(({ id }) => id),
      notBefore: days.at(-1) ?? null,
    };
  });
}

const replacing = (old: Part): PartWork =>
  work('replace', `Cut ${partName(old)} away and fit in its place`, 'fit', 15, null, 'blade', 'dry-fit it first');
const painting = (code: string, manner: string): PartWork =>
  work('paint', `Paint in ${code} ${manner}:`, 'spray', 15, 2, null, 'painted before it is assembled');
const UNPACK = work('unpack', 'Unpack, look over and dry-fit', 'fit', 10, null, null);
