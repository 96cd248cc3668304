'use client';

import Button from '@mui/material/Button';
import { useState, type ReactNode } from 'react';
import { replay } from '@/actions/records';
import { MOST_ICS_BYTES, type CalendarSpell } from '@/core/interchange/availability-ics';
import { eveningsOf, type Meaning } from '@/core/route/availability';
import { addDays } from '@/core/units/day';
import { counted } from '@/core/units/words';
import { longDay } from '@/ui/dates';
import { FileButton } from '@/ui/file-button';
import { useSaving } from '@/ui/saving';
import { useWorker } from '@/ui/use-worker';
import type { ReadCalendar } from '@/workers/availability.worker';
import type { RoutePage } from './page-data';
import '@/ui/opened.css';

type Api = { read: (text: string, timeZone: string, from: string, to: string) => ReadCalendar };

/** How far ahead a calendar is read, and how many of its evenings are shown before they are taken. */
const DAYS_AHEAD = 370;
const SHOWN = 6;

/** Evenings out of a calendar of one's own: times at the bench, or times at which one is away. */
export function CalendarIn({
  data,
}: {
  data: Pick<RoutePage, 'briefId' | 'timeZone' | 'today' | 'weekly' | 'evenings'>;
}): ReactNode {
  const { run, busy } = useSaving();
  const [meaning, setMeaning] = useState<Meaning>('busy');
  const [booth, setBooth] = useState(true);
  const [spells, setSpells] = useState<CalendarSpell[] | null>(null);
  const { working, start, stop, settle } = useWorker<Api, ReadCalendar>(
    () => new Worker(new URL('../../workers/availability.worker.ts', import.meta.url), { type: 'module' }),
  );
  const take = async (file: File): Promise<string | null> => {
    setSpells(null);
    if (file.size > MOST_ICS_BYTES) return 'The calendar has more than 5 MB.';
    const text = await file.text();
    let fault: string | null = null;
    await start(async (api) => {
      const read = await api.read(text, data.timeZone, data.today, addDays(data.today, DAYS_AHEAD));
      if ('fault' in read) fault = read.fault;
      else setSpells(read.spells);
      return read;
    });
    return fault;
  };
  const evenings = spells ? eveningsOf(spells, meaning, data.weekly, data.evenings, booth) : [];
  const keep = () =>
    run(
      (stamp) =>
        replay({
          stamp,
          briefId: data.briefId,
          station: 'route',
          added: evenings.map((fields) => ({
            entity: 'evening' as const,
            id: crypto.randomUUID(),
            fields: { ...fields },
          })),
        }),
      `${counted(evenings.length, 'evening')} taken from the calendar; u takes them back`,
    ).then((result) => {
      if (!result.ok) return;
      setSpells(null);
      settle(null);
    });
  return (
    <section className="ledger-detail" aria-label="From a calendar" style={{ marginBottom: 12 }}>
      <h3 style={{ margin: 0 }}>From a calendar of yours</h3>
      <p className="corner-row">
        <label>
          Its events are{' '}
          <select value={meaning} onChange={({ target }) => setMeaning(target.value as Meaning)}>
            <option value="busy">times at which I am away</option>
            <option value="bench">times at the bench</option>
          </select>
        </label>{' '}
        {meaning === 'bench' ? (
          <label>
            <input type="checkbox" checked={booth} onChange={({ target }) => setBooth(target.checked)} /> spraying
            possible in them
          </label>
        ) : null}
      </p>
      <p className="pane-actions">
        <FileButton label="Choose an iCalendar file" accept=".ics,text/calendar" onFile={take} />
        {working ? (
          <Button variant="outlined" size="small" onClick={stop}>
            Stop reading
          </Button>
        ) : null}
      </p>
      {spells ? (
        <div role="status">
          {evenings.length === 0 ? (
            <p>
              {counted(spells.length, 'event')} read:{' '}
              {meaning === 'busy' ? 'none lies over a session of the week.' : 'none that is not here already.'}
            </p>
          ) : (
            <>
              <p>
                {counted(spells.length, 'event')} read, {counted(evenings.length, 'evening')} of them{' '}
                {meaning === 'busy' ? 'taken off' : 'more'}:
              </p>
              <ul className="reasons">
                {evenings.slice(0, SHOWN).map((evening) => (
                  <li key={`${evening.onDay} ${evening.startsAt}`}>
                    {longDay(evening.onDay)}
                    {evening.off ? '' : `, ${evening.startsAt}, ${evening.minutes} min`}
                  </li>
                ))}
                {evenings.length > SHOWN ? <li>and {evenings.length - SHOWN} more</li> : null}
              </ul>
              <Button variant="contained" disabled={busy} onClick={() => void keep()}>
                Take {counted(evenings.length, 'evening')}
              </Button>
            </>
          )}
        </div>
      ) : null}
    </section>
  );
}
