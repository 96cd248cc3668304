'use client';

import Button from '@mui/material/Button';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import dynamic from 'next/dynamic';
import { useSearchParams } from 'next/navigation';
import { useState, type ReactNode } from 'react';
import { StationFrame } from '@/stations/shell/station-frame';
import { useZoneChoice } from '@/stations/shell/zone-choice';
import { shortDay } from '@/ui/dates';
import { useKey } from '@/ui/keys';
import type { EvidenceFacts } from './evidence-facts';
import { Ledger } from './ledger';

const NewSource = dynamic(() => import('./new-source').then((module) => module.NewSource));
const AskForm = dynamic(() => import('./ask-form').then((module) => module.AskForm));
const QuestionDetail = dynamic(() => import('./question-detail').then((module) => module.QuestionDetail));
const SourceList = dynamic(() => import('./source-list').then((module) => module.SourceList));

type Filter = 'all' | 'open' | 'ruled';

export function EvidenceStation({ facts }: { facts: EvidenceFacts }): ReactNode {
  const wanted = useSearchParams().get('source');
  const [pane, setPane] = useState<'ledger' | 'sources'>(wanted ? 'sources' : 'ledger');
  const [filter, setFilter] = useState<Filter>('all');
  const [question, setQuestion] = useState<string | null>(null);
  const [adding, setAdding] = useState<'source' | 'question' | null>(null);
  const [source, setSource] = useState<string | null>(null);
  const { zone } = useZoneChoice();
  useKey('n', () => setAdding('source'));

  // What is open stands on top: it is what there is to do.
  const shown = facts.questions
    .filter((q) => (!zone || q.zone === zone) && (filter === 'all' || q.open === (filter === 'open')))
    .sort((a, b) => Number(b.open) - Number(a.open));
  const chosen = facts.questions.find((q) => q.id === question) ?? null;
  const openSource = source ?? wanted;
  return (
    <StationFrame
      station="evidence"
      now={whatMatters(facts)}
      actions={
        <>
          <Button variant="contained" onClick={() => setAdding(adding === 'source' ? null : 'source')}>
            New source (n)
          </Button>
          <Button
            variant="outlined"
            onClick={() => setAdding(adding === 'question' ? null : 'question')}
            disabled={facts.sources.length === 0 && facts.questions.length > 200}
          >
            Ask a question
          </Button>
        </>
      }
    >
      {adding === 'source' ? <NewSource facts={facts} onClose={() => setAdding(null)} /> : null}
      {adding === 'question' ? (
        <AskForm facts={facts} zone={zone} onClose={() => setAdding(null)} onAsked={setQuestion} />
      ) : null}
      <div className="form-actions" style={{ marginBottom: 8, marginTop: 0 }}>
        <ToggleButtonGroup
          size="small"
          exclusive
          value={pane}
          onChange={(_, value) => value && setPane(value)}
          aria-label="What to show"
        >
          <ToggleButton value="ledger">Ledger</ToggleButton>
          <ToggleButton value="sources">Sources ({facts.sources.length})</ToggleButton>
        </ToggleButtonGroup>
        {pane === 'ledger' ? (
          <ToggleButtonGroup
            size="small"
            exclusive
            value={filter}
            onChange={(_, value) => value && setFilter(value)}
            aria-label="Which questions"
          >
            <ToggleButton value="all">All ({facts.questions.length})</ToggleButton>
            <ToggleButton value="open">Open ({facts.questions.filter((q) => q.open).length})</ToggleButton>
            <ToggleButton value="ruled">Ruled</ToggleButton>
          </ToggleButtonGroup>
        ) : null}
      </div>
      {pane === 'ledger' ? (
        <>
          {facts.questions.length === 0 ? (
            <div className="empty">
              <p>
                <strong>Nothing is asked yet.</strong> Add a source, say what it shows of a zone, and the question
                stands here with its support. A first one could be “Fin, colour”.
              </p>
            </div>
          ) : (
            <Ledger
              facts={facts}
              questions={shown}
              chosen={question}
              onChoose={(id) => setQuestion(id === question ? null : id)}
              onSource={(id) => {
                setSource(id);
                setPane('sources');
              }}
            />
          )}
          {chosen ? (
            <QuestionDetail key={chosen.id} facts={facts} question={chosen} onClose={() => setQuestion(null)} />
          ) : (
            <ChaseFirst facts={facts} onChoose={setQuestion} />
          )}
        </>
      ) : (
        <SourceList facts={facts} open={openSource} onOpen={(id) => setSource(id)} />
      )}
    </StationFrame>
  );
}

/** One line: which gate is threatened by how many open questions, and when. */
function whatMatters(facts: EvidenceFacts): string {
  const threatened = facts.gates.find((gate) => gate.open > 0 && !gate.passed);
  const passed = facts.gates.find((gate) => gate.open > 0 && gate.passed);
  if (passed) return `${count(passed.open)} still open although ${passed.title.toLowerCase()} is behind you.`;
  if (!threatened)
    return facts.questions.length === 0
      ? 'Add the sources you have; then ask what they say.'
      : 'Every question is ruled.';
  const when = threatened.start ? ` on ${shortDay(threatened.start)}` : '';
  return `${count(threatened.open)} in the way of “${threatened.title.toLowerCase()}”${when}.`;
}

const count = (n: number) => (n === 1 ? 'One question stands' : `${n} questions stand`);

function ChaseFirst({ facts, onChoose }: { facts: EvidenceFacts; onChoose: (id: string) => void }): ReactNode {
  if (facts.chase.length === 0) return null;
  const byId = new Map(facts.questions.map((q) => [q.id, q]));
  return (
    <section className="bar-line" aria-label="Chase first">
      <h2 style={{ marginTop: 0 }}>Chase first</h2>
      <ol>
        {facts.chase.slice(0, 6).map(({ questionId, gate, start }) => {
          const q = byId.get(questionId)!;
          return (
            <li key={questionId}>
              <button type="button" className="row-button" onClick={() => onChoose(questionId)}>
                {q.zoneTitle}, {q.aspectTitle.toLowerCase()}
              </button>{' '}
              by <strong>{start ? shortDay(start) : 'no date yet'}</strong>: {gate.toLowerCase()}.{' '}
              <span className="dim">{q.reopened ? 'The support has moved since it was ruled.' : q.state}</span>
            </li>
          );
        })}
      </ol>
    </section>
  );
}
