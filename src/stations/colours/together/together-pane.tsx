'use client';

import { NextThing } from '@/stations/shell/next-thing';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import { useState, type ReactNode } from 'react';
import { chooseColours } from '@/actions/choices';
import { BLANK_RECIPE } from '@/core/kept/blank';
import { deltaE00 } from '@/core/colour/difference';
import { hexOf } from '@/core/colour/spaces';
import { compareNeighbours } from '@/core/match/single';
import { paintLabel, type Paint } from '@/core/paint/catalogue';
import { SmallViews } from '@/sheet/small-views';
import { useSheetData } from '@/stations/shell/zone-choice';
import { useSaving } from '@/ui/saving';
import { ButtedSwatches } from '@/ui/swatch';
import { useWorker } from '@/ui/use-worker';
import type { ColoursPage } from '@/stations/colours/page-data';
import { chosenParts } from '@/stations/colours/of-call';
import type { PaneProps } from '../panes';
import { useShelf } from '../shelf';
import { gainsOf } from '@/core/workshop/together';
import type { Made, searchTogether, Solution, TogetherAnswer } from '@/core/workshop/together';

type Api = { searchTogether: typeof searchTogether };

/** One choice for the whole scheme: neighbours keep their relation, few bottles, few lines; two solutions side by side on the airframe. */
export function TogetherPane({ data }: PaneProps): ReactNode {
  const shelf = useShelf(data.stamp);
  if (data.calls.every(({ lab }) => !lab))
    return (
      <NextThing to="evidence" does="Rule a colour at Evidence">
        No colour with a known value is called yet.
      </NextThing>
    );
  return shelf ? (
    <Together data={data} paints={shelf.paints} />
  ) : (
    <LinearProgress aria-label="Fetching the catalogue" />
  );
}

function Together({ data, paints }: { data: ColoursPage; paints: readonly Paint[] }): ReactNode {
  const { run, busy } = useSaving();
  const [pool, setPool] = useState('all');
  const [recipes, setRecipes] = useState(false);
  const [sameChemistry, setSameChemistry] = useState(false);
  const [maxLines, setMaxLines] = useState(0);
  const [lambda, setLambda] = useState(1);
  const [perBottle, setPerBottle] = useState(0.3);
  const [sides, setSides] = useState<[number, number]>([-1, 0]);
  const { answer, working, start, stop } = useWorker<Api, TogetherAnswer>(
    () => new Worker(new URL('../../../workers/together.worker.ts', import.meta.url), { type: 'module' }),
  );
  const calls = data.calls.filter((call) => call.lab && call.record && call.painted);
  const codes = new Set(calls.map(({ code }) => code));
  const edges = data.edges.filter(({ a, b }) => codes.has(a) && codes.has(b));
  const lines = [...new Set(paints.map(({ line }) => line))];
  const from = paints.filter(
    (paint) => pool === 'all' || (pool === 'drawer' ? paint.ownedMl > 0 : paint.line === pool),
  );
  const search = () =>
    start((api, hear) =>
      api.searchTogether(
        {
          calls: calls.map(({ code, lab, sd, record }) => ({ code, lab: lab!, sd, kind: record!.kind })),
          edges,
          paints: from,
          recipes,
          options: { lambda, maxLines: maxLines || null, sameChemistry, perBottle },
        },
        hear,
      ),
    );
  const now = chosenNow(data, edges, paints);
  const solutions = answer?.solutions ?? [];
  const at = (index: number): { title: string; solution: Solution } =>
    index < 0 || !solutions[index]
      ? { title: 'As chosen now', solution: now }
      : { title: index === 0 ? 'Best together' : `Next best ${index}`, solution: solutions[index] };
  const take = (solution: Solution) =>
    run(
      (act) =>
        chooseColours({
          act,
          briefId: data.briefId,
          choices: solution.made.map((made) => ({
            codeId: calls.find(({ code }) => code === made.code)!.codeId,
            by:
              made.parts.length === 1
                ? { paintId: made.parts[0]!.paintId }
                : {
                    recipe: {
                      ...BLANK_RECIPE,
                      parts: made.parts,
                      predicted: made.lab,
                      sd: made.sd,
                      note: 'chosen with the whole scheme',
                    },
                  },
          })),
        }),
      'The whole scheme is chosen',
    );
  return (
    <>
      <div className="filters" role="group" aria-label="One choice for the scheme">
        <label>
          From{' '}
          <select value={pool} onChange={(event) => setPool(event.target.value)}>
            <option value="all">drawer and shops</option>
            <option value="drawer">the drawer alone</option>
            {lines.map((line) => (
              <option key={line} value={line}>
                {line} alone
              </option>
            ))}
          </select>
        </label>
        <label>
          Lines{' '}
          <select value={maxLines} onChange={(event) => setMaxLines(Number(event.target.value))}>
            <option value={0}>any number</option>
            {[1, 2, 3].map((count) => (
              <option key={count} value={count}>
                at most {count}
              </option>
            ))}
          </select>
        </label>
        <label>
          Neighbours’ relation counts{' '}
          <select value={lambda} onChange={(event) => setLambda(Number(event.target.value))}>
            <option value={0}>not at all</option>
            <option value={0.5}>half</option>
            <option value={1}>as much as each colour</option>
            <option value={2}>twice as much</option>
          </select>
        </label>
        <label>
          A bottle to buy is worth{' '}
          <select value={perBottle} onChange={(event) => setPerBottle(Number(event.target.value))}>
            {[0, 0.3, 1, 2].map((value) => (
              <option key={value} value={value}>
                {value} ΔE00
              </option>
            ))}
          </select>
        </label>
        <label>
          <input type="checkbox" checked={sameChemistry} onChange={(event) => setSameChemistry(event.target.checked)} />{' '}
          one chemistry
        </label>
        <label>
          <input type="checkbox" checked={recipes} onChange={(event) => setRecipes(event.target.checked)} /> mixtures
          from the drawer too
        </label>
        {working ? (
          <Button variant="outlined" onClick={stop}>
            Stop
          </Button>
        ) : (
          <Button variant="contained" onClick={search}>
            Choose for all {calls.length}
          </Button>
        )}
      </div>
      {working ? (
        <LinearProgress variant="determinate" value={100 * (answer?.share ?? 0)} aria-label="Choosing" />
      ) : null}
      {answer?.why ? <p role="alert">There is no such choice: {answer.why}.</p> : null}
      {solutions.length > 0 ? (
        <p className="dim">
          {answer!.proven
            ? 'No better choice exists.'
            : answer!.gap < 0.005
              ? 'No choice that is better by anything worth naming exists.'
              : `A better choice may exist, by at most ${answer!.gap.toFixed(2)} of ${solutions[0]!.F.toFixed(1)}.`}
        </p>
      ) : null}
      <div className="side-by-side">
        {sides.map((index, side) => {
          const { title, solution } = at(index);
          return (
            <section key={side} aria-label={`${side === 0 ? 'Left' : 'Right'}: ${title}`}>
              <div className="filters">
                <select
                  aria-label={side === 0 ? 'On the left' : 'On the right'}
                  value={solutions[index] ? index : -1}
                  onChange={(event) =>
                    setSides(
                      sides.map((value, i) => (i === side ? Number(event.target.value) : value)) as [number, number],
                    )
                  }
                >
                  <option value={-1}>As chosen now</option>
                  {solutions.map((_, i) => (
                    <option key={i} value={i}>
                      {at(i).title}
                    </option>
                  ))}
                </select>
                {solutions[index] ? (
                  <Button variant="outlined" disabled={busy} onClick={() => take(solution)}>
                    Take it
                  </Button>
                ) : null}
              </div>
              <OnAirframe data={data} made={solution.made} idPrefix={side === 0 ? 'left' : 'right'} />
              <p className="dim">
                {solution.buy.length === 0 ? 'Nothing to buy' : `${solution.buy.length} to buy`}, {solution.lines}{' '}
                {solution.lines === 1 ? 'line' : 'lines'};{' '}
                {solution.made.length > 0
                  ? `worst ΔE00 ${Math.max(...solution.made.map(({ dE00 }) => dE00)).toFixed(1)}`
                  : 'nothing is chosen'}
              </p>
              <SchemeTable data={data} solution={solution} />
              <ToBuy solution={solution} paints={paints} />
            </section>
          );
        })}
      </div>
    </>
  );
}

/** What is chosen now as a solution to compare with. */
function chosenNow(data: ColoursPage, edges: readonly { a: string; b: string }[], paints: readonly Paint[]): Solution {
  const byId = new Map(paints.map((paint) => [paint.id, paint]));
  const made = data.calls.flatMap((call): Made[] => {
    const lab = call.chosen?.paint.lab;
    if (!call.lab || !lab) return [];
    const parts = chosenParts(call);
    return [
      {
        code: call.code,
        label: call.chosen!.recipeId ? call.chosen!.label : `${call.chosen!.label} ${call.chosen!.paint.name}`,
        parts,
        lab,
        dE00: deltaE00(call.lab, lab),
        sd: 0,
      },
    ];
  });
  const of = (code: string) => {
    const item = made.find((candidate) => candidate.code === code);
    return item ? { code, official: data.calls.find((call) => call.code === code)!.lab!, chosen: item.lab } : null;
  };
  const used = [...new Set(made.flatMap(({ parts }) => parts.map(({ paintId }) => paintId)))].flatMap(
    (id) => byId.get(id) ?? [],
  );
  return {
    F: 0,
    made,
    pairs: edges.flatMap(({ a, b }) => {
      const [one, other] = [of(a), of(b)];
      return one && other ? compareNeighbours([one, other]) : [];
    }),
    buy: used.filter(({ ownedMl }) => ownedMl === 0).map(({ id }) => id),
    gains: gainsOf(
      made,
      data.calls.flatMap(({ code, lab, record }) => (lab && record ? [{ code, lab, kind: record.kind }] : [])),
      paints,
    ),
    lines: new Set(used.map(({ line }) => line)).size,
  };
}

function OnAirframe({
  data,
  made,
  idPrefix,
}: {
  data: ColoursPage;
  made: readonly Made[];
  idPrefix: string;
}): ReactNode {
  const sheet = useSheetData();
  if (!sheet) return null;
  const colours = new Map(
    made.flatMap(({ code, lab }) =>
      data.calls.find((call) => call.code === code)!.zones.map(({ key }) => [key, hexOf(lab)] as const),
    ),
  );
  return <SmallViews data={sheet} width={190} idPrefix={idPrefix} colourOf={(zone) => colours.get(zone) ?? null} />;
}

function SchemeTable({ data, solution }: { data: ColoursPage; solution: Solution }): ReactNode {
  const flagged = solution.pairs.filter(({ says }) => says !== 'the contrast is kept');
  // Every call has its row, so that two solutions side by side can be read across.
  const rows = data.calls
    .filter(({ lab }) => lab)
    .map(({ code, lab }) => ({ code, lab, made: solution.made.find((made) => made.code === code) }));
  const nameOf = (code: string) => data.calls.find((call) => call.code === code)?.name || code;
  return (
    <>
      <table className="plain">
        <tbody>
          {rows.map(({ code, lab, made }) => (
            <tr key={code}>
              <td>
                <ButtedSwatches
                  official={lab}
                  chosen={made?.lab ?? null}
                  label={`${code} and ${made?.label ?? 'no paint yet'}`}
                  width={72}
                />
              </td>
              <th scope="row">{code}</th>
              <td>{made?.label ?? <span className="dim">no paint yet</span>}</td>
              <td className="num">{made?.dE00.toFixed(1) ?? ''}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {flagged.length > 0 ? (
        <>
          <h3>Neighbours to mind</h3>
          <ul className="flags">
            {flagged.map(({ a, b, officialDE, chosenDE, says }) => (
              <li key={`${a} ${b}`}>
                {nameOf(a)} and {nameOf(b)}: {says}{' '}
                <span className="dim">
                  ({officialDE.toFixed(1)} in reality, {chosenDE.toFixed(1)} here)
                </span>
              </li>
            ))}
          </ul>
        </>
      ) : null}
    </>
  );
}

/** Each bottle to buy with what it gains: one that gains nothing is not bought. */
function ToBuy({ solution, paints }: { solution: Solution; paints: readonly Paint[] }): ReactNode {
  if (solution.buy.length === 0) return null;
  const gain = new Map(solution.gains.map(({ paintId, says }) => [paintId, says]));
  return (
    <>
      <h3>To buy</h3>
      <ul className="flags">
        {solution.buy.map((id) => {
          const paint = paints.find((candidate) => candidate.id === id)!;
          return (
            <li key={id}>
              {paintLabel(paint)} {paint.name} <span className="dim">{gain.get(id)}</span>
            </li>
          );
        })}
      </ul>
    </>
  );
}
