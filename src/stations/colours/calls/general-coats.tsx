'use client';

import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import { Fragment, useState, type ReactNode } from 'react';
import { remove, save } from '@/actions/records';
import { weighSave } from '@/actions/weighing';
import type { Fields } from '@/core/kept/records';
import { GENERAL_WAYS } from '@/core/kit/applying';
import { paintLabel, priceInWords, type Paint } from '@/core/paint/catalogue';
import { ROLE_FACTS } from '@/core/paint/coat-roles';
import type { CoatRow } from '@/core/workshop/coat-rows';
import { coatInWords, insteadInWords } from '@/core/workshop/coat-words';
import { counted } from '@/core/units/words';
import type { ColoursPage } from '@/stations/colours/page-data';
import { WhatItTurns } from '@/stations/shell/what-it-turns';
import { ZoneChecks } from '@/stations/shell/zone-checks';
import { useZoneChoice } from '@/stations/shell/zone-choice';
import { Opened } from '@/ui/opened';
import { useSaving } from '@/ui/saving';
import { useShelf } from '../shelf';

/** What a product is entered as. */
const KIND_OF: Readonly<Record<CoatRow['role'], string>> = {
  primer: 'primer',
  shade: 'paint',
  marbling: 'paint',
  gloss: 'gloss clear',
  satin: 'satin clear',
  matt: 'matt clear',
};

/** Products that are offered before all of them are asked for. */
const OFFERED = 8;

const WAYS: readonly (readonly [Fields<'general_coat'>['way'], string])[] = [
  ['', 'as the tools allow'],
  ...GENERAL_WAYS.map((way) => [way, way] as const),
];

/** Primer, shades and clears: of which product, where the route lays them, how much; a row opens into what could serve. */
export function GeneralCoats({ data }: { data: ColoursPage }): ReactNode {
  const [open, setOpen] = useState<string | null>(null);
  return (
    <section className="bar-line" aria-label="Primer, shades and clears">
      <h2 style={{ marginTop: 0 }}>Primer, shades and clears</h2>
      <div className="scroll-x">
        <table className="plain stacked">
          <thead>
            <tr>
              <th scope="col">Coat</th>
              <th scope="col">Where</th>
              <th scope="col">Product</th>
              <th scope="col" className="num">
                Takes
              </th>
              <th scope="col">Goes on by</th>
            </tr>
          </thead>
          <tbody>
            {data.coats.map((row) => (
              <Fragment key={keyOf(row)}>
                <tr>
                  <th scope="row">
                    <button
                      type="button"
                      className="row-button"
                      aria-expanded={open === keyOf(row)}
                      onClick={() => setOpen(keyOf(row))}
                    >
                      {row.title}
                      {row.on ? `, on ${row.on}` : ''}
                    </button>
                  </th>
                  <td>
                    {row.where === ''
                      ? 'not laid in this build'
                      : `${row.where}${row.times > 1 ? `, ${row.times} times` : ''}`}
                  </td>
                  <td>
                    {row.record ? (
                      row.laid
                    ) : (
                      <span className="dim">none chosen: planned as {row.laid.toLowerCase()}</span>
                    )}
                  </td>
                  <td className="num nowrap">{row.neededMl > 0 ? `${row.neededMl.toFixed(1)} ml` : '–'}</td>
                  <td>{row.record ? <WayChoice data={data} row={row} /> : null}</td>
                </tr>
                {open === keyOf(row) ? (
                  <tr className="detail">
                    <td colSpan={5}>
                      <Opened
                        label={`Products for ${coatInWords(row)}`}
                        className=""
                        onClose={() => setOpen(null)}
                        closes
                      >
                        <Products data={data} row={row} onDone={() => setOpen(null)} />
                      </Opened>
                    </td>
                  </tr>
                ) : null}
              </Fragment>
            ))}
          </tbody>
        </table>
      </div>
    </section>
  );
}

/** Where it is laid wherever no other is, a row may have no record yet. */
const keyOf = ({ role, on, record }: CoatRow) => (on && record ? record.id : role);

/** The record as it would be kept with another product, way or place; on zones of its own, another record beside the general one. */
const kept = (data: ColoursPage, { role, record }: CoatRow, fields: Partial<Fields<'general_coat'>>) => ({
  briefId: data.briefId,
  station: 'colours' as const,
  entity: 'general_coat' as const,
  id: record?.id ?? null,
  version: record?.version ?? null,
  fields: { role, way: record?.way ?? ('' as const), zones: record?.zones ?? [], ...fields },
});

function WayChoice({ data, row }: { data: ColoursPage; row: CoatRow }): ReactNode {
  const { run, busy } = useSaving();
  return (
    <select
      value={row.record!.way}
      disabled={busy}
      aria-label={`${row.title}${row.on ? ` on ${row.on}` : ''} goes on by`}
      onChange={(event) => {
        const way = event.target.value as Fields<'general_coat'>['way'];
        void run((act) => save({ act, ...kept(data, row, { way }) }), 'Way kept');
      }}
    >
      {WAYS.map(([way, says]) => (
        <option key={way} value={way}>
          {says}
        </option>
      ))}
    </select>
  );
}

/** What could serve: made for it and owned first. Each says what it changes by itself; the one that is looked at, all that it turns. */
function Products({ data, row, onDone }: { data: ColoursPage; row: CoatRow; onDone: () => void }): ReactNode {
  const { run, busy } = useSaving();
  const shelf = useShelf(data.stamp);
  const { zone, several } = useZoneChoice();
  const [looked, setLooked] = useState<string | null>(null);
  const [all, setAll] = useState(false);
  const chosen = row.places.map(({ key }) => key).filter((key) => key === zone || several.has(key));
  const [on, setOn] = useState<string[]>(row.on ? row.record!.zones : chosen);
  if (!shelf) return <LinearProgress aria-label="Fetching the catalogue" />;
  const { isMadeFor, serves } = ROLE_FACTS[row.role];
  const rank = (paint: Paint) => Number(isMadeFor(paint)) * 2 + Number(paint.ownedMl > 0);
  // A paint serves as primer the better the less colour it has of its own.
  const tint = ({ lab }: Paint) => (lab ? Math.hypot(lab[1], lab[2]) : Infinity);
  const found = shelf.paints.filter(serves).sort((a, b) => rank(b) - rank(a) || tint(a) - tint(b));
  // On zones of its own it stands beside what is laid everywhere.
  const beside = !row.on && on.length > 0 ? { ...row, record: null } : row;
  const asked = (paintId: string) => kept(data, beside, { paintId, zones: on });
  const isChosen = (paint: Paint) => row.record?.paintId === paint.id && same(on, row.record.zones);
  const take = (paint: Paint) =>
    run((act) => save({ act, ...asked(paint.id) }), `${row.title}: ${paintLabel(paint)}`).then(
      (result) => result.ok && onDone(),
    );
  if (found.length === 0)
    return (
      <p>
        Nothing in the catalogue is a {row.title.toLowerCase()}: add one at Drawer, as a {KIND_OF[row.role]}.
      </p>
    );
  return (
    <>
      <p className="dim">For {row.does}.</p>
      {row.places.length > 1 ? <Where row={row} on={on} onMark={setOn} /> : null}
      <table className="plain">
        <tbody>
          {found.slice(0, all ? undefined : OFFERED).map((paint) => (
            <tr key={paint.id}>
              <th scope="row">
                <button
                  type="button"
                  className="row-button"
                  aria-pressed={looked === paint.id}
                  onClick={() => setLooked(paint.id)}
                >
                  {paintLabel(paint)} {paint.name}
                </button>
                {isMadeFor(paint) ? null : <span className="dim"> not made for it</span>}
              </th>
              <td>{paint.ownedMl > 0 ? `${paint.ownedMl.toFixed(0)} ml in the drawer` : priceInWords(paint)}</td>
              <td>{isChosen(paint) ? <strong>chosen</strong> : insteadInWords(paint, row.coat, data.climate)}</td>
              <td className="nowrap">
                {isChosen(paint) ? (
                  <Button
                    size="small"
                    disabled={busy}
                    onClick={() =>
                      void run(
                        (act) =>
                          remove({
                            act,
                            briefId: data.briefId,
                            station: 'colours',
                            entity: 'general_coat',
                            id: row.record!.id,
                            version: row.record!.version,
                          }),
                        'Let go',
                      )
                    }
                  >
                    Let it go
                  </Button>
                ) : (
                  <Button
                    size="small"
                    variant="outlined"
                    disabled={busy || (row.on !== '' && on.length === 0)}
                    onClick={() => void take(paint)}
                  >
                    {on.length > 0 ? `Use it on ${counted(on.length, 'zone')}` : 'Use it'}
                  </Button>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {!all && found.length > OFFERED ? (
        <Button size="small" onClick={() => setAll(true)}>
          All {counted(found.length, 'paint')}
        </Button>
      ) : null}
      <WhatItTurns
        of={looked === row.record?.paintId ? null : looked}
        weigh={(act) => weighSave({ act, ...asked(looked!) })}
      />
    </>
  );
}

const same = (some: readonly string[], others: readonly string[]) =>
  some.length === others.length && some.every((zone) => others.includes(zone));

/** Everywhere, or on some zones only: those chosen on the sheet are marked. */
function Where({ row, on, onMark }: { row: CoatRow; on: string[]; onMark: (zones: string[]) => void }): ReactNode {
  return (
    <details open={on.length > 0}>
      <summary>
        {on.length > 0 ? `Only on ${counted(on.length, 'zone')}` : `Wherever ${row.title.toLowerCase()} goes`}
        {row.on ? '' : on.length > 0 ? '; elsewhere as it is' : ', or only on some zones'}
      </summary>
      <ZoneChecks zones={row.places} marked={on} onMark={onMark} />
    </details>
  );
}
