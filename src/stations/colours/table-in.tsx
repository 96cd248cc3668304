'use client';

import Button from '@mui/material/Button';
import { useState, type ReactNode } from 'react';
import { useDropzone } from 'react-dropzone';
import type { TableRead } from '@/actions/table-read';
import type { Stamp } from '@/core/kept/act';
import type { Added } from '@/core/interchange/added';
import type { Result } from '@/core/interchange/result';
import { useSaving } from '@/ui/saving';

/** A file of rows on its way in: first what was understood and what was not, then all that could be read, or nothing. */
export function TableIn({
  title,
  says,
  look,
  take,
  onDone,
  children,
}: {
  title: string;
  says: string;
  look: (text: string) => Promise<Result<TableRead>>;
  take: (text: string, act: Stamp) => Promise<Result<Added>>;
  onDone: () => void;
  children?: ReactNode;
}): ReactNode {
  const { run, busy, tell } = useSaving();
  const [file, setFile] = useState<{ name: string; text: string } | null>(null);
  const [read, setRead] = useState<TableRead | null>(null);
  const [refused, setRefused] = useState('');
  const lookAt = async (text: string) => {
    const result = await run(() => look(text));
    setRead(result.ok ? result.value : null);
    setRefused(!result.ok && 'faults' in result ? result.faults.map((fault) => fault.says).join('. ') : '');
  };
  const { getRootProps, getInputProps, open } = useDropzone({
    multiple: false,
    noClick: true,
    onDrop: async ([chosen]) => {
      if (!chosen) return;
      const text = await chosen.text();
      setFile({ name: chosen.name, text });
      await lookAt(text);
    },
  });
  const accept = async () => {
    const result = await run((act) => take(file!.text, act));
    if (!result.ok) return;
    const { codes, chips, paints, changed } = result.value;
    const parts = [
      codes > 0 ? `${codes} codes` : '',
      chips > 0 ? `${chips} further chips` : '',
      paints > 0 ? `${paints} paints` : '',
      changed > 0 ? `${changed} paints changed` : '',
    ].filter(Boolean);
    tell(parts.length > 0 ? `Taken: ${parts.join(', ')}` : 'Everything was there already');
    onDone();
  };
  return (
    <section {...getRootProps({ className: 'ledger-detail', 'aria-label': title })} style={{ marginBottom: 12 }}>
      <h2 style={{ marginTop: 0 }}>{title}</h2>
      <p className="dim">{says}</p>
      {children}
      <input {...getInputProps()} aria-label={`${title}: file`} />
      <p className="pane-actions">
        <Button variant="outlined" onClick={open}>
          {file ? 'Another file' : 'Choose a file'}
        </Button>
        {file ? (
          <Button variant="text" disabled={busy} onClick={() => lookAt(file.text)}>
            Read it again
          </Button>
        ) : null}
        <span className="dim">{file ? file.name : 'or drop it here'}</span>
      </p>
      {refused ? <p role="alert">{refused}. The file is still here: mend that, then read it again.</p> : null}
      {read ? (
        <>
          <p>
            <strong>Understood:</strong> {read.understood.join('; ')}.
          </p>
          {read.faults.length > 0 ? (
            <>
              <p>
                <strong>Not understood</strong>, and left out:
              </p>
              <ul className="faults">
                {read.faults.map(({ row, field, says: fault }, i) => (
                  <li key={i}>
                    {row > 0 ? `row ${row}` : ''}
                    {field ? `, ${field}` : ''}: {fault}
                  </li>
                ))}
              </ul>
            </>
          ) : null}
          <p className="pane-actions">
            <Button variant="contained" disabled={busy || read.rows === 0} onClick={accept}>
              Take {read.rows} {read.rows === 1 ? 'row' : 'rows'}
            </Button>
            <Button variant="text" onClick={onDone}>
              Leave it
            </Button>
          </p>
        </>
      ) : null}
    </section>
  );
}
