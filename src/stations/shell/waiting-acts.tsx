'use client';

import type { ReactNode } from 'react';
import { counted, plural } from '@/core/units/words';
import type { Waiting } from '@/outbox/store';
import { clock, fullDay } from '@/ui/dates';
import { useOutbox } from './outbox';

function titleOf({ act }: Waiting): string {
  switch (act.kind) {
    case 'finish':
      return act.entry.title;
    case 'timer':
      return `Timer: ${act.fields.label}`;
    case 'stop':
      return 'A timer stopped';
    default:
      return act.fields.title;
  }
}

/** What waits on this device to be told to the server, and what needs the builder's word. */
export function WaitingActs(): ReactNode {
  const { waiting, isAway, isUnpaired, letGo, tryAgain } = useOutbox();
  if (waiting.length === 0) return null;
  const halted = waiting.filter((item) => item.halted);
  const left = waiting.length - halted.length;
  return (
    <section className="bench-waiting" aria-label="Kept on this device">
      {left > 0 ? (
        <p role="status">
          {isUnpaired ? (
            <>
              This device was let go: <a href="/pair">pair it again</a>.{' '}
            </>
          ) : isAway ? (
            'The server does not answer. '
          ) : null}
          {counted(left, 'thing')} you did {plural('is', left)} kept on this device and {left === 1 ? 'goes' : 'go'} to
          the server when it {isUnpaired ? 'is paired' : 'answers'}.
        </p>
      ) : null}
      {halted.map((item) => (
        <div key={item.place} className="changed-elsewhere" role="alert">
          <strong>{titleOf(item)}</strong>: {item.halted!.says}
          {item.halted!.state === 'conflict' ? (
            <p>
              There: {item.halted!.theirs.minutes} min, done {fullDay(item.halted!.theirs.at.slice(0, 10))},{' '}
              {clock(item.halted!.theirs.at)} UTC{item.halted!.theirs.note ? `, “${item.halted!.theirs.note}”` : ''}.
              Here:{' '}
              {item.act.kind === 'finish'
                ? `${item.act.entry.actualMinutes} min${item.act.entry.note ? `, “${item.act.entry.note}”` : ''}`
                : ''}
              .
            </p>
          ) : null}
          <p>
            <button type="button" className="row-button" onClick={() => void letGo(item.place)}>
              leave what stands there
            </button>{' '}
            <button type="button" className="row-button" onClick={() => void tryAgain(item.place)}>
              try once more
            </button>
            {item.picture ? (
              <>
                {' '}
                <button type="button" className="row-button" onClick={() => void tryAgain(item.place, false)}>
                  without its picture
                </button>
              </>
            ) : null}
          </p>
        </div>
      ))}
    </section>
  );
}
