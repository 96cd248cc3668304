'use client';

import Button from '@mui/material/Button';
import { useRouter } from 'next/navigation';
import { useState, type ReactNode } from 'react';
import { loadDemoFirstEvening, loadWholeDemo } from '@/actions/demo';
import type { Result } from '@/core/interchange/result';

/** The demo, half built or as it was on the first evening: where a newcomer can look round. */
export function DemoStarts({ empty }: { empty: boolean }): ReactNode {
  const router = useRouter();
  const [busy, setBusy] = useState(false);
  const [refused, setRefused] = useState('');
  const load = async (start: () => Promise<Result<string>>, station: string) => {
    setBusy(true);
    const result = await start().catch((): Result<string> => ({
      ok: false,
      faults: [{ field: '', says: 'The server cannot be reached; nothing was loaded.' }],
    }));
    if (result.ok) router.push(`/briefs/${result.value}/${station}`);
    else setRefused('faults' in result ? result.faults.map(({ says }) => says).join('. ') : '');
    setBusy(false);
  };
  return (
    <>
      {empty ? (
        <Button variant="outlined" disabled={busy} onClick={() => void load(loadWholeDemo, 'evidence')}>
          {busy ? 'Loading…' : 'Look at the demo, half built'}
        </Button>
      ) : null}
      <Button variant="outlined" disabled={busy} onClick={() => void load(loadDemoFirstEvening, 'kit')}>
        The demo’s machine on its first evening
      </Button>
      {refused ? <p role="alert">{refused}</p> : null}
    </>
  );
}
