'use client';

import Button from '@mui/material/Button';
import { useState, type ReactNode } from 'react';
import { sitDown } from '@/actions/bench';
import { packEvening, type EveningPiece, type PackedEvening } from '@/core/bench/packed-evening';
import { fetchFor } from '@/core/bench/to-fetch';
import type { BenchCard } from '@/core/bench/cards';
import { minutesLater } from '@/core/units/day';
import { durationInWords } from '@/core/units/minutes';
import { counted, plural } from '@/core/units/words';
import { NextThing } from '@/stations/shell/next-thing';
import { clock } from '@/ui/dates';
import { useKey } from '@/ui/keys';
import { useSaving } from '@/ui/saving';
import { Chip } from '@/ui/swatch';
import { Card } from './card';
import type { BenchPage } from './page-data';
import { WaitingActs } from '@/stations/shell/waiting-acts';

/** Minutes that somebody may have; the session's own stand beside them. */
const CHOICES = [30, 60, 90, 120, 180, 240];

/** Tonight's session: the card in hand, what follows it, what to fetch and to check first. */
export function TonightPane({ data, done }: { data: BenchPage; done: ReadonlySet<string> }): ReactNode {
  const { tonight } = data;
  const [picked, setPicked] = useState<string | null>(null);
  const [own, setOwn] = useState<number | null>(null);
  const minutes = own ?? tonight.minutes;
  const evening = packEvening(tonight, minutes);
  const cards = evening.pieces.flatMap((piece) => (piece.kind === 'work' ? [piece.card] : []));
  const all = [...cards, ...evening.carried, ...tonight.spare.filter((card) => !cards.includes(card))];
  const card = all.find(({ key }) => key === picked) ?? cards[0] ?? evening.carried[0];
  const next = card ? cards[cards.indexOf(card) + 1] : undefined;
  useKey(' ', () => setPicked((next ?? cards[0])?.key ?? null));
  return (
    <>
      <WaitingActs />
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
        <div className="bench-evening">
          <div>
            <Card
              key={card.key}
              data={data}
              card={card}
              done={done}
              isPlanned={tonight.cards.some(({ key }) => key === card.key)}
              onDone={() => setPicked(next?.key ?? null)}
            />
          </div>
          <div className="bench-side">
            <div className="bench-head">
              <h2>This evening</h2>
              <label>
                I have{' '}
                <select value={minutes} onChange={(event) => setOwn(Number(event.target.value))}>
                  {[...new Set([...CHOICES, tonight.minutes])]
                    .sort((a, b) => a - b)
                    .map((one) => (
                      <option key={one} value={one}>
                        {durationInWords(one)}
                        {one === tonight.minutes ? ', as planned' : ''}
                      </option>
                    ))}
                </select>
              </label>
            </div>
            {tonight.running ? null : <SitDown briefId={data.briefId} minutes={minutes} />}
            <Evening
              evening={evening}
              meanwhile={data.meanwhile}
              chosen={card}
              start={tonight.startLocal}
              onPick={setPicked}
            />
            <ToFetch cards={cards} check={tonight.check} />
          </div>
        </div>
      ) : (
        <NextThing
          to={data.left === 0 ? 'log' : 'route'}
          does={data.left === 0 ? 'Open the Log' : 'Say when you are at the bench'}
          beside={data.left === 0 ? null : <SitDown briefId={data.briefId} minutes={TWO_HOURS} />}
        >
          {data.left === 0
            ? 'Every step is done. The record is in the Log.'
            : done.size > 0
              ? 'That was all of this evening. What you did is kept on this device and goes to the server when it answers.'
              : 'Nothing fits the sessions that are planned. Sit down now, or say at the Route when you are at the bench.'}
        </NextThing>
      )}
    </>
  );
}

const TWO_HOURS = 120;

/** Begins an evening at once: the plan has a session from this moment on. */
function SitDown({ briefId, minutes }: { briefId: string; minutes: number }): ReactNode {
  const { run, busy } = useSaving();
  return (
    <Button
      variant="outlined"
      disabled={busy}
      onClick={() =>
        void run((act) => sitDown({ act, briefId, minutes }), `At the bench for ${durationInWords(minutes)} from now`)
      }
    >
      I sit down now, for {durationInWords(minutes)}
    </Button>
  );
}

function Evening({
  evening,
  meanwhile,
  chosen,
  start,
  onPick,
}: {
  evening: PackedEvening;
  meanwhile: string;
  chosen: BenchCard;
  start: string | null;
  onPick: (key: string) => void;
}): ReactNode {
  const at = (piece: EveningPiece) => (start ? clock(minutesLater(start, piece.from)) : `+${piece.from} min`);
  return (
    <>
      <ol className="bench-next">
        {evening.pieces.map((piece) =>
          piece.kind === 'gap' ? (
            <li key={`gap ${piece.from}`} className="gap">
              <span className="num">{at(piece)}</span>
              <span>
                {durationInWords(piece.to - piece.from)} to dry. Meanwhile: {meanwhile}.
              </span>
            </li>
          ) : (
            <li key={piece.card.key} aria-current={piece.card.key === chosen.key ? 'step' : undefined}>
              <span className="num">{at(piece)}</span>
              <button type="button" onClick={() => onPick(piece.card.key)}>
                {piece.card.title}
              </button>
              <span className="dim nowrap">
                {piece.to - piece.from} min{piece.extra ? ', extra' : ''}
              </span>
            </li>
          ),
        )}
      </ol>
      {evening.carried.length > 0 ? (
        <details className="bench-carried">
          <summary>
            {counted(evening.carried.length, 'step')} {plural('is', evening.carried.length)} carried over
          </summary>
          <ul className="plain-list">
            {evening.carried.map((card) => (
              <li key={card.key}>
                <button type="button" className="row-button" onClick={() => onPick(card.key)}>
                  {card.title}
                </button>{' '}
                <span className="dim">{card.minutes} min</span>
              </li>
            ))}
          </ul>
        </details>
      ) : null}
    </>
  );
}

/** What to bring to the bench, and what to feel with a finger first. */
function ToFetch({ cards, check }: { cards: readonly BenchCard[]; check: BenchPage['tonight']['check'] }): ReactNode {
  const { paints, thinners, tools, protection } = fetchFor(cards);
  const shortOf = paints.filter(({ isShort }) => isShort).length;
  return (
    <details className="bench-fetch">
      <summary>
        Fetch first{shortOf > 0 ? `: ${counted(shortOf, 'paint')} ${plural('is', shortOf)} not enough` : ''}
      </summary>
      {check.length > 0 ? (
        <>
          <h3>Is it dry?</h3>
          <ul className="plain-list">
            {check.map(({ title, says, readyLocal, isReady }) => (
              <li key={title}>
                {title}:{' '}
                <span className="dim">
                  {says}, {isReady ? 'since' : 'from'} {clock(readyLocal)}
                  {isReady ? '; touch it on a hidden place' : ''}
                </span>
              </li>
            ))}
          </ul>
        </>
      ) : null}
      {paints.length > 0 ? (
        <>
          <h3>Paints</h3>
          <ul className="plain-list">
            {paints.map(({ label, hex, neededMl, ownedMl, isShort }) => (
              <li key={label}>
                {hex ? <Chip hex={hex} /> : null} {label}{' '}
                <span className="dim">
                  {neededMl === null ? '' : `${neededMl.toFixed(1)} ml`}
                  {ownedMl === null
                    ? ''
                    : ownedMl > 0
                      ? ` of ${ownedMl.toFixed(0)} ml in the drawer`
                      : ', not in the drawer'}
                </span>
                {isShort ? <strong> ▲ not enough</strong> : null}
              </li>
            ))}
            {thinners.length > 0 ? <li>{thinners.join(', ')}</li> : null}
          </ul>
        </>
      ) : null}
      <h3>Tools</h3>
      <p>{tools.length > 0 ? tools.join(', ') : 'nothing beside your hands'}</p>
      {protection.length > 0 ? (
        <>
          <h3>Protection</h3>
          <p>{protection.join(', ')}</p>
        </>
      ) : null}
    </details>
  );
}
