'use client';

import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState, type ReactNode } from 'react';
import { useDropzone } from 'react-dropzone';
import type { TableRead } from '@/actions/table-read';
import type { Stamp } from '@/core/kept/act';
import type { Reading } from '@/core/interchange/columns';
import type { Result } from '@/core/interchange/result';
import { counted } from '@/core/units/words';
import { decodeText, ENCODING_TITLES, ENCODINGS, type Encoding } from '@/core/interchange/decode';
import { CloseButton, useEscape } from '@/ui/opened';
import { useSaving } from '@/ui/saving';
import { rememberedReading, rememberReading, TableColumns } from './table-columns';

/** A file of rows on its way in: first what was understood and what was not, then all that could be read, or nothing. */
export function TableIn<T>({
  title,
  says,
  look,
  take,
  said,
  onDone,
  onClose,
  children,
}: {
  title: string;
  says: string;
  /** Null: as it is guessed. */
  look: (table: { text: string; reading: Reading | null }) => Promise<Result<TableRead>>;
  take: (table: { text: string; reading: Reading | null }, act: Stamp) => Promise<Result<T>>;
  /** What was taken, in words. */
  said: (value: T) => string;
  onDone: () => void;
  /** Where it was opened by a press. */
  onClose?: () => void;
  children?: ReactNode;
}): ReactNode {
  const { run, busy, tell } = useSaving();
  const [file, setFile] = useState<{ name: string; bytes: Uint8Array; text: string; encoding: Encoding | null } | null>(
    null,
  );
  const [read, setRead] = useState<TableRead | null>(null);
  const [refused, setRefused] = useState('');
  const [reading, setReading] = useState<Reading | null>(null);
  const [pasted, setPasted] = useState('');
  const lookAt = async (text: string, as: Reading | null = null) => {
    let result = await run(() => look({ text, reading: as }));
    // What was said of a table of the same shape holds again.
    const known = result.ok && as === null && result.value.shape ? rememberedReading(title, result.value.shape) : null;
    if (known) result = await run(() => look({ text, reading: known }));
    setReading(as ?? known);
    setRead(result.ok ? result.value : null);
    setRefused(!result.ok && 'faults' in result ? result.faults.map((fault) => fault.says).join('. ') : '');
  };
  const { getRootProps, getInputProps, open, rootRef } = useDropzone({
    multiple: false,
    noClick: true,
    onDrop: async ([chosen]) => {
      if (!chosen) return;
      await decode(chosen.name, new Uint8Array(await chosen.arrayBuffer()));
    },
  });
  useEscape(onClose ?? null, () => rootRef.current);
  /** Reads the bytes as text, in the encoding that was said or that they show, and looks at the rows. */
  async function decode(name: string, bytes: Uint8Array, asked: Encoding | null = null) {
    const found = decodeText(bytes, asked);
    setRead(null);
    if ('asks' in found) {
      setFile({ name, bytes, text: '', encoding: null });
      setRefused(found.asks);
      return;
    }
    setFile({ name, bytes, ...found });
    await lookAt(found.text);
  }
  const accept = async () => {
    const result = await run((act) => take({ text: file!.text, reading }, act));
    if (!result.ok) return;
    if (reading && read?.shape) rememberReading(title, read.shape, reading);
    tell(said(result.value), { act: 'last' });
    onDone();
  };
  return (
    <section
      {...getRootProps({ className: 'ledger-detail', 'aria-label': title, role: 'region' })}
      style={{ marginBottom: 12 }}
      {...(onClose ? { 'data-opened': '' } : {})}
    >
      {onClose ? <CloseButton label={title} onClose={onClose} /> : null}
      <h2 style={{ marginTop: 0 }}>{title}</h2>
      <p className="dim">{says}</p>
      {children}
      <input {...getInputProps()} aria-label={`${title}: file`} />
      <p className="pane-actions">
        <Button variant="outlined" onClick={open}>
          {file ? 'Another file' : 'Choose a file'}
        </Button>
        {file ? (
          <Button variant="text" disabled={busy || !file.encoding} onClick={() => lookAt(file.text, reading)}>
            Read it again
          </Button>
        ) : null}
        <span className="dim">{file ? file.name : 'or drop it here, or paste it below'}</span>
      </p>
      {file ? null : (
        <p className="table-pasted">
          <TextField
            multiline
            minRows={2}
            maxRows={8}
            fullWidth
            label="Or paste a table or a list, one in a line"
            value={pasted}
            onChange={({ target }) => setPasted(target.value)}
          />
          <Button
            variant="outlined"
            disabled={busy || pasted.trim() === ''}
            onClick={() => {
              setFile({ name: 'pasted', bytes: new Uint8Array(), text: pasted, encoding: 'utf-8' });
              void lookAt(pasted);
            }}
          >
            Look at it
          </Button>
        </p>
      )}
      {file && file.encoding !== 'utf-8' ? (
        <p>
          <label>
            {file.encoding ? 'Read as' : 'It is'}{' '}
            <select
              value={file.encoding ?? ''}
              onChange={(event) => void decode(file.name, file.bytes, event.target.value as Encoding)}
            >
              {file.encoding ? null : <option value="">choose its encoding…</option>}
              {ENCODINGS.map((encoding) => (
                <option key={encoding} value={encoding}>
                  {ENCODING_TITLES[encoding]}
                </option>
              ))}
            </select>
          </label>{' '}
          <span className="dim">{file.text.split('\n').find(hasAccents)?.trim().slice(0, 90)}</span>
        </p>
      ) : null}
      {refused ? <p role="alert">{refused}. The file is still here: mend that, then read it again.</p> : null}
      {read?.shape ? (
        <TableColumns shape={read.shape} busy={busy} onReading={(as) => void lookAt(file!.text, as)} />
      ) : null}
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
          {read.changes.length > 0 ? <Changes changes={read.changes} /> : null}
          <p className="pane-actions">
            <Button variant="contained" disabled={busy || read.rows === 0} onClick={accept}>
              Take {counted(read.rows, 'row')}
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

/** What would change of what is there, old beside new. */
function Changes({ changes }: { changes: TableRead['changes'] }): ReactNode {
  return (
    <>
      <p>
        <strong>Would change</strong> what is there:
      </p>
      <div className="scroll-x">
        <table className="plain">
          <thead>
            <tr>
              <th>Paint</th>
              <th>What</th>
              <th>Now</th>
              <th>Then</th>
            </tr>
          </thead>
          <tbody>
            {changes.map(({ label, field, before, after }) => (
              <tr key={`${label} ${field}`}>
                <th scope="row">{label}</th>
                <td>{field}</td>
                <td>{before || '–'}</td>
                <td>{after || '–'}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </>
  );
}

/** Where a wrong encoding would show. */
const hasAccents = (line: string): boolean => /[^\x00-\x7f]/.test(line);
