'use client';

import { NextThing } from '@/stations/shell/next-thing';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useEffect, useState, type ReactNode } from 'react';
import { finishStep } from '@/actions/bench';
import { save } from '@/actions/records';
import type { BenchCard } from '@/core/bench/cards';
import { hexOf } from '@/core/colour/spaces';
import { countdown, durationInWords } from '@/core/units/minutes';
import { parseNumber } from '@/core/units/number';
import { counted, countedInWords } from '@/core/units/words';
import { secondsLeft, useNow } from '@/stations/shell/running-timers';
import { StationFrame } from '@/stations/shell/station-frame';
import { useZoneChoice } from '@/stations/shell/zone-choice';
import { clock, longDay } from '@/ui/dates';
import { useKey } from '@/ui/keys';
import { serverNow } from '@/ui/server-clock';
import { Explained } from '@/ui/explained';
import { useSaving } from '@/ui/saving';
import css from './bench.module.css';
import type { BenchPage } from './page-data';

export function BenchStation({ data }: { data: BenchPage }): ReactNode {
  const [picked, setPicked] = useState<string | null>(null);
  const card = data.cards.find((candidate) => candidate.key === picked) ?? data.cards[0];
  return (
    <StationFrame station="bench" styles={css.bench} now={whatMatters(data)}>
      {data.waiting > 0 ? (
        <p role="note">
          The kept plan no longer fits:{' '}
          <a href={`/briefs/${data.briefId}/route`}>{counted(data.waiting, 'change')} to look at</a>.
        </p>
      ) : null}
      {data.broken.map((says) => (
        <p key={says} role="note">
          ⚠ {says}.
        </p>
      ))}
      {card ? (
        <>
          <Card key={card.key} data={data} card={card} />
          <h2>Then</h2>
          <ol className="bench-next">
            {data.cards
              .filter((other) => other.key !== card.key)
              .map((other) => (
                <li key={other.key}>
                  <span className="num">{clock(other.start)}</span>
                  <button type="button" onClick={() => setPicked(other.key)}>
                    {other.title}
                  </button>
                  <span className="dim">{other.minutes} min</span>
                </li>
              ))}
          </ol>
          {data.cards.length === 1 ? (
            <p className="dim">Nothing else fits this session: the rest waits for drying or for the next one.</p>
          ) : null}
        </>
      ) : (
        <NextThing
          to={data.left === 0 ? 'log' : 'route'}
          does={data.left === 0 ? 'Open the Log' : 'Say when you are at the bench'}
        >
          {data.left === 0
            ? 'Every step is done. The record is in the Log.'
            : 'Nothing fits the sessions that are planned: say at the Route when you are at the bench.'}
        </NextThing>
      )}
    </StationFrame>
  );
}

function whatMatters({ cards, startLocal, running, left }: BenchPage): string {
  if (cards.length === 0)
    return left === 0 ? 'Nothing is left to do.' : `${counted(left, 'step')} to go, and no session for them.`;
  const minutes = durationInWords(cards.reduce((total, card) => total + card.minutes, 0));
  const steps = countedInWords(cards.length, 'step');
  return running
    ? `${steps}, ${minutes} in this session.`
    : `Next session: ${longDay(startLocal)}, ${clock(startLocal)}. ${steps}, ${minutes}.`;
}

function Card({ data, card }: { data: BenchPage; card: BenchCard }): ReactNode {
  const { run, busy } = useSaving();
  const { choose } = useZoneChoice();
  const [minutes, setMinutes] = useState(String(card.minutes));
  const [note, setNote] = useState('');
  const [fault, setFault] = useState('');
  const timer = data.timers.find((candidate) => candidate.stepKey === card.key);
  const now = useNow();
  const zone = card.zones[0] ?? null;
  // The step's zone is lit on the sheet while it is in hand.
  useEffect(() => {
    choose(zone);
    return () => choose(null);
  }, [choose, zone]);

  const start = () => {
    if (timer || card.dries === 0) return;
    void run(
      (act) =>
        save({
          act,
          briefId: data.briefId,
          station: 'bench',
          entity: 'timer',
          id: null,
          version: null,
          fields: {
            stepKey: card.key,
            label: card.title,
            startedAt: new Date(serverNow()).toISOString(),
            minutes: card.dries,
          },
        }),
      'Timer started',
    );
  };
  const done = async () => {
    const actual = parseNumber(minutes);
    if (actual === null || actual < 1) {
      setFault('whole minutes, at least 1');
      return;
    }
    setFault('');
    const { key, title, lane } = card;
    await run(
      (act) =>
        finishStep({
          act,
          briefId: data.briefId,
          stepKey: key,
          title,
          lane,
          plannedMinutes: card.plannedMinutes,
          actualMinutes: Math.round(actual),
          note,
          paint: card.paint?.label ?? '',
          ...card.logged,
        }),
      'Done; the rest is planned anew',
    );
  };
  useKey('t', start);
  useKey('d', () => void done());

  return (
    <article className="bench-card" aria-label="Step in hand">
      <h2>{card.title}</h2>
      {card.why ? <p>{card.why}</p> : null}
      {card.gate && card.open.length > 0 ? (
        <p>
          <strong>■ Decide first:</strong> {card.open.join('; ')}. It is sealed from here on.
        </p>
      ) : null}
      <dl className="facts">
        {card.paint ? (
          <div>
            <dt>Paint</dt>
            <dd>
              <Recipe card={card} /> {card.paint.label}{' '}
              <span className="dim">
                {card.paint.chemistry}
                {card.paint.ownedMl !== null
                  ? `, ${card.paint.ownedMl > 0 ? `${card.paint.ownedMl.toFixed(0)} ml in the drawer` : 'not in the drawer'}`
                  : ''}
              </span>
            </dd>
          </div>
        ) : null}
        {card.coats ? (
          <div>
            <dt>Coats</dt>
            <dd>
              <Explained says={`${card.coats.because}.`}>{card.coats.coats}</Explained>
            </dd>
          </div>
        ) : null}
        {card.spray ? (
          <>
            <div>
              <dt>Thinner</dt>
              <dd>{card.spray.ratio === 0 ? card.spray.thinner : `${card.spray.ratio} : 1 ${card.spray.thinner}`}</dd>
            </div>
            <div>
              <dt>Pressure</dt>
              <dd>{card.spray.pressureBar.toFixed(1)} bar</dd>
            </div>
            <div>
              <dt>Needle, distance</dt>
              <dd>
                {card.spray.needleMm} mm, {card.spray.distanceCm} cm
              </dd>
            </div>
          </>
        ) : null}
        <div>
          <dt>Planned</dt>
          <dd>{card.minutes} min</dd>
        </div>
        {card.dries > 0 ? (
          <div>
            <dt>Then wait</dt>
            <dd>
              {durationInWords(card.dries)} <span className="dim">{card.dryingWhy}</span>
            </dd>
          </div>
        ) : null}
      </dl>
      {card.cautions.map((caution) => (
        <p key={caution} className="caution">
          <strong className="danger">▲ Caution</strong> {caution} The product’s own safety sheet comes first.
        </p>
      ))}
      {timer ? (
        <p className="timer-face" role="timer" aria-label="Drying timer">
          {now === null ? '–:––' : secondsLeft(timer, now) <= 0 ? 'ready' : countdown(secondsLeft(timer, now))}
        </p>
      ) : null}
      <div className="bench-actions">
        {card.dries > 0 && !timer ? (
          <Button variant="outlined" onClick={start} disabled={busy}>
            Start the timer (t)
          </Button>
        ) : null}
        <TextField
          label="Took, minutes"
          value={minutes}
          onChange={(event) => setMinutes(event.target.value)}
          error={fault !== ''}
          helperText={fault}
          slotProps={{ htmlInput: { inputMode: 'decimal' } }}
        />
        <TextField label="Note" value={note} onChange={(event) => setNote(event.target.value)} sx={{ minWidth: 200 }} />
        <Button variant="contained" onClick={() => void done()} disabled={busy}>
          Done (d)
        </Button>
      </div>
    </article>
  );
}

/** Paint as filled drops, thinner as hollow ones: the ratio in the smallest whole numbers. */
function Recipe({ card }: { card: BenchCard }): ReactNode {
  const ratio = card.spray?.ratio ?? 0;
  const paintDrops = Number.isInteger(ratio) ? 1 : 2;
  const thinnerDrops = Math.round(ratio * paintDrops);
  const hex = card.paint?.lab ? hexOf(card.paint.lab) : '#d0d0d0';
  return (
    <span className="recipe" role="img" aria-label={`${paintDrops} of paint to ${thinnerDrops} of thinner`}>
      {Array.from({ length: paintDrops }, (_, i) => (
        <i key={`p${i}`} style={{ background: hex }} />
      ))}
      {Array.from({ length: thinnerDrops }, (_, i) => (
        <i key={`t${i}`} className="hollow" />
      ))}
    </span>
  );
}
