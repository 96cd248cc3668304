import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useRouter } from 'next/navigation';
import { useState, type ReactNode } from 'react';
import { copyBrief, removeBrief, restoreBrief } from '@/actions/briefs';
import { save } from '@/actions/records';
import { briefTitle, type BriefSummary } from '@/core/kept/state';
import { fullDay } from '@/ui/dates';
import { useSaving } from '@/ui/saving';
import './start.css';

/** A brief of the list with all that is open in it: questions, and zones that nobody asked about. */
export type ListedBrief = BriefSummary & { open: number };

/** What can be done with a brief as a whole: renamed, copied, removed. */
export function BriefKeeping({ brief, onName }: { brief: ListedBrief; onName: () => void }): ReactNode {
  const { run, tell, busy } = useSaving();
  const router = useRouter();
  const title = briefTitle(brief.title, brief.airframe);
  const copy = async () => {
    const result = await run((act) => copyBrief({ briefId: brief.id, act }));
    if (!result.ok) return;
    tell(`${title} copied`);
    router.refresh();
  };
  const putBack = async () => {
    const result = await run(() => restoreBrief({ briefId: brief.id }), `${title} is back`);
    if (result.ok) router.refresh();
  };
  const remove = async () => {
    const result = await run(() => removeBrief({ briefId: brief.id }));
    if (!result.ok) return;
    tell(`${title} removed; it can be put back until ${fullDay(result.value)}`, {
      label: 'Put back',
      press: () => void putBack(),
    });
    router.refresh();
  };
  return (
    <>
      <button type="button" className="row-button" aria-label={`rename ${title}`} onClick={onName}>
        rename
      </button>{' '}
      <button
        type="button"
        className="row-button"
        disabled={busy}
        aria-label={`copy ${title}`}
        onClick={() => void copy()}
      >
        copy
      </button>{' '}
      <button
        type="button"
        className="row-button"
        disabled={busy}
        aria-label={`remove ${title}`}
        onClick={() => void remove()}
      >
        remove
      </button>
    </>
  );
}

/** The name of a brief, where it stands in the list. Empty: it is called by its machine again. */
export function BriefName({ brief, onDone }: { brief: ListedBrief; onDone: () => void }): ReactNode {
  const { run, busy } = useSaving();
  const router = useRouter();
  const [title, setTitle] = useState(brief.title);
  const keep = async () => {
    const { id, version } = brief;
    const result = await run(
      (act) => save({ act, briefId: id, station: 'kit', entity: 'brief', id, version, fields: { title } }),
      'Name saved',
    );
    if (!result.ok) return;
    onDone();
    router.refresh();
  };
  return (
    <form
      className="brief-name"
      onSubmit={(event) => {
        event.preventDefault();
        void keep();
      }}
      onKeyDown={(event) => event.key === 'Escape' && onDone()}
    >
      <TextField
        autoFocus
        label="Name of the brief"
        placeholder={briefTitle('', brief.airframe)}
        value={title}
        onChange={({ target }) => setTitle(target.value)}
        slotProps={{ inputLabel: { shrink: true } }}
      />
      <Button type="submit" variant="contained" disabled={busy}>
        Save
      </Button>
      <Button onClick={onDone}>Close</Button>
    </form>
  );
}
