import { History, Redo2, Undo2 } from 'lucide-react';
import dynamic from 'next/dynamic';
import { useContext, useEffect, useState, type ReactNode } from 'react';
import type { UndoState } from '@/core/kept/undo-answer';
import { useKey } from '@/ui/keys';
import { useSaving } from '@/ui/saving';
import { useFetched } from '@/ui/use-fetched';
import { useTakingBack } from './taking-back';
import { undoAddress } from './undo-address';
import { PageRevisionContext } from './use-current-page';
import './head.css';

const ActsDialog = dynamic(() => import('./acts-dialog').then((module) => module.ActsDialog));

/** Takes back and does again, by name, from the head; and the list of what was done. */
export function UndoButtons({ briefId }: { briefId: string }): ReactNode {
  const [listing, setListing] = useState(false);
  const state = useFetched<UndoState>(undoAddress(briefId, useContext(PageRevisionContext)));
  const { takenBackBy } = useSaving();
  const { takeBack, doAgain } = useTakingBack(briefId);
  useEffect(() => takenBackBy((act) => void takeBack(act)), [takenBackBy, takeBack]);
  useKey('u', () => void takeBack());
  useKey('U', () => void doAgain());
  useKey('h', () => setListing(true));
  // Where nothing is known yet a press asks the server all the same.
  const back = state ? (state.back ? `Take back: ${state.back}` : 'Nothing to take back') : 'Take back';
  const again = state ? (state.again ? `Do again: ${state.again}` : 'Nothing to do again') : 'Do again';
  return (
    <span className="head-undo">
      <button
        type="button"
        className="head-help"
        onClick={() => void takeBack()}
        aria-label={back}
        title={`${back} (u)`}
      >
        <Undo2 size={20} className={state && !state.back ? 'nothing' : undefined} />
      </button>
      <button
        type="button"
        className="head-help"
        onClick={() => void doAgain()}
        aria-label={again}
        title={`${again} (Shift u)`}
      >
        <Redo2 size={20} className={state && !state.again ? 'nothing' : undefined} />
      </button>
      <button
        type="button"
        className="head-help head-history"
        onClick={() => setListing(true)}
        aria-label="The last acts"
        title="What was done (h)"
      >
        <History size={20} />
      </button>
      {listing ? <ActsDialog briefId={briefId} onClose={() => setListing(false)} /> : null}
    </span>
  );
}
