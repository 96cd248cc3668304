import { FREELY_TAKEN } from '@/core/evidence/bases';
import type { CodeBook } from '@/core/codes/system';
import { aspectOf, aspectTitle, type Aspect } from '@/core/evidence/aspects';
import { questionKey } from '@/core/evidence/question-key';
import { bestNamed } from '@/core/evidence/best';
import { eventDays, windowOf } from '@/core/evidence/events';
import type { Window } from '@/core/evidence/date-fit';
import { changedWeights, WISH, type Weights } from '@/core/evidence/weights';
import { weigh, type Evidence, type WeighedQuestion, type WeighedSighting } from '@/core/evidence/weigh';
import { sightOf } from '@/core/kit/seen';
import { zoneTitle, type Outline } from '@/core/outline/outline';
import { otherSide, withoutSide } from '@/core/outline/zones';
import { gateOf, type GateName } from '@/core/route/gates';
import type { Kept } from '@/core/kept/records';
import { comparableValue, isNearMedian, shareOf } from './ruling';
import type { BriefState } from '@/core/kept/state';

/** A question with everything that is computed about it. */
export interface QuestionView {
  record: Kept<'question'>;
  zoneTitle: string;
  aspectTitle: string;
  weighed: WeighedQuestion;
  /** What is weighed for it, in the order of `weighed.contributions`: of a mirrored zone, what is said of the other side too. */
  sightings: Kept<'sighting'>[];
  /** The mirroring that ties both sides together; null where they are apart. */
  mirrored: Kept<'mirror'> | null;
  ruling: Kept<'ruling'> | null;
  /** The ruling was made on the other side and holds here. */
  ruledOpposite: boolean;
  /** The value that the evidence supports best; null when unseen. */
  best: string | null;
  bestShare: number | null;
  /** The support of what is ruled; null where nothing is, or where support does not apply. */
  ruledShare: number | null;
  /** The support has moved to another value since it was ruled. */
  reopened: boolean;
  /** What the options hide needs no answer: why, or null where it is seen. */
  hidden: string | null;
  open: boolean;
  gate: GateName;
  /** What a client asked for, where one did. */
  wish: string | null;
}

export interface WeighedBrief {
  questions: QuestionView[];
  evidence: Evidence;
  weights: Weights;
  /** Each kept sighting as it is weighed, by its id. */
  weighable: Map<string, WeighedSighting>;
  /** When each source can have been made, from its own days and the events it is dated by. */
  windows: Map<string, Window>;
}

/** Weighs all questions of a brief. Mirrored sides are weighed as one; structure outlasts repaints. */
export function weighQuestions(state: BriefState, book: CodeBook, outline: Outline): WeighedBrief {
  const mirrors = new Map(state.mirrors.map((mirror) => [questionKey(mirror), mirror]));
  const mirrorOf = ({ zone, aspect, item }: Kept<'question'>) => {
    const base = withoutSide(zone);
    return (base && mirrors.get(questionKey({ zone: base, aspect, item }))) || null;
  };
  const byId = new Map(state.questions.map((question) => [question.id, question]));
  const subjectOf = (question: Kept<'question'>) => ({
    zone: `${mirrorOf(question)?.zone ?? question.zone}${aspectOf(question.aspect).surface ? '' : STRUCTURE}`,
    aspect: `${question.aspect} ${question.item}`,
  });
  const sightings = state.sightings.filter((sighting) => byId.has(sighting.questionId));
  const windows = windowsOf(state);
  const evidence: Evidence = {
    ...knownOf(state, windows),
    sightings: sightings.map(({ questionId, sourceId, value, sd, clarity, sense }) => {
      const question = byId.get(questionId)!;
      return {
        source: sourceId,
        ...subjectOf(question),
        value: comparableValue(book, question.aspect, value),
        ...(sd === null ? {} : { sd }),
        clarity,
        sense,
      };
    }),
  };
  const keyOf = ({ zone, aspect }: { zone: string; aspect: string }) => `${zone} ${aspect}`;
  const weights = changedWeights(state.brief.weights);
  const weighed = new Map(weigh(evidence, weights).map((question) => [keyOf(question), question]));
  const bySubject = new Map<string, Kept<'sighting'>[]>();
  sightings.forEach((sighting, i) => {
    const key = keyOf(evidence.sightings[i]!);
    const list = bySubject.get(key);
    if (list) list.push(sighting);
    else bySubject.set(key, [sighting]);
  });
  const kindOf = new Map(state.sources.map((source) => [source.id, source.kind]));
  const rulingOf = new Map(state.rulings.map((ruling) => [ruling.questionId, ruling]));
  const zones = new Map(outline.zones.map((zone) => [zone.key, zone]));
  const idOf = new Map(state.questions.map((q) => [questionKey(q), q.id]));

  const questions = state.questions.map((record): QuestionView => {
    const subject = subjectOf(record);
    const found = weighed.get(keyOf(subject)) ?? unseen(subject);
    const mirrored = mirrorOf(record);
    const opposite = mirrored && idOf.get(questionKey({ ...record, zone: otherSide(record.zone)! }));
    const own = rulingOf.get(record.id) ?? null;
    const ruling = own ?? (opposite ? (rulingOf.get(opposite) ?? null) : null);
    const said = bySubject.get(keyOf(subject)) ?? [];
    const zone = zones.get(record.zone);
    const seen = zone ? sightOf(zone, state.brief.options) : null;
    const hidden = seen?.sight === 'hidden' ? seen.because : null;
    const [best, bestShare] = bestOf(found);
    const reopened = ruling !== null && hasFlipped(ruling, record.aspect, found, best, book);
    return {
      record,
      zoneTitle: zoneTitle(outline, record.zone),
      aspectTitle: aspectTitle(record.aspect, record.item),
      weighed: found,
      sightings: said,
      mirrored,
      ruling,
      ruledOpposite: own === null && ruling !== null,
      best,
      bestShare,
      ruledShare: ruling && shareOf({ record, weighed: found }, ruling.value, book),
      reopened,
      hidden,
      open: hidden === null && (ruling === null || reopened),
      gate: gateOf(outline, record.zone, record.aspect),
      wish: said.find((sighting) => kindOf.get(sighting.sourceId) === WISH)?.value ?? null,
    };
  });
  const weighable = new Map(sightings.map((sighting, i) => [sighting.id, evidence.sightings[i]!]));
  return { questions, evidence, weights, weighable, windows };
}

/** When each source can have been made, from its own days and the events it is dated by. */
function windowsOf({ events, sources }: BriefState): Map<string, Window> {
  const days = eventDays(events);
  return new Map(sources.map((source) => [source.id, windowOf(source, days)]));
}

/** What is known beside what the sources say: the days that are shown, the sources themselves, and repaints. */
function knownOf(state: BriefState, windows: ReadonlyMap<string, Window>): Omit<Evidence, 'sightings'> {
  return {
    target: { from: state.airframe.targetFrom, to: state.airframe.targetTo },
    targets: targetsOf(state.zoneDays),
    sources: state.sources.map(({ id, kind, derivedFrom, grade }) => ({
      id,
      kind,
      derivedFrom,
      grade,
      ...windows.get(id)!,
    })),
    repaints: state.events
      .filter((event) => event.kind === 'repaint')
      .flatMap(({ zone, onDay: on }) =>
        [zone, withoutSide(zone)].flatMap((name) => (name ? [{ zone: name, on }] : [])),
      ),
  };
}

/** The days that zones of their own are shown as on, under every name that they are weighed by. */
const targetsOf = (zoneDays: BriefState['zoneDays']): Map<string, Window> =>
  new Map(
    zoneDays.flatMap(({ zone, fromDay, toDay }) =>
      [zone, withoutSide(zone)].flatMap((name) =>
        name ? [name, `${name}${STRUCTURE}`].map((key) => [key, { from: fromDay, to: toDay }] as const) : [],
      ),
    ),
  );

/** Structure is weighed under a name of its own, which no repaint bears. */
const STRUCTURE = ' (structure)';

const unseen = (subject: { zone: string; aspect: string }): WeighedQuestion => ({
  ...subject,
  state: 'unseen',
  support: null,
  contributions: [],
  median: null,
  spread: null,
  outliers: [],
});

function bestOf(question: WeighedQuestion): [string | null, number | null] {
  if (question.median !== null) return [String(Math.round(question.median * 10) / 10), null];
  const best = bestNamed(question);
  return best ? [best.value, best.share] : [null, null];
}

/**
 * Whether what is known now speaks against a ruling: one that followed the support no longer does, or has lost it; a builder's choice stands
 * against an answer that has settled since, or what the sources favoured when it was made is no longer what they favour. Who departs knowingly
 * is left alone.
 */
function hasFlipped(
  { basis, value, favoured }: Kept<'ruling'>,
  aspect: Aspect,
  weighed: WeighedQuestion,
  best: string | null,
  book: CodeBook,
): boolean {
  if (FREELY_TAKEN.has(basis)) return false;
  if (best === null) return basis === 'supported' && Boolean(favoured);
  const agrees = (said: string) => {
    const compared = comparableValue(book, aspect, said);
    if (weighed.median === null) return String(compared) === best;
    return typeof compared !== 'number' || isNearMedian(compared, weighed);
  };
  if (agrees(value)) return false;
  const hasTurned = favoured !== null && (favoured === '' || !agrees(favoured));
  return basis === 'supported' || (weighed.median === null && weighed.state === 'settled') || hasTurned;
}
