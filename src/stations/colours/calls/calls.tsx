'use client';

import { NextThing } from '@/stations/shell/next-thing';
import Button from '@mui/material/Button';
import dynamic from 'next/dynamic';
import { Fragment, useRef, useState, type KeyboardEvent, type ReactNode } from 'react';
import { useZoneChoice } from '@/stations/shell/zone-choice';
import { Opened } from '@/ui/opened';
import { DropBar } from '@/ui/drop-bar';
import { Explained } from '@/ui/explained';
import { differenceFrom, needFrom } from '../explanations';
import { ButtedSwatches } from '@/ui/swatch';
import type { ColourCallRow, ColoursPage } from '@/stations/colours/page-data';
import { openedByRow } from '@/ui/rows';
import { useShelf } from '../shelf';
import type { OpenedCall, PaneProps } from '../panes';
import { GeneralCoats } from './general-coats';

const Candidates = dynamic(() => import('./candidates').then((module) => module.Candidates));
const NamesakesInDrawer = dynamic(() => import('./by-name').then((module) => module.NamesakesInDrawer));
const ByName = dynamic(() => import('./by-name').then((module) => module.ByName));

/** Each code that is called, with what makes it; a row opens into everything that could. */
export function Calls({ data, code, goTo }: PaneProps): ReactNode {
  const [open, setOpen] = useState<string | null>(code);
  const { zone } = useZoneChoice();
  // Fetched ahead: a call that is opened needs it at once.
  useShelf(data.stamp);
  const table = useRef<HTMLTableElement>(null);
  const seenTo = useRef(new Set<string>());
  // The call whose first paint is to have the focus.
  const [handy, setHandy] = useState<string | null>(null);
  const rowOf = (of: string) => table.current?.querySelector<HTMLElement>(`[data-code="${CSS.escape(of)}"]`);
  const close = () => {
    setOpen(null);
    setHandy(null);
  };
  /** The next call that lacks a paint, or the one that was just seen to. */
  const goOn = (done: string) => {
    close();
    // Keys are quicker than answers: what was just seen to may not show as chosen yet.
    seenTo.current.add(done);
    const at = data.calls.findIndex(({ code: of }) => of === done);
    const inTurn = [...data.calls.slice(at + 1), ...data.calls.slice(0, at)];
    const next = inTurn.find((call) => call.painted && !call.chosen && !seenTo.current.has(call.code))?.code ?? done;
    requestAnimationFrame(() => rowOf(next)?.querySelector('button')?.focus());
  };
  const onKey = (event: KeyboardEvent) => {
    const of = (event.target as HTMLElement).closest<HTMLElement>('[data-code]')?.dataset.code;
    if (!of || event.key !== 'c' || event.ctrlKey || event.metaKey || event.altKey) return;
    event.preventDefault();
    setHandy(of);
    setOpen(of);
  };
  const shown = data.calls.filter(
    (call) =>
      !zone ||
      call.zones.some((item) => item.key === zone) ||
      call.markings.some((marking) => marking.zones.includes(zone)),
  );
  if (data.calls.length === 0)
    return (
      <NextThing to="evidence" does="Rule a colour at Evidence">
        <strong>No colour is called yet.</strong> A ruling on the colour of a zone at Evidence makes a call; it stands
        here with the paints that come nearest, your drawer first.
      </NextThing>
    );
  return (
    <>
      <NamesakesInDrawer data={data} calls={shown} />
      <div className="scroll-x">
        <table className="plain stacked" ref={table} onKeyDown={onKey}>
          <thead>
            <tr>
              <th scope="col">Code</th>
              <th scope="col">Where</th>
              <th scope="col">Official | chosen</th>
              <th scope="col">Difference</th>
              <th scope="col" className="num">
                ΔE00
              </th>
              <th scope="col">Made from</th>
              <th scope="col">Have it?</th>
            </tr>
          </thead>
          <tbody>
            {shown.map((call) => (
              <Fragment key={call.code}>
                <CallRow data={data} call={call} open={open === call.code} onOpen={() => setOpen(call.code)} />
                {open === call.code ? (
                  <tr className="detail">
                    <td colSpan={7}>
                      <Opened label={`Paints for ${call.code}`} className="" onClose={close} closes>
                        <OpenedCallPane
                          data={data}
                          call={call}
                          handy={handy === call.code}
                          goTo={goTo}
                          onDone={() => goOn(call.code)}
                        />
                      </Opened>
                    </td>
                  </tr>
                ) : null}
              </Fragment>
            ))}
          </tbody>
        </table>
      </div>
      <GeneralCoats data={data} />
      <Chemistry calls={shown} />
      {data.neighbours.length > 0 ? (
        <section className="bar-line">
          <h2 style={{ marginTop: 0 }}>Neighbours on the airframe</h2>
          <table className="plain">
            <thead>
              <tr>
                <th>Pair</th>
                <th className="num">in reality</th>
                <th className="num">in your paints</th>
                <th>So</th>
              </tr>
            </thead>
            <tbody>
              {data.neighbours.map((pair) => (
                <tr key={`${pair.a} ${pair.b}`}>
                  <td>
                    {pair.a} and {pair.b}
                  </td>
                  <td className="num">{pair.officialDE.toFixed(1)}</td>
                  <td className="num">{pair.chosenDE.toFixed(1)}</td>
                  <td>{pair.says}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </section>
      ) : null}
      <p className="dim">
        Differences are{' '}
        <Explained says="CIEDE2000 between the chip and the paint’s own colour under daylight (D65): 1 is just seen side by side, 5 across the room">
          how far apart two colours look
        </Explained>
        , chip and paint; below twice the combined uncertainty they are “can’t tell apart”. A screen is not a paint:
        judge on a spray-out.
      </p>
      <p>
        Take the colours along: <a href={`/briefs/${data.briefId}/palette/card`}>colour card to print</a>,{' '}
        <a href={`/briefs/${data.briefId}/palette/gimp`}>GIMP palette</a>,{' '}
        <a href={`/briefs/${data.briefId}/palette/swatches`}>Adobe swatches</a>,{' '}
        <a href={`/briefs/${data.briefId}/palette/csv`}>CSV</a>,{' '}
        <a href={`/briefs/${data.briefId}/palette/cgats`}>CGATS</a>.
      </p>
    </>
  );
}

/** By colour where it is known, else by name. */
function OpenedCallPane(opened: OpenedCall): ReactNode {
  return opened.call.lab && opened.call.record ? <Candidates {...opened} /> : <ByName {...opened} />;
}

/** What the chosen paints do to one another, each cause once with all places of it, the grave first: before anything is sprayed. */
function Chemistry({ calls }: { calls: readonly ColourCallRow[] }): ReactNode {
  const causes = new Map<string, { grave: boolean; places: Set<string> }>();
  for (const { cause, grave, where } of calls.flatMap(({ chemistry }) => chemistry)) {
    const known = causes.get(cause) ?? { grave, places: new Set<string>() };
    known.places.add(where);
    causes.set(cause, known);
  }
  if (causes.size === 0) return null;
  return (
    <section className="bar-line" aria-label="Chemistry">
      <h2 style={{ marginTop: 0 }}>What goes over what</h2>
      <ul className="reasons">
        {[...causes]
          .sort(([, a], [, b]) => Number(b.grave) - Number(a.grave))
          .map(([cause, { grave, places }]) => (
            <li key={cause}>
              {grave ? <strong className="danger">⚠ </strong> : null}
              {cause}. <span className="dim">{[...places].join('; ')}.</span>
            </li>
          ))}
      </ul>
    </section>
  );
}

function CallRow({
  data,
  call,
  open,
  onOpen,
}: {
  data: ColoursPage;
  call: ColourCallRow;
  open: boolean;
  onOpen: () => void;
}): ReactNode {
  const { chosen } = call;
  return (
    <tr className="opens" data-code={call.code} onClick={openedByRow(onOpen)}>
      <th scope="row">
        <button type="button" className="row-button" aria-expanded={open} onClick={onOpen}>
          <span className="code">{call.code}</span>
        </button>
        <div style={{ fontFamily: 'Atkinson Hyperlegible', fontWeight: 400 }}>{call.name}</div>
      </th>
      <td className="dim">{where(call)}</td>
      <td>
        <ButtedSwatches
          official={call.lab}
          chosen={chosen?.paint.lab ?? null}
          label={`${call.code} and ${chosen ? chosen.label : 'no paint yet'}`}
          width={132}
        />
      </td>
      <td>
        {chosen ? (
          <>
            {chosen.says}
            {call.chemistry.some(({ grave }) => grave) ? (
              <div className="danger" role="note">
                <Explained says={call.chemistry.map(({ says }) => `${says}.`).join(' ')}>⚠ chemistry</Explained>
              </div>
            ) : null}
          </>
        ) : call.lab ? (
          call.nearest.length > 0 ? (
            <ul className="nearest">
              {call.nearest.map(({ paintId, owned, says }) => (
                <li key={paintId}>
                  <span className="dim">{owned ? 'in the drawer:' : 'to be had:'}</span> {says}
                </li>
              ))}
            </ul>
          ) : (
            'no measured paint of this kind: choose one by name'
          )
        ) : (
          'its colour is not known: choose its bottle by name'
        )}
      </td>
      <td className="num">
        {chosen && chosen.dE00 !== null ? (
          <Explained says={differenceFrom(call, chosen.paint)}>{chosen.dE00.toFixed(1)}</Explained>
        ) : null}
      </td>
      <td>
        {chosen ? (
          chosen.recipeId ? (
            <>
              <DropBar parts={chosen.drops} />
              <div>{chosen.label}</div>
            </>
          ) : (
            `${chosen.label} ${chosen.paint.name}`
          )
        ) : (
          <>
            {call.painted ? null : <div className="dim">no paint is needed</div>}
            <Button variant="outlined" size="small" onClick={onOpen}>
              Choose
            </Button>
          </>
        )}
      </td>
      <td className="have">
        {chosen ? (chosen.paint.ownedMl > 0 ? `in the drawer, ${chosen.paint.ownedMl.toFixed(0)} ml` : 'to buy') : ''}
        {call.cup && chosen ? (
          <div className="dim">
            needs <Explained says={needFrom(call, data.factor)}>{call.cup.paintMl.toFixed(1)} ml</Explained>
          </div>
        ) : null}
      </td>
    </tr>
  );
}

function where(call: ColourCallRow): string {
  const titles = [...call.zones.map((zone) => zone.title), ...call.markings.map(({ says }) => says)];
  return titles.length <= 2 ? titles.join('; ') : `${titles[0]} and ${titles.length - 1} more`;
}
