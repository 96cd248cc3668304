'use client';

import Button from '@mui/material/Button';
import { useVirtualizer } from '@tanstack/react-virtual';
import { memo, useCallback, useDeferredValue, useMemo, useRef, useState, type FormEvent, type ReactNode } from 'react';
import { changeParts, lookAtParts, removeParts, sayOfParts, takeParts } from '@/actions/kit';
import { save } from '@/actions/records';
import { BLANK_PART } from '@/core/kept/blank';
import { PAINTED_ON, PART_CONDITIONS, PART_ORIGINS } from '@/core/kit/parts';
import { counted } from '@/core/units/words';
import { TableIn } from '@/stations/shell/table-in';
import { useZoneChoice } from '@/stations/shell/zone-choice';
import { Opened } from '@/ui/opened';
import { optionsOf, RecordForm, type FieldSpec } from '@/ui/fields';
import { useKey } from '@/ui/keys';
import { useSaving } from '@/ui/saving';
import type { KitPage, PartRow } from './page-data';

const ROW_PX = 33;
const ROW_FOR_A_FINGER_PX = 49;
/** As the style sheet has it; drawn on the server, where there is no window, the finger does not matter yet. */
const rowHeight = () =>
  typeof window !== 'undefined' && window.matchMedia('(max-width: 900px)').matches ? ROW_FOR_A_FINGER_PX : ROW_PX;

/** The register of parts: said in a line, in a table, or one by one. */
export function PartsPane({ data }: { data: KitPage }): ReactNode {
  const { busy, run, tell, versionOf } = useSaving();
  const { zone } = useZoneChoice();
  const [text, setText] = useState('');
  const [wanted, setWanted] = useState('');
  const [only, setOnly] = useState<'all' | 'work'>('all');
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const [open, setOpen] = useState<string | 'new' | null>(null);
  const [importing, setImporting] = useState(false);
  useKey('n', () => setOpen('new'));

  const filter = useDeferredValue(wanted).trim().toLowerCase();
  const shown = useMemo(
    () =>
      data.parts.filter(
        (part) =>
          (!zone || part.zone === zone) &&
          (only === 'all' || part.work.length > 0) &&
          (filter === '' || wordsOf(part).includes(filter)),
      ),
    [data.parts, zone, only, filter],
  );
  const say = async (event: FormEvent) => {
    event.preventDefault();
    const result = await run((act) => sayOfParts({ act, briefId: data.briefId, text }));
    if (!result.ok) return;
    const { added, changed } = result.value;
    tell(
      [added > 0 ? `${counted(added, 'part')} added` : '', changed > 0 ? `${counted(changed, 'part')} changed` : '']
        .filter(Boolean)
        .join(', '),
      { act: 'last' },
    );
    setText('');
  };
  const toggle = useCallback(
    (id: string) =>
      setChosen((was) => {
        const next = new Set(was);
        if (!next.delete(id)) next.add(id);
        return next;
      }),
    [],
  );
  const set = useCallback(
    (part: PartRow, fields: Partial<Pick<PartRow, 'condition' | 'origin'>>) =>
      void run((act) =>
        changeParts({
          act,
          briefId: data.briefId,
          parts: [{ id: part.id, version: versionOf(part.id, part.version) }],
          fields,
        }),
      ),
    [run, versionOf, data.briefId],
  );
  const picked = data.parts.filter(({ id }) => chosen.has(id));
  const one = open && open !== 'new' ? data.parts.find(({ id }) => id === open) : null;
  return (
    <>
      <form className="part-line" onSubmit={say}>
        <label>
          Say it of many{' '}
          <input
            type="text"
            value={text}
            onChange={(event) => setText(event.target.value)}
            placeholder="sprue C: 1-24 sound"
            aria-label="Say it of many parts"
          />
        </label>
        <Button type="submit" variant="contained" disabled={busy || text.trim() === ''}>
          Say it
        </Button>
        <Button variant="outlined" onClick={() => setOpen('new')}>
          New part (n)
        </Button>
        <Button variant="outlined" onClick={() => setImporting(!importing)}>
          From a table
        </Button>
        {data.parts.length > 0 ? (
          <Button variant="outlined" href={`/briefs/${data.briefId}/parts.csv`}>
            As a table
          </Button>
        ) : null}
      </form>
      {importing ? (
        <TableIn
          title="Parts from a table"
          says="Any table with a part number, and what else you have: sprue, name, count, instruction step, zone, condition, colours, note."
          look={(table) => lookAtParts({ briefId: data.briefId, ...table })}
          take={(table, act) => takeParts({ act, briefId: data.briefId, ...table })}
          said={({ parts }) => `Taken: ${counted(parts, 'part')}`}
          onDone={() => setImporting(false)}
          onClose={() => setImporting(false)}
        />
      ) : null}
      {open === 'new' ? <PartForm data={data} part={null} onClose={() => setOpen(null)} /> : null}
      {one ? <PartForm key={one.id} data={data} part={one} onClose={() => setOpen(null)} /> : null}
      {data.parts.length === 0 ? (
        <div className="empty">
          <strong>No part is listed yet.</strong> Lay the sprues out and say what is there: “sprue A: 1-32 sound”, then
          “A 7 broken”. Sound parts make no work; broken, missing, resin and etched ones make their steps on the route.
        </div>
      ) : (
        <>
          <div className="part-line">
            <input
              type="text"
              value={wanted}
              onChange={(event) => setWanted(event.target.value)}
              placeholder="Filter: number, name, zone, condition"
              aria-label="Filter the parts"
            />
            <label>
              <input
                type="checkbox"
                checked={only === 'work'}
                onChange={() => setOnly(only === 'all' ? 'work' : 'all')}
              />{' '}
              only those with work
            </label>
            <span className="dim">
              {shown.length === data.parts.length
                ? counted(shown.length, 'part')
                : `${shown.length} of ${counted(data.parts.length, 'part')}`}
            </span>
            {picked.length > 0 ? (
              <Bulk data={data} picked={picked} onDone={() => setChosen(new Set())} />
            ) : (
              <Button size="small" onClick={() => setChosen(new Set(shown.map(({ id }) => id)))}>
                Choose all shown
              </Button>
            )}
          </div>
          <PartTable parts={shown} chosen={chosen} onToggle={toggle} onSet={set} onOpen={setOpen} />
        </>
      )}
    </>
  );
}

const wordsOf = (part: PartRow): string =>
  [part.called, part.called.replace(' ', ''), part.name, part.zoneTitle, part.condition, part.origin, part.note]
    .join(' ')
    .toLowerCase();

function Bulk({ data, picked, onDone }: { data: KitPage; picked: readonly PartRow[]; onDone: () => void }): ReactNode {
  const { run, busy, versionOf } = useSaving();
  const parts = picked.map(({ id, version }) => ({ id, version: versionOf(id, version) }));
  const change = (fields: Record<string, string>) =>
    void run(
      (act) => changeParts({ act, briefId: data.briefId, parts, fields }),
      `${counted(parts.length, 'part')} changed`,
    ).then((result) => result.ok && onDone());
  const choice = (label: string, name: string, values: readonly { value: string; label: string }[]) => (
    <select
      aria-label={`${label} of the chosen parts`}
      value=""
      disabled={busy}
      onChange={(event) => change({ [name]: event.target.value })}
    >
      <option value="">{label}…</option>
      {values.map(({ value, label: title }) => (
        <option key={value} value={value}>
          {title}
        </option>
      ))}
    </select>
  );
  return (
    <>
      <strong>{picked.length} chosen:</strong>
      {choice('condition', 'condition', optionsOf(PART_CONDITIONS))}
      {choice('origin', 'origin', optionsOf(PART_ORIGINS))}
      {choice('painted on', 'painted', optionsOf(PAINTED_ON))}
      {choice('zone', 'zone', data.zones)}
      <Button
        size="small"
        disabled={busy}
        onClick={() =>
          void run((act) => removeParts({ act, briefId: data.briefId, parts }), 'Removed').then(
            (result) => result.ok && onDone(),
          )
        }
      >
        Remove
      </Button>
      <Button size="small" onClick={onDone}>
        None
      </Button>
    </>
  );
}

interface TableProps {
  parts: readonly PartRow[];
  chosen: ReadonlySet<string>;
  onToggle: (id: string) => void;
  onSet: (part: PartRow, fields: Partial<Pick<PartRow, 'condition' | 'origin'>>) => void;
  onOpen: (id: string) => void;
}

/** Only the rows in sight are drawn: a register holds thousands. */
function PartTable({ parts, chosen, onToggle, onSet, onOpen }: TableProps): ReactNode {
  const frame = useRef<HTMLDivElement>(null);
  // The compiler leaves what this library returns alone.
  // eslint-disable-next-line react-hooks/incompatible-library
  const rows = useVirtualizer({
    count: parts.length,
    getScrollElement: () => frame.current,
    estimateSize: rowHeight,
    overscan: 12,
  });
  return (
    <div role="table" aria-label="Parts" aria-rowcount={parts.length + 1}>
      <div className="part-row part-heads" role="row">
        <span role="columnheader" aria-label="Chosen" />
        <span role="columnheader">Number</span>
        <span role="columnheader">Name</span>
        <span role="columnheader" className="wide num">
          Count
        </span>
        <span role="columnheader" className="wide">
          Zone
        </span>
        <span role="columnheader" className="wide">
          Origin
        </span>
        <span role="columnheader">Condition</span>
        <span role="columnheader" className="wide">
          On order
        </span>
        <span role="columnheader" className="wide">
          Holds up
        </span>
      </div>
      <div className="part-window" ref={frame} role="rowgroup">
        <div style={{ height: rows.getTotalSize(), position: 'relative' }} role="presentation">
          {rows.getVirtualItems().map(({ index, start }) => {
            const part = parts[index]!;
            return (
              <div
                key={part.id}
                role="presentation"
                style={{ position: 'absolute', inset: '0 0 auto 0', transform: `translateY(${start}px)` }}
              >
                <Row
                  part={part}
                  index={index}
                  chosen={chosen.has(part.id)}
                  onToggle={onToggle}
                  onSet={onSet}
                  onOpen={onOpen}
                />
              </div>
            );
          })}
        </div>
      </div>
    </div>
  );
}

const Row = memo(function Row({
  part,
  index,
  chosen,
  onToggle,
  onSet,
  onOpen,
}: Omit<TableProps, 'parts' | 'chosen'> & { part: PartRow; index: number; chosen: boolean }): ReactNode {
  return (
    <div className="part-row" role="row" aria-rowindex={index + 2}>
      <span role="cell">
        <input
          type="checkbox"
          checked={chosen}
          onChange={() => onToggle(part.id)}
          aria-label={`Choose ${part.called}`}
        />
      </span>
      <span role="cell">
        <button type="button" className="row-button code" onClick={() => onOpen(part.id)}>
          {part.called}
        </button>
      </span>
      <span role="cell" title={part.work.join('; ')}>
        {part.replacedBy || part.unwanted ? <s>{part.name || '–'}</s> : part.name || '–'}
        {part.replaces ? ` (for ${part.replaces})` : ''}
        {part.setTitle ? <span className="dim"> {part.setTitle}</span> : null}
        {part.replacedBy ? ` ${part.replacedBy} instead` : ''}
        {part.unwanted ? <span className="dim"> {part.unwanted}</span> : null}
      </span>
      <span role="cell" className="wide num">
        {part.count}
      </span>
      <span role="cell" className="wide">
        {part.zoneTitle || '–'}
      </span>
      <span role="cell" className="wide">
        {part.origin}
      </span>
      <span role="cell">
        <select
          aria-label={`Condition of ${part.called}`}
          value={part.condition}
          onChange={(event) => onSet(part, { condition: event.target.value as PartRow['condition'] })}
        >
          {PART_CONDITIONS.map((condition) => (
            <option key={condition}>{condition}</option>
          ))}
        </select>
      </span>
      <span role="cell" className="wide">
        {part.orderedUntil ?? '–'}
      </span>
      <span role="cell" className="wide" title={part.holdsUp}>
        {part.holdsUp || '–'}
      </span>
    </div>
  );
});

function PartForm({ data, part, onClose }: { data: KitPage; part: PartRow | null; onClose: () => void }): ReactNode {
  const fields: FieldSpec[] = [
    { name: 'sprue', label: 'Sprue', width: 2 },
    { name: 'number', label: 'Number', width: 2 },
    { name: 'name', label: 'Name', width: 4 },
    { name: 'count', label: 'Count', type: 'number', width: 2 },
    { name: 'instructionStep', label: 'Step of the instructions', width: 2 },
    {
      name: 'zone',
      label: 'Zone',
      type: 'choice',
      options: [{ value: '', label: 'not said' }, ...data.zones],
      width: 4,
    },
    { name: 'origin', label: 'Origin', type: 'choice', options: optionsOf(PART_ORIGINS), width: 3 },
    { name: 'condition', label: 'Condition', type: 'choice', options: optionsOf(PART_CONDITIONS), width: 3 },
    {
      name: 'replacesIds',
      label: 'Used instead of',
      type: 'several',
      options: data.parts
        .filter(({ id }) => id !== part?.id)
        .map(({ id, called, name }) => ({ value: id, label: `${called} ${name}`.trim() })),
      width: 4,
    },
    { name: 'codes', label: 'Colours', type: 'several', options: data.codes, width: 4 },
    {
      name: 'painted',
      label: 'Painted',
      type: 'choice',
      options: PAINTED_ON.map((value) => ({ value, label: PAINTED_TITLES[value] })),
      width: 3,
    },
    { name: 'setTitle', label: 'Comes in the set', help: 'its number is that on the fret', width: 3 },
    {
      name: 'onOption',
      label: 'Wanted',
      type: 'choice',
      options: [
        { value: '', label: 'always' },
        ...data.options.flatMap(({ name, choices }) =>
          choices.map(({ value, said }) => ({ value: `${name} ${value}`, label: `only with ${said}` })),
        ),
      ],
      width: 4,
    },
    { name: 'orderedUntil', label: 'On order until', type: 'day', optional: true, width: 3 },
    { name: 'note', label: 'Note', width: 6 },
  ];
  return (
    <Opened label={part ? `Part ${part.called}` : 'New part'} onClose={onClose}>
      {part && part.work.length > 0 ? (
        <p>
          <strong>To do:</strong> {part.work.join('; ')}.{part.holdsUp ? ` It holds up ${part.holdsUp}.` : ''}
        </p>
      ) : null}
      <RecordForm
        fields={fields}
        initial={{
          ...(part ?? { ...BLANK_PART, number: '' }),
          onOption: part?.onOption ? `${part.onOption.option} ${part.onOption.choice}` : '',
        }}
        version={part?.version ?? null}
        focus={part ? 'condition' : 'sprue'}
        saveLabel={part ? 'Save' : 'Add the part'}
        saved="Kept"
        submit={(values, version, act) =>
          save({
            act,
            briefId: data.briefId,
            station: 'kit',
            entity: 'part',
            id: part?.id ?? null,
            version,
            fields: { ...values, onOption: optionTyped(values.onOption) },
          })
        }
        onDone={onClose}
        onCancel={onClose}
      />
    </Opened>
  );
}

/** "canopy open" as the option and its choice; null for always. */
function optionTyped(typed: unknown): { option: string; choice: string } | null {
  const text = String(typed ?? '');
  const at = text.indexOf(' ');
  return at < 0 ? null : { option: text.slice(0, at), choice: text.slice(at + 1) };
}

const PAINTED_TITLES: Record<(typeof PAINTED_ON)[number], string> = {
  assembly: 'after assembly',
  sprue: 'on the sprue',
  stick: 'on a stick',
};
