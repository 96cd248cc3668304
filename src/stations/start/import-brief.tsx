'use client';

import Button from '@mui/material/Button';
import { useRouter } from 'next/navigation';
import { useRef, useState, type ReactNode } from 'react';

/** Makes a new brief of an exported file; says what is wrong with a file that is refused. */
export function ImportBrief(): ReactNode {
  const router = useRouter();
  const input = useRef<HTMLInputElement>(null);
  const [busy, setBusy] = useState(false);
  const [faults, setFaults] = useState<string[]>([]);
  const take = async (file: File) => {
    setBusy(true);
    setFaults([]);
    try {
      const response = await fetch(`/briefs/import?act=${crypto.randomUUID()}`, { method: 'POST', body: file });
      const answer = (await response.json()) as { id?: string; faults?: string[] };
      if (answer.id) router.push(`/briefs/${answer.id}/evidence`);
      else setFaults(answer.faults ?? ['refused']);
    } catch {
      setFaults(['The server cannot be reached; nothing was imported.']);
    } finally {
      setBusy(false);
    }
  };
  return (
    <>
      <input
        ref={input}
        type="file"
        accept="application/zip,.zip,application/json,.json"
        hidden
        onChange={(event) => {
          if (event.target.files?.[0]) void take(event.target.files[0]);
          event.target.value = '';
        }}
        aria-label="Brief as zip or JSON"
      />
      <Button variant="outlined" disabled={busy} onClick={() => input.current?.click()}>
        {busy ? 'Importing…' : 'Import a brief (zip or JSON)'}
      </Button>
      {faults.length > 0 ? (
        <div role="alert" className="changed-elsewhere" style={{ marginTop: 10 }}>
          <strong>Not imported; nothing was changed.</strong>
          <ul>
            {faults.map((fault) => (
              <li key={fault}>{fault}</li>
            ))}
          </ul>
        </div>
      ) : null}
    </>
  );
}
