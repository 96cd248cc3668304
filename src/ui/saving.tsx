'use client';

import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import Snackbar from '@mui/material/Snackbar';
import { X } from 'lucide-react';
import { createContext, useCallback, useContext, useMemo, useRef, useState, type ReactNode } from 'react';
import type { Stamp } from '@/core/kept/act';
import type { Result } from '@/core/interchange/result';
import type { Turn } from '@/core/kept/turn';
import { TurnList } from './turn-list';

type Conflict = Extract<Result, { conflict: unknown }>['conflict'];

interface Saving {
  busy: boolean;
  /**
   * Runs an act when those before it were answered, and tells the reader how it went. It ends when the page is as it then is. An act
   * whose answer was lost on the way is sent again under its own name, so that it is done once.
   */
  run: <T>(work: (act: Stamp) => Promise<Result<T>>, done?: string) => Promise<Result<T>>;
  /** Says something. Where it says how an act went, the act can be taken back from the message: the last one that was run, or the one named. */
  tell: (says: string, about?: { act: 'last' | string; turned?: readonly Turn[] } | Offer) => void;
  /**
   * The version of a record that an act here left, where that is newer than the one that the page shows: what is done before the page has
   * come is done on what was answered.
   */
  versionOf: (id: string, shown: number) => number;
  /** Who takes an act back, by its identity, from the message that it was done. */
  takenBackBy: (takeBack: (act: string) => void) => void;
}

/** What a message offers to do. */
export interface Offer {
  label: string;
  press: () => void;
}

const AWAY = {
  ok: false as const,
  faults: [{ field: '', says: 'The server cannot be reached. What you typed is still here: try again in a moment.' }],
};

const nothingMore = (): Promise<void> => Promise.resolve();

/** Who does something now, with a name of its own. */
export const stampNow = (): Stamp => ({
  id: crypto.randomUUID(),
  by: 'builder',
  at: new Date().toISOString(),
  seen: null,
});

const Context = createContext<Saving | null>(null);

export function useSaving(): Saving {
  const saving = useContext(Context);
  if (!saving) throw new Error('useSaving needs a SavingProvider above it');
  return saving;
}

/** Says what was saved, what was refused, and when the server could not be reached; nothing typed is lost by any of it. */
export function SavingProvider({
  after = nothingMore,
  children,
}: {
  /** What follows an act before whoever did it goes on: the page as it then is. */
  after?: () => Promise<void>;
  children: ReactNode;
}): ReactNode {
  /** Acts that are under way. */
  const [underWay, setUnderWay] = useState(0);
  const [said, setSaid] = useState<Said | null>(null);
  const say = useCallback(
    (text: string, { bad = false, offer = null, turned = [] }: Partial<Said> = {}) =>
      setSaid((last) => ({ text, bad, offer, turned, number: (last?.number ?? 0) + 1 })),
    [],
  );
  const takeBack = useRef<((act: string) => void) | null>(null);
  const lastAct = useRef<string | null>(null);
  const versions = useRef(new Map<string, number>());
  const versionOf = useCallback((id: string, shown: number) => Math.max(shown, versions.current.get(id) ?? 0), []);
  const tell = useCallback<Saving['tell']>(
    (text, about) => {
      if (!about || 'label' in about) return say(text, { offer: about ?? null });
      const act = about.act === 'last' ? lastAct.current : about.act;
      const back = takeBack.current;
      const turned = about.turned ?? [];
      say(text, { offer: act && back ? { label: 'Take back', press: () => back(act) } : null, turned });
    },
    [say],
  );
  const takenBackBy = useCallback((by: (act: string) => void) => void (takeBack.current = by), []);
  const before = useRef<Promise<unknown>>(Promise.resolve());
  const run = useCallback(
    <T,>(work: (act: Stamp) => Promise<Result<T>>, done?: string): Promise<Result<T>> => {
      const act = stampNow();
      const inTurn = async (): Promise<Result<T>> => {
        setUnderWay((count) => count + 1);
        const result = await patiently(() => work(act)).catch((): Result<T> => AWAY);
        if (result.ok) {
          lastAct.current = act.id;
          for (const { id, row } of result.rows ?? []) if (row) versions.current.set(id, row.version);
        }
        return result;
      };
      const sent = before.current.then(inTurn);
      // The act after it need not wait for the page; whoever did this one is told with what came of it.
      before.current = sent;
      return sent
        .then(async (result) => {
          if (result.ok || 'conflict' in result) await after();
          if (result.ok) {
            const turned = result.turned ?? [];
            if (done || turned.length > 0) tell(done ?? 'Done', { act: act.id, turned });
          } else if ('faults' in result) say(result.faults.map((fault) => fault.says).join('. '), { bad: true });
          else say(conflictInWords(result.conflict), { bad: true });
          return result;
        })
        .finally(() => setUnderWay((count) => count - 1));
    },
    [say, tell, after],
  );
  const busy = underWay > 0;
  const saving = useMemo<Saving>(
    () => ({ busy, run, tell, versionOf, takenBackBy }),
    [busy, run, tell, versionOf, takenBackBy],
  );
  return (
    <Context.Provider value={saving}>
      {children}
      <Snackbar
        key={said?.number}
        open={said !== null}
        autoHideDuration={said && staysFor(said)}
        onClose={(_, reason) => reason !== 'clickaway' && setSaid(null)}
        anchorOrigin={{ vertical: 'bottom', horizontal: 'left' }}
        // What lies under a message is pressed through it, but for its own buttons; a long one is held by the pointer that reads it.
        sx={said && said.turned.length === 0 ? { pointerEvents: 'none', '& button': { pointerEvents: 'auto' } } : {}}
      >
        <Alert
          severity={said?.bad ? 'error' : 'info'}
          variant="filled"
          onClose={() => setSaid(null)}
          action={said?.offer ? <OfferOf offer={said.offer} onDone={() => setSaid(null)} /> : undefined}
          role={said?.bad ? 'alert' : 'status'}
          sx={{ '&.MuiAlert-filledInfo': { bgcolor: '#1c1c1c' } }}
        >
          {said?.text}
          {said && said.turned.length > 0 ? <TurnList turns={said.turned} /> : null}
        </Alert>
      </Snackbar>
    </Context.Provider>
  );
}

/** A message: each has a number of its own, so that one after another stands its whole time. */
interface Said {
  text: string;
  bad: boolean;
  offer: Offer | null;
  /** What the act turned beside. */
  turned: readonly Turn[];
  number: number;
}

/** How long a message stands, ms; what an act turned stands until it is closed. */
const staysFor = ({ bad, offer, turned }: Said): number | null =>
  turned.length > 0 ? null : bad ? 9000 : offer ? 6000 : 3500;

function OfferOf({ offer, onDone }: { offer: Offer; onDone: () => void }): ReactNode {
  return (
    <>
      <Button
        color="inherit"
        size="small"
        onClick={() => {
          onDone();
          offer.press();
        }}
      >
        {offer.label}
      </Button>
      <IconButton aria-label="Close" color="inherit" size="small" onClick={onDone}>
        <X size={18} />
      </IconButton>
    </>
  );
}

/** Waits before an act is sent again, ms. */
const PATIENCE = [300, 1200];

async function patiently<T>(send: () => Promise<T>): Promise<T> {
  for (const wait of PATIENCE) {
    try {
      return await send();
    } catch {
      await new Promise((resolve) => setTimeout(resolve, wait));
    }
  }
  return send();
}

const conflictInWords = (conflict: Conflict) =>
  conflict.theirs ? 'Changed elsewhere since you opened it: both values are shown.' : 'It was removed elsewhere.';

interface BothProps {
  mine: Record<string, unknown>;
  theirs: Record<string, unknown> | null;
  labels: Record<string, string>;
  onTakeTheirs: () => void;
  onKeepMine: () => void;
}

/** "Changed elsewhere": both values side by side, for each field that differs, and the choice between them. */
export function ChangedElsewhereNotice({ mine, theirs, labels, onTakeTheirs, onKeepMine }: BothProps): ReactNode {
  if (!theirs)
    return (
      <p className="changed-elsewhere" role="alert">
        <strong>Removed elsewhere.</strong> What you typed is still in the form; copy it if you need it.
      </p>
    );
  const differing = Object.keys(labels).filter(
    (field) => JSON.stringify(mine[field]) !== JSON.stringify(theirs[field]),
  );
  const show = (value: unknown) =>
    value === null || value === '' || value === undefined
      ? '–'
      : typeof value === 'object'
        ? JSON.stringify(value)
        : String(value);
  return (
    <div className="changed-elsewhere" role="alert">
      <strong>Changed elsewhere</strong> while you were editing.
      <table>
        <thead>
          <tr>
            <th>Field</th>
            <th>There now</th>
            <th>Yours</th>
          </tr>
        </thead>
        <tbody>
          {differing.map((field) => (
            <tr key={field}>
              <th scope="row">{labels[field]}</th>
              <td>{show(theirs[field])}</td>
              <td>{show(mine[field])}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <Button variant="outlined" onClick={onTakeTheirs}>
        Take what is there now
      </Button>{' '}
      <Button variant="contained" onClick={onKeepMine}>
        Save mine over it
      </Button>
    </div>
  );
}
