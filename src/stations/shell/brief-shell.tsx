'use client';

import dynamic from 'next/dynamic';
import Link from 'next/link';
import { usePathname, useRouter } from 'next/navigation';
import { memo, useEffect, useMemo, useState, type ReactNode } from 'react';
import { AirframeSheet, type SheetOverlay } from '@/sheet/airframe-sheet';
import type { TurnedAt } from '@/sheet/hand/turned-at';
import type { ShownSheet } from '@/sheet/sheet-data';
import { titleOfKey } from '@/core/outline/spoken';
import { useFocusKept } from '@/ui/focus-kept';
import { useKey, useKeysExplained } from '@/ui/keys';
import { useEscape } from '@/ui/opened';
import { onDemand } from '@/ui/on-demand';
import { ShownUnitsContext } from '@/ui/shown-units';
import type { ShownUnits } from '@/core/units/shown';
import { UndoButtons } from './undo-buttons';
import { SavingProvider, useSaving } from '@/ui/saving';
import { OutboxProvider, useOutbox } from './outbox';
import { RunningTimers, type TimerRow } from './running-timers';
import type { Findable } from './find-field';
import { isOfBench, STATIONS } from './stations';
import { revisionInWords, type PageRevision, type Sent } from './current-page';
import { CurrentProvider, useCurrentBrief, useRefreshed } from './use-current';
import { PageRevisionContext, useCurrentPage } from './use-current-page';
import { useKeptOffline } from './use-kept-offline';
import { SheetDataContext, SheetOverlayContext, TurnContext, ZoneChoiceContext } from './zone-choice';
import './head.css';
import './desk.css';

// Loaded when they are first wanted: most visits to a station need neither.
const FindField = dynamic(() => import('./find-field').then((module) => module.FindField));
const SumsDrawer = dynamic(() => import('./sums/sums-drawer').then((module) => module.SumsDrawer));
const KeysDialog = dynamic(() => import('./keys-dialog').then((module) => module.KeysDialog));

// Loaded when it is turned for the first time: it draws in space, and no page needs that.
const InHand = onDemand(() => import('@/sheet/hand/in-hand').then((module) => module.InHand));

/** Drawn again only where what it shows changed. */
const Sheet = memo(AirframeSheet);

const NONE: ReadonlySet<string> = new Set();

/** What stands round every station. */
interface ShellData {
  briefId: string;
  identity: string;
  subtitle: string;
  sheet: ShownSheet;
  timers: TimerRow[];
  /** In what the house shows lengths, pressures and temperatures. */
  units: ShownUnits;
}

interface Around {
  /** What the page was made from. */
  revision: PageRevision;
  /** Seen on a paired device, to which the Bench and the Log are open and nothing else. */
  isDevice: boolean;
  children: ReactNode;
}

/** Head, airframe sheet and station tabs round whatever station is open. */
export function BriefShell({
  briefId,
  sent,
  revision: ofPage,
  isDevice,
  children,
}: Around & { briefId: string; sent: Sent<ShellData> }): ReactNode {
  const { shell, revision, current } = useCurrentBrief(briefId, sent, ofPage);
  return (
    <ShownUnitsContext.Provider value={shell.units}>
      <CurrentProvider current={current}>
        <SavingProvider after={current.refreshed}>
          <OutboxProvider briefId={briefId} revision={revision.brief}>
            <PageRevisionContext.Provider value={revision}>
              <Shell {...shell} revision={revision} isDevice={isDevice}>
                {children}
              </Shell>
            </PageRevisionContext.Provider>
          </OutboxProvider>
        </SavingProvider>
      </CurrentProvider>
    </ShownUnitsContext.Provider>
  );
}

function Shell(props: ShellData & Around): ReactNode {
  const { briefId, identity, subtitle, sheet, timers, revision, isDevice, children } = props;
  const [zone, choose] = useState<string | null>(null);
  const [several, chooseSeveral] = useState<ReadonlySet<string>>(NONE);
  const [overlay, setOverlay] = useState<SheetOverlay | null>(null);
  const [unfolded, setUnfolded] = useState(false);
  const [help, setHelp] = useState(false);
  const [summing, setSumming] = useState(false);
  const [finding, setFinding] = useState(false);
  /** The machine in the hand, and where a card opened it; null while it lies. */
  const [hand, setHand] = useState<{ at: TurnedAt | null } | null>(null);
  const pathname = usePathname();
  const router = useRouter();
  const base = `/briefs/${briefId}`;
  const { isAway } = useOutbox();
  useCurrentPage(briefId, revision, useRefreshed());
  const stations = isDevice ? STATIONS.filter(({ path }) => isOfBench(path)) : STATIONS;
  const current = STATIONS.find((station) => pathname.startsWith(`${base}/${station.path}`));
  // Elsewhere what was kept once is good enough: acts wait in the outbox on top of it.
  useKeptOffline(briefId, current && isOfBench(current.path) ? String(revision.brief) : '');
  const titles = useMemo(() => new Map(sheet.zones.map((item) => [item.key, item.title])), [sheet.zones]);
  const choice = useMemo(
    () => ({ zone, choose, titleOf: (key: string) => titles.get(key) ?? titleOfKey(key), several, chooseSeveral }),
    [zone, titles, several],
  );

  // On a narrow screen the tabs scroll: the open one must be in sight.
  useEffect(() => {
    document.querySelector('.tabs a[aria-current]')?.scrollIntoView({ inline: 'center', block: 'nearest' });
  }, [pathname]);

  // From here on a press is heard: the browser tests wait for it.
  useEffect(() => {
    document.documentElement.dataset.ready = 'yes';
  }, []);

  for (const station of STATIONS) {
    // The list is constant, so the order of hooks is too.
    // eslint-disable-next-line react-hooks/rules-of-hooks
    useKey(station.key, stations.includes(station) ? () => router.push(`${base}/${station.path}`) : null);
  }
  useKey('/', () => setFinding(true));
  useKey('?', () => setHelp(true));
  useKey('=', () => setSumming(true));
  const turn = (at: TurnedAt | null) => setHand(at || !hand ? { at } : null);
  useKey('v', () => turn(null));
  useKey('e', isDevice ? null : () => router.push(`${base}/kit?show=machine`));
  useEscape(() => {
    choose(null);
    chooseSeveral(NONE);
  });
  useFocusKept();
  useKeysExplained(useSaving().tell);
  const found = (item: Findable) => {
    setFinding(false);
    if (item.zone) choose(item.zone);
    if (item.path) router.push(`${base}/${item.path}`);
  };
  return (
    <ZoneChoiceContext.Provider value={choice}>
      <a href="#station" className="skip-link">
        Skip to the station
      </a>
      <header className="head">
        <div className="head-title">
          {isDevice ? (
            <strong>{identity}</strong>
          ) : (
            <>
              {/* No station is fetched ahead: each is made of the whole brief. */}
              <Link href="/" prefetch={false} className="head-home" aria-label="All briefs">
                ≡
              </Link>
              <Link href={`${base}/kit?show=machine`} prefetch={false} title="Edit machine and kit (e)">
                <strong>{identity}</strong>
              </Link>
            </>
          )}
          <span>{subtitle}</span>
        </div>
        <div className="head-timers">
          <RunningTimers briefId={briefId} timers={timers} />
        </div>
        <div className="head-tools">
          {finding ? (
            <FindField
              zones={sheet.zones}
              from={isDevice ? null : `${base}/places?of=${revisionInWords(revision)}`}
              onClose={() => setFinding(false)}
              onFound={found}
            />
          ) : (
            <button type="button" className="head-find" onClick={() => setFinding(true)}>
              <span>Find zone, source, colour, step…</span> <kbd>/</kbd>
            </button>
          )}
          <UndoButtons briefId={briefId} />
          <button
            type="button"
            className="head-help"
            onClick={() => setSumming(true)}
            aria-label="Sums"
            title="Sums (=)"
          >
            =
          </button>
          <button type="button" className="head-help" onClick={() => setHelp(true)} aria-label="Keyboard shortcuts">
            ?
          </button>
        </div>
      </header>
      <div className={`desk${current?.path === 'bench' ? ' folded' : ''}${unfolded ? ' unfolded' : ''}`}>
        <aside>
          <button type="button" className="fold" aria-expanded={unfolded} onClick={() => setUnfolded(!unfolded)}>
            Sheet
          </button>
          <div className="sheet-holder">
            <button
              type="button"
              className="turn-it"
              aria-pressed={hand !== null}
              title="Turn it (v)"
              onClick={() => turn(null)}
            >
              Turn it
            </button>
            <Sheet
              data={sheet}
              overlay={overlay}
              mode={current?.sheet ?? 'markings'}
              selected={zone}
              onSelect={choose}
              several={several}
              onSeveral={chooseSeveral}
            />
          </div>
        </aside>
        <div className="right">
          {hand ? (
            <InHand
              briefId={briefId}
              revision={revisionInWords(revision)}
              data={sheet}
              overlay={overlay}
              at={hand.at}
              isAway={isAway}
              mode={current?.sheet ?? 'markings'}
              selected={zone}
              onSelect={choose}
              onClose={() => setHand(null)}
            />
          ) : null}
          <nav className="tabs" aria-label="Stations">
            {stations.map((station) => (
              <Link
                key={station.path}
                prefetch={false}
                href={`${base}/${station.path}`}
                aria-current={current?.path === station.path ? 'page' : undefined}
              >
                <small>{station.key}</small> {station.title}
              </Link>
            ))}
          </nav>
          <SheetDataContext.Provider value={sheet}>
            <TurnContext.Provider value={turn}>
              <SheetOverlayContext.Provider value={setOverlay}>{children}</SheetOverlayContext.Provider>
            </TurnContext.Provider>
          </SheetDataContext.Provider>
        </div>
      </div>
      {help ? <KeysDialog onClose={() => setHelp(false)} /> : null}
      {summing ? <SumsDrawer briefId={briefId} onClose={() => setSumming(false)} /> : null}
    </ZoneChoiceContext.Provider>
  );
}
