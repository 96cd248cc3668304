import { createHash } from 'node:crypto';
import { cardsForNow } from '@/core/bench/cards';
import type { BriefView } from '@/core/brief/derive';
import { SOURCE_KINDS } from '@/core/evidence/weights';
import { identityOf, typeOf } from '@/core/kept/state';
import { paintLabel } from '@/core/paint/catalogue';
import { sheetData } from '@/sheet/sheet-data';
import type { BenchPage } from '@/stations/bench/bench-station';
import type { BriefPage } from '@/stations/brief/brief-station';
import { coloursPage } from '@/stations/colours/page-data';
import { evidencePage } from '@/stations/evidence/page-data';
import { logPage } from '@/stations/log/page-data';
import { markingsPage } from '@/stations/markings/page-data';
import { routePage } from '@/stations/route/page-data';
import type { Findable } from '@/stations/shell/find-field';
import { fullDay } from '@/ui/dates';
import { briefView, type Derived } from './view';

/** What each page of a brief shows, and no more: the pages draw it, and whoever remembers pages asks whether it is still the same. */
export const PAGES = {
  evidence: ({ view, shelf, revisions }: Derived) => evidencePage(view, shelf, revisions.brief.number),
  colours: ({ view, shelf, revisions, nowUtc }: Derived, search: URLSearchParams) =>
    coloursPage(view, shelf, String(revisions.shelf.number), nowUtc, search.get('code')),
  markings: ({ view, shelf }: Derived) => markingsPage(view, shelf),
  route: ({ view }: Derived) => routePage(view),
  bench: ({ view }: Derived) => benchPage(view),
  log: ({ view }: Derived) => logPage(view),
  brief: ({ view }: Derived) => briefPage(view),
  setup: ({ view: { state } }: Derived) => ({ brief: state.brief, airframe: state.airframe, sessions: state.sessions }),
} as const;
type PageName = keyof typeof PAGES;

function benchPage(view: BriefView): BenchPage {
  const { cards, running, startLocal } = cardsForNow(view);
  return {
    briefId: view.state.brief.id,
    cards,
    running,
    startLocal,
    timers: view.state.timers,
    finish: view.plan.finish,
  };
}

function briefPage(view: BriefView): BriefPage {
  return {
    briefId: view.state.brief.id,
    sources: view.state.sources.length,
    ruled: view.questions.filter((question) => !question.open).length,
    open: [
      ...view.questions
        .filter((question) => question.open)
        .map((question) => `${question.zoneTitle}, ${question.aspectTitle.toLowerCase()}`),
      ...view.unasked.map(({ title }) => `${title}, colour (nobody asked yet)`),
    ],
    calls: view.calls.map((call) => ({
      code: call.code,
      name: call.official?.record.name ?? '',
      paint: call.choice ? paintLabel(call.choice.paint) : null,
    })),
    steps: view.plan.work.length,
    done: view.plan.work.filter((item) => item.done).length,
    sessionsLeft: view.plan.sessionsLeft,
    finish: view.plan.finish,
  };
}

/** What stands round every station: the head, the sheet, and what can be found. */
export function shellData(view: BriefView) {
  const { airframe, brief } = view.state;
  const finish = view.plan.finish ? ` · finish ${fullDay(view.plan.finish.slice(0, 10))}` : '';
  return {
    briefId: brief.id,
    identity: identityOf(airframe),
    subtitle: `${typeOf(airframe)} · 1/${brief.denominator}${finish}`,
    sheet: sheetData(view),
    findable: findables(view),
    timers: view.state.timers,
  };
}

function findables(view: BriefView): Findable[] {
  return [
    ...view.outline.zones.map((zone) => ({ label: zone.title, kind: 'Zones', path: '', zone: zone.key })),
    ...view.state.sources.map((source) => ({
      label: source.title,
      kind: SOURCE_KINDS[source.kind].title,
      path: `evidence?source=${source.id}`,
    })),
    ...view.calls.map((call) => ({
      label: `${call.code} ${call.official?.record.name ?? ''}`.trim(),
      kind: 'Colours',
      path: `colours?code=${encodeURIComponent(call.code)}`,
    })),
    ...view.plan.work.map((item) => ({ label: item.step.title, kind: 'Steps', path: 'route' })),
  ];
}

/** A short name for all that a page shows now: the same name, the same page. Null where there is no such brief. */
async function contentOf(id: string, page: string, search: string): Promise<string | null> {
  if (!Object.hasOwn(PAGES, page)) return null;
  const derived = await briefView(id).catch(() => null);
  if (!derived) return null;
  const data = PAGES[page as PageName](derived, new URLSearchParams(search));
  return createHash('sha1')
    .update(JSON.stringify([shellData(derived.view), data]))
    .digest('base64');
}

// The memory of pages stands outside the application: it finds this by its name.
(globalThis as { buildBriefContentOf?: typeof contentOf }).buildBriefContentOf = contentOf;
