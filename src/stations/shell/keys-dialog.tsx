'use client';

import Dialog from '@mui/material/Dialog';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import TextField from '@mui/material/TextField';
import { useState, type ReactNode } from 'react';
import { KEY_MAP } from '@/ui/keys';
import { GLOSSARY } from './glossary';
import './keys-dialog.css';

/** Every shortcut of the application, and every word that it does not explain where it stands. */
export function KeysDialog({ onClose }: { onClose: () => void }): ReactNode {
  const [sought, setSought] = useState('');
  const holds = (pair: readonly [string, string]) => pair.join(' ').toLowerCase().includes(sought.trim().toLowerCase());
  const [keys, words] = [KEY_MAP.filter(holds), GLOSSARY.filter(holds)];
  return (
    <Dialog open onClose={onClose} maxWidth="lg" aria-labelledby="keys-title">
      <DialogTitle id="keys-title">Keys and words</DialogTitle>
      <DialogContent>
        <TextField
          size="small"
          label="Look for"
          value={sought}
          autoFocus
          onChange={(event) => setSought(event.target.value)}
          sx={{ my: 1 }}
        />
        <div className="keys-and-words">
          {keys.length > 0 ? <Pairs title="Keys" pairs={keys} /> : null}
          {words.length > 0 ? <Pairs title="Words" pairs={words} wide /> : null}
        </div>
        {keys.length + words.length === 0 ? <p role="status">Neither a key nor a word is called so.</p> : null}
      </DialogContent>
    </Dialog>
  );
}

function Pairs({
  title,
  pairs,
  wide = false,
}: {
  title: string;
  pairs: readonly (readonly [string, string])[];
  wide?: boolean;
}): ReactNode {
  return (
    <section>
      <h3>{title}</h3>
      <dl className={wide ? 'key-map words' : 'key-map'}>
        {pairs.map(([name, says]) => (
          <div key={name}>
            <dt>{name}</dt>
            <dd>{says}</dd>
          </div>
        ))}
      </dl>
    </section>
  );
}
