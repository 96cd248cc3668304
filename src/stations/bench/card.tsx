'use client';

import Button from '@mui/material/Button';
import dynamic from 'next/dynamic';
import Link from 'next/link';
import { useState, type ReactNode } from 'react';
import type { BenchCard } from '@/core/bench/cards';
import { capital, counted } from '@/core/units/words';
import { useTurn } from '@/stations/shell/zone-choice';
import { useKey } from '@/ui/keys';
import { AsItWas } from './as-it-was';
import { CardClock } from './card-clock';
import { CardFacts, TriedBefore } from './card-facts';
import { DoneOn } from './done-on';
import type { BenchPage } from './page-data';
import { useFinish, type Finish } from './use-finish';
import { TextField } from '@/ui/text-field';

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
  const missing = card.needs.filter(({ key }) => !done.has(key)).length;
  const finish = useFinish(data, card, missing, onDone);
  useKey('t', () => {
    const [first] = finish.waiting;
    if (first) void finish.startClock(first);
  });
  useKey('d', () => void finish.finish());
  return (
    <article className="bench-card" aria-label="Step in hand">
      <header>
        <h2>{card.title}</h2>
        {card.where ? <p className="dim">{capital(card.where)}</p> : null}
      </header>
      <BeforeItBegins briefId={data.briefId} card={card} missing={missing} isPlanned={isPlanned} />
      <CardFacts card={card} />
      <InHandAt step={card.stepKey} />
      <WatchFor briefId={data.briefId} card={card} />
      {card.timers.length > 0 ? (
        <ul className="bench-timers" aria-label="Its clocks">
          {card.timers.map((timer) => (
            <CardClock
              key={`${timer.waits} ${timer.opens}`}
              timer={timer}
              running={finish.runningOf(timer)}
              isFirst={timer === card.timers[0]}
              onStart={() => void finish.startClock(timer)}
            />
          ))}
        </ul>
      ) : null}
      <TriedBefore card={card} />
      <DoneOn
        card={card}
        on={finish.on}
        onMark={finish.mark}
        far={finish.far}
        onFar={finish.setFar}
        fault={finish.faults.place ?? ''}
      />
      <FinishRow card={card} missing={missing} finish={finish} />
      <Hurrying card={card} finish={finish} />
      <AsItWas card={card} people={data.people} really={finish.really} onReally={finish.setReally} />
      <TryIt briefId={data.briefId} card={card} />
    </article>
  );
}

/** The machine in the hand, as it looks at this step. */
function InHandAt({ step }: { step: string }): ReactNode {
  const turn = useTurn();
  return (
    <p className="bench-turn">
      In the hand:{' '}
      <Button variant="outlined" onClick={() => turn({ step, isOver: false })}>
        When you begin
      </Button>{' '}
      <Button variant="outlined" onClick={() => turn({ step, isOver: true })}>
        When you end
      </Button>
    </p>
  );
}

/** What stands before the step: others that it waits for, what is to be decided first. */
function BeforeItBegins({
  briefId,
  card,
  missing,
  isPlanned,
}: {
  briefId: string;
  card: BenchCard;
  missing: number;
  isPlanned: boolean;
}): ReactNode {
  return (
    <>
      {missing > 0 ? (
        <p role="note" className="bench-early">
          <strong>Before its turn:</strong> {counted(missing, 'step')} that it waits for {missing === 1 ? 'is' : 'are'}{' '}
          not done. It may be done all the same: say why in the note.
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
          <Link prefetch={false} href={`/briefs/${briefId}/evidence`}>
            Decide it at Evidence
          </Link>
        </p>
      ) : null}
    </>
  );
}

/** Why, what to look for, what is dangerous, and what to do if it goes wrong. */
function WatchFor({ briefId, card }: { briefId: string; card: BenchCard }): ReactNode {
  return (
    <>
      {card.why ? <p>{card.why}</p> : null}
      <p>
        <strong>Before you go on:</strong> {card.lore.look}.
      </p>
      {card.tape ? <p className="caution">{card.tape}</p> : null}
      {card.cautions.map(({ says }) => (
        <p key={says} className="caution">
          <strong className="danger">▲ Caution</strong> {says} The product’s own safety sheet comes first.
        </p>
      ))}
      <details>
        <summary>If it goes wrong</summary>
        <p>
          Usually {card.lore.failure}: {card.lore.cure}.{' '}
          <Link prefetch={false} href={`/briefs/${briefId}/log?show=mishaps`}>
            Something went wrong
          </Link>
        </p>
      </details>
    </>
  );
}

/** How long it took, a note, and the button that logs it. */
function FinishRow({ card, missing, finish }: { card: BenchCard; missing: number; finish: Finish }): ReactNode {
  const { faults, share } = finish;
  return (
    <div className="bench-actions">
      <TextField
        label="Took, minutes"
        value={finish.minutes}
        onChange={(event) => finish.setTook(event.target.value)}
        error={faults.took !== undefined}
        helperText={faults.took}
        inputMode="decimal"
      />
      <TextField
        inputRef={finish.noteField}
        error={faults.note !== undefined}
        helperText={faults.note}
        label={missing > 0 ? 'Why before its turn' : 'Note'}
        value={finish.note}
        onChange={(event) => finish.setNote(event.target.value)}
        required={missing > 0}
      />
      <Button variant="contained" disabled={!finish.isKnown || card.isOpen} onClick={() => void finish.finish()}>
        {share < 1 && share > 0 ? 'So far done (d)' : 'Done (d)'}
      </Button>
      {finish.waiting.length > 0 ? (
        <label className="bench-clocks">
          <input
            type="checkbox"
            checked={finish.startsClocks}
            onChange={(event) => finish.setStartsClocks(event.target.checked)}
          />{' '}
          and start its clocks
        </label>
      ) : null}
    </div>
  );
}

/** How what dries is hurried. */
function Hurrying({ card, finish }: { card: BenchCard; finish: Finish }): ReactNode {
  if (card.hurrying.length === 0) return null;
  return (
    <div className="filters">
      <label>
        It dries{' '}
        <select value={finish.hurried} onChange={(event) => finish.setHurried(event.target.value)}>
          <option value="">in the air</option>
          {card.hurrying.map(({ name, factor }) => (
            <option key={name} value={name}>
              {name} (× {factor})
            </option>
          ))}
        </select>
      </label>
      {finish.hurry ? <span>{finish.hurry.caution}</span> : null}
    </div>
  );
}

/** A test piece of its paint. */
function TryIt({ briefId, card }: { briefId: string; card: BenchCard }): ReactNode {
  const [trying, setTrying] = useState(false);
  if (!trying) return card.paint ? <Button onClick={() => setTrying(true)}>Record a test piece of it</Button> : null;
  return (
    <TriedForm
      briefId={briefId}
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
  );
}
