'use client';

import Button from '@mui/material/Button';
import { useRef, useState, type ReactNode } from 'react';
import { ENCODING_TITLES, type Encoding } from '@/core/interchange/decode';
import { capital } from '@/core/units/words';
import { useSaving } from '@/ui/saving';
import type { EvidencePage } from './page-data';

interface Taken {
  says: string;
  faults: { row: number; says: string }[];
  /** Which encodings it may be in, where that has to be asked. */
  encodings?: Encoding[];
}

/** The evidence out and in: as one PDF, as one JSON file, as three tables. */
export function DossierPane({ data }: { data: EvidencePage }): ReactNode {
  const { run } = useSaving();
  const input = useRef<HTMLInputElement>(null);
  const [busy, setBusy] = useState(false);
  const [taken, setTaken] = useState<Taken | null>(null);
  const base = `/briefs/${data.briefId}/dossier`;

  const [last, setLast] = useState<File | null>(null);
  const take = async (file: File, encoding?: Encoding) => {
    setLast(file);
    setBusy(true);
    setTaken(null);
    await run(async (act) => {
      const query = new URLSearchParams({ act: act.id, at: act.at, ...(encoding ? { encoding } : {}) });
      const response = await fetch(`${base}/import?${query}`, { method: 'POST', body: file });
      const answer = (await response.json()) as Taken;
      setTaken(answer);
      return response.ok
        ? { ok: true as const, value: null }
        : { ok: false as const, faults: [{ field: '', says: answer.says }] };
    });
    setBusy(false);
  };
  return (
    <section className="dossier" aria-label="Dossier">
      <div className="two-columns">
        <div>
          <h2 style={{ marginTop: 0 }}>Out</h2>
          <ul className="plain-list">
            <li>
              <a href={`${base}/dossier.pdf`} download>
                Dossier as PDF
              </a>{' '}
              <span className="dim">sources, every question with its contributions, rulings, timeline</span>
            </li>
            <li>
              <a href={`${base}/dossier.json`} download>
                Dossier as JSON
              </a>{' '}
              <span className="dim">all of it with pictures; another brief or house takes it in</span>
            </li>
            {['sources', 'sightings', 'rulings'].map((table) => (
              <li key={table}>
                <a href={`${base}/${table}.csv`} download>
                  {capital(table)} as CSV
                </a>
              </li>
            ))}
          </ul>
        </div>
        <div>
          <h2 style={{ marginTop: 0 }}>In</h2>
          <p>
            A dossier (JSON), or a table of sources, sightings or rulings (CSV). What is there already stays as it is;
            rows that cannot be taken are named one by one and the others are added. One press of u takes all of it
            back.
          </p>
          <input
            ref={input}
            type="file"
            accept=".json,.csv,application/json,text/csv"
            hidden
            aria-label="Dossier or table"
            onChange={(event) => {
              if (event.target.files?.[0]) void take(event.target.files[0]);
              event.target.value = '';
            }}
          />
          <Button variant="outlined" disabled={busy} onClick={() => input.current?.click()}>
            {busy ? 'Taking it in…' : 'Take in a file'}
          </Button>
          {taken ? (
            <div
              role={taken.faults.length > 0 ? 'alert' : 'status'}
              className="changed-elsewhere"
              style={{ marginTop: 10 }}
            >
              <strong>{taken.says}</strong>
              {taken.encodings && last ? (
                <p className="offers">
                  {taken.encodings.map((encoding) => (
                    <Button key={encoding} variant="outlined" onClick={() => void take(last, encoding)}>
                      {ENCODING_TITLES[encoding]}
                    </Button>
                  ))}
                </p>
              ) : null}
              {taken.faults.length > 0 ? (
                <ul>
                  {taken.faults.map((fault, i) => (
                    <li key={i}>
                      {fault.row > 0 ? `Row ${fault.row}: ` : ''}
                      {fault.says}
                    </li>
                  ))}
                </ul>
              ) : null}
            </div>
          ) : null}
        </div>
      </div>
    </section>
  );
}
