'use client';

import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState, type ReactNode } from 'react';
import { keepAsTechnique } from '@/actions/techniques';
import { counted } from '@/core/units/words';
import { useSaving } from '@/ui/saving';
import type { MadeRow } from './page-data';

/** Keeps the layers of a zone, as they were laid, as a technique that other builds can use. */
export function KeepAsTechnique({
  briefId,
  layers,
  where,
}: {
  briefId: string;
  layers: readonly MadeRow[];
  where: string;
}): ReactNode {
  const { run, busy } = useSaving();
  const laid = layers.filter((layer) => layer.laid && !layer.lostTo);
  const [from, setFrom] = useState(0);
  const [title, setTitle] = useState('');
  if (laid.length === 0) return null;
  const taken = laid.slice(from);
  const keep = () =>
    run(
      (act) => keepAsTechnique({ act, briefId, title, where, steps: taken.map(({ step }) => step) }),
      `“${title}” is kept: it stands at the Bench under Techniques, for every build`,
    );
  return (
    <form
      className="pane-actions bar-line"
      onSubmit={(event) => {
        event.preventDefault();
        void keep().then((result) => result.ok && setTitle(''));
      }}
    >
      <label>
        Keep as a technique, from{' '}
        <select value={from} onChange={(event) => setFrom(Number(event.target.value))}>
          {laid.map((layer, i) => (
            <option key={`${layer.step} ${i}`} value={i}>
              {layer.title}
            </option>
          ))}
        </select>{' '}
        up ({counted(taken.length, 'layer')}):
      </label>
      <TextField
        size="small"
        label="Its name"
        value={title}
        onChange={(event) => setTitle(event.target.value)}
        placeholder="Burnt exhaust"
      />
      <Button type="submit" variant="outlined" disabled={busy || title.trim() === ''}>
        Keep it
      </Button>
    </form>
  );
}
