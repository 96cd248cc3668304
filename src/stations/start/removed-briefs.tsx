'use client';

import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState, type ReactNode } from 'react';
import { deleteBrief, restoreBrief } from '@/actions/briefs';
import { briefTitle, typeOf, type BriefSummary } from '@/core/kept/state';
import { counted } from '@/core/units/words';
import { fullDay } from '@/ui/dates';
import { SavingProvider, useSaving } from '@/ui/saving';
import './start.css';

/** A brief on the shelf of removed ones: since when, until when, and what would be lost with it. */
export interface ShelvedBrief extends Pick<BriefSummary, 'id' | 'title' | 'airframe'> {
  removedOn: string;
  until: string;
  sources: number;
  logged: number;
}

/** Briefs that were removed: each is put back whole, or deleted for good. */
export function RemovedBriefs(props: { briefs: ShelvedBrief[] }): ReactNode {
  return (
    <SavingProvider>
      <Shelf {...props} />
    </SavingProvider>
  );
}

function Shelf({ briefs }: { briefs: ShelvedBrief[] }): ReactNode {
  const { run, busy } = useSaving();
  const router = useRouter();
  const [deleting, setDeleting] = useState<ShelvedBrief | null>(null);
  const after = async (work: Promise<{ ok: boolean }>) => {
    const { ok } = await work;
    setDeleting(null);
    if (ok) router.refresh();
  };
  return (
    <main className="home">
      <h1>What was removed?</h1>
      <p className="station-now">
        {briefs.length === 0
          ? 'Nothing lies here.'
          : 'A removed brief lies here for 30 days with all that belongs to it; then it is deleted for good.'}
      </p>
      {briefs.length > 0 ? (
        <div className="scroll-x">
          <table className="plain">
            <thead>
              <tr>
                <th>Brief</th>
                <th>Type</th>
                <th className="num">Sources</th>
                <th className="num">Logged</th>
                <th>Removed</th>
                <th>Kept until</th>
                <th>
                  <span className="visually-hidden">What can be done with it</span>
                </th>
              </tr>
            </thead>
            <tbody>
              {briefs.map((brief) => {
                const title = briefTitle(brief.title, brief.airframe);
                return (
                  <tr key={brief.id}>
                    <th scope="row" className="code">
                      {title}
                    </th>
                    <td>{typeOf(brief.airframe)}</td>
                    <td className="num">{brief.sources}</td>
                    <td className="num">{brief.logged}</td>
                    <td>{fullDay(brief.removedOn)}</td>
                    <td>{fullDay(brief.until)}</td>
                    <td className="row-actions">
                      <button
                        type="button"
                        className="row-button"
                        disabled={busy}
                        aria-label={`put back ${title}`}
                        onClick={() => void after(run(() => restoreBrief({ briefId: brief.id }), `${title} is back`))}
                      >
                        put back
                      </button>{' '}
                      <button
                        type="button"
                        className="row-button danger"
                        aria-label={`delete ${title} for good`}
                        onClick={() => setDeleting(brief)}
                      >
                        delete for good
                      </button>
                    </td>
                  </tr>
                );
              })}
            </tbody>
          </table>
        </div>
      ) : null}
      <p>
        <Link href="/">All briefs</Link>
      </p>
      {deleting ? (
        <Dialog open onClose={() => setDeleting(null)} aria-labelledby="delete-title">
          <DialogTitle id="delete-title">Delete {briefTitle(deleting.title, deleting.airframe)} for good?</DialogTitle>
          <DialogContent>
            <p>
              {counted(deleting.sources, 'source')} with their pictures, {counted(deleting.logged, 'entry')} of the log,
              and all that was decided are gone then; nothing brings them back. A copy as a file is at{' '}
              <a href={`/briefs/${deleting.id}/brief.zip`}>brief.zip</a>.
            </p>
          </DialogContent>
          <DialogActions>
            <Button onClick={() => setDeleting(null)}>Keep it here</Button>
            <Button
              color="error"
              variant="contained"
              disabled={busy}
              onClick={() => void after(run(() => deleteBrief({ briefId: deleting.id }), 'Deleted for good'))}
            >
              Delete for good
            </Button>
          </DialogActions>
        </Dialog>
      ) : null}
    </main>
  );
}
