'use client';

import { NextThing } from '@/stations/shell/next-thing';
import Button from '@mui/material/Button';
import dynamic from 'next/dynamic';
import { Fragment, useState, type ReactNode } from 'react';
import { durationInWords } from '@/core/units/minutes';
import { counted, countedInWords, plural } from '@/core/units/words';
import { StationFrame } from '@/stations/shell/station-frame';
import { clock, shortDay } from '@/ui/dates';
import { doAgain } from '@/actions/bench';
import { useSaving } from '@/ui/saving';
import type { LogPage, LogRow } from './page-data';

const LaneChart = dynamic(() => import('./lane-chart').then((module) => module.LaneChart), {
  ssr: false,
  loading: () => <div style={{ height: 260 }} />,
});

const DoAgain = dynamic(() => import('./do-again').then((module) => module.DoAgain));
const EntryForm = dynamic(() => import('./entry-form').then((module) => module.EntryForm));

/** Entries that are drawn at once: a long build has a thousand. */
const AT_ONCE = 60;

export function LogStation({ data }: { data: LogPage }): ReactNode {
  const [open, setOpen] = useState<string | null>(null);
  const [again, setAgain] = useState<string | null>(null);
  const [shown, setShown] = useState(AT_ONCE);
  const { run, busy } = useSaving();
  const stands = ({ id, version }: LogRow) =>
    run(
      (act) => doAgain({ act, briefId: data.briefId, entries: [{ id, version }], again: false }),
      'It counts as done again',
    );
  const entries = [...data.entries].reverse();
  return (
    <StationFrame station="log" now={whatMatters(data)}>
      {entries.length === 0 ? (
        <NextThing to="bench" does="Begin at the Bench">
          <strong>Nothing is logged yet.</strong> A step marked done at the Bench is written here with the minutes it
          really took.
        </NextThing>
      ) : (
        <>
          <LaneChart lanes={data.lanes} />
          <div className="scroll-x">
            <table className="plain">
              <thead>
                <tr>
                  <th>When</th>
                  <th>What</th>
                  <th>Lane</th>
                  <th className="num">Planned, min</th>
                  <th className="num">Took, min</th>
                  <th className="num">Difference</th>
                  <th>Note</th>
                  <th />
                </tr>
              </thead>
              <tbody>
                {entries.slice(0, shown).map((entry) => (
                  <Fragment key={entry.id}>
                    <tr>
                      <td className="dim" style={{ whiteSpace: 'nowrap' }}>
                        {shortDay(entry.endedLocal)} {clock(entry.endedLocal)}
                      </td>
                      <th scope="row">
                        {entry.title}
                        {entry.again ? <div className="dim">to be done again</div> : null}
                      </th>
                      <td className="dim" style={{ whiteSpace: 'nowrap' }}>
                        {entry.lane}
                      </td>
                      <td className="num">{entry.plannedMinutes ?? '–'}</td>
                      <td className="num">{entry.actualMinutes}</td>
                      <td className="num">
                        {entry.plannedMinutes === null ? '' : signed(entry.actualMinutes - entry.plannedMinutes)}
                      </td>
                      <td>
                        {entry.note}
                        {entry.paint ? <span className="dim"> {entry.paint}</span> : null}
                      </td>
                      <td style={{ whiteSpace: 'nowrap' }}>
                        <button
                          type="button"
                          className="row-button"
                          onClick={() => setOpen(open === entry.id ? null : entry.id)}
                          aria-expanded={open === entry.id}
                        >
                          edit
                        </button>{' '}
                        {entry.again ? (
                          <button
                            type="button"
                            className="row-button"
                            disabled={busy}
                            onClick={() => void stands(entry)}
                          >
                            it stands after all
                          </button>
                        ) : (
                          <button
                            type="button"
                            className="row-button"
                            aria-label={`Do ${entry.title} again`}
                            aria-expanded={again === entry.id}
                            onClick={() => setAgain(again === entry.id ? null : entry.id)}
                          >
                            do again
                          </button>
                        )}
                      </td>
                    </tr>
                    {again === entry.id ? (
                      <tr className="detail">
                        <td colSpan={8}>
                          <DoAgain briefId={data.briefId} entry={entry} onDone={() => setAgain(null)} />
                        </td>
                      </tr>
                    ) : null}
                    {open === entry.id ? (
                      <tr className="detail">
                        <td colSpan={8}>
                          <EntryForm briefId={data.briefId} entry={entry} onDone={() => setOpen(null)} />
                        </td>
                      </tr>
                    ) : null}
                  </Fragment>
                ))}
              </tbody>
            </table>
          </div>
          {shown < entries.length ? (
            <p>
              {shown} of {entries.length} entries.{' '}
              <Button variant="outlined" onClick={() => setShown(shown + AT_ONCE)}>
                Show earlier ones
              </Button>
            </p>
          ) : null}
        </>
      )}
    </StationFrame>
  );
}

const signed = (minutes: number) => (minutes > 0 ? `+${minutes}` : String(minutes).replace('-', '−'));

function whatMatters({ entries, all, lanes }: LogPage): string {
  if (entries.length === 0) return 'The record begins with the first step done.';
  const slowest = lanes.filter((lane) => lane.factor !== null).sort((a, b) => b.factor! - a.factor!)[0];
  const factor =
    all.factor === null
      ? ''
      : ` It took ${all.factor.toFixed(2)} × the planned time${slowest && slowest.factor! > all.factor! ? `, most of all ${slowest.lane.toLowerCase()} (${slowest.factor!.toFixed(2)} ×)` : ''}.`;
  const open = entries.filter(({ again }) => again).length;
  const back = open > 0 ? ` ${countedInWords(open, 'step')} ${plural('is', open)} to be done again.` : '';
  return `${counted(entries.length, 'step')} done in ${durationInWords(all.actual)}.${back}${factor}`;
}
