import { builtM } from '@/core/kit/measuring';
import type { DimensionName } from '@/core/outline/dimensions';
import { bornQuestions, notAsked } from '@/core/workshop/born';
import type { BriefView } from '@/core/derive/derive';
import type { LayerOrder } from '@/core/derive/history';
import { onlyWords } from '@/core/workshop/word-of-source';
import { isSeen } from '@/core/kit/seen';
import { setsOf } from '@/core/outline/zone-sets';
import type { Due } from '@/core/derive/due';
import { isAfterLoss } from '@/core/kept/check-source';
import { otherSide, type View } from '@/core/outline/zones';
import type { Kept } from '@/core/kept/records';
import { identityOf, type ColourShelf } from '@/core/kept/state';
import { aspectOf } from '@/core/evidence/aspects';
import { resolveCode, type CodeAsk } from '@/core/codes/resolve';
import { hexOf } from '@/core/colour/spaces';
import type { Lab } from '@/core/colour/types';
import type { Contribution } from '@/core/evidence/weigh';
import { SOURCE_KINDS, WISH, type WeightChanges } from '@/core/evidence/weights';
import { spokenZones } from '@/core/outline/spoken';
import { addDays } from '@/core/units/day';
import { counted } from '@/core/units/words';
import { fullDay, windowInWords } from '@/ui/dates';

export interface QuestionRow {
  id: string;
  version: number;
  zone: string;
  zoneTitle: string;
  aspect: Kept<'question'>['aspect'];
  /** Which one, where the zone has several. */
  item: string;
  aspectTitle: string;
  state: string;
  best: string | null;
  share: number | null;
  /** Of what is ruled. */
  ruledShare: number | null;
  median: number | null;
  spread: number | null;
  /** Of a mirrored question those of the other side too. */
  sightings: SightingCell[];
  mirrored: Kept<'mirror'> | null;
  /** Whether the zone has another side that it could mirror. */
  hasOtherSide: boolean;
  ruling: Kept<'ruling'> | null;
  ruledOpposite: boolean;
  reopened: boolean;
  open: boolean;
  gate: string;
  wish: string | null;
  /** Something is laid on its zone already: what a ruling does to that is said before it is made. */
  isWorkedOn: boolean;
}

/** A sighting as far as a cell shows it; what was measured in a picture has its marks. */
export type SightingCell = Pick<
  Kept<'sighting'>,
  'id' | 'version' | 'sourceId' | 'questionId' | 'value' | 'sd' | 'clarity' | 'sense'
> & { marks?: NonNullable<Kept<'sighting'>['marks']>; note?: string };

/** What stands behind the support of one question: fetched when it is opened. */
export interface QuestionSupport {
  support: Record<string, number> | null;
  outliers: string[];
  contributions: Contribution[];
  /** In the order of the contributions. */
  sightings: Kept<'sighting'>[];
  /** What is said in a way that several codes fit, or that is a code's name: to be settled by whoever knows. */
  asks: (CodeAsk & { sightingId: string; version: number })[];
}

export interface SourceRow extends Kept<'source'> {
  kindTitle: string;
  /** The days in which it can have been made, events counted in. */
  window: { from: string | null; to: string | null };
  /** The same in words: "before 20 Nov 1950". */
  dated: string;
  inWindow: boolean;
  /** Dated after the airframe was lost. */
  afterLoss: boolean;
  isWish: boolean;
  /** Open questions on which it has the only word. */
  onlyWord: number;
}

export interface ChaseRow {
  questionId: string;
  gate: string;
  due: Due;
  chance: number;
  redoMinutes: number;
  redoFrom: string;
  daysLeft: number | null;
  score: number;
  blocks: string[];
  lookAt: string[];
  find: { views: string[]; window: { from: string | null; to: string | null }; photographs: number | null };
}

export interface EvidencePage {
  briefId: string;
  identity: string;
  target: { from: string | null; to: string | null };
  /** In the order of their days. */
  sources: SourceRow[];
  questions: QuestionRow[];
  gates: { name: string; title: string; start: string | null; passed: boolean; open: number }[];
  chase: ChaseRow[];
  /** All that is open, the most pressing first. */
  open: { says: string; questionId: string | null; due: Due }[];
  zones: { value: string; label: string }[];
  codes: CodeRow[];
  events: Kept<'paint_event'>[];
  layers: LayerOrder[];
  markings: { id: string; version: number; title: string; name: string; zone: string }[];
  /** Whose outline pictures may have otherwise; `kit` has the dimensions that were measured on it, in metres of the real machine. */
  machine: { id: string; version: number; kit: Partial<Record<DimensionName, number>> };
  /** Drawings of one's own that lie under a view. */
  underlays: { id: string; version: number; view: View }[];
  /** Zones that will be seen and of which nobody asked the colour, as they are said. */
  unasked: { count: number; said: string };
  /** Zones that are painted alike on most machines: those that are seen. */
  sets: { key: string; title: string; zones: string[] }[];
  /** All zones that are seen. */
  seen: string[];
  /** Questions that this build raises and that nobody asked yet. */
  notAsked: number;
  /** Questions that the options hide, with the reasons. */
  hidden: { count: number; because: string[] };
  /** What these data are of. */
  revision: number;
  /** What this brief weighs differently, with the version of the brief. */
  weights: { weights: WeightChanges; version: number };
}

export interface CodeRow {
  value: string;
  label: string;
  lab: Lab | null;
  hex: string | null;
}

export function evidencePage(view: BriefView, shelf: ColourShelf, revision = 0): EvidencePage {
  const { airframe, sources, brief, events, markings, underlays, measures } = view.state;
  const target = { from: airframe.targetFrom, to: airframe.targetTo };
  const words = onlyWords(view.questions);
  const seen = view.outline.zones.filter((zone) => isSeen(zone, brief.options));
  const { questions: born } = bornQuestions(view.outline, brief.options, airframe);
  const hidden = view.questions.filter((question) => question.hidden !== null);
  return {
    briefId: brief.id,
    identity: identityOf(airframe),
    target,
    machine: {
      id: airframe.id,
      version: airframe.version,
      kit: Object.fromEntries(
        measures.flatMap((measure) => {
          const metres = measure.dimension && builtM(measure, brief.denominator);
          return metres ? [[measure.dimension, metres]] : [];
        }),
      ),
    },
    sources: sources
      .map((source): SourceRow => {
        const window = view.windows.get(source.id)!;
        return {
          ...source,
          kindTitle: SOURCE_KINDS[source.kind].title,
          window,
          dated: datedInWords(source, window),
          inWindow: overlaps(window, target),
          afterLoss: isAfterLoss(source.kind, window.from, airframe.lostOn),
          isWish: source.kind === WISH,
          onlyWord: words.get(source.id) ?? 0,
        };
      })
      .sort((a, b) => orderDay(a).localeCompare(orderDay(b))),
    sets: setsOf(seen),
    seen: seen.map(({ key }) => key),
    notAsked: notAsked(born, view.state.questions).length,
    hidden: { count: hidden.length, because: [...new Set(hidden.flatMap(({ hidden: why }) => why ?? []))] },
    questions: view.questions.flatMap((question) => (question.hidden === null ? [questionRow(question, view)] : [])),
    gates: view.gates.map(({ name, title, start, passed, open }) => ({
      name,
      title,
      start,
      passed,
      open: open.length,
    })),
    open: view.open.map(({ says, question, due }) => ({ says, questionId: question?.record.id ?? null, due })),
    chase: view.chase.map(({ question, gate, ...item }) => ({
      ...item,
      questionId: question.record.id,
      gate: gate.title,
    })),
    zones: view.outline.zones.map((zone) => ({ value: zone.key, label: zone.title })),
    codes: shelf.codes.map((code) => {
      const lab = view.official.get(code.code)?.lab ?? null;
      return { value: code.code, label: `${code.code} ${code.name}`, lab, hex: lab && hexOf(lab) };
    }),
    events,
    unasked: { count: view.unasked.length, said: unaskedInWords(view) },
    revision,
    layers: view.layers,
    markings: markings.map(({ id, version, title, name, zone }) => ({ id, version, title, name, zone })),
    underlays: underlays.map(({ id, version, view: under }) => ({ id, version, view: under })),
    weights: { weights: brief.weights, version: brief.version },
  };
}

/** A question as the ledger shows it; what the options hide is not asked there. */
function questionRow(
  { record, weighed, sightings, hidden: _hidden, ...question }: BriefView['questions'][number],
  { standing }: BriefView,
): QuestionRow {
  return {
    isWorkedOn: (standing.laid.get(record.zone)?.length ?? 0) > 0,
    ...question,
    sightings: sightings.map(cellOf),
    id: record.id,
    version: record.version,
    zone: record.zone,
    aspect: record.aspect,
    item: record.item,
    state: weighed.state,
    share: question.bestShare,
    median: weighed.median,
    spread: weighed.spread,
    hasOtherSide: otherSide(record.zone) !== null,
  };
}

/** What a cell shows: a note and marks only where there are any, since most have none. */
const cellOf = ({ marks, note, ...cell }: Kept<'sighting'>): SightingCell => ({
  ...cell,
  ...(marks ? { marks } : {}),
  ...(note ? { note } : {}),
});

/** What one question rests on; null when there is no such question. */
export function questionSupport(view: BriefView, id: string): QuestionSupport | null {
  const question = view.questions.find(({ record }) => record.id === id);
  if (!question) return null;
  const { support, outliers, contributions } = question.weighed;
  const ofCodes = aspectOf(question.record.aspect).type === 'code';
  return {
    support,
    outliers: outliers.map(({ source }) => source),
    contributions,
    sightings: question.sightings,
    asks: question.sightings.flatMap(({ id: sightingId, version, value }) => {
      const read = ofCodes ? resolveCode(view.book, value) : null;
      return read && 'says' in read ? [{ ...read, sightingId, version }] : [];
    }),
  };
}

/** The first of them by name, the others counted. */
function unaskedInWords({ unasked, outline }: Pick<BriefView, 'unasked' | 'outline'>): string {
  const [one, two, ...more] = unasked.map(({ key }) => key);
  const names = spokenZones(
    outline.zones,
    [one, two].filter((key) => key !== undefined),
  );
  return more.length > 0 ? `${names} and ${counted(more.length, 'zone')} more` : names;
}

/** A day that only an event gives is no day of the source: it lies before or after it. */
function datedInWords(source: Kept<'source'>, { from, to }: SourceRow['window']): string {
  if (source.dateFrom || source.dateTo || !(from || to)) return windowInWords(from, to);
  if (!from) return `before ${fullDay(addDays(to!, 1))}`;
  return to ? windowInWords(from, to) : `from ${fullDay(from)} on`;
}

/** Sources without a day stand last. */
const orderDay = ({ window }: SourceRow) => window.from ?? window.to ?? '9999';

function overlaps(window: SourceRow['window'], target: EvidencePage['target']): boolean {
  const [from, to] = [window.from ?? window.to, window.to ?? window.from];
  const [first, last] = [target.from ?? target.to, target.to ?? target.from];
  return Boolean(from && to && first && last && from <= last && to >= first);
}
