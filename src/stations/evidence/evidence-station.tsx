'use client';

import Button from '@mui/material/Button';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import dynamic from 'next/dynamic';
import { useSearchParams } from 'next/navigation';
import { useCallback, useMemo, useState, type ReactNode } from 'react';
import { PaneTabs } from '@/stations/shell/pane-bar';
import { StationFrame } from '@/stations/shell/station-frame';
import { useZoneChoice } from '@/stations/shell/zone-choice';
import { ruleAsSettled } from '@/actions/evidence';
import { askAll } from '@/actions/kit';
import { withoutSide } from '@/core/outline/zones';
import { counted, countedInWords, lowered, plural } from '@/core/units/words';
import { shortDay } from '@/ui/dates';
import { useSaving } from '@/ui/saving';
import { usePicturesAnywhere } from './pictures-anywhere';
import { pressing } from '@/ui/due-words';
import { useKey } from '@/ui/keys';
import { ChaseFirst } from './chase-first';
import type { EvidencePage } from './page-data';
import { Ledger } from './ledger';
import type { OpenedFor } from './question-detail';
import { useCellEntries } from './use-cell-entries';
import type { Sent } from '@/stations/shell/current-page';
import { useCurrent } from '@/stations/shell/use-current';
import css from './evidence.module.css';
import './evidence.css';

const NewSources = dynamic(() => import('./new-sources').then((module) => module.NewSources));
const SayForMany = dynamic(() => import('./say-for-many').then((module) => module.SayForMany));
const AskForm = dynamic(() => import('./ask-form').then((module) => module.AskForm));
const QuestionDetail = dynamic(() => import('./question-detail').then((module) => module.QuestionDetail));
const SourceList = dynamic(() => import('./source-list').then((module) => module.SourceList));
const Timeline = dynamic(() => import('./timeline').then((module) => module.Timeline));
const DossierPane = dynamic(() => import('./dossier-pane').then((module) => module.DossierPane));

type Pane = 'ledger' | 'sources' | 'timeline' | 'dossier';
const STATES = ['open', 'ruled', 'reopened', 'settled', 'leaning', 'contested', 'unseen', 'measured'] as const;
type StateFilter = 'all' | (typeof STATES)[number];

export function EvidenceStation({ page }: { page: Sent<EvidencePage> }): ReactNode {
  const data = useCurrent(page);
  const asked = useSearchParams();
  const wanted = asked.get('source');
  const named = asked.get('question');
  const [pane, setPane] = useState<Pane>(wanted ? 'sources' : 'ledger');
  const [state, setState] = useState<StateFilter>('all');
  const [gate, setGate] = useState('all');
  const [question, setQuestion] = useState(named);
  // The address may name another question while the station is open.
  const [last, setLast] = useState(named);
  if (named !== last) {
    setLast(named);
    if (named) {
      setQuestion(named);
      setPane('ledger');
    }
  }
  const [adding, setAdding] = useState<'source' | 'question' | 'many' | null>(null);
  const [source, setSource] = useState<string | null>(null);
  const { zone } = useZoneChoice();
  useKey('n', () => setAdding('source'));
  useKey('m', () => setAdding('many'));
  const { run, tell } = useSaving();
  const [given, setGiven] = useState<File[]>([]);
  usePicturesAnywhere((files) => {
    setGiven(files);
    setAdding('source');
  }, tell);
  const close = () => {
    setGiven([]);
    setAdding(null);
  };
  const [questions, keepEntry] = useCellEntries(data);

  // What is open stands on top: it is what there is to do.
  const shown = useMemo(
    () =>
      questions
        .filter((q) => (!zone || q.zone === zone) && (gate === 'all' || q.gate === gate) && inState(q, state))
        .sort(byWhatTheyClose(data.gates)),
    [questions, zone, gate, state, data.gates],
  );
  const openSource = useCallback((id: string) => {
    setSource(id);
    setPane('sources');
  }, []);
  const [start, setStart] = useState<OpenedFor>(null);
  const choose = useCallback((id: string, opened: OpenedFor = null) => {
    setStart(opened);
    setQuestion(id);
  }, []);
  const rule = (questionIds: string[]) =>
    void run(
      (act) => ruleAsSettled({ act, briefId: data.briefId, questionIds }),
      `${counted(questionIds.length, 'question')} ruled as the sources settle ${questionIds.length === 1 ? 'it' : 'them'}`,
    );
  const settled = shown.filter((q) => q.open && q.state === 'settled').map(({ id }) => id);
  const chosen = data.questions.find((q) => q.id === question) ?? null;
  return (
    <StationFrame
      station="evidence"
      styles={css.evidence}
      now={whatMatters(data)}
      actions={
        <>
          <Button variant="contained" onClick={() => setAdding('source')}>
            New source (n)
          </Button>
          <Button variant="outlined" onClick={() => setAdding('many')}>
            Say it for many (m)
          </Button>
          <Button variant="outlined" onClick={() => setAdding('question')}>
            Ask a question
          </Button>
        </>
      }
    >
      {adding === 'source' ? (
        <NewSources
          data={data}
          given={given}
          onClose={close}
          onAdded={() => {
            close();
            focusOn('[data-question] .row-button');
          }}
        />
      ) : null}
      {adding === 'many' ? <SayForMany data={data} onClose={() => setAdding(null)} /> : null}
      {adding === 'question' ? (
        <AskForm data={data} zone={zone} onClose={() => setAdding(null)} onAsked={setQuestion} />
      ) : null}
      <div className="pane-bar">
        <PaneTabs
          panes={[
            ['ledger', 'Ledger'],
            ['sources', `Sources (${data.sources.length})`],
            ['timeline', 'Timeline'],
            ['dossier', 'Dossier'],
          ]}
          chosen={pane}
          onChoose={setPane}
        />
        {pane === 'ledger' ? (
          <LedgerFilters
            data={data}
            settled={settled}
            state={state}
            onState={setState}
            gate={gate}
            onGate={setGate}
            onRule={rule}
          />
        ) : null}
      </div>
      {pane === 'ledger' ? (
        <>
          <LeftOut hidden={data.hidden} />
          {data.questions.length === 0 ? (
            <NothingAsked data={data} />
          ) : shown.length === 0 ? (
            <p className="empty">No question here is in this state{gate === 'all' ? '' : ' at this gate'}.</p>
          ) : (
            <Ledger
              data={data}
              questions={shown}
              chosen={question}
              onChoose={choose}
              onRule={(id) => rule([id])}
              onSource={openSource}
              onEntry={keepEntry}
            />
          )}
          {chosen ? (
            <QuestionDetail
              key={`${chosen.id} ${start}`}
              data={data}
              question={chosen}
              start={start}
              onClose={() => {
                setQuestion(null);
                const next = shown.find((q) => q.open && q.id !== chosen.id) ?? chosen;
                focusOn(`[data-question="${next.id}"] .row-button`);
              }}
              onSource={openSource}
            />
          ) : (
            <ChaseFirst data={data} onChoose={setQuestion} onSource={openSource} />
          )}
        </>
      ) : null}
      {pane === 'sources' ? <SourceList data={data} open={source ?? wanted} onOpen={setSource} /> : null}
      {pane === 'timeline' ? <Timeline data={data} /> : null}
      {pane === 'dossier' ? <DossierPane data={data} /> : null}
    </StationFrame>
  );
}

/** Which questions stand in the ledger, and the press that rules all that are settled. */
function LedgerFilters({
  data,
  settled,
  state,
  onState,
  gate,
  onGate,
  onRule,
}: {
  data: EvidencePage;
  settled: readonly string[];
  state: StateFilter;
  onState: (state: StateFilter) => void;
  gate: string;
  onGate: (gate: string) => void;
  onRule: (questions: string[]) => void;
}): ReactNode {
  const { busy } = useSaving();
  const counts = useMemo(
    () =>
      new Map<StateFilter, number>(
        [...STATES].map((name) => [name, data.questions.filter((q) => inState(q, name)).length]),
      ),
    [data.questions],
  );
  return (
    <div className="filters">
      {data.questions.length > 0 && data.notAsked > 0 ? <AskThemAll data={data} /> : null}
      {settled.length > 0 ? (
        <Button variant="outlined" size="small" disabled={busy} onClick={() => onRule([...settled])}>
          Rule what is settled ({settled.length})
        </Button>
      ) : null}
      <ToggleButtonGroup
        size="small"
        exclusive
        value={state === 'open' ? 'open' : state === 'all' ? 'all' : null}
        onChange={(_, value) => value && onState(value)}
        aria-label="Which questions"
      >
        <ToggleButton value="all">All ({data.questions.length})</ToggleButton>
        <ToggleButton value="open">Open ({counts.get('open')})</ToggleButton>
      </ToggleButtonGroup>
      <select value={state} onChange={(event) => onState(event.target.value as StateFilter)} aria-label="State">
        <option value="all">any state</option>
        {STATES.map((name) => (
          <option key={name} value={name}>
            {name} ({counts.get(name)})
          </option>
        ))}
      </select>
      <select value={gate} onChange={(event) => onGate(event.target.value)} aria-label="Needed before">
        <option value="all">needed any time</option>
        {data.gates.map((item) => (
          <option key={item.name} value={item.name}>
            {item.title.toLowerCase()}
          </option>
        ))}
      </select>
    </div>
  );
}

/** Questions that nobody will see the answer of. */
function LeftOut({ hidden }: Pick<EvidencePage, 'hidden'>): ReactNode {
  return hidden.count > 0 ? (
    <p className="dim">
      {counted(hidden.count, 'question')} left out: {hidden.because.join('; ')}.
    </p>
  ) : null;
}

function NothingAsked({ data }: { data: EvidencePage }): ReactNode {
  return (
    <div className="empty">
      <p>
        <strong>Nothing is asked yet.</strong> This build raises {counted(data.notAsked, 'question')}: the colour of
        each zone that is seen, its markings, edges, seams and wear.
      </p>
      <AskThemAll data={data} />
    </div>
  );
}

/** Asks what this build raises and nobody asked. */
function AskThemAll({ data }: { data: EvidencePage }): ReactNode {
  const { run, busy } = useSaving();
  return (
    <Button
      variant={data.questions.length === 0 ? 'contained' : 'outlined'}
      size="small"
      disabled={busy}
      title={`This build raises ${counted(data.notAsked, 'question')} that nobody asked yet`}
      onClick={() => void run((act) => askAll({ act, briefId: data.briefId }), 'Asked')}
    >
      Ask {data.questions.length === 0 ? 'them' : `${data.notAsked} more`}
    </Button>
  );
}

/** What is open stands on top: by what closes over it, both sides of a zone next to one another. */
function byWhatTheyClose(gates: EvidencePage['gates']) {
  const place = new Map(gates.map(({ name }, i) => [name, i]));
  const key = ({ zone, aspect, item }: EvidencePage['questions'][number]) =>
    `${withoutSide(zone) ?? zone} ${aspect === 'colour' ? '' : aspect} ${item} ${zone}`;
  type Asked = EvidencePage['questions'][number];
  return (a: Asked, b: Asked) =>
    Number(b.open) - Number(a.open) ||
    (a.open ? (place.get(a.gate) ?? 9) - (place.get(b.gate) ?? 9) || key(a).localeCompare(key(b)) : 0);
}

function inState(q: EvidencePage['questions'][number], state: StateFilter): boolean {
  switch (state) {
    case 'all':
      return true;
    case 'open':
      return q.open;
    case 'ruled':
      return q.ruling !== null && !q.reopened;
    case 'reopened':
      return q.reopened;
    default:
      return q.state === state;
  }
}

/** One line: which step waits for how many answers, and when; else what nobody asked yet. */
function whatMatters({ open, questions, unasked, sources, gates }: EvidencePage): string {
  const late = open.filter(({ due }) => due.tooLate);
  const nobody = unasked.count > 0 ? `Nobody asked yet about the colour of ${unasked.said}.` : '';
  if (questions.length === 0) return `Add the sources you have; then ask what they say. ${nobody}`;
  if (sources.length === 0) return `${toFindOut(open, gates)} Begin with what the kit sheet says: “Say it for many”.`;
  if (late.length > 0)
    return `${countedInWords(late.length, 'answer')} ${plural('is', late.length)} still open, but what ${late.length === 1 ? 'it decides' : 'they decide'} is done: ${late[0]!.says}.`;
  return (
    [open.length > MANY ? toFindOut(open, gates) : pressing(open), nobody].filter(Boolean).join(' ') ||
    (open.length > 0
      ? `${countedInWords(open.length, 'answer')} ${plural('is', open.length)} open.`
      : 'Every question is ruled.')
  );
}

/** More open answers than one keeps in mind. */
const MANY = 12;

/** "34 to find out, 6 before the fuselage closes on Thu 3 Dec." */
function toFindOut(open: EvidencePage['open'], gates: EvidencePage['gates']): string {
  const gate = gates.find((one) => !one.passed && one.open > 0);
  return gate
    ? `${open.length} to find out, ${gate.open} before “${lowered(gate.title)}”${gate.start ? ` on ${shortDay(gate.start)}` : ''}.`
    : `${open.length} to find out.`;
}

/** The next useful place, once what was done is drawn. */
function focusOn(selector: string) {
  requestAnimationFrame(() => document.querySelector<HTMLElement>(selector)?.focus());
}
