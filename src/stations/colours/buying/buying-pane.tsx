'use client';

import { NextThing } from '@/stations/shell/next-thing';
import Link from 'next/link';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import { useEffect, useMemo, useState, type ReactNode } from 'react';
import { putInDrawer } from '@/actions/paints';
import { shopsFor } from '@/actions/services';
import { CurrencyFault, planBuying, type BuyingPlan, type Shop } from '@/core/match/buying';
import { paintNeeds, SPARE_SHARE, type PaintNeed } from '@/core/match/needs';
import { paintInFull, paintLabel, type Paint } from '@/core/paint/catalogue';
import { coatInWords } from '@/core/workshop/coat-words';
import { parseNumber } from '@/core/units/number';
import { counted, listed } from '@/core/units/words';
import { fullDay } from '@/ui/dates';
import { Explained } from '@/ui/explained';
import { useSaving } from '@/ui/saving';
import type { ColoursPage } from '@/stations/colours/page-data';
import { chosenParts } from '@/stations/colours/of-call';
import type { PaneProps } from '../panes';
import { needFrom } from '../explanations';
import { useShelf } from '../shelf';
import { InsteadOf } from './instead-of';
import { Sets } from './sets';
import { MeasureOut } from './measure-out';

const money = (cents: number, currency: string) => `${(cents / 100).toFixed(2)} ${currency}`;

/** What is missing, what it costs where, and what to do about what cannot be had; then how much of it goes in the cup. */
export function BuyingPane({ data, goTo }: PaneProps): ReactNode {
  const shelf = useShelf(data.stamp);
  return (
    <>
      {shelf ? (
        <>
          <Sets data={data} shelf={shelf} />
          <Buying data={data} paints={shelf.paints} goTo={goTo} />
        </>
      ) : (
        <LinearProgress aria-label="Fetching the catalogue" />
      )}
      <MeasureOut data={data} />
    </>
  );
}

/** What each chosen call takes of which paint, and each coat of a chosen product. */
const needsOf = (data: ColoursPage) => [
  ...data.calls.flatMap((call) =>
    call.chosen && call.cup && call.areaCm2 > 0
      ? [{ code: call.code, paintMl: call.cup.paintMl, parts: chosenParts(call) }]
      : [],
  ),
  ...data.coats.flatMap((row) =>
    row.record && row.neededMl > 0
      ? [{ code: coatInWords(row), paintMl: row.neededMl, parts: [{ paintId: row.record.paintId, drops: 1 }] }]
      : [],
  ),
];

function Buying({
  data,
  paints,
  goTo,
}: {
  data: ColoursPage;
  paints: readonly Paint[];
  goTo: PaneProps['goTo'];
}): ReactNode {
  const { run, busy } = useSaving();
  const needs = useMemo(() => paintNeeds(needsOf(data), paints, data.today), [data, paints]);
  const missing = needs.filter(({ bottles }) => bottles > 0);
  const ids = missing.map(({ paint }) => paint.id).join(' ');
  const [shops, setShops] = useState<Shop[] | null>(null);
  const [fault, setFault] = useState('');
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const [rates, setRates] = useState<Record<string, string>>({});
  // Each time they are asked again the question is put anew.
  const [asked, setAsked] = useState(1);
  useEffect(() => {
    let stale = false;
    if (ids === '') return;
    void shopsFor({ paintIds: ids.split(' ') }).then((result) => {
      if (stale) return;
      setFault(
        result.ok
          ? ''
          : 'faults' in result
            ? result.faults.map(({ says }) => says).join(' ')
            : 'They could not be asked.',
      );
      if (result.ok) setShops(result.value);
    });
    return () => {
      stale = true;
    };
  }, [ids, asked]);
  const visited = (shops ?? []).filter(({ id }) => !left.has(id));
  // What the first shop asks for is added up; catalogue prices only tell what to expect.
  const currency = visited[0]?.currency ?? missing[0]?.paint.currency ?? 'EUR';
  const abroad = missing.filter(({ paint }) => !(shops ?? []).some((shop) => shop.currency === paint.currency));
  const plan = planned(missing, visited, currency, rates);
  const foreign = [...new Set((shops ?? []).map((shop) => shop.currency))].filter((other) => other !== currency);
  const lacking = 'plan' in plan ? plan.plan.lacking : [];
  return (
    <section>
      <h2 style={{ marginTop: 0 }}>What is missing</h2>
      {needs.length === 0 ? (
        <NextThing to="colours" does="Choose paints under Needed">
          Nothing is chosen yet, so nothing is needed.
        </NextThing>
      ) : null}
      {needs.length > 0 && missing.length === 0 ? <p>The drawer holds enough of every colour that is chosen.</p> : null}
      {needs.length > 0 ? <Beside data={data} /> : null}
      {needs.length > 0 ? <Needs data={data} needs={needs} /> : null}
      {missing.length > 0 ? (
        <>
          <h2>Where to buy it</h2>
          <p className="dim">
            These three shops are invented: they stand in for real ones, which this house does not ask, and their stock
            changes by the day and the hour. What you really pay is typed as the price of a paint in the{' '}
            <Link href={`/briefs/${data.briefId}/colours?show=drawer`}>Paints and drawer</Link>, or taken there from a
            table with a column of prices.{' '}
            <Button variant="outlined" size="small" onClick={() => setAsked(asked + 1)}>
              Ask them again
            </Button>
          </p>
          {fault ? <p role="alert">{fault}</p> : null}
          {shops ? (
            <div className="filters" role="group" aria-label="Shops">
              {shops.map((shop) => (
                <label key={shop.id}>
                  <input
                    type="checkbox"
                    checked={!left.has(shop.id)}
                    onChange={(event) =>
                      setLeft(
                        new Set(event.target.checked ? [...left].filter((id) => id !== shop.id) : [...left, shop.id]),
                      )
                    }
                  />{' '}
                  {shop.name}{' '}
                  <span className="dim">
                    postage {money(shop.postageCents, shop.currency)}
                    {shop.freeFromCents === null ? '' : `, free from ${money(shop.freeFromCents, shop.currency)}`}
                  </span>
                </label>
              ))}
              {foreign.map((other) => (
                <label key={other}>
                  1 {other} is{' '}
                  <input
                    size={6}
                    inputMode="decimal"
                    value={rates[other] ?? ''}
                    onChange={(event) => setRates({ ...rates, [other]: event.target.value })}
                  />{' '}
                  {currency}
                </label>
              ))}
            </div>
          ) : fault ? null : (
            <LinearProgress aria-label="Asking the shops" />
          )}
          {shops && abroad.length > 0 ? (
            <p>
              {abroad.map(({ paint }) => `${paintLabel(paint)} is priced in ${paint.currency}`).join(', ')}: none of
              these shops sells in that currency.
            </p>
          ) : null}
          {shops && 'fault' in plan ? <p role="alert">{plan.fault}</p> : null}
          {shops && 'plan' in plan ? (
            <Plan
              plan={plan.plan}
              shops={shops}
              paints={paints}
              onCame={() =>
                run(
                  (act) =>
                    putInDrawer({
                      act,
                      briefId: data.briefId,
                      bottles: plan.plan.parcels.flatMap(({ lines }) =>
                        lines.map(({ paintId, bottles }) => ({ paintId, count: bottles })),
                      ),
                    }),
                  'The bottles stand in the drawer',
                )
              }
              busy={busy}
            />
          ) : null}
          {shops && lacking.length > 0 ? (
            <InsteadOf
              data={data}
              lacking={lacking.map(({ paintId }) => missing.find(({ paint }) => paint.id === paintId)!)}
              shops={shops}
              paints={paints}
              goTo={goTo}
            />
          ) : null}
        </>
      ) : null}
    </section>
  );
}

function planned(
  missing: readonly PaintNeed[],
  shops: readonly Shop[],
  currency: string,
  rates: Record<string, string>,
): { plan: BuyingPlan } | { fault: string } {
  const numbers = Object.fromEntries(Object.entries(rates).map(([code, text]) => [code, parseNumber(text) ?? 0]));
  try {
    return {
      plan: planBuying(
        missing.map(({ paint, bottles }) => ({ paintId: paint.id, bottles })),
        shops,
        currency,
        numbers,
      ),
    };
  } catch (error) {
    if (error instanceof CurrencyFault) return { fault: error.message };
    throw error;
  }
}

/** What belongs to everything and is in no catalogue: said, so that nobody takes the colours for all. */
function Beside({ data: { beside, open, tapeM } }: { data: ColoursPage }): ReactNode {
  return (
    <p className="dim">
      {open > 0 ? `What ${counted(open, 'open answer')} will take is not in it. ` : ''}
      Beside the colours this build takes about {listed(beside.map(({ what, ml }) => `${ml.toFixed(0)} ml ${what}`))},
      and {tapeM > 0 ? `${tapeM.toFixed(2)} m of tape for the edges of its colours` : 'tape'}. Other masks and decals:
      look after those yourself.
    </p>
  );
}

/** How much each colour takes of it, and the reserve. */
const neededFrom = (data: ColoursPage, codes: readonly string[]): string =>
  [
    ...data.calls
      .filter(({ code }) => codes.includes(code))
      .map((call) => `${call.code}: ${needFrom(call, data.factor)}`),
    ...data.coats
      .filter((row) => codes.includes(coatInWords(row)))
      .map(
        ({ title, neededMl, times, where }) =>
          `${title}: ${neededMl.toFixed(1)} ml for ${where}${times > 1 ? `, ${times} times` : ''}.`,
      ),
    `And ${Math.round(SPARE_SHARE * 100)} % in reserve.`,
  ].join(' ');

function Needs({ data, needs }: { data: ColoursPage; needs: readonly PaintNeed[] }): ReactNode {
  return (
    <table className="plain">
      <thead>
        <tr>
          <th>Paint</th>
          <th>For</th>
          <th className="num">Needed, ml</th>
          <th className="num">In the drawer, ml</th>
          <th className="num">Bottles to buy</th>
        </tr>
      </thead>
      <tbody>
        {needs.map(({ paint, neededMl, haveMl, bottles, codes }) => (
          <tr key={paint.id}>
            <th scope="row">
              {paintLabel(paint)} {paint.name}
            </th>
            <td className="dim">{codes.join(', ')}</td>
            <td className="num">
              <Explained says={neededFrom(data, codes)}>{neededMl.toFixed(1)}</Explained>
            </td>
            <td className="num">{haveMl.toFixed(1)}</td>
            <td className="num">{bottles === 0 ? '–' : `${bottles} of ${paint.sizeMl} ml`}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function Plan({
  plan,
  shops,
  paints,
  onCame,
  busy,
}: {
  plan: BuyingPlan;
  shops: readonly Shop[];
  paints: readonly Paint[];
  onCame: () => void;
  busy: boolean;
}): ReactNode {
  const labelOf = (id: string) => {
    const paint = paints.find((candidate) => candidate.id === id);
    return paint ? paintInFull(paint) : id;
  };
  if (plan.parcels.length === 0) return <p>None of it is in stock in these shops.</p>;
  return (
    <>
      <p>
        <strong>
          {money(plan.totalCents, plan.currency)} in {plan.parcels.length}{' '}
          {plan.parcels.length === 1 ? 'parcel' : 'parcels'}
        </strong>
        {plan.lacking.length === 0 ? ' covers everything' : ' covers what can be had'}
        {plan.proven ? '; no cheaper way exists.' : '; a cheaper way may exist.'}
      </p>
      <table className="plain">
        <thead>
          <tr>
            <th>Shop</th>
            <th>Paints</th>
            <th className="num">Goods</th>
            <th className="num">Postage</th>
          </tr>
        </thead>
        <tbody>
          {plan.parcels.map((parcel) => (
            <tr key={parcel.shopId}>
              <th scope="row">{shops.find(({ id }) => id === parcel.shopId)!.name}</th>
              <td>
                {parcel.lines
                  .map(
                    ({ paintId, bottles, cents }) => `${bottles} × ${labelOf(paintId)} ${money(cents, plan.currency)}`,
                  )
                  .join('; ')}
              </td>
              <td className="num">{money(parcel.goodsCents, plan.currency)}</td>
              <td className="num">{parcel.postageCents === 0 ? 'free' : money(parcel.postageCents, plan.currency)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {plan.lacking.length > 0 ? (
        <p>
          Not to be had: {plan.lacking.map(({ paintId, bottles }) => `${bottles} × ${labelOf(paintId)}`).join(', ')}
          {restock(plan, shops)}.
        </p>
      ) : null}
      <p className="pane-actions">
        <Button variant="outlined" disabled={busy} onClick={onCame}>
          They have come: put them in the drawer
        </Button>
      </p>
    </>
  );
}

function restock(plan: BuyingPlan, shops: readonly Shop[]): string {
  const days = shops.flatMap(({ offers }) =>
    offers
      .filter(({ paintId, restockOn }) => restockOn && plan.lacking.some((item) => item.paintId === paintId))
      .map(({ restockOn }) => restockOn!),
  );
  const [first] = days.sort();
  return first ? `; the first shop expects some on ${fullDay(first)}` : '';
}
