'use client';

import dynamic from 'next/dynamic';
import { questionInWords, ruledAgainst } from '@/core/evidence/question-words';
import { useState, type ReactNode } from 'react';
import { durationInWords } from '@/core/units/minutes';
import { listed, plural } from '@/core/units/words';
import { shortDay, windowInWords } from '@/ui/dates';
import { Explained } from '@/ui/explained';
import type { ChaseRow, EvidencePage } from './page-data';
import './evidence.css';

const PictureWanted = dynamic(() => import('./picture/picture-wanted').then((module) => module.PictureWanted));

const SHOWN = 5;

/** What to chase first: chance to flip x hours to redo x urgency, with the sources that would settle it. */
export function ChaseFirst({
  data,
  onChoose,
  onSource,
}: {
  data: EvidencePage;
  onChoose: (question: string) => void;
  onSource: (source: string) => void;
}): ReactNode {
  const [all, setAll] = useState(false);
  const [isWanted, setWanted] = useState(false);
  if (data.chase.length === 0) return null;
  const byId = new Map(data.questions.map((q) => [q.id, q]));
  return (
    <section className="bar-line chase" aria-label="Chase first">
      <h2 style={{ marginTop: 0 }}>Chase first</h2>
      <ol>
        {(all ? data.chase : data.chase.slice(0, SHOWN)).map((item) => {
          const q = byId.get(item.questionId)!;
          return (
            <li key={item.questionId}>
              <button type="button" className="row-button" onClick={() => onChoose(item.questionId)}>
                {questionInWords(q)}
              </button>{' '}
              {whenInWords(item)}.{' '}
              <Explained says={`${item.redoFrom} First come, by ${scoreInWords(item)}.`}>
                {durationInWords(item.redoMinutes)} to redo if wrong
              </Explained>
              <div className="dim">
                {q.reopened ? 'The support has moved since it was ruled. ' : q.open ? '' : ruledAgainst(item.chance)}
                <Settle data={data} item={item} zone={q.zoneTitle} onSource={onSource} />
              </div>
            </li>
          );
        })}
      </ol>
      {isWanted ? (
        <PictureWanted data={data} onSource={onSource} />
      ) : (
        <button type="button" className="row-button" onClick={() => setWanted(true)}>
          Which picture would settle most?
        </button>
      )}
      {data.chase.length > SHOWN ? (
        <button type="button" className="row-button" onClick={() => setAll(!all)}>
          {all ? 'Only the first' : `All ${data.chase.length}`}
        </button>
      ) : null}
    </section>
  );
}

/** By when, and before what. */
function whenInWords({ due }: ChaseRow): ReactNode {
  if (due.tooLate) return <>is open, though what it decides is done</>;
  if (!due.step) return <>whenever you like: no step waits for it</>;
  const before = `before “${due.step.title.toLowerCase()}”`;
  return due.by ? (
    <>
      by <strong>{shortDay(due.by)}</strong>, {before}
    </>
  ) : (
    before
  );
}

/** What would settle it: a second look at sources in hand, or what to look for. */
export function Settle({
  data,
  item,
  zone,
  onSource,
}: {
  data: EvidencePage;
  item: ChaseRow;
  zone: string;
  onSource: (source: string) => void;
}): ReactNode {
  const titles = new Map(data.sources.map((source) => [source.id, source.title]));
  const { views, window, photographs } = item.find;
  const day = window.from || window.to ? ` of ${windowInWords(window.from, window.to)}` : '';
  const settled = data.questions.find(({ id }) => id === item.questionId)?.state === 'settled';
  const number =
    photographs === null
      ? 'More than three pictures'
      : photographs === 1
        ? 'One clear picture'
        : `${photographs} clear pictures`;
  const would = settled ? 'would settle it the other way' : 'would settle it';
  const what =
    views.length === 0
      ? `A page of the handbook or a look inside the ${zone.toLowerCase()} would help; ${number.toLowerCase()}${day} ${would}.`
      : `${number} from ${listed(views, 'or')}${day} ${would}.`;
  return (
    <>
      {item.lookAt.length > 0 ? (
        <>
          Look again at{' '}
          {item.lookAt.slice(0, 3).map((id, i) => (
            <span key={id}>
              {i === 0 ? '' : i === Math.min(3, item.lookAt.length) - 1 ? ' and ' : ', '}
              <button type="button" className="row-button inline" onClick={() => onSource(id)}>
                {titles.get(id)}
              </button>
            </span>
          ))}
          : {plural('it', item.lookAt.slice(0, 3).length)} {plural('shows', item.lookAt.slice(0, 3).length)} this side
          and {plural('says', item.lookAt.slice(0, 3).length)} nothing yet.{' '}
        </>
      ) : null}
      {what}
    </>
  );
}

const scoreInWords = ({ chance, redoMinutes, daysLeft, score }: ChaseRow) =>
  `chance to flip ${chance.toFixed(2)} × ${(redoMinutes / 60).toFixed(1)} h to redo ÷ ${daysLeft === null ? '60 days (no date)' : `${Math.max(0.5, daysLeft)} days left`} = ${score.toFixed(3)}`;
