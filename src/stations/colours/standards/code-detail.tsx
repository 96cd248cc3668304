'use client';

import Button from '@mui/material/Button';
import { useState, type ReactNode } from 'react';
import { remove, save } from '@/actions/records';
import { CODE_RELATIONS, otherFinishes } from '@/core/codes/system';
import { relatedCodes, codeBook, type OfficialColour } from '@/core/codes/official';
import { deltaE00 } from '@/core/colour/difference';
import { hexOf } from '@/core/colour/spaces';
import { FLOPS, METAL_GROUNDS } from '@/core/paint/catalogue';
import type { ColourShelf } from '@/core/kept/state';
import { Opened } from '@/ui/opened';
import { optionsOf, RecordForm } from '@/ui/fields';
import { useSaving } from '@/ui/saving';
import { batchInWords, finishesInWords, relationInWords } from '@/core/codes/code-words';
import type { ColoursPage } from '@/stations/colours/page-data';
import { orNotKnown } from '../colour-fields';
import { ChipForm } from './chip-form';

/** One code: its chips and what became of each, the codes it stands beside, its batches. */
export function CodeDetail({
  data,
  shelf,
  colour,
  official,
  onClose,
}: {
  data: ColoursPage;
  shelf: ColourShelf;
  colour: OfficialColour;
  official: ReadonlyMap<string, OfficialColour>;
  onClose: () => void;
}): ReactNode {
  const [doing, setDoing] = useState<'chip' | 'relation' | 'metal' | null>(null);
  const { record, pooled, batches } = colour;
  const chips = shelf.chips.filter(({ codeId }) => codeId === record.id);
  const related = relatedCodes(colour, shelf.relations, official);
  const finishes = otherFinishes(codeBook(shelf), record.code);
  const done = () => setDoing(null);
  return (
    <Opened label={record.code} onClose={onClose} closes>
      <h2 style={{ marginTop: 0 }}>
        {record.code} {record.name}
      </h2>
      <p>
        {colour.lab
          ? `L* ${colour.lab.map((value) => value.toFixed(1)).join(' ')} ± ${colour.sd.toFixed(1)} ΔE00`
          : 'No colour is known yet.'}{' '}
        {record.finish}, {record.kind}
        {record.kind === 'metallic'
          ? `; over ${record.ground || 'a ground that is not known'}, darkens aslant (flop): ${record.flop || 'not known'}`
          : ''}
        {pooled?.disagree ? '. The chips disagree by more than their uncertainties: the ± is widened.' : '.'}
      </p>
      {chips.length > 0 ? <Chips briefId={data.briefId} chips={chips} colour={colour} /> : null}
      {[
        ...batches.map((batch) => batchInWords(batch, colour)),
        ...(finishes.length > 0 ? [finishesInWords(finishes)] : []),
        ...related.map(relationInWords),
      ].map((says) => (
        <p key={says}>{says}.</p>
      ))}
      <p className="pane-actions">
        <Button variant="outlined" onClick={() => setDoing(doing === 'chip' ? null : 'chip')}>
          Another chip
        </Button>
        <Button variant="outlined" onClick={() => setDoing(doing === 'relation' ? null : 'relation')}>
          Another code stands for it
        </Button>
        {record.kind === 'metallic' ? (
          <Button variant="outlined" onClick={() => setDoing(doing === 'metal' ? null : 'metal')}>
            Ground, and how it darkens aslant (flop)
          </Button>
        ) : null}
      </p>
      {doing === 'chip' ? (
        <ChipForm data={data} call={{ code: record.code, name: record.name, lab: colour.lab, record }} onDone={done} />
      ) : null}
      {doing === 'relation' ? (
        <RelationForm briefId={data.briefId} shelf={shelf} record={record} onDone={done} />
      ) : null}
      {doing === 'metal' ? <MetalForm briefId={data.briefId} record={record} onDone={done} /> : null}
    </Opened>
  );
}

/** Its chips, how far each lies from what they say together, and whether it counts. */
function Chips({
  briefId,
  chips,
  colour,
}: {
  briefId: string;
  chips: readonly ColourShelf['chips'][number][];
  colour: OfficialColour;
}): ReactNode {
  const { run, busy } = useSaving();
  const both = { briefId, station: 'colours' } as const;
  const outlier = (id: string) => colour.pooled?.outliers.find(({ chip }) => chip.id === id);
  return (
    <table className="plain">
      <thead>
        <tr>
          <th>Chip</th>
          <th>L* a* b*</th>
          <th className="num">±</th>
          <th className="num">from the pooled</th>
          <th>Origin</th>
          <th />
        </tr>
      </thead>
      <tbody>
        {chips.map((chip) => (
          <tr key={chip.id}>
            <td>
              <span className="chip large" style={{ background: hexOf(chip.lab) }} />
            </td>
            <td className="nowrap">{chip.lab.map((value) => value.toFixed(1)).join(' ')}</td>
            <td className="num">{chip.sd.toFixed(1)}</td>
            <td className="num">{colour.lab ? deltaE00(chip.lab, colour.lab).toFixed(1) : ''}</td>
            <td>
              {[chip.origin, chip.instrument, chip.batch && `batch ${chip.batch}`, chip.note]
                .filter(Boolean)
                .join(', ')}
              {outlier(chip.id) ? (
                <strong> outlier: not in the mean</strong>
              ) : chip.leftOut ? (
                ' (left out by hand)'
              ) : (
                ''
              )}
            </td>
            <td className="nowrap">
              <Button
                variant="text"
                disabled={busy}
                onClick={() => {
                  const { id, version, ...fields } = chip;
                  return run(
                    (act) =>
                      save({
                        act,
                        ...both,
                        entity: 'chip',
                        id,
                        version,
                        fields: { ...fields, leftOut: !chip.leftOut },
                      }),
                    chip.leftOut ? 'Taken in again' : 'Left out',
                  );
                }}
              >
                {chip.leftOut ? 'Take in' : 'Leave out'}
              </Button>
              <Button
                variant="text"
                disabled={busy}
                onClick={() =>
                  run(
                    (act) => remove({ act, ...both, entity: 'chip', id: chip.id, version: chip.version }),
                    'Chip removed',
                  )
                }
              >
                Remove
              </Button>
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** Another code that stands for it, and since when. */
function RelationForm({
  briefId,
  shelf,
  record,
  onDone,
}: {
  briefId: string;
  shelf: ColourShelf;
  record: OfficialColour['record'];
  onDone: () => void;
}): ReactNode {
  return (
    <RecordForm
      fields={[
        {
          name: 'otherId',
          label: 'Code',
          type: 'choice',
          options: shelf.codes
            .filter(({ id }) => id !== record.id)
            .map(({ id, code, name }) => ({ value: id, label: `${code} ${name}` })),
          width: 4,
        },
        { name: 'kind', label: 'It is', type: 'choice', options: optionsOf(CODE_RELATIONS), width: 3 },
        { name: 'fromDay', label: 'From', type: 'day', optional: true, width: 2 },
        { name: 'toDay', label: 'To', type: 'day', optional: true, width: 2 },
        { name: 'note', label: 'Note', width: 6 },
      ]}
      initial={{ otherId: '', kind: 'equivalent', fromDay: null, toDay: null, note: '' }}
      version={null}
      saveLabel="Add it"
      saved="Added"
      submit={(values, _, act) =>
        save({
          act,
          briefId,
          station: 'colours',
          entity: 'code_relation',
          id: null,
          version: null,
          fields: { ...values, codeId: record.id },
        })
      }
      onDone={onDone}
      onCancel={onDone}
    />
  );
}

/** What a metal lies over, and how much it darkens aslant. */
function MetalForm({
  briefId,
  record,
  onDone,
}: {
  briefId: string;
  record: OfficialColour['record'];
  onDone: () => void;
}): ReactNode {
  return (
    <RecordForm
      fields={[
        {
          name: 'ground',
          label: 'Over',
          type: 'choice',
          options: orNotKnown(METAL_GROUNDS),
          width: 4,
        },
        {
          name: 'flop',
          label: 'Darkens aslant (flop)',
          type: 'choice',
          options: orNotKnown(FLOPS),
          width: 4,
        },
      ]}
      initial={{ ground: record.ground, flop: record.flop }}
      version={record.version}
      saveLabel="Save"
      saved="Saved"
      submit={(values, version, act) => {
        const { id, version: _, ...fields } = record;
        return save({
          act,
          briefId,
          station: 'colours',
          entity: 'colour_code',
          id,
          version,
          fields: { ...fields, ...values },
        });
      }}
      onDone={onDone}
      onCancel={onDone}
    />
  );
}
