'use client';

import { questionInWords } from '@/core/evidence/question-words';
import Button from '@mui/material/Button';
import { useState, type ReactNode } from 'react';
import { save } from '@/actions/records';
import { addSighting } from '@/actions/evidence';
import { ASPECT_NAMES, ASPECTS, type Aspect } from '@/core/evidence/aspects';
import { FILMS } from '@/core/evidence/film';
import { counted } from '@/core/units/words';
import { clarityOf } from '@/core/evidence/shown';
import { useZoneChoice } from '@/stations/shell/zone-choice';
import { Opened } from '@/ui/opened';
import { RecordForm } from '@/ui/fields';
import { RemoveButton } from '@/stations/shell/remove-button';
import { RemoveSighting } from './remove-sighting';
import type { EvidencePage, SourceRow as Source } from './page-data';
import { PictureDesk } from './picture/picture-desk';
import { OnePicture } from '@/ui/picture-drop';
import { clarityFields, valueField } from './question-detail';
import { datedAs, sourceFieldSpecs, withDates } from './source-form';
import { weighSave } from '@/actions/weighing';
import { WhatItTurns } from '@/stations/shell/what-it-turns';
import { useMeasures } from '@/ui/shown-units';
import { saidOf } from './said-of';
import { WeightsForm } from './weights-form';

/** Every source with its picture; the open one with the picture at full size, what it says, and its particulars. */
export function SourceList({
  data,
  open,
  onOpen,
}: {
  data: EvidencePage;
  open: string | null;
  onOpen: (id: string | null) => void;
}): ReactNode {
  const source = data.sources.find((candidate) => candidate.id === open);
  if (data.sources.length === 0)
    return (
      <div className="empty">
        <strong>No source yet.</strong> Photographs, drawings, the kit sheet, a book with its page: add each with its
        date, and the sides it shows.
      </div>
    );
  return (
    <>
      {source ? <OpenSource key={source.id} data={data} source={source} onClose={() => onOpen(null)} /> : null}
      <ul className="source-grid">
        {data.sources.map((item) => (
          <li key={item.id}>
            <button type="button" className="picture" onClick={() => onOpen(item.id)} aria-label={`Open ${item.title}`}>
              {item.pictureId ? (
                <img src={`/pictures/${item.pictureId}?size=thumbnail`} alt="" loading="lazy" />
              ) : (
                <span>{item.kindTitle}</span>
              )}
            </button>
            <strong>{item.title}</strong>
            <span className="dim">
              {item.kindTitle}, {item.dated}
              {item.inWindow ? ', in the window' : ''}
            </span>
            <span className="dim">
              {counted(
                data.questions.filter((q) => q.sightings.some((s) => s.sourceId === item.id)).length,
                'sighting',
              )}
              {item.derivedFrom.length > 0 ? ', derived' : ''}
            </span>
            {item.afterLoss ? <span className="danger">✕ dated after the loss</span> : null}
          </li>
        ))}
      </ul>
      <WeightsForm data={data} />
    </>
  );
}

function OpenSource({ data, source, onClose }: { data: EvidencePage; source: Source; onClose: () => void }): ReactNode {
  const measures = useMeasures();
  const [editing, setEditing] = useState(false);
  const [pictureId, setPictureId] = useState(source.pictureId);
  const says = data.questions.flatMap((q) =>
    q.sightings.filter((s) => s.sourceId === source.id && s.questionId === q.id).map((sighting) => ({ q, sighting })),
  );
  const recordOf = { briefId: data.briefId, station: 'evidence', entity: 'source', id: source.id };
  return (
    <Opened label={source.title} onClose={onClose} takesFocus>
      <div className="station-head">
        <div>
          <h2 style={{ margin: 0 }}>{source.title}</h2>
          <p className="dim">
            {source.kindTitle}, {source.dated}
            {source.place ? `, ${source.place}` : ''}
            {source.film === 'unknown' ? '' : `, ${FILMS[source.film].title.toLowerCase()}`}. {source.citation}{' '}
            {source.page ? `p. ${source.page}. ` : ''}
            {source.grade !== 1 ? `Grade ${source.grade}: ${source.gradeReason}` : ''}
          </p>
        </div>
        <div className="station-actions">
          <Button variant="outlined" onClick={() => setEditing(!editing)}>
            Edit
          </Button>
          <RemoveButton
            briefId={data.briefId}
            station="evidence"
            entity="source"
            record={source}
            said="Source removed with what it said; u brings it back"
            lossy
          >
            Remove
          </RemoveButton>
          <Button onClick={onClose}>Close</Button>
        </div>
      </div>
      {editing ? (
        <>
          <OnePicture pictureId={pictureId} onPicture={(picture) => setPictureId(picture?.id ?? null)} />
          <RecordForm
            fields={sourceFieldSpecs(data, source.id)}
            initial={{ ...source, ...datedAs(source) }}
            version={source.version}
            saveLabel="Save the source"
            saved="Source saved"
            submit={(values, version, act) =>
              withDates(values, (fields) => save({ ...recordOf, act, version, fields: { ...fields, pictureId } }))
            }
            foresees={(values) => (
              <WhatItTurns
                of={JSON.stringify(values)}
                weigh={(act) =>
                  withDates(values, (fields) => weighSave({ ...recordOf, act, version: source.version, fields }))
                }
              />
            )}
            onDone={() => setEditing(false)}
            onCancel={() => setEditing(false)}
          />
        </>
      ) : (
        <>
          {source.pictureId ? (
            <PictureDesk key={source.pictureId} data={data} source={source} />
          ) : (
            <p className="dim">A citation without a picture.</p>
          )}
          <div className="two-columns">
            <div>
              <h3>What it says</h3>
              {says.length === 0 ? (
                <p className="dim">Nothing yet.</p>
              ) : (
                <table className="plain">
                  <tbody>
                    {says.map(({ q, sighting }) => (
                      <tr key={sighting.id}>
                        <td>{questionInWords(q)}</td>
                        <td>
                          {sighting.sense === 'against' ? '≠ ' : ''}
                          <strong className="code">{saidOf(q.aspect, sighting.value, measures)}</strong>
                        </td>
                        <td className="dim">
                          {sighting.clarity}
                          {sighting.sd ? `, ± ${saidOf(q.aspect, String(sighting.sd), measures)}` : ''}
                          {sighting.note ? `; ${sighting.note}` : ''}
                        </td>
                        <td>
                          <RemoveSighting
                            briefId={data.briefId}
                            sighting={sighting}
                            label={`Remove what it says of ${questionInWords(q)}`}
                          />
                        </td>
                      </tr>
                    ))}
                  </tbody>
                </table>
              )}
            </div>
            <div>
              <NewSighting data={data} source={source} />
            </div>
          </div>
        </>
      )}
    </Opened>
  );
}

/** What this source says of a zone: the zone chosen on the sheet is filled in. */
function NewSighting({ data, source }: { data: EvidencePage; source: Source }): ReactNode {
  const { zone } = useZoneChoice();
  const [aspect, setAspect] = useState<Aspect>('colour');
  const [round, setRound] = useState(0);
  // The next thing that a source says is often of the same zone.
  const [last, setLast] = useState<string | null>(null);
  const here = zone ?? last ?? data.zones[0]!.value;
  return (
    <>
      <h3>Add what it says</h3>
      <label>
        Aspect{' '}
        <select value={aspect} onChange={(event) => setAspect(event.target.value as Aspect)}>
          {ASPECT_NAMES.map((name) => (
            <option key={name} value={name}>
              {ASPECTS[name].title}
            </option>
          ))}
        </select>
      </label>
      <RecordForm
        key={`${zone} ${aspect} ${round}`}
        fields={[
          { name: 'zone', label: 'Zone', type: 'choice', options: data.zones, width: 6 },
          valueField(data, aspect, 'What it says'),
          { name: 'item', label: 'Which one', width: 6 },
          ...clarityFields(aspect, source),
        ]}
        initial={{
          zone: here,
          value: '',
          item: '',
          clarity: clarityOf(source, here, aspect),
          sense: 'for',
          sd: null,
          note: '',
        }}
        version={null}
        saveLabel="Add"
        saved="Sighting added"
        focus={round > 0 ? 'value' : undefined}
        submit={(values, _, act) => {
          setLast(values.zone as string);
          return addSighting({
            act,
            sd: null,
            marks: null,
            ...values,
            aspect,
            sourceId: source.id,
            briefId: data.briefId,
          });
        }}
        onDone={() => setRound(round + 1)}
      />
    </>
  );
}
