'use client';

import Button from '@mui/material/Button';
import dynamic from 'next/dynamic';
import { useState, type ReactNode } from 'react';
import { doAgain } from '@/actions/bench';
import { isOther } from '@/core/bench/other-work';
import type { LogFilter, LogLine, LogWindow } from '@/core/workshop/log-book';
import { counted } from '@/core/units/words';
import { NextThing } from '@/stations/shell/next-thing';
import { WaitingActs } from '@/stations/shell/waiting-acts';
import { useZoneChoice } from '@/stations/shell/zone-choice';
import { clock, shortDay } from '@/ui/dates';
import { Thumbnail } from '@/ui/thumbnail';
import { useFetched } from '@/ui/use-fetched';
import { useSaving } from '@/ui/saving';
import type { LogPage } from './page-data';
import { useShown } from '@/ui/shown-units';

const DoAgain = dynamic(() => import('./do-again').then((module) => module.DoAgain));
const EntryForm = dynamic(() => import('./entry-form').then((module) => module.EntryForm));
const NoteForm = dynamic(() => import('./note-form').then((module) => module.NoteForm));
const TriedForm = dynamic(() => import('@/stations/shell/tried-form').then((module) => module.TriedForm));

/** What was done, went wrong and was tried, newest first, day by day. */
export function RecordPane({ data }: { data: LogPage }): ReactNode {
  const { zone, titleOf } = useZoneChoice();
  const [who, setWho] = useState('');
  const [text, setText] = useState('');
  const [from, setFrom] = useState(0);
  /** What is being written down, beside the steps of the route. */
  const [writing, setWriting] = useState<'test' | 'work' | null>(null);
  const toggle = (what: 'test' | 'work') => setWriting(writing === what ? null : what);
  const close = () => setWriting(null);
  const filter: LogFilter = { zone: zone ?? '', who, text, kind: '' };
  const isNarrow = filter.zone !== '' || who !== '' || text.trim() !== '';
  const query = new URLSearchParams({ ...filter, from: String(from), of: String(data.revision) });
  const found = useFetched<LogWindow>(
    isNarrow || from > 0 ? `/briefs/${data.briefId}/log/lines?${query.toString()}` : null,
  );
  const shown = isNarrow || from > 0 ? (found ?? data.first) : data.first;
  const narrow = (change: () => void) => {
    change();
    setFrom(0);
  };
  if (data.first.total === 0 && !writing)
    return (
      <NextThing to="bench" does="Begin at the Bench">
        <strong>Nothing is logged yet.</strong> A step marked done at the Bench is written here with the minutes it
        really took, what was in the cup, and its picture.
      </NextThing>
    );
  const days = [...new Set(shown.lines.map(({ at }) => at.slice(0, 10)))];
  return (
    <>
      <div className="filters">
        <label>
          Find{' '}
          <input
            type="search"
            value={text}
            placeholder="step, paint, note"
            onChange={(event) => narrow(() => setText(event.target.value))}
          />
        </label>
        {data.people.length > 0 ? (
          <label>
            By{' '}
            <select value={who} onChange={(event) => narrow(() => setWho(event.target.value))}>
              <option value="">everybody</option>
              {data.people.map((one) => (
                <option key={one}>{one}</option>
              ))}
            </select>
          </label>
        ) : null}
        <span className="dim" aria-live="polite">
          {isNarrow
            ? `${counted(shown.total, 'line')} of ${data.first.total}${zone ? ` on ${titleOf(zone)}` : ''}`
            : 'Choose a zone on the sheet to see its lines only.'}
        </span>
        <Button size="small" variant="outlined" onClick={() => toggle('work')} aria-expanded={writing === 'work'}>
          Write down other work
        </Button>
        <Button size="small" variant="outlined" onClick={() => toggle('test')} aria-expanded={writing === 'test'}>
          Record a test piece
        </Button>
        <a href={`/briefs/${data.briefId}/record.pdf`}>Record of the build, PDF</a>
        <a href={`/briefs/${data.briefId}/record.html`}>the same as one page</a>
      </div>
      <WaitingActs />
      {writing === 'test' ? <TriedForm briefId={data.briefId} tried={null} onDone={close} /> : null}
      {writing === 'work' ? <NoteForm data={data} onDone={close} /> : null}
      {days.map((day) => (
        <section key={day} className="log-day">
          <h2>{shortDay(day)}</h2>
          <ol className="plain-list">
            {shown.lines
              .filter(({ at }) => at.startsWith(day))
              .map((line) => (
                <Line key={line.id} data={data} line={line} />
              ))}
          </ol>
        </section>
      ))}
      <p className="pane-actions">
        {from > 0 ? (
          <Button variant="outlined" onClick={() => setFrom(Math.max(0, from - data.first.lines.length))}>
            Later ones
          </Button>
        ) : null}{' '}
        {from + shown.lines.length < shown.total ? (
          <>
            <span className="dim">
              {from + 1} to {from + shown.lines.length} of {shown.total}
            </span>{' '}
            <Button variant="outlined" onClick={() => setFrom(from + shown.lines.length)}>
              Show earlier ones
            </Button>
          </>
        ) : null}
      </p>
    </>
  );
}

function Line({ data, line }: { data: LogPage; line: LogLine }): ReactNode {
  const shown = useShown();
  const { titleOf } = useZoneChoice();
  const { run, busy } = useSaving();
  const [open, setOpen] = useState<'edit' | 'again' | null>(null);
  const toggle = (what: 'edit' | 'again') => setOpen(open === what ? null : what);
  const close = () => setOpen(null);
  const zones = line.zones.length <= 3 ? line.zones.map(titleOf).join(', ') : counted(line.zones.length, 'zone');
  return (
    <li className={`log-line ${line.kind}`}>
      <div className="log-row">
        <span className="num dim">{line.kind === 'tried' ? '' : clock(line.at)}</span>
        <div>
          <strong>
            {line.kind === 'mishap' ? <span className="danger">▲ Mishap: </span> : null}
            {line.kind === 'tried' ? 'Tried: ' : null}
            {line.title}
          </strong>
          {line.kind === 'done' && line.entry.again ? <span> · to be done again</span> : null}
          <div className="dim">{says(line, zones, shown)}</div>
          {noteOf(line) ? <p className="log-note">{noteOf(line)}</p> : null}
        </div>
        {line.kind === 'done' ? <Took line={line} /> : <span />}
        {line.pictureId ? <Thumbnail pictureId={line.pictureId} of={line.title} /> : <span />}
        <span className="log-does">
          {line.kind !== 'mishap' ? (
            <button type="button" className="row-button" aria-expanded={open === 'edit'} onClick={() => toggle('edit')}>
              edit
            </button>
          ) : (
            <span className="dim">{line.steps > 0 ? counted(line.steps, 'step') : 'noted'}</span>
          )}
          {line.kind === 'done' ? (
            line.entry.again ? (
              <button
                type="button"
                className="row-button"
                disabled={busy}
                onClick={() =>
                  void run(
                    (act) =>
                      doAgain({
                        act,
                        briefId: data.briefId,
                        entries: [{ id: line.id, version: line.entry.version }],
                        again: false,
                      }),
                    'It counts as done again',
                  )
                }
              >
                it stands after all
              </button>
            ) : isOther(line.entry) ? null : (
              <button
                type="button"
                className="row-button"
                aria-label={`Do ${line.title} again`}
                aria-expanded={open === 'again'}
                onClick={() => toggle('again')}
              >
                do again
              </button>
            )
          ) : null}
        </span>
      </div>
      {open === 'again' && line.kind === 'done' ? <DoAgain data={data} entry={line.entry} onDone={close} /> : null}
      {open === 'edit' && line.kind === 'done' ? (
        <EntryForm data={data} entry={line.entry} at={line.at} onDone={close} />
      ) : null}
      {open === 'edit' && line.kind === 'tried' ? (
        <TriedForm briefId={data.briefId} tried={line.tried} onDone={close} />
      ) : null}
    </li>
  );
}

function Took({ line: { entry } }: { line: Extract<LogLine, { kind: 'done' }> }): ReactNode {
  const { actualMinutes, plannedMinutes } = entry;
  const over = plannedMinutes === null ? null : actualMinutes - plannedMinutes;
  return (
    <span className="num nowrap">
      {actualMinutes} min
      {over ? <span className="dim"> ({over > 0 ? `+${over}` : `−${-over}`})</span> : null}
    </span>
  );
}

/** What was in the cup, how it was laid, and in what air. */
function says(line: LogLine, zones: string, shown: (sentence: string) => string): string {
  switch (line.kind) {
    case 'mishap':
      return [zones, line.mishap.cure].filter(Boolean).join(' · ');
    case 'tried': {
      const { result, pressureBar, undercoat } = line.tried;
      return [
        line.mixed || line.tried.paint,
        undercoat ? `over ${undercoat}` : '',
        pressureBar === null ? '' : shown(`${pressureBar} bar`),
        result,
      ]
        .filter(Boolean)
        .join(' · ');
    }
    case 'done': {
      const { entry, mixed } = line;
      return [
        zones,
        mixed || entry.paint,
        entry.coats === null ? '' : counted(entry.coats, 'coat'),
        entry.ml === null ? '' : `${entry.ml} ml`,
        entry.sprayed
          ? `${shown(`${entry.sprayed.pressureBar} bar`)}, ${entry.sprayed.needleMm} mm, ${shown(`${entry.sprayed.distanceCm} cm`)}`
          : '',
        entry.tempC === null || entry.humidity === null || !entry.mixed
          ? ''
          : shown(`${entry.tempC} °C, ${entry.humidity} %`),
        entry.who,
      ]
        .filter(Boolean)
        .join(' · ');
    }
  }
}

const noteOf = (line: LogLine): string =>
  line.kind === 'done' ? line.entry.note : line.kind === 'tried' ? line.tried.note : line.mishap.note;
