'use client';

import Button from '@mui/material/Button';
import { useMemo, useState, type ReactNode } from 'react';
import { save } from '@/actions/records';
import { decalPlan, saidOfAll } from '@/core/markings/decal-plan';
import { replacements } from '@/core/markings/decal-spares';
import { SHEET_CONDITIONS, type SheetItem } from '@/core/markings/decal-sheet';
import { fitsOf } from '@/core/markings/fit-on';
import { MARKING_KINDS } from '@/core/markings/kinds';
import { durationInWords } from '@/core/units/minutes';
import { capital, counted, listed } from '@/core/units/words';
import { useDrawn } from './use-drawn';
import { RemoveButton } from '@/stations/shell/remove-button';
import { Opened } from '@/ui/opened';
import { optionsOf, RecordForm } from '@/ui/fields';
import { RowsEditor, type Column } from '@/ui/rows-editor';
import type { MarkingsPage } from './page-data';
import { useKeep } from '@/stations/shell/use-keep';
import { useShown } from '@/ui/shown-units';

/** Decals: which are wanting and what stands in for them, the sheets of the house, and the order in which they go on. */
export function DecalsPane({ data }: { data: MarkingsPage }): ReactNode {
  return (
    <>
      <Wanting data={data} />
      <Printed data={data} />
      <Plan data={data} />
      <Sheets data={data} />
    </>
  );
}

/** Decals that are spoiled, too few, of the wrong size, or on no sheet. */
function Wanting({ data }: { data: MarkingsPage }): ReactNode {
  const { keep, busy } = useKeep(data.briefId, 'markings');
  const wanting = data.markings.flatMap((marking) => {
    if (marking.method !== 'decal') return [];
    const sheet = data.sheets.find(({ id }) => id === marking.sheetId);
    const item = sheet?.items.find(({ key }) => key === marking.sheetItem);
    const need = Math.max(1, marking.places.length);
    const left = item ? item.count - item.spoiled : null;
    const isWrong = marking.check.errorPercent !== null && marking.check.says !== 'right';
    const why = isWrong
      ? `printed ${marking.check.says}`
      : left !== null && left < need
        ? `${left} of ${need} left${item!.spoiled > 0 ? `, ${item!.spoiled} spoiled` : ''}`
        : null;
    return why
      ? [
          {
            marking,
            why,
            ways: replacements(
              {
                title: marking.title,
                kind: marking.kind,
                letters: marking.text,
                heightMm: marking.check.modelMm,
                count: need,
              },
              data.sheets,
              marking.sheetId,
            ),
          },
        ]
      : [];
  });
  return (
    <section aria-label="Decals that are wanting">
      <h2>{wanting.length === 0 ? 'No decal is wanting' : `${counted(wanting.length, 'decal')} wanting`}</h2>
      {wanting.map(({ marking, why, ways }) => (
        <div key={marking.id} className="wanting">
          <p>
            <strong>
              {marking.title} {marking.text ? `“${marking.text}”` : ''}
            </strong>
            : {why}.
          </p>
          <ul>
            {ways.map(({ how, from, offPercent, says }) => (
              <li key={how + from.join()}>
                <strong>{capital(how)}</strong>
                {from.length > 0 ? `: ${from.join('; ')}` : ''} – {says}
                {offPercent !== null && Math.abs(offPercent) >= 0.5
                  ? `, ${Math.abs(offPercent).toFixed(1)} % ${offPercent > 0 ? 'over' : 'under'}`
                  : ''}
                {how === 'mask' || how === 'own decal' ? (
                  <>
                    {' '}
                    <Button
                      size="small"
                      disabled={busy}
                      onClick={() =>
                        void keep('marking', marking, { method: how, printedMm: null }, `${marking.title}: ${how}`)
                      }
                    >
                      Make it so
                    </Button>
                  </>
                ) : null}
              </li>
            ))}
          </ul>
        </div>
      ))}
    </section>
  );
}

/** Prints whose colour was measured, against what is called. */
function Printed({ data: { printed } }: { data: MarkingsPage }): ReactNode {
  if (printed.length === 0) return null;
  return (
    <section aria-label="Colours as printed">
      <h2>Colours as printed</h2>
      <ul>
        {printed.map(({ marking, title, code, says, touchUp }) => (
          <li key={marking}>
            <strong>{title}</strong>, {code}: {says}
            {touchUp ? <span className="dim">; to touch up: {touchUp}</span> : null}.
          </li>
        ))}
      </ul>
    </section>
  );
}

/** In which order they go on, side by side. */
function Plan({ data }: { data: MarkingsPage }): ReactNode {
  const shown = useShown();
  const { outline, painted } = useDrawn(data);
  const batches = useMemo(() => {
    const crosses = new Map(
      data.markings.flatMap((marking) =>
        fitsOf(outline, data.denominator, marking, [], painted).map(({ place, fit }) => [
          `${marking.id} ${place}`,
          fit.crosses.length,
        ]),
      ),
    );
    return decalPlan(data.markings, data.sheets, data.denominator, (id, place) => crosses.get(`${id} ${place}`) ?? 0);
  }, [data.markings, data.sheets, data.denominator, outline, painted]);
  if (batches.length === 0) return null;
  const shared = saidOfAll(batches);
  return (
    <section aria-label="In which order they go on">
      <h2>
        {counted(
          batches.reduce((sum, { pieces }) => sum + pieces, 0),
          'piece',
        )}{' '}
        in {counted(batches.length, 'batch')}
      </h2>
      <ul className="dim">
        {shared.map((line) => (
          <li key={line}>{line}</li>
        ))}
      </ul>
      <div className="orders">
        {batches.map(({ side, title, items, pieces, minutes, says }) => (
          <section key={side} aria-label={title}>
            <h3>{title}</h3>
            <p>
              {counted(pieces, 'piece')}, {durationInWords(minutes)}, then a night to dry.
            </p>
            <ol>
              {items.map(({ marking, title: name, pieces: count, lengthsMm }) => (
                <li key={marking}>
                  {name} <span className="dim">× {count}</span>
                  {lengthsMm.length > 0 ? (
                    <span className="dim">
                      , cut to {lengthsMm.length} lengths of{' '}
                      {shown(listed([...new Set(lengthsMm.map((mm) => `${mm.toFixed(1)} mm`))]))} on the model
                    </span>
                  ) : null}
                </li>
              ))}
            </ol>
            <ul className="dim">
              {says
                .filter((line) => !shared.includes(line))
                .map((line) => (
                  <li key={line}>{line}</li>
                ))}
            </ul>
          </section>
        ))}
      </div>
    </section>
  );
}

const ITEM_COLUMNS: readonly Column[] = [
  { name: 'title', label: 'Item', type: 'text', width: 150 },
  { name: 'kind', label: 'Kind', type: 'choice', options: optionsOf(MARKING_KINDS) },
  { name: 'letters', label: 'Letters', type: 'text', width: 90 },
  { name: 'heightMm', label: 'Height, mm', unit: 'mm', type: 'number', width: 56 },
  { name: 'count', label: 'Pieces', type: 'number', width: 44 },
  { name: 'spoiled', label: 'Spoiled', type: 'number', width: 44 },
  { name: 'L', label: 'Printed L*', type: 'number', width: 48, optional: true },
  { name: 'a', label: 'a*', type: 'number', width: 44, optional: true },
  { name: 'b', label: 'b*', type: 'number', width: 44, optional: true },
];

type ItemRow = Omit<SheetItem, 'lab'> & Record<'L' | 'a' | 'b', number | null>;

/** An item as a row: its colour in three columns of their own. */
const asRow = ({ lab, ...item }: SheetItem): ItemRow => ({
  ...item,
  L: lab?.[0] ?? null,
  a: lab?.[1] ?? null,
  b: lab?.[2] ?? null,
});

/** The item of a row; null where its colour is half said. */
function asItem({ L, a, b, ...item }: ItemRow): SheetItem | null {
  if (L === null && a === null && b === null) return { ...item, lab: null };
  return L === null || a === null || b === null ? null : { ...item, lab: [L, a, b] };
}

/** The sheets that the house owns, shared by all briefs. */
function Sheets({ data }: { data: MarkingsPage }): ReactNode {
  const [open, setOpen] = useState<string | null>(null);
  const { keep } = useKeep(data.briefId, 'markings');
  const sheet = data.sheets.find(({ id }) => id === open) ?? null;
  const close = () => setOpen(null);
  return (
    <section aria-label="Decal sheets of the house">
      <h2>Sheets in the drawer</h2>
      <p className="pane-actions">
        <Button variant="outlined" onClick={() => setOpen('new')}>
          New sheet
        </Button>
      </p>
      {data.sheets.length > 0 ? (
        <table className="plain">
          <thead>
            <tr>
              <th>Sheet</th>
              <th>Scale</th>
              <th className="num">Printed</th>
              <th className="num">Film, µm</th>
              <th>Condition</th>
              <th className="num">Items</th>
              <th className="num">Pieces left</th>
            </tr>
          </thead>
          <tbody>
            {data.sheets.map((own) => (
              <tr key={own.id}>
                <th scope="row">
                  <button
                    type="button"
                    className="row-button"
                    aria-expanded={open === own.id}
                    onClick={() => setOpen(own.id)}
                  >
                    {own.title}
                  </button>
                </th>
                <td>1/{own.denominator}</td>
                <td className="num">{own.printedOn ?? '–'}</td>
                <td className="num">{own.filmUm ?? '–'}</td>
                <td>{own.condition}</td>
                <td className="num">{own.items.length}</td>
                <td className="num">
                  {own.items.reduce((sum, { count, spoiled }) => sum + Math.max(0, count - spoiled), 0)}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      ) : (
        <p className="dim">
          None yet: what is on a sheet, how high it is printed and what is spoiled says what can stand in for what.
        </p>
      )}
      {open !== null && (sheet || open === 'new') ? (
        <Opened key={open} label={sheet?.title ?? 'New sheet'} onClose={close}>
          <RecordForm
            key={`${open} ${sheet?.version ?? 0}`}
            fields={[
              { name: 'title', label: 'Title', width: 4 },
              { name: 'denominator', label: 'Printed for scale', type: 'scale', width: 2 },
              { name: 'printedOn', label: 'Year', type: 'number', optional: true, width: 2 },
              { name: 'filmUm', label: 'Film', unit: 'µm', type: 'number', optional: true, width: 2 },
              { name: 'condition', label: 'Condition', type: 'choice', options: optionsOf(SHEET_CONDITIONS), width: 2 },
              { name: 'note', label: 'Note', width: 12 },
            ]}
            initial={
              sheet ?? {
                title: '',
                denominator: data.denominator,
                printedOn: null,
                filmUm: null,
                condition: 'untried',
                note: '',
              }
            }
            version={sheet?.version ?? null}
            saveLabel={sheet ? 'Save the sheet' : 'Add the sheet'}
            saved="Sheet saved"
            submit={(values, version, act) =>
              save({
                act,
                briefId: data.briefId,
                station: 'markings',
                entity: 'decal_sheet',
                id: sheet?.id ?? null,
                version,
                fields: values,
              })
            }
            onDone={({ id }) => setOpen(sheet ? null : id)}
            onCancel={close}
            focus={sheet ? null : undefined}
          />
          {sheet ? (
            <>
              <RowsEditor
                key={`items ${sheet.id} ${sheet.version}`}
                title="What is on it"
                columns={ITEM_COLUMNS}
                rows={sheet.items.map(asRow)}
                blank={() =>
                  asRow({
                    key: crypto.randomUUID(),
                    kind: 'lettering',
                    title: 'Letters',
                    letters: '',
                    heightMm: 10,
                    count: 1,
                    spoiled: 0,
                    lab: null,
                  })
                }
                add="Another item"
                most={300}
                onSave={async (rows) => {
                  const items = (rows as unknown as ItemRow[]).map(asItem);
                  const half = items.indexOf(null);
                  return half < 0
                    ? keep('decal_sheet', sheet, { items: items as SheetItem[] }, 'Items saved')
                    : {
                        ok: false,
                        faults: [
                          { field: `items.${half}.L`, says: 'The colour of a print takes all three: L*, a* and b*' },
                        ],
                      };
                }}
              />
              <p>
                <RemoveButton
                  briefId={data.briefId}
                  station="markings"
                  entity="decal_sheet"
                  record={sheet}
                  said="Sheet removed; u brings it back"
                  lossy
                >
                  Remove this sheet
                </RemoveButton>
              </p>
            </>
          ) : null}
        </Opened>
      ) : null}
    </section>
  );
}
