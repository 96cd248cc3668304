import { localDay } from '@/core/route/calendar';
import { questionInWords } from '@/core/evidence/question-words';
import type { BriefView } from '@/core/derive/derive';
import type { QuestionView } from '@/core/derive/questions';
import { RULING_TITLES } from '@/core/evidence/bases';
import { identityOf } from '@/core/kept/state';
import { EVENT_KINDS } from '@/core/evidence/events';
import { FILMS } from '@/core/evidence/film';
import { SOURCE_KINDS } from '@/core/evidence/weights';
import { zoneTitle } from '@/core/outline/outline';
import { fullDay, windowInWords } from '@/ui/dates';
import { machineInWords } from './machine';

/** The evidence on paper: sources, what each question rests on, rulings, what happened when. Plain text and figures. */
export interface DossierPaper {
  title: string;
  subtitle: string;
  printedOn: string;
  sources: { title: string; kind: string; date: string; sides: string; citation: string }[];
  questions: {
    question: string;
    ruling: string;
    support: string;
    basis: string;
    /** "Apron, port side: TCS 27, 3.00; Kit sheet: TCS 31, 0.35" */
    contributions: string;
  }[];
  events: { zone: string; day: string; what: string }[];
  layers: { zone: string; order: string }[];
}

export function dossierPaper(view: BriefView, nowUtc: string): DossierPaper {
  const { airframe, sources, events } = view.state;
  const titles = new Map(sources.map((source) => [source.id, source.title]));
  return {
    title: identityOf(airframe),
    subtitle: machineInWords(airframe),
    printedOn: fullDay(localDay(nowUtc, view.state.brief.timeZone)),
    sources: sources.map((source) => {
      const window = view.windows.get(source.id)!;
      return {
        title: source.title,
        kind: SOURCE_KINDS[source.kind].title,
        date: windowInWords(window.from, window.to),
        sides: source.sides.join(', '),
        citation: [
          source.citation,
          source.page && `p. ${source.page}`,
          source.place,
          source.film === 'unknown' ? '' : FILMS[source.film].title.toLowerCase(),
          source.derivedFrom.length > 0 && `from ${source.derivedFrom.map((id) => titles.get(id)).join(', ')}`,
          source.grade === 1 ? '' : `grade ${source.grade}: ${source.gradeReason}`,
        ]
          .filter(Boolean)
          .join('; '),
      };
    }),
    questions: view.questions.map((item) => ({
      question: `${questionInWords(item)}${item.mirrored ? ' (mirrored)' : ''}`,
      ruling: item.ruling ? `${item.ruling.value}${item.reopened ? ' (reopened)' : ''}` : 'open',
      support: supportOf(item),
      basis: item.ruling ? `${RULING_TITLES[item.ruling.basis]}, ${item.ruling.ruledBy}: ${item.ruling.reason}` : '',
      contributions: contributionsInWords(item, titles),
    })),
    events: events.map((event) => ({
      zone: zoneTitle(view.outline, event.zone),
      day: fullDay(event.onDay),
      what: [
        EVENT_KINDS[event.kind].title.toLowerCase(),
        event.value,
        event.showsUnder && 'what is under it shows',
        event.note,
      ]
        .filter(Boolean)
        .join('; '),
    })),
    layers: view.layers.map((order) => ({
      zone: order.zoneTitle,
      order: order.layers.map((layer) => layer.value ?? 'first colour, not known').join(', then '),
    })),
  };
}

/** Contributions that are printed one by one: the heaviest; what weighs less is counted. */
const MOST_CONTRIBUTIONS = 12;

function contributionsInWords({ weighed }: QuestionView, titles: ReadonlyMap<string, string>): string {
  const heaviest = [...weighed.contributions].sort((a, b) => b.weight - a.weight).slice(0, MOST_CONTRIBUTIONS);
  const shown = new Set(heaviest);
  const words = weighed.contributions
    .filter((contribution) => shown.has(contribution))
    .map(
      (c) =>
        `${titles.get(c.source)}: ${c.sense === 'against' ? 'not ' : ''}${c.value}, ${c.weight.toFixed(2)}${c.counted ? '' : ' (not counted)'}`,
    );
  const more = weighed.contributions.length - words.length;
  return [...words, ...(more > 0 ? [`and ${more} that weigh less`] : [])].join('; ');
}

/** What the evidence says of the ruled value, which is not always what it says best. */
function supportOf({ ruling, weighed, best, bestShare, ruledShare }: QuestionView): string {
  if (weighed.median !== null) return `${best} ± ${(weighed.spread ?? 0).toFixed(0)} mm`;
  if (!ruling) return best ? `${best} ${bestShare!.toFixed(2)}, ${weighed.state}` : weighed.state;
  return ruledShare === null ? weighed.state : `${ruledShare.toFixed(2)}, ${weighed.state}`;
}
