'use client';

import { ThemeProvider } from '@mui/material/styles';
import dynamic from 'next/dynamic';
import type { ReactNode } from 'react';
import type { BenchCard } from '@/core/bench/cards';
import { packEvening } from '@/core/bench/packed-evening';
import { durationInWords } from '@/core/units/minutes';
import { counted, countedInWords } from '@/core/units/words';
import { useOutbox } from '@/stations/shell/outbox';
import { PaneBar, usePane } from '@/stations/shell/pane-bar';
import { StationFrame } from '@/stations/shell/station-frame';
import { clock, longDay } from '@/ui/dates';
import { lampTheme, theme } from '@/ui/theme';
import css from './bench.module.css';
import { useLamp } from './lamp';
import type { BenchPage } from './page-data';
import { TonightPane } from './tonight-pane';
import type { Sent } from '@/stations/shell/current-page';
import { useCurrent } from '@/stations/shell/use-current';

const TechniquesPane = dynamic(() => import('./techniques-pane').then((module) => module.TechniquesPane));
const WeatheringPane = dynamic(() => import('./weathering-pane').then((module) => module.WeatheringPane));
const PhonePane = dynamic(() => import('./phone-pane').then((module) => module.PhonePane));
const GluesPane = dynamic(() => import('./glues-pane').then((module) => module.GluesPane));

/** What to do now: tonight's cards, and what is looked up beside them. */
export function BenchStation({ page }: { page: Sent<BenchPage> }): ReactNode {
  const told = useCurrent(page);
  const { unseen } = useOutbox();
  const finished = unseen.flatMap((act) => (act.kind === 'finish' ? [act.entry] : []));
  const done = new Set(
    [...told.tonight.cards, ...told.tonight.spare].filter((card) => isDoneHere(card, finished)).map(({ key }) => key),
  );
  const data = withoutDone(told, done);
  const panes = [
    ['tonight', 'Tonight'],
    ['techniques', 'Techniques'],
    ['weathering', 'Weathering'],
    ['glues', 'Glues'],
    ['phone', 'Phone'],
  ] as const;
  const pane = usePane(panes);
  const lamp = useLamp();
  return (
    <ThemeProvider theme={lamp.isDark ? lampTheme : theme}>
      <StationFrame
        station="bench"
        styles={css.bench}
        now={whatMatters(data)}
        actions={
          <>
            <button type="button" className="row-button" aria-pressed={lamp.isDark} onClick={lamp.turn}>
              {lamp.isDark ? 'Light' : 'Dark'}
            </button>
            <button type="button" className="row-button" aria-pressed={lamp.isAwake} onClick={lamp.keepAwake}>
              {lamp.isAwake ? 'Screen stays on' : 'Screen on'}
            </button>
            <button type="button" className="row-button" aria-pressed={lamp.callsOut} onClick={lamp.letCallOut}>
              {lamp.callsOut ? 'Timers call out' : 'Sound'}
            </button>
          </>
        }
      >
        <PaneBar path={`/briefs/${data.briefId}/bench`} panes={panes} chosen={pane} />
        {pane === 'tonight' ? <TonightPane data={data} done={done} /> : null}
        {pane === 'techniques' ? <TechniquesPane data={data} /> : null}
        {pane === 'weathering' ? <WeatheringPane data={data} /> : null}
        {pane === 'glues' ? <GluesPane /> : null}
        {pane === 'phone' ? <PhonePane briefId={data.briefId} /> : null}
      </StationFrame>
    </ThemeProvider>
  );
}

/** Whether a card is done on this device, all of it. */
const isDoneHere = (
  { stepKey, zones }: BenchCard,
  finished: readonly { stepKey: string; zones: readonly string[]; share: number | null }[],
): boolean =>
  finished.some(
    (entry) =>
      entry.stepKey === stepKey &&
      (entry.share ?? 1) >= 1 &&
      (entry.zones.length === 0 || zones.every((zone) => entry.zones.includes(zone))),
  );

/** The evening without what is done and not told to the server yet. */
function withoutDone(data: BenchPage, done: ReadonlySet<string>): BenchPage {
  if (done.size === 0) return data;
  const open = (list: readonly BenchCard[]) =>
    list
      .filter(({ key }) => !done.has(key))
      .map((card) => ({ ...card, needs: card.needs.filter(({ key }) => !done.has(key)) }));
  const { cards, spare } = data.tonight;
  return { ...data, left: data.left - done.size, tonight: { ...data.tonight, cards: open(cards), spare: open(spare) } };
}

function whatMatters({ tonight, left }: BenchPage): string {
  const { cards, startLocal, running, minutes } = tonight;
  if (cards.length === 0)
    return left === 0 ? 'Nothing is left to do.' : `${counted(left, 'step')} to go, and no session for them.`;
  const work = durationInWords(
    packEvening(tonight, minutes).pieces.reduce(
      (sum, piece) => (piece.kind === 'work' && !piece.extra ? sum + piece.to - piece.from : sum),
      0,
    ),
  );
  const steps = countedInWords(cards.length, 'step');
  return running
    ? `${steps}, ${work}, in the ${durationInWords(minutes)} that are left.`
    : `Next session: ${longDay(startLocal)}, ${clock(startLocal)}. ${steps}, ${work}.`;
}
