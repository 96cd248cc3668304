'use client';

import type { ReactNode } from 'react';
import { CertaintyMark } from '@/sheet/airframe-sheet';
import { windowInWords } from '@/ui/dates';
import type { EvidenceFacts, QuestionFacts } from './evidence-facts';

interface Props {
  facts: EvidenceFacts;
  questions: readonly QuestionFacts[];
  chosen: string | null;
  onChoose: (question: string) => void;
  onSource: (source: string) => void;
}

/** Questions down, sources across in the order of their dates, the target window as a band; the ruling stands at the row's end. */
export function Ledger({ facts, questions, chosen, onChoose, onSource }: Props): ReactNode {
  return (
    <div className="ledger-scroll" role="region" aria-label="Evidence ledger" tabIndex={0}>
      <table className="ledger">
        <thead>
          <tr>
            <th scope="col" className="zone-cell">
              Zone, aspect
            </th>
            {facts.sources.map((source) => (
              <th scope="col" key={source.id} className={source.inWindow ? 'in-window' : undefined}>
                <button
                  type="button"
                  onClick={() => onSource(source.id)}
                  title={`${source.kindTitle}, ${windowInWords(source.dateFrom, source.dateTo)}`}
                >
                  {source.title}
                </button>
                <small>{yearOf(source.dateFrom ?? source.dateTo)}</small>
              </th>
            ))}
            <th scope="col" className="end-cell end-ruling">
              Ruling
            </th>
            <th scope="col" className="end-cell end-support">
              Support
            </th>
          </tr>
        </thead>
        <tbody>
          {questions.map((question) => (
            <tr key={question.id} className={chosen === question.id ? 'chosen' : undefined}>
              <th scope="row" className="zone-cell">
                <span className="zone-line">
                  <CertaintyMark state={question.open ? question.state : 'ruled'} />
                  <span className="visually-hidden">{question.open ? question.state : 'ruled'}: </span>
                  <button
                    type="button"
                    className="row-button"
                    aria-expanded={chosen === question.id}
                    onClick={() => onChoose(question.id)}
                    title={`${question.zoneTitle}, ${question.aspectTitle.toLowerCase()}`}
                  >
                    {question.zoneTitle} <span className="dim">{question.aspectTitle.toLowerCase()}</span>
                  </button>
                </span>
              </th>
              {facts.sources.map((source) => (
                <SightingCell key={source.id} question={question} source={source} />
              ))}
              <td className="end-cell end-ruling" title={question.ruling?.reason}>
                {question.ruling ? (
                  <strong className="code">
                    {question.ruling.value}
                    {question.reopened ? ' ?' : ''}
                  </strong>
                ) : question.best ? (
                  <span className="dim">{question.best} ?</span>
                ) : (
                  '–'
                )}
              </td>
              <td className="end-cell end-support">{supportOf(question)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

function SightingCell({
  question,
  source,
}: {
  question: QuestionFacts;
  source: EvidenceFacts['sources'][number];
}): ReactNode {
  const here = question.sightings.filter((sighting) => sighting.sourceId === source.id);
  return (
    <td className={`sighting${source.inWindow ? ' in-window' : ''}`}>
      {here.map((sighting) => (
        <span
          key={sighting.id}
          className={`${sighting.clarity} ${sighting.sense}`}
          title={`${sighting.value}, ${sighting.clarity}${sighting.sense === 'against' ? ': should show it and does not' : ''}`}
        >
          {sighting.sense === 'against' ? '≠' : shortValue(question, sighting.value)}{' '}
        </span>
      ))}
    </td>
  );
}

/** In a narrow column the number of a code is enough; of a text, whether it says what is supported best. */
function shortValue(question: QuestionFacts, value: string): string {
  const bare = value.replace(/^[A-Z]+ (?=\d+$)/, '');
  if (bare.length <= 5) return bare;
  return value === question.best ? '●' : '○';
}
const yearOf = (day: string | null) => (day ? `${day.slice(8)}.${day.slice(5, 7)}.${day.slice(2, 4)}` : '–');

export function supportOf(question: QuestionFacts): string {
  if (question.median !== null) return `± ${(question.spread ?? 0).toFixed(0)} mm`;
  return question.share === null ? '–' : question.share.toFixed(2);
}
