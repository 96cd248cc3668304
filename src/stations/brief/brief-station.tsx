'use client';

import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import { useRef, useState, type ReactNode } from 'react';
import { StationFrame } from '@/stations/shell/station-frame';
import { counted, countedInWords, plural } from '@/core/units/words';
import { finishedInWords } from '@/ui/due-words';
import { keepAs } from '@/ui/keep-as';
import type { BriefPage } from './page-data';
import type { Sent } from '@/stations/shell/current-page';
import { useCurrent } from '@/stations/shell/use-current';

export function BriefStation({ page }: { page: Sent<BriefPage> }): ReactNode {
  const data = useCurrent(page);
  const [busy, setBusy] = useState(false);
  const [says, setSays] = useState('');
  const stop = useRef<AbortController | null>(null);
  const missing = data.calls.filter((call) => call.painted && !call.paint);

  const fetchPdf = async () => {
    stop.current = new AbortController();
    setBusy(true);
    setSays('');
    try {
      const response = await fetch(`/briefs/${data.briefId}/brief.pdf`, { signal: stop.current.signal });
      if (!response.ok) throw new Error(await response.text());
      const name = /filename="([^"]+)"/.exec(response.headers.get('content-disposition') ?? '')?.[1] ?? 'brief.pdf';
      keepAs(await response.blob(), name);
    } catch (error) {
      setSays((error as Error).name === 'AbortError' ? 'Stopped.' : 'The PDF could not be made; try again.');
    } finally {
      setBusy(false);
    }
  };
  return (
    <StationFrame
      station="brief"
      now={
        data.open.length === 0
          ? 'Every question is ruled: it can be built from.'
          : `${countedInWords(data.open.length, 'answer')} ${plural('is', data.open.length)} still open, and printed as open.`
      }
      actions={
        <>
          {busy ? (
            <Button variant="outlined" onClick={() => stop.current?.abort()}>
              Stop
            </Button>
          ) : (
            <Button variant="contained" onClick={() => void fetchPdf()}>
              Brief as PDF
            </Button>
          )}
          <Button variant="outlined" component="a" href={`/briefs/${data.briefId}/brief.zip`} download>
            Brief as zip
          </Button>
          <Button variant="outlined" component="a" href={`/briefs/${data.briefId}/brief.json`} download>
            Brief as JSON
          </Button>
        </>
      }
    >
      {busy ? (
        <div role="status">
          <LinearProgress aria-label="Making the PDF" />
          <p>Drawing and setting the pages…</p>
        </div>
      ) : null}
      {says ? <p role="alert">{says}</p> : null}
      {data.contradictions.length > 0 ? (
        <p role="note">
          <strong>Said against itself:</strong> {data.contradictions.map((says) => says.replace(/\.?$/, '.')).join(' ')}{' '}
          A backup lets go of it, and names in the file what it let go.
        </p>
      ) : null}
      <table className="plain">
        <tbody>
          <tr>
            <th scope="row">Four views in colour</th>
            <td>port, starboard, upper and lower, with the markings at true proportion</td>
          </tr>
          <tr>
            <th scope="row">Sources and rulings</th>
            <td>
              {counted(data.sources, 'source')}, {counted(data.ruled, 'ruling')} with support and reason
              {data.open.length > 0 ? `; open: ${data.open.join('; ')}` : ''}
            </td>
          </tr>
          {data.liberties.length > 0 ? (
            <tr>
              <th scope="row">Liberties</th>
              <td>{data.liberties.join('; ')}: printed as such, in the brief and in the record</td>
            </tr>
          ) : null}
          <tr>
            <th scope="row">Colours</th>
            <td>
              {counted(data.calls.length, 'colour')} with swatches
              {missing.length > 0
                ? `; no paint yet for ${missing.map((call) => call.name || call.code).join(', ')}`
                : data.calls.length > 0
                  ? data.open.length > 0
                    ? ', each with a paint; what is open has none yet'
                    : ', all with a paint'
                  : ''}
            </td>
          </tr>
          <tr>
            <th scope="row">Route by session</th>
            <td>
              {data.steps - data.done} of {counted(data.steps, 'step')} to go in {counted(data.sessionsLeft, 'session')}
              {data.finish ? `, ${finishedInWords(data.finish, data.open.length)}` : ''}
            </td>
          </tr>
          <tr>
            <th scope="row">Cautions</th>
            <td>each where its hazard is; the products’ own safety sheets come first</td>
          </tr>
        </tbody>
      </table>
      <p className="dim">
        The zip holds the whole brief with its pictures and imports again, here or in another house; the JSON does the
        same where pictures are few. Colours on paper are no paint: judge on a spray-out.
      </p>
    </StationFrame>
  );
}
