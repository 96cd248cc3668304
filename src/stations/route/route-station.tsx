'use client';

import Button from '@mui/material/Button';
import dynamic from 'next/dynamic';
import { useState, type ReactNode } from 'react';
import { daysBetween, momentInWords } from '@/core/units/day';
import { durationInWords } from '@/core/units/minutes';
import { StationFrame } from '@/stations/shell/station-frame';
import { useZoneChoice } from '@/stations/shell/zone-choice';
import { capital, counted, listed, lowered, plural } from '@/core/units/words';
import { Opened } from '@/ui/opened';
import { clock, fullDay, longDay, shortDay } from '@/ui/dates';
import { dueInWords, finishedInWords } from '@/ui/due-words';
import { Explained } from '@/ui/explained';
import { Chip } from '@/ui/swatch';
import { useKey } from '@/ui/keys';
import { moveStep } from '@/actions/plan';
import { asAccepted } from '@/core/route/accepted-plan';
import { useSaving } from '@/ui/saving';
import { ChemistrySection } from './chemistry-section';
import { TapeSection } from './tape-section';
import type { WorkRow } from '@/core/workshop/strip';
import type { RoutePage } from './page-data';
import { RouteStrip, ZOOMS, type Zoom } from './route-strip';
import css from './route.module.css';
import { PlanSection } from './plan-section';
import { EditList, StepEdits } from './step-edits';
import { SchoolsSection } from './schools-section';
import { TakeOff } from './take-off';
import { WhatIf } from './what-if';
import { ZoneStack } from './zone-stack';
import type { Sent } from '@/stations/shell/current-page';
import { useCurrent } from '@/stations/shell/use-current';
import './session-list.css';

const BenchAir = dynamic(() => import('./bench-air').then((module) => module.BenchAir));
const Evenings = dynamic(() => import('./evenings').then((module) => module.Evenings));
const CalendarIn = dynamic(() => import('./calendar-in').then((module) => module.CalendarIn));
const WeeklySessions = dynamic(() => import('./weekly-sessions').then((module) => module.WeeklySessions));

export function RouteStation({ page }: { page: Sent<RoutePage> }): ReactNode {
  const data = useCurrent(page);
  const [whole, setWhole] = useState(false);
  const [sessionsOpen, setSessionsOpen] = useState(data.weekly.length === 0);
  const [chosen, setChosen] = useState<string | null>(null);
  const [zoom, setZoom] = useState<Zoom>('evenings');
  const { zone } = useZoneChoice();
  useKey('n', () => setSessionsOpen(true));
  const ahead = data.sessions.findIndex((session) => session.end > data.now);
  const from = whole ? -Infinity : (data.sessions[Math.max(0, ahead)]?.start ?? 0);
  const isDim = (work: WorkRow) => zone !== null && !work.zones.includes(zone);
  const picked = data.work.find((work) => work.key === chosen);
  const { run, tell } = useSaving();
  const move = (key: string, at: number) =>
    void run((act) =>
      moveStep({
        act,
        briefId: data.briefId,
        laid: asAccepted({ origin: data.origin, work: data.work.map((item) => ({ ...item, step: item })) }),
        key,
        at: at + Date.parse(data.origin) / 60_000,
      }),
    ).then((result) => {
      if (!result.ok) return;
      const { moved } = result.value;
      const room =
        moved.length === 0 ? '' : `; ${moved.length > 2 ? counted(moved.length, 'other') : listed(moved)} made room`;
      tell(`Moved${room}. The plan is kept so`, { act: 'last' });
    });
  const narrowed = zone ? data.work.filter((work) => work.zones.includes(zone)) : data.work;
  return (
    <StationFrame
      station="route"
      styles={css.route}
      now={whatMatters(data)}
      actions={
        <>
          <Button variant="outlined" onClick={() => setWhole(!whole)}>
            {whole ? 'From now on' : 'From the beginning'}
          </Button>
          <Button variant="outlined" onClick={() => setSessionsOpen(!sessionsOpen)}>
            Sessions and air
          </Button>
        </>
      }
    >
      {sessionsOpen ? (
        <>
          <WeeklySessions briefId={data.briefId} weekly={data.weekly} onClose={() => setSessionsOpen(false)} />
          <Evenings briefId={data.briefId} evenings={data.evenings} />
          <CalendarIn data={data} />
          <BenchAir data={data} />
        </>
      ) : null}
      {data.because.length > 0 ? (
        <div className="empty" role="alert">
          <p>
            <strong>There is no whole plan:</strong> {data.because.map((reason) => reason.says).join('. ')}.
          </p>
          <p>
            {data.work.length} of {counted(data.steps, 'step')} {plural('is', data.work.length)} planned below all the
            same.
          </p>
          <p>Would help: {data.because.flatMap((reason) => reason.wouldHelp).join('; ')}.</p>
        </div>
      ) : null}
      <BrokenWaits broken={data.broken} />
      <PlanSection data={data} />
      {data.work.length > 0 && data.sessions.length > 0 ? (
        <>
          <div className="zoom" role="group" aria-label="How near">
            {(Object.keys(ZOOMS) as Zoom[]).map((own) => (
              <Button
                key={own}
                size="small"
                variant={own === zoom ? 'contained' : 'outlined'}
                aria-pressed={own === zoom}
                onClick={() => setZoom(own)}
              >
                {capital(own)}
              </Button>
            ))}
          </div>
          <RouteStrip
            data={data}
            from={from}
            chosen={chosen}
            onChoose={setChosen}
            isDim={isDim}
            zoom={zoom}
            onMove={move}
          />
          <p className="dim">
            {picked && !picked.done
              ? 'The line above the strip shows where it could lie while all else stays: drag it there, or Shift with ← →.'
              : 'Choose a step to see where it could lie; drag it there, or Shift with ← →.'}
          </p>
        </>
      ) : null}
      {zone ? <ZoneStack data={data} zone={zone} onChoose={setChosen} /> : null}
      {picked ? <StepDetail data={data} work={picked} onClose={() => setChosen(null)} onMove={move} /> : null}
      {data.holding.length > 0 ? (
        <section className="bar-line">
          <strong>What holds {fullDay(data.finish!.slice(0, 10))}</strong>
          <ul className="reasons">
            {data.holding.map((reason) => (
              <li key={reason}>{reason}</li>
            ))}
          </ul>
          <p className="dim">
            Proven not before {fullDay(data.lowerBound!.slice(0, 10))}; {counted(data.sessionsLeft, 'session')} with
            work, {counted(data.loads, 'filling')} of the airbrush.
          </p>
          <WhatIf briefId={data.briefId} />
        </section>
      ) : null}
      <ChemistrySection data={data} />
      <TapeSection data={data} />
      <EditList data={data} />
      <SchoolsSection data={data} />
      {data.work.length > 0 ? (
        <p>
          Take it along: <a href={`/briefs/${data.briefId}/bench.ics`}>sessions for a calendar</a>,{' '}
          <a href={`/briefs/${data.briefId}/bench-plan.pdf`}>a plan to tick off on paper</a>,{' '}
          <a href={`/briefs/${data.briefId}/steps.csv`}>steps as a table</a>,{' '}
          <a href={`/briefs/${data.briefId}/brief.pdf`}>all of it on paper</a>.
        </p>
      ) : null}
      <SessionList data={data} work={narrowed} whole={whole || zone !== null} onChoose={setChosen} />
    </StationFrame>
  );
}

function whatMatters(data: RoutePage): string {
  if (data.weekly.length === 0) return 'Say when you are at the bench; the plan follows.';
  if (!data.finish)
    return `Not everything fits these sessions: ${data.work.length} of ${counted(data.steps, 'step')} can be planned.`;
  const left = data.work.filter((work) => !work.done);
  if (left.length === 0) return 'Everything is done.';
  const minutes = durationInWords(left.reduce((total, work) => total + work.minutes, 0));
  return `${counted(left.length, 'step')} to go, ${minutes} of work; ${finishedInWords(data.finish, data.open.length)}. ${decide(data.open)}`;
}

/** The most pressing answer that is lacking, and what it stands in the way of. */
function decide(open: RoutePage['open']): string {
  const next = open.find(({ due }) => due.step && !due.tooLate);
  return next ? `Decide ${lowered(next.says)}, ${dueInWords(next.due)}.` : '';
}

/** What came too late, or will: the plan goes on, and each has its cure. */
function BrokenWaits({ broken }: { broken: readonly string[] }): ReactNode {
  if (broken.length === 0) return null;
  return (
    <section className="bar-line" aria-label="Waits that were missed">
      <strong>Too late for some waits; the plan goes on.</strong>
      <ul className="reasons">
        {broken.map((says) => (
          <li key={says}>⚠ {says}.</li>
        ))}
      </ul>
    </section>
  );
}

/** How much room a step has: by itself, and with what follows put off too. */
function roomInWords({ start, latest, doneBy }: WorkRow): string {
  const days = daysBetween(start.slice(0, 10), latest!.slice(0, 10));
  if (days <= 0) return 'It holds the date: put off to another day, the end moves.';
  const wait = `could wait ${counted(days, 'day')}, until ${shortDay(latest)}, before it moves the end`;
  return doneBy && doneBy.at < latest!
    ? `As the plan stands it must be done by ${momentInWords(doneBy.at)}: ${doneBy.why}. With what follows put off too it ${wait}.`
    : `It ${wait}.`;
}

function StepDetail({
  data,
  work,
  onClose,
  onMove,
}: {
  data: RoutePage;
  work: WorkRow;
  onClose: () => void;
  onMove: (key: string, at: number) => void;
}): ReactNode {
  const at = data.sessions.findIndex(({ id }) => id === work.session);
  const [earlier, later] = [data.sessions[at - 1], at < 0 ? undefined : data.sessions[at + 1]];
  return (
    <Opened label={work.title} onClose={onClose}>
      <div className="station-head">
        <h2 style={{ margin: 0 }}>
          {work.number} {work.title}
        </h2>
        <Button onClick={onClose}>Close</Button>
      </div>
      <p>
        {shortDay(work.start)} {clock(work.start)} to {clock(work.end)},{' '}
        <Explained says={work.minutesFrom}>{work.minutes} min</Explained>
        {work.done ? ', done' : ''}. {capital(work.why)}
      </p>
      {work.latest ? <p className="dim">{roomInWords(work)}</p> : null}
      {work.waitsFor.length > 0 ? <p className="dim">Waits for {work.waitsFor.join('; ')}.</p> : null}
      {work.done ? null : (
        <p className="pane-actions">
          <Button
            size="small"
            disabled={!earlier || earlier.end <= data.now}
            onClick={() => onMove(work.key, Math.max(earlier!.start, data.now))}
          >
            A session earlier
          </Button>
          <Button size="small" disabled={!later} onClick={() => onMove(work.key, later!.start)}>
            A session later
          </Button>
        </p>
      )}
      <StepEdits key={work.key} data={data} work={work} />
    </Opened>
  );
}

/** The plan as a list, a heading for each session: also what a screen reader and a narrow screen get. */
function SessionList({
  data,
  work,
  whole,
  onChoose,
}: {
  data: RoutePage;
  work: readonly WorkRow[];
  whole: boolean;
  onChoose: (key: string) => void;
}): ReactNode {
  const gateOf = new Map(data.gates.map((gate) => [gate.title, gate]));
  return (
    <div className="session-list">
      {data.sessions.map((session) => {
        const here = work.filter((item) => item.session === session.id);
        if (here.length === 0 || (!whole && session.end <= data.now)) return null;
        return (
          <section key={session.id} className="session">
            <h3>
              <span>
                {longDay(session.startLocal)}, {clock(session.startLocal)}
              </span>
              <span className="dim">
                {session.minutes} min{session.booth ? '' : ', no spraying'}{' '}
                {session.start > data.now ? <TakeOff briefId={data.briefId} session={session} /> : null}
              </span>
            </h3>
            <ol>
              {here.map((item) => {
                const gate = item.gate ? gateOf.get(item.title) : undefined;
                return (
                  <li key={item.key} className={`${item.gate ? 'gate' : ''}${item.done ? ' done' : ''}`}>
                    <span className="step-number">{item.number}</span>
                    <span>{clock(item.start)}</span>
                    <span>
                      {item.hex ? <Chip hex={item.hex} /> : null}{' '}
                      <button type="button" className="row-button" onClick={() => onChoose(item.key)}>
                        {item.title}
                      </button>
                      {item.done ? ' ✓' : ''}
                    </span>
                    <span className="num dim">{item.minutes} min</span>
                    <span className="dim lane">{data.laneTitles[item.lane] ?? item.lane}</span>
                    {gate && gate.open.length > 0 ? (
                      <span className="gate-note">■ still open: {gate.open.join('; ')}</span>
                    ) : null}
                  </li>
                );
              })}
            </ol>
          </section>
        );
      })}
    </div>
  );
}
