'use client';

import Button from '@mui/material/Button';
import { useMemo, type ReactNode } from 'react';
import { chooseColour } from '@/actions/choices';
import { recipeLabel, withPaints } from '@/core/derive/recipes';
import { differenceInWords } from '@/core/colour/words';
import type { Shop } from '@/core/match/buying';
import { mixPaints, partsOf } from '@/core/match/mix/cup';
import type { PaintNeed } from '@/core/match/needs';
import { findRecipes } from '@/core/match/mix/find-recipes';
import { matchSingle } from '@/core/match/single';
import { paintLabel, type Paint } from '@/core/paint/catalogue';
import { fullDay } from '@/ui/dates';
import { useSaving } from '@/ui/saving';
import type { ColourCallRow, ColoursPage } from '@/stations/colours/page-data';
import { targetOf } from '@/stations/colours/of-call';
import type { GoTo } from '../panes';

/** Little enough to answer at once; the mixing bench looks further. */
const EFFORT = 60_000;

/** What cannot be had: the best mixture of the drawer, the best substitute that is in stock, or waiting; each with its difference. */
export function InsteadOf({
  data,
  lacking,
  shops,
  paints,
  goTo,
}: {
  data: ColoursPage;
  lacking: readonly PaintNeed[];
  shops: readonly Shop[];
  paints: readonly Paint[];
  goTo: GoTo;
}): ReactNode {
  const inStock = useMemo(
    () => new Set(shops.flatMap(({ offers }) => offers.filter(({ stock }) => stock > 0).map(({ paintId }) => paintId))),
    [shops],
  );
  const calls = [...new Set(lacking.flatMap(({ codes }) => codes))].flatMap(
    (code) => data.calls.find((call) => call.code === code) ?? [],
  );
  return (
    <>
      <h2>When it cannot be had</h2>
      <div className="scroll-x">
        <table className="plain">
          <thead>
            <tr>
              <th>For</th>
              <th>Mix it</th>
              <th>Take another</th>
              <th>Wait</th>
            </tr>
          </thead>
          <tbody>
            {calls.map((call) => (
              <Options
                key={call.code}
                data={data}
                call={call}
                lacking={lacking}
                shops={shops}
                paints={paints}
                inStock={inStock}
                goTo={goTo}
              />
            ))}
          </tbody>
        </table>
      </div>
    </>
  );
}

function Options({
  data,
  call,
  lacking,
  shops,
  paints,
  inStock,
  goTo,
}: {
  data: ColoursPage;
  call: ColourCallRow;
  lacking: readonly PaintNeed[];
  shops: readonly Shop[];
  paints: readonly Paint[];
  inStock: ReadonlySet<string>;
  goTo: GoTo;
}): ReactNode {
  const { run, busy } = useSaving();
  const target = targetOf(call)!;
  const gone = new Set(lacking.map(({ paint }) => paint.id));
  const mixture = useMemo(() => {
    if (target.kind !== 'solid') return null;
    const owned = paints.filter((paint) => paint.ownedMl > 0);
    return findRecipes(target.lab, mixPaints(owned), { effort: EFFORT, top: 1 }).recipes[0] ?? null;
    // The target follows from the call.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [paints, call.code]);
  const other = matchSingle(
    target,
    paints.filter((paint) => !gone.has(paint.id) && (paint.ownedMl > 0 || inStock.has(paint.id) || shops.length === 0)),
    1,
  ).sort((a, b) => a.dE00 - b.dE00)[0];
  const days = shops
    .flatMap(({ offers }) =>
      offers.flatMap(({ paintId, restockOn }) => (gone.has(paintId) && restockOn ? [restockOn] : [])),
    )
    .sort();
  const wait = call.chosen;
  return (
    <tr>
      <th scope="row">
        {call.code} {call.name}
      </th>
      <td>
        {mixture ? (
          <>
            {recipeLabel(withPaints(partsOf(mixture), new Map(paints.map((paint) => [paint.id, paint]))))}:{' '}
            {differenceInWords(target.lab, mixture.lab, mixture.dE00, mixture.sd)}, ΔE00 {mixture.dE00.toFixed(1)} ±{' '}
            {mixture.sd.toFixed(1)}{' '}
            <Button size="small" variant="outlined" onClick={() => goTo('mix', call.code)}>
              At the mixing bench
            </Button>
          </>
        ) : (
          'the drawer mixes nothing for it'
        )}
      </td>
      <td>
        {other ? (
          <>
            {paintLabel(other.paint)} {other.paint.name}
            {other.inDrawer ? ', in the drawer' : ', from the catalogue'}: {other.says}, ΔE00 {other.dE00.toFixed(1)}{' '}
            <Button
              size="small"
              variant="outlined"
              disabled={busy}
              onClick={() =>
                run(
                  (act) =>
                    chooseColour({ act, briefId: data.briefId, codeId: call.codeId, by: { paintId: other.paint.id } }),
                  'Chosen instead',
                )
              }
            >
              Take it
            </Button>
          </>
        ) : (
          'nothing else of its kind'
        )}
      </td>
      <td>
        {days[0] ? `until ${fullDay(days[0])}` : 'no shop says when'}
        {wait ? `: ${wait.says}${wait.dE00 === null ? '' : `, ΔE00 ${wait.dE00.toFixed(1)}`}` : ''}
      </td>
    </tr>
  );
}
