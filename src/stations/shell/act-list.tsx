import type { ReactNode } from 'react';
import { counted } from '@/core/units/words';
import type { ListedAct } from '@/core/kept/undo-answer';
import { clock, shortDay } from '@/ui/dates';
import { useFetched } from '@/ui/use-fetched';
import { useTakingBack } from './taking-back';
import { useRevisionInWords } from './use-current-page';
import './act-list.css';

/** The last acts at a brief, the newest first: each opens into what it changed, and is taken back where nothing was built on it. */
export function ActList({ briefId }: { briefId: string }): ReactNode {
  const acts = useFetched<ListedAct[]>(`/briefs/${briefId}/acts?of=${useRevisionInWords()}`);
  const { takeBack } = useTakingBack(briefId);
  if (!acts) return <p role="status">Looking it up…</p>;
  return (
    <ol className="act-list">
      {acts.map((act) => (
        <li key={act.id} className={act.stands ? undefined : 'taken-back'}>
          <details>
            <summary>
              <span className="dim num">
                {shortDay(act.at)} {clock(act.at)}
              </span>{' '}
              {act.title}
              {act.stands ? null : <em> (taken back)</em>}
            </summary>
            {act.changes.map(({ title, differences }) => (
              <table key={title} className="plain act-differences">
                <caption>{title}</caption>
                <thead>
                  <tr>
                    <th>Field</th>
                    <th>Before</th>
                    <th>After</th>
                  </tr>
                </thead>
                <tbody>
                  {differences.map(({ field, before, after }) => (
                    <tr key={field}>
                      <th scope="row">{field}</th>
                      <td>{before || '–'}</td>
                      <td>{after || '–'}</td>
                    </tr>
                  ))}
                </tbody>
              </table>
            ))}
            {act.more > 0 ? <p>and {counted(act.more, 'more change')}</p> : null}
          </details>
          {act.stands && !act.isFirst ? (
            <button
              type="button"
              className="row-button"
              aria-label={`take back: ${act.title}`}
              onClick={() => void takeBack(act.id)}
            >
              take back
            </button>
          ) : null}
        </li>
      ))}
    </ol>
  );
}
