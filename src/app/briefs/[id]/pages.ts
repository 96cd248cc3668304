import type { BriefView } from '@/core/derive/derive';
import { changesBetween } from '@/core/units/changes';
import { rememberedFor } from '@/core/units/remembered';
import { numbersOf } from '@/data/revisions';
import { sent, type PageNow } from '@/stations/shell/current-page';
import { briefTitle, typeOf, unitsOf } from '@/core/kept/state';
import { shownSheet } from '@/sheet/sheet-data';
import { benchPage } from '@/stations/bench/page-data';
import { briefPage } from '@/stations/brief/page-data';
import { coloursPage } from '@/stations/colours/page-data';
import { evidencePage } from '@/stations/evidence/page-data';
import { kitPage } from '@/stations/kit/page-data';
import { logPage } from '@/stations/log/page-data';
import { markingsPage } from '@/stations/markings/page-data';
import { routePage } from '@/stations/route/page-data';
import { fullDay } from '@/ui/dates';
import { shownOf } from './shown-of';
import { derivedOf, type Derived } from './view';

/** What each page of a brief shows, and no more; `code` is the colour that is looked at. */
const PAGES = {
  kit: ({ view, shelf, revisions }: Derived) => kitPage(view, shelf, revisions.brief.number),
  evidence: ({ view, shelf, revisions }: Derived) => evidencePage(view, shelf, revisions.brief.number),
  colours: ({ view, shelf, revisions, nowUtc }: Derived, code: string | null) =>
    coloursPage(view, shelf, String(revisions.shelf.number), nowUtc, code),
  markings: ({ view, shelf }: Derived) => markingsPage(view, shelf),
  route: ({ view }: Derived) => routePage(view),
  bench: ({ view, shelf }: Derived) => benchPage(view, shelf),
  log: ({ view, revisions }: Derived) => logPage(view, revisions.brief.number),
  brief: ({ view }: Derived) => briefPage(view),
} as const;
export type PageName = keyof typeof PAGES;

const made = new WeakMap<Derived, Map<PageName, { code: string | null; page: unknown }>>();

/** Makes a page once of what was derived, the last one of each name: for whoever draws it, and for whoever asks whether it is still the same. */
export function pageOf<N extends PageName>(
  name: N,
  derived: Derived,
  code: string | null = null,
): ReturnType<(typeof PAGES)[N]> {
  const pages = made.get(derived) ?? new Map<PageName, { code: string | null; page: unknown }>();
  made.set(derived, pages);
  const known = pages.get(name);
  const page = known?.code === code ? known.page : shownOf(derived, PAGES[name](derived, code));
  pages.set(name, { code, page });
  return page as ReturnType<(typeof PAGES)[N]>;
}

/** A page with the name of what it was made from, as it is sent. */
export const sentPage = <N extends PageName>(name: N, derived: Derived, code: string | null = null) =>
  sent({ of: derived.of, data: pageOf(name, derived, code) });

/** What stands round every station: the head and the sheet; made once of what was derived. */
export const shellData = rememberedFor(makeShell);

function makeShell(derived: Derived) {
  const { view, shelf } = derived;
  return { ...shownOf(derived, shellOf(view)), timers: view.state.timers, units: unitsOf(shelf) };
}

/** How a page and what stands round it are now, told as what changed since they were made under the names that are shown. */
export function pageNow(
  id: string,
  derived: Derived,
  { shell, page }: { shell: string; page: { name: PageName; code: string | null; of: string } | null },
): Omit<PageNow, 'undo'> {
  const since = (of: string, make: (derived: Derived) => unknown) => {
    const then = derivedOf(id, of);
    return then ? { changes: changesBetween(make(then), make(derived)) } : { whole: make(derived) };
  };
  return {
    of: derived.of,
    revision: numbersOf(derived.revisions),
    shell: since(shell, shellData),
    page: page && since(page.of, (of) => pageOf(page.name, of, page.code)),
  };
}

export const isPage = (name: string): name is PageName => Object.hasOwn(PAGES, name);

function shellOf(view: BriefView) {
  const { airframe, brief } = view.state;
  const open = view.open.length > 0 ? `, ${view.open.length} open` : '';
  const still = [open, view.proposal?.changes.length ? ', plan to look at' : ''].join('');
  const finish = view.plan.finish ? ` · finish ${fullDay(view.plan.finish.slice(0, 10))}${still}` : still;
  return {
    briefId: brief.id,
    identity: briefTitle(brief.title, airframe),
    subtitle: `${typeOf(airframe)} · 1/${brief.denominator}${finish}`,
    sheet: shownSheet(view),
  };
}
