'use client';

import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import dynamic from 'next/dynamic';
import Link from 'next/link';
import { useRef, useState, type ReactNode } from 'react';
import type { BenchCard, CardTimer } from '@/core/bench/cards';
import { durationInWords } from '@/core/units/minutes';
import { parseNumber } from '@/core/units/number';
import { capital, counted, listed } from '@/core/units/words';
import { useOutbox } from '@/stations/shell/outbox';
import { timerInWords, useNow, useTimers, type TimerRow } from '@/stations/shell/running-timers';
import { shortDay } from '@/ui/dates';
import { DropBar } from '@/ui/drop-bar';
import { Explained } from '@/ui/explained';
import { useKey } from '@/ui/keys';
import { serverNow } from '@/ui/server-clock';
import { AsItWas, asLogged, type Really } from './as-it-was';
import { DoneOn, useDoneOn } from './done-on';
import type { BenchPage } from './page-data';
import { useShown } from '@/ui/shown-units';

const TriedForm = dynamic(() => import('@/stations/shell/tried-form').then((module) => module.TriedForm));

/** One step in hand: what to do, with what, what to look for, and its clocks. */
export function Card({
  data,
  card,
  done,
  isPlanned,
  onDone,
}: {
  data: BenchPage;
  card: BenchCard;
  /** Steps that are done on this device and not told to the server yet. */
  done: ReadonlySet<string>;
  isPlanned: boolean;
  onDone: () => void;
}): ReactNode {
  const { send, isKnown, look } = useOutbox();
  const [took, setMinutes] = useState<string | null>(null);
  const { on, part, mark } = useDoneOn(card);
  /** Of work that has no zones: how far it is, in per cent. */
  const [far, setFar] = useState('100');
  const share = card.places.length > 0 ? part : (parseNumber(far) ?? 0) / 100;
  // Half of it takes half of the minutes, until somebody says otherwise.
  const minutes = took ?? String(Math.max(1, Math.round(card.minutes * Math.min(1, share || 1))));
  const [note, setNote] = useState('');
  const [fault, setFault] = useState('');
  const [placeFault, setPlaceFault] = useState('');
  const [noteFault, setNoteFault] = useState('');
  const noteField = useRef<HTMLInputElement>(null);
  const [clocks, setClocks] = useState(true);
  /** How what dries is hurried, by its name; '' in the air as it is. */
  const [hurried, setHurried] = useState('');
  const hurry = card.hurrying.find(({ name }) => name === hurried) ?? null;
  const [trying, setTrying] = useState(false);
  const [really, setReally] = useState<Really>({ ...card.logged, who: '', picture: null });
  const running = useTimers(data.timers);
  const own = (timer: CardTimer) =>
    running.find(({ stepKey, label }) => stepKey === timer.waits && label === timer.label);
  const missing = card.needs.filter(({ key }) => !done.has(key));
  const clockOf = (timer: CardTimer) => ({
    id: crypto.randomUUID(),
    fields: {
      stepKey: timer.waits,
      label: timer.label,
      startedAt: new Date(serverNow()).toISOString(),
      // One that may begin at once begins at once.
      minutes: Math.max(0.1, timer.opens),
      closesMin: timer.closes,
      // A window that closes is not hurried: it would close the sooner.
      factor: timer.closes === null ? (hurry?.factor ?? 1) : 1,
    },
  });
  const startTimer = (timer: CardTimer) =>
    send((act) => ({ kind: 'timer', briefId: data.briefId, act, ...clockOf(timer) }), 'Timer started');
  const finish = async () => {
    if (card.isOpen) return;
    if (!isKnown) {
      // A key is quicker than the page: what waits on this device is looked at first.
      const waiting = await look();
      const isDone = ({ act }: (typeof waiting)[number]) =>
        act.kind === 'finish' &&
        act.briefId === data.briefId &&
        act.entry.stepKey === card.stepKey &&
        on.every((zone) => act.entry.zones.includes(zone));
      if (waiting.some(isDone)) return;
    }
    const actual = parseNumber(minutes);
    if (actual === null || actual < 1 || actual > 10_000) {
      setFault('whole minutes, at least 1');
      return;
    }
    setFault('');
    if (card.places.length > 0 && on.length === 0) {
      setPlaceFault('mark at least one zone');
      return;
    }
    if (card.zones.length === 0 && !(share > 0 && share <= 1)) {
      setPlaceFault('how far, 1 to 100 %');
      return;
    }
    setPlaceFault('');
    if (missing.length > 0 && note.trim() === '') {
      setNoteFault('say why it is done before its turn');
      noteField.current?.focus();
      return;
    }
    setNoteFault('');
    await send(
      (act) => ({
        kind: 'finish',
        briefId: data.briefId,
        act,
        entry: {
          ...asLogged(card, really, Math.round(actual), note),
          zones: card.zones.length > 1 ? on : card.zones,
          share: card.zones.length === 0 && share < 1 ? share : null,
          plannedMinutes: Math.max(1, Math.round(card.plannedMinutes * Math.min(1, share))),
        },
        pictureId: null,
        timers: clocks ? card.timers.filter((timer) => !own(timer)).map(clockOf) : [],
      }),
      share < 1 ? 'Logged as far as it is; what is left is planned' : 'Done; the rest is planned anew',
      really.picture,
    );
    onDone();
  };
  useKey('t', () => {
    const [first] = card.timers.filter((timer) => !own(timer));
    if (first) void startTimer(first);
  });
  useKey('d', () => void finish());

  return (
    <article className="bench-card" aria-label="Step in hand">
      <header>
        <h2>{card.title}</h2>
        {card.where ? <p className="dim">{capital(card.where)}</p> : null}
      </header>
      {missing.length > 0 ? (
        <p role="note" className="bench-early">
          <strong>Before its turn:</strong> {counted(missing.length, 'step')} that it waits for{' '}
          {missing.length === 1 ? 'is' : 'are'} not done. It may be done all the same: say why in the note.
        </p>
      ) : !isPlanned ? (
        <p role="note" className="dim">
          Not planned for this evening; nothing stands before it any more.
        </p>
      ) : null}
      {card.gate && card.open.length > 0 ? (
        <p>
          <strong>■ Decide first:</strong> {card.open.join('; ')}. It is sealed from here on.
        </p>
      ) : null}
      {card.isOpen ? (
        <p role="note" className="bench-early">
          <strong>■ Decide first:</strong> its colour is not ruled.{' '}
          <Link prefetch={false} href={`/briefs/${data.briefId}/evidence`}>
            Decide it at Evidence
          </Link>
        </p>
      ) : null}
      <CardFacts card={card} />
      {card.why ? <p>{card.why}</p> : null}
      <p>
        <strong>Before you go on:</strong> {card.lore.look}.
      </p>
      {card.cautions.map((caution) => (
        <p key={caution} className="caution">
          <strong className="danger">▲ Caution</strong> {caution} The product’s own safety sheet comes first.
        </p>
      ))}
      <details>
        <summary>If it goes wrong</summary>
        <p>
          Usually {card.lore.failure}: {card.lore.cure}.{' '}
          <Link prefetch={false} href={`/briefs/${data.briefId}/log?show=mishaps`}>
            Something went wrong
          </Link>
        </p>
      </details>
      {card.timers.length > 0 ? (
        <ul className="bench-timers" aria-label="Its clocks">
          {card.timers.map((timer) => (
            <CardClock
              key={`${timer.waits} ${timer.opens}`}
              timer={timer}
              running={own(timer)}
              isFirst={timer === card.timers[0]}
              onStart={() => void startTimer(timer)}
            />
          ))}
        </ul>
      ) : null}
      <TriedBefore card={card} />
      <DoneOn card={card} on={on} onMark={mark} far={far} onFar={setFar} fault={placeFault} />
      <div className="bench-actions">
        <TextField
          label="Took, minutes"
          value={minutes}
          onChange={(event) => setMinutes(event.target.value)}
          error={fault !== ''}
          helperText={fault}
          slotProps={{ htmlInput: { inputMode: 'decimal' } }}
        />
        <TextField
          inputRef={noteField}
          error={noteFault !== ''}
          helperText={noteFault}
          label={missing.length > 0 ? 'Why before its turn' : 'Note'}
          value={note}
          onChange={(event) => setNote(event.target.value)}
          required={missing.length > 0}
          sx={{ minWidth: 200 }}
        />
        <Button variant="contained" disabled={!isKnown || card.isOpen} onClick={() => void finish()}>
          {share < 1 && share > 0 ? 'So far done (d)' : 'Done (d)'}
        </Button>
        {card.timers.some((timer) => !own(timer)) ? (
          <label className="bench-clocks">
            <input type="checkbox" checked={clocks} onChange={(event) => setClocks(event.target.checked)} /> and start
            its clocks
          </label>
        ) : null}
      </div>
      {card.hurrying.length > 0 ? (
        <div className="filters">
          <label>
            It dries{' '}
            <select value={hurried} onChange={(event) => setHurried(event.target.value)}>
              <option value="">in the air</option>
              {card.hurrying.map(({ name, factor }) => (
                <option key={name} value={name}>
                  {name} (× {factor})
                </option>
              ))}
            </select>
          </label>
          {hurry ? <span>{hurry.caution}</span> : null}
        </div>
      ) : null}
      <AsItWas card={card} people={data.people} really={really} onReally={setReally} />
      {trying ? (
        <TriedForm
          briefId={data.briefId}
          tried={null}
          given={{
            title: `Test of ${card.paint?.label ?? card.title}`.slice(0, 120),
            stepKey: card.key,
            paint: card.paint?.label ?? '',
            chemistry: card.logged.chemistry,
            mixed: card.logged.mixed,
            pressureBar: card.spray?.pressureBar ?? null,
          }}
          onDone={() => setTrying(false)}
        />
      ) : card.paint ? (
        <Button onClick={() => setTrying(true)}>Record a test piece of it</Button>
      ) : null}
    </article>
  );
}

function CardFacts({ card }: { card: BenchCard }): ReactNode {
  const shown = useShown();
  const { paint, cup, coats, spray, way } = card;
  const short =
    paint?.ownedMl !== null &&
    paint?.ownedMl !== undefined &&
    paint.neededMl !== null &&
    paint.ownedMl < paint.neededMl;
  return (
    <dl className="facts">
      {cup ? (
        <div className="wide">
          <dt>In the cup{cup.fillings > 1 ? `, ${cup.fillings} times` : ''}</dt>
          <dd>
            <DropBar
              parts={[
                ...cup.parts.map(({ label, drops, hex }) => ({ label, drops, hex: hex ?? paint?.hex ?? '#9a9a9a' })),
                ...(cup.thinnerDrops > 0 ? [{ label: cup.thinner, hex: null, drops: cup.thinnerDrops }] : []),
              ]}
            />
            <Explained says={`${cup.because}.`}>
              {listed(cup.parts.map(({ label, drops }) => `${drops} drops ${label}`))}
              {cup.thinnerDrops > 0 ? `, ${cup.thinnerDrops} ${cup.thinner}` : ', not thinned'}
            </Explained>
            <span className="dim">
              {' '}
              {paint?.chemistry.toLowerCase()}
              {paint && paint.ownedMl !== null
                ? `, ${paint.ownedMl > 0 ? `${paint.ownedMl.toFixed(0)} ml in the drawer` : 'not in the drawer'}`
                : ''}
              {short ? ' ▲ not enough' : ''}
            </span>
          </dd>
        </div>
      ) : paint ? (
        <div>
          <dt>Paint</dt>
          <dd>
            {paint.label} <span className="dim">{paint.chemistry.toLowerCase()}</span>
          </dd>
        </div>
      ) : null}
      {way ? (
        <div>
          <dt>By</dt>
          <dd>
            <Explained says={`${way.because}.`}>{way.name}</Explained>
          </dd>
        </div>
      ) : null}
      {way?.facts.map(({ label, says }) => (
        <div key={label} className="wide">
          <dt>{label}</dt>
          <dd>{capital(says)}</dd>
        </div>
      ))}
      {coats ? (
        <div>
          <dt>Coats</dt>
          <dd>
            <Explained says={`${coats.because}.`}>{coats.coats}</Explained>
            {coats.between > 0 ? <span className="dim"> {durationInWords(coats.between)} between</span> : null}
          </dd>
        </div>
      ) : null}
      {spray ? (
        <>
          <div>
            <dt>Pressure</dt>
            <dd>{shown(`${spray.pressureBar.toFixed(1)} bar`)}</dd>
          </div>
          <div>
            <dt>Needle, distance</dt>
            <dd>
              {spray.needleMm} mm, {shown(`${spray.distanceCm} cm`)}
            </dd>
          </div>
        </>
      ) : null}
      {card.masked.map((says) => (
        <div key={says} className="wide">
          <dt>Masked</dt>
          <dd>{says}</dd>
        </div>
      ))}
      {card.doneOn ? (
        <div className="wide">
          <dt>Done before on</dt>
          <dd>{card.doneOn}; this is what is left</dd>
        </div>
      ) : null}
      {card.strips.length > 0 ? (
        <div className="wide">
          <dt>Strips to cut</dt>
          <dd>{listed(card.strips.map(({ says, mm }) => shown(`${mm} mm ${says}`)))}</dd>
        </div>
      ) : null}
      {card.schools.map(({ title, choice }) => (
        <div key={title}>
          <dt>{title}</dt>
          <dd>{capital(choice)}</dd>
        </div>
      ))}
      <div>
        <dt>Takes</dt>
        <dd>{card.minutes} min</dd>
      </div>
    </dl>
  );
}

/** What test pieces have shown of the step, or of its paint. */
function TriedBefore({ card: { tried } }: { card: BenchCard }): ReactNode {
  const shown = useShown();
  if (tried.length === 0) return null;
  return (
    <ul className="plain-list" aria-label="Tried before">
      {tried.map(({ id, title, onDay, result, pressureBar, note, pictureId }) => (
        <li key={id}>
          {result === '' || result === 'as wanted' ? null : <strong className="danger">▲ </strong>}
          <strong>{result === '' ? 'Tried, not judged yet' : capital(result)}</strong>, {shortDay(onDay)}: {title}
          {pressureBar === null ? '' : shown(`, ${pressureBar} bar`)}
          {note ? <span className="dim">. {note}</span> : null}
          {pictureId ? (
            <>
              {' '}
              <a href={`/pictures/${pictureId}`} target="_blank" rel="noreferrer">
                picture
              </a>
            </>
          ) : null}
        </li>
      ))}
    </ul>
  );
}

/** A clock of the card: when it may begin, until when, and how it stands once it runs. */
function CardClock({
  timer,
  running,
  isFirst,
  onStart,
}: {
  timer: CardTimer;
  running: TimerRow | undefined;
  isFirst: boolean;
  onStart: () => void;
}): ReactNode {
  const now = useNow();
  const when =
    timer.closes === null
      ? `after ${durationInWords(timer.opens)}`
      : `${timer.opens > 0 ? `from ${durationInWords(timer.opens)} ` : ''}until ${durationInWords(timer.closes)}`;
  return (
    <li>
      {running ? (
        <span className="timer-face" role="timer" aria-label={`${timer.label}, timer`}>
          {timerInWords(running, now).says}
        </span>
      ) : (
        <Button variant="outlined" onClick={onStart}>
          {isFirst ? 'Start the timer (t)' : 'Start'}
        </Button>
      )}
      <span>
        {timer.closes === null ? timer.why || timer.label : timer.label} <span className="dim">{when}</span>
      </span>
    </li>
  );
}
