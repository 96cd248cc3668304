'use client';

import { questionInWords } from '@/core/evidence/question-words';
import Button from '@mui/material/Button';
import { useState, type ReactNode } from 'react';
import { ruleAndStrip } from '@/actions/mishaps';
import { save } from '@/actions/records';
import { counted } from '@/core/units/words';
import { weighSave } from '@/actions/weighing';
import { addSighting, mirrorQuestion } from '@/actions/evidence';
import { RULING_BASES, RULING_TITLES } from '@/core/evidence/bases';
import { aspectOf, type Aspect } from '@/core/evidence/aspects';
import { FILMS } from '@/core/evidence/film';
import { clarityOf, otherSideOnly } from '@/core/evidence/shown';
import { CLARITIES } from '@/core/evidence/weights';
import { Opened } from '@/ui/opened';
import { optionsOf, RecordForm, type FieldSpec } from '@/ui/fields';
import { Offers } from '@/ui/offers';
import { useSaving } from '@/ui/saving';
import { Explained } from '@/ui/explained';
import { RemoveButton } from '@/stations/shell/remove-button';
import { WhatItTurns } from '@/stations/shell/what-it-turns';
import { RemoveSighting } from './remove-sighting';
import { dueInWords } from '@/ui/due-words';
import { Settle } from './chase-first';
import { useFetched } from '@/ui/use-fetched';
import type { EvidencePage, QuestionRow, QuestionSupport, SourceRow } from './page-data';
import { saidOf } from './said-of';
import { useMeasures, useShown } from '@/ui/shown-units';
import './evidence.css';

/** A question is opened to look at, to rule, or to say what a source says. */
export type OpenedFor = 'rule' | 'say' | null;

/** Everything about one question: how its support comes about, what each source says, and the ruling. */
export function QuestionDetail({
  data,
  question,
  start = null,
  onClose,
  onSource,
}: {
  data: EvidencePage;
  question: QuestionRow;
  /** What it was opened for: the focus is there. */
  start?: OpenedFor;
  onClose: () => void;
  onSource: (source: string) => void;
}): ReactNode {
  const shown = useShown();
  const [adding, setAdding] = useState(start === 'say');
  const chase = data.chase.find((item) => item.questionId === question.id);
  const due = data.open.find((item) => item.questionId === question.id)?.due;
  return (
    <Opened label={`${question.zoneTitle}, ${question.aspectTitle}`} onClose={onClose}>
      <div className="station-head">
        <div>
          <h2 style={{ margin: 0 }}>{questionInWords(question)}</h2>
          <p className="dim">
            {question.reopened ? 'Reopened: the support has moved since it was ruled. ' : ''}
            {shown(stateInWords(question))}
            {due ? ` To be known ${dueInWords(due)}.` : ''}
            {question.wish ? ` The client wishes ${question.wish}.` : ''}
          </p>
          {chase ? (
            <p className="dim">
              <Settle data={data} item={chase} zone={question.zoneTitle} onSource={onSource} />
            </p>
          ) : null}
        </div>
        <Button onClick={onClose}>Close</Button>
      </div>
      <div className="two-columns">
        <div>
          <h3 style={{ marginTop: 0 }}>Where the support comes from</h3>
          <Support data={data} question={question} onSource={onSource} />
          {adding ? (
            <SightingForm
              data={data}
              question={question}
              focus={start === 'say' ? 'value' : 'sourceId'}
              onDone={() => setAdding(false)}
            />
          ) : (
            <Button variant="outlined" onClick={() => setAdding(true)} disabled={data.sources.length === 0}>
              Add what a source says
            </Button>
          )}
        </div>
        <div>
          <h3 style={{ marginTop: 0 }}>Ruling</h3>
          {question.ruledOpposite ? <p className="dim">Ruled on the other side: the sides are mirrored.</p> : null}
          <RulingForm
            data={data}
            question={question}
            focus={start === 'rule' ? 'value' : undefined}
            onClose={onClose}
          />
          <MirrorForm data={data} question={question} />
          <p style={{ marginTop: 16 }}>
            <RemoveButton
              briefId={data.briefId}
              station="evidence"
              entity="question"
              record={question}
              said="Question removed; u brings it back"
              lossy
            >
              Remove this question with all it holds
            </RemoveButton>
          </p>
        </div>
      </div>
    </Opened>
  );
}

/** What every source contributes, fetched when the question is opened and again when something changed. */
function Support({
  data,
  question,
  onSource,
}: {
  data: EvidencePage;
  question: QuestionRow;
  onSource: (source: string) => void;
}): ReactNode {
  const measures = useMeasures();
  const url = `/briefs/${data.briefId}/questions/${question.id}?revision=${data.revision}`;
  const rests = useFetched<QuestionSupport>(url);
  const titles = new Map(data.sources.map((source) => [source.id, source.title]));
  const shownOnly = (id: string) => {
    const source = data.sources.find((candidate) => candidate.id === id);
    return source && !question.mirrored ? otherSideOnly(source, question.zone) : null;
  };
  if (!rests) return <p role="status">Adding up…</p>;
  const strongest = Math.max(0.01, ...rests.contributions.map((contribution) => contribution.weight));
  return (
    <>
      {rests.contributions.length === 0 ? (
        <p className="dim">No source says anything yet.</p>
      ) : (
        <table className="plain">
          <thead>
            <tr>
              <th>Source</th>
              <th>Says</th>
              <th className="num">Weight</th>
              <th />
              <th />
            </tr>
          </thead>
          <tbody>
            {rests.contributions.map((c, i) => {
              const sighting = rests.sightings[i];
              return (
                <tr key={i}>
                  <td>
                    <button type="button" className="row-button" onClick={() => onSource(c.source)}>
                      {titles.get(c.source)}
                    </button>
                    {sighting && sighting.questionId !== question.id ? ' (other side)' : ''}
                    {sighting && shownOnly(c.source) ? (
                      <span className="dim">
                        {' '}
                        shows the {shownOnly(c.source)} side only
                        {sighting.clarity === 'inferred' ? '' : ': weighs too much'}
                      </span>
                    ) : null}
                  </td>
                  <td className="nowrap">
                    {c.sense === 'against' ? '≠ ' : ''}
                    <strong className="code">{saidOf(question.aspect, String(c.value), measures)}</strong>
                    {sighting?.sd ? ` ± ${sighting.sd}` : ''}
                    {rests.outliers.includes(c.source) ? ' (outlier)' : ''}
                    {sighting?.marks ? <span className="dim"> measured</span> : null}
                  </td>
                  <td className="num">
                    <Explained
                      says={`kind ${c.factors.kind} × clarity ${c.factors.clarity} × date ${c.factors.dateFit.toFixed(2)} × grade ${c.factors.grade}`}
                    >
                      {c.weight.toFixed(2)}
                    </Explained>
                    <span className="factors">
                      {[c.factors.kind, c.factors.clarity, c.factors.dateFit, c.factors.grade]
                        .map((factor) => Number(factor.toFixed(2)))
                        .join(' × ')}
                    </span>
                  </td>
                  <td style={{ width: 90 }}>
                    <span
                      className={`contribution-bar${c.counted ? '' : ' uncounted'}`}
                      style={{ width: `${(70 * c.weight) / strongest}px` }}
                    />
                  </td>
                  <td>
                    {sighting ? (
                      <RemoveSighting
                        briefId={data.briefId}
                        sighting={sighting}
                        label={`Remove what ${titles.get(c.source)} says`}
                      />
                    ) : null}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      )}
      <Unclear data={data} asks={rests.asks} />
      {rests.contributions.some((c) => !c.counted) ? (
        <p className="dim">
          Open bars do not count: the source derives from a stronger one, or its date lies across a repaint.
        </p>
      ) : null}
      <p className="dim">
        Weight = kind × clarity × date fit × grade.{' '}
        {rests.support ? (
          <>
            <Explained says="e to the power of the sum of weights of each answer, divided by the same of all answers together (the softmax of the sums)">
              Support
            </Explained>
            , how much of all that is said speaks for each answer:{' '}
            {Object.entries(rests.support)
              .map(([value, share]) => `${value} ${share.toFixed(2)}`)
              .join(', ')}
            .
          </>
        ) : null}
      </p>
    </>
  );
}

/** What sources say that may be one of several codes: it stands as words until somebody says which. */
function Unclear({ data, asks }: { data: EvidencePage; asks: QuestionSupport['asks'] }): ReactNode {
  const { run } = useSaving();
  return asks.map(({ sightingId, version, says, offers }) => (
    <div key={sightingId} role="note">
      <p>{says}.</p>
      <Offers
        offers={offers}
        onTake={(value) =>
          void run(
            (act) =>
              save({
                act,
                briefId: data.briefId,
                station: 'evidence',
                entity: 'sighting',
                id: sightingId,
                version,
                fields: { value },
              }),
            `Kept as ${value}`,
          )
        }
      />
    </div>
  ));
}

function stateInWords(question: QuestionRow): string {
  switch (question.state) {
    case 'settled':
      return `Settled for ${question.best}.`;
    case 'leaning':
      return `Leaning to ${question.best}.`;
    case 'contested':
      return 'Contested: two answers are close.';
    case 'measured':
      return `Measured: ${question.best} mm, spread ${question.spread?.toFixed(0)} mm.`;
    default:
      return 'Unseen: no source that counts says anything.';
  }
}

const COATS_HELP =
  'bottom up: the code of the metal > chipping fluid > the code over it > scratched through; or in words';

export function valueField(data: EvidencePage, aspect: Aspect, label: string): FieldSpec {
  const { type, choices } = aspectOf(aspect);
  if (type === 'choice') return { name: 'value', label, type: 'choice', options: optionsOf(choices!), width: 6 };
  if (type === 'code') return { name: 'value', label, type: 'suggest', options: data.codes, width: 6 };
  if (type === 'coats') return { name: 'value', label, help: COATS_HELP, width: 6 };
  return { name: 'value', label, unit: type === 'length' ? 'mm on the real machine' : undefined, width: 6 };
}

function RulingForm({
  data,
  question,
  focus,
  onClose,
}: {
  data: EvidencePage;
  question: QuestionRow;
  focus?: string;
  onClose: () => void;
}): ReactNode {
  const fields: FieldSpec[] = [
    valueField(data, question.aspect, 'Ruling'),
    {
      name: 'basis',
      label: 'Basis',
      type: 'choice',
      options: RULING_BASES.map((value) => ({ value, label: RULING_TITLES[value] })),
      width: 6,
    },
    { name: 'ruledBy', label: 'Ruled by', width: 4 },
    {
      name: 'reason',
      label: 'Reason',
      type: 'long',
      help: question.state === 'settled' ? 'not needed for what the sources settle' : undefined,
      width: 12,
    },
  ];
  /** The zones that are stripped before the value is sprayed on them. */
  const [strip, setStrip] = useState<{ value: string; zones: string[] } | null>(null);
  // A ruling of the other side is changed there; here it is only shown and may be overruled by one of this side.
  const ruling = question.ruledOpposite ? null : question.ruling;
  const value = question.wish ?? question.best ?? '';
  const initial = ruling ?? {
    value,
    basis: value === '' ? 'choice' : value === question.best ? 'supported' : question.best ? 'departure' : 'choice',
    reason: question.wish ? "the client's wish" : '',
    ruledBy: question.wish ? 'client' : 'builder',
  };
  return (
    <>
      <RecordForm
        key={ruling?.id ?? 'new'}
        fields={fields}
        initial={initial}
        version={ruling?.version ?? null}
        focus={focus}
        saveLabel={ruling ? 'Change the ruling' : 'Rule'}
        saved="Ruled"
        foresees={
          question.isWorkedOn
            ? (values) => {
                const typed = JSON.stringify({ ...values, questionId: question.id });
                return (
                  <WhatItTurns
                    of={values.value === ruling?.value || values.value === '' ? null : typed}
                    choice={(turns) => (
                      <StripChoice
                        zones={[...new Set(turns.flatMap(({ strip: zones }) => zones ?? []))]}
                        isChosen={strip?.value === values.value}
                        onChoose={(zones) => setStrip(zones && { value: String(values.value), zones })}
                      />
                    )}
                    weigh={(act) =>
                      weighSave({
                        act,
                        briefId: data.briefId,
                        station: 'evidence',
                        entity: 'ruling',
                        id: ruling?.id ?? null,
                        version: ruling?.version ?? null,
                        // On what it rests is asked when it is ruled: what it would do to the paint is the same.
                        fields: {
                          ...values,
                          basis: values.value === question.best ? 'supported' : 'departure',
                          reason: values.reason || 'to see what it does',
                          questionId: question.id,
                        },
                      })
                    }
                  />
                );
              }
            : undefined
        }
        submit={(values, version, act) => {
          const kept = {
            act,
            briefId: data.briefId,
            station: 'evidence',
            entity: 'ruling',
            id: ruling?.id ?? null,
            version,
            fields: { ...values, questionId: question.id },
          };
          return strip && strip.value === values.value ? ruleAndStrip({ ...kept, strip: strip.zones }) : save(kept);
        }}
        onDone={onClose}
      />
      {ruling ? (
        <p>
          <RemoveButton briefId={data.briefId} station="evidence" entity="ruling" record={ruling} said="Open again">
            Open the question again
          </RemoveButton>
        </p>
      ) : null}
    </>
  );
}

/** Where paint lies already: the new colour goes over it, or the old one is stripped first, in the same act. */
function StripChoice({
  zones,
  isChosen,
  onChoose,
}: {
  zones: string[];
  isChosen: boolean;
  onChoose: (zones: string[] | null) => void;
}): ReactNode {
  if (zones.length === 0) return null;
  return (
    <fieldset className="strip-choice">
      <legend className="visually-hidden">What lies there already</legend>
      <label>
        <input type="radio" name="strip" checked={!isChosen} onChange={() => onChoose(null)} /> over what lies there
      </label>
      <label>
        <input type="radio" name="strip" checked={isChosen} onChange={() => onChoose(zones)} /> strip{' '}
        {counted(zones.length, 'zone')} first, and plan it
      </label>
    </fieldset>
  );
}

/** Port and starboard are apart until the builder rules that they mirror one another. */
function MirrorForm({ data, question }: { data: EvidencePage; question: QuestionRow }): ReactNode {
  const [open, setOpen] = useState(false);
  if (question.mirrored)
    return (
      <p>
        Both sides are mirrored: {question.mirrored.reason}.{' '}
        <RemoveButton
          briefId={data.briefId}
          station="evidence"
          entity="mirror"
          record={question.mirrored}
          said="The sides are apart again; u brings it back"
        >
          take them apart
        </RemoveButton>
      </p>
    );
  if (!question.hasOtherSide) return null;
  if (!open)
    return (
      <p>
        <button type="button" className="row-button" onClick={() => setOpen(true)}>
          Rule that both sides are mirrored
        </button>
      </p>
    );
  return (
    <RecordForm
      fields={[{ name: 'reason', label: 'Why the sides are mirrored', width: 12 }]}
      initial={{ reason: '' }}
      version={null}
      saveLabel="Mirror the sides"
      saved="Mirrored: what is said of one side counts for both"
      submit={(values, _, act) => mirrorQuestion({ act, ...values, briefId: data.briefId, questionId: question.id })}
      onDone={() => setOpen(false)}
      onCancel={() => setOpen(false)}
    />
  );
}

function SightingForm({
  data,
  question,
  focus,
  onDone,
}: {
  data: EvidencePage;
  question: QuestionRow;
  focus: string;
  onDone: () => void;
}): ReactNode {
  const [first] = data.sources;
  const fields: FieldSpec[] = [
    {
      name: 'sourceId',
      label: 'Source',
      type: 'choice',
      options: data.sources.map((source) => ({ value: source.id, label: source.title })),
      width: 6,
    },
    valueField(data, question.aspect, 'What it says'),
    ...clarityFields(question.aspect),
  ];
  return (
    <RecordForm
      fields={fields}
      initial={{
        sourceId: first?.id ?? '',
        value: question.best ?? '',
        clarity: first ? clarityOf(first, question.zone, question.aspect) : 'clear',
        sense: 'for',
        sd: null,
        note: '',
      }}
      version={null}
      focus={focus}
      saveLabel="Add"
      saved="Sighting added"
      submit={(values, _, act) =>
        addSighting({
          act,
          sd: null,
          marks: null,
          ...values,
          briefId: data.briefId,
          zone: question.zone,
          aspect: question.aspect,
          item: question.item,
        })
      }
      onDone={onDone}
      onCancel={onDone}
    />
  );
}

/** How clearly a source shows it, whether it speaks against it, and the click error of a length. */
export function clarityFields(aspect: Aspect, source?: SourceRow): FieldSpec[] {
  const caution = source && aspectOf(aspect).type === 'code' ? FILMS[source.film].reason : '';
  return [
    {
      name: 'clarity',
      label: 'Shows it',
      type: 'choice',
      options: optionsOf(CLARITIES),
      help: caution || undefined,
      width: 4,
    },
    {
      name: 'sense',
      label: 'Sense',
      type: 'choice',
      options: [
        { value: 'for', label: 'shows it' },
        { value: 'against', label: 'should show it and does not' },
      ],
      width: 4,
    },
    ...(aspectOf(aspect).type === 'length'
      ? [{ name: 'sd', label: 'Plus or minus', unit: 'mm', type: 'number' as const, optional: true, width: 4 }]
      : []),
    { name: 'note', label: 'Note', width: 12 },
  ];
}
