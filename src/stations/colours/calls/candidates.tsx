'use client';

import Button from '@mui/material/Button';
import dynamic from 'next/dynamic';
import { useEffect, useMemo, useRef, useState, type ReactNode } from 'react';
import { chooseColour } from '@/actions/choices';
import { FINISHES, paintLabel, priceInWords } from '@/core/paint/catalogue';
import { CHEMISTRIES, CHEMISTRY_NAMES } from '@/core/paint/chemistry';
import { bestToTake, claimInWords, matchSingle, passes, type Match, type MatchFilter } from '@/core/match/single';
import { paintsByName, type NamedPaint } from '@/core/match/by-name';
import { capital } from '@/core/units/words';
import { parseNumber } from '@/core/units/number';
import { DropBar } from '@/ui/drop-bar';
import { Explained } from '@/ui/explained';
import { useSaving } from '@/ui/saving';
import { ButtedSwatches } from '@/ui/swatch';
import type { ColourCallRow, ColoursPage } from '@/stations/colours/page-data';
import { MATCHES, targetOf } from '@/stations/colours/of-call';
import { differenceFrom } from '../explanations';
import type { OpenedCall } from '../panes';
import { useShelf } from '../shelf';

const BottlesByName = dynamic(() => import('./by-name').then((module) => module.BottlesByName));
const ChipForm = dynamic(() => import('../standards/chip-form').then((module) => module.ChipForm));

/** Everything that could make one call: recipes that were kept, then single paints, the drawer first. */
export function Candidates({ data, call, handy, goTo, onDone }: OpenedCall): ReactNode {
  const { run, busy } = useSaving();
  const [another, setAnother] = useState(false);
  const [filter, setFilter] = useState<MatchFilter>({});
  const choose = async (by: { paintId: string } | { recipeId: string } | null) => {
    const result = await run(
      (act) => chooseColour({ act, briefId: data.briefId, codeId: call.codeId, by }),
      by ? 'Chosen' : 'Choice taken away',
    );
    if (result.ok && by) onDone();
  };
  const record = call.record!;
  const lab = call.lab!;
  const metal = record.kind === 'metallic';
  return (
    <>
      <p className="dim">
        {record.finish}, {record.kind}
        {metal ? `, ground ${record.ground || 'not known'}, darkens aslant (flop): ${record.flop || 'not known'}` : ''};
        chip L* {lab[0].toFixed(1)} a* {lab[1].toFixed(1)} b* {lab[2].toFixed(1)}, ± {call.sd.toFixed(1)} ΔE00.{' '}
        {capital(call.where)}: {call.areaCm2.toFixed(call.areaCm2 < 10 ? 1 : 0)} cm² on the model.
        {call.known.map((says) => ` ${says}.`)}
      </p>
      {call.recipes.length > 0 ? (
        <table className="plain stacked candidate-list">
          <tbody>
            {call.recipes.map((recipe) => (
              <tr key={recipe.record.id}>
                <td className="dim">recipe{recipe.record.tone === 'base' ? '' : `, ${recipe.record.tone}`}</td>
                <td>
                  <ButtedSwatches
                    official={lab}
                    chosen={recipe.lab}
                    label={`${call.code} and the mixture`}
                    width={120}
                  />
                </td>
                <td>
                  <DropBar parts={recipe.drops} />
                  <div>{recipe.label}</div>
                </td>
                <td>
                  {recipe.says}
                  <div className="dim">{recipe.record.observed ? 'as sprayed' : 'as predicted, not sprayed yet'}</div>
                </td>
                <td className="num">{recipe.dE00?.toFixed(1) ?? ''}</td>
                <td>
                  <Button
                    variant={recipe.inUse ? 'contained' : 'outlined'}
                    disabled={busy}
                    onClick={() => choose(recipe.inUse ? null : { recipeId: recipe.record.id })}
                    aria-label={`${recipe.inUse ? 'Do not use' : 'Use'} ${recipe.label}`}
                  >
                    {recipe.inUse ? 'In use' : 'Use'}
                  </Button>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      ) : null}
      <Filtered
        data={data}
        call={call}
        handy={handy}
        filter={filter}
        onFilter={setFilter}
        inUse={call.chosen?.paint.id ?? null}
        onUse={choose}
        busy={busy}
      />
      <Unmeasured data={data} call={call} onDone={onDone} />
      <p className="pane-actions">
        {metal ? null : (
          <Button variant="outlined" onClick={() => goTo('mix', call.code)}>
            Mix it
          </Button>
        )}
        <Button variant="outlined" onClick={() => goTo('layers', call.code)}>
          Over which ground?
        </Button>
        <Button variant="text" onClick={() => setAnother(!another)}>
          Another chip for {call.code}
        </Button>
      </p>
      {another ? <ChipForm data={data} call={call} /> : null}
    </>
  );
}

const isUnmeasured = ({ paint, by }: NamedPaint) => !paint.lab && by !== 'drawer' && by !== 'a word';

/** Paints that nobody measured, and that are called so or claim it. */
function Unmeasured({ data, call, onDone }: { data: ColoursPage; call: ColourCallRow; onDone: () => void }): ReactNode {
  const shelf = useShelf(data.stamp);
  const some = shelf ? paintsByName([call.code, call.name], shelf.paints).some(isUnmeasured) : false;
  if (!some) return null;
  return (
    <details>
      <summary>By name: paints that nobody measured</summary>
      <BottlesByName data={data} call={call} only={isUnmeasured} onDone={onDone} />
    </details>
  );
}

function Filtered({
  data,
  call,
  handy,
  filter,
  onFilter,
  inUse,
  onUse,
  busy,
}: {
  data: ColoursPage;
  call: ColourCallRow;
  handy: boolean;
  filter: MatchFilter;
  onFilter: (filter: MatchFilter) => void;
  inUse: string | null;
  onUse: (by: { paintId: string } | null) => Promise<void>;
  busy: boolean;
}): ReactNode {
  const shelf = useShelf(data.stamp);
  const filtered = Object.values(filter).some((value) => value !== undefined && value !== '');
  const matches = useMemo(
    () =>
      shelf
        ? matchSingle(targetOf(call)!, shelf.paints, MATCHES, filter)
        : call.matches.filter(({ paint }) => passes(paint, filter)),
    [shelf, call, filter],
  );
  const table = useRef<HTMLTableElement>(null);
  // Paints come with the shelf; the one to take is taken in hand as soon as it is there.
  const best = handy ? (bestToTake(matches)?.paint.id ?? null) : null;
  useEffect(() => {
    if (best) table.current?.querySelector<HTMLElement>(`[data-paint="${CSS.escape(best)}"]`)?.focus();
  }, [best]);
  const lines = [...new Set(shelf?.paints.map(({ line }) => line) ?? [])];
  const currencies = [...new Set((shelf?.paints ?? call.matches.map(({ paint }) => paint)).map((p) => p.currency))];
  const [currency = currencies[0] ?? 'EUR', setCurrency] = useState<string>();
  const set = (part: MatchFilter) => onFilter({ ...filter, ...part });
  return (
    <>
      <div className="filters" role="group" aria-label="Only paints of">
        <label>
          Chemistry{' '}
          <select value={filter.chemistry ?? ''} onChange={(event) => set({ chemistry: event.target.value })}>
            <option value="">any</option>
            {CHEMISTRY_NAMES.map((name) => (
              <option key={name} value={name}>
                {CHEMISTRIES[name].title}
              </option>
            ))}
          </select>
        </label>
        <label>
          Line{' '}
          <select value={filter.line ?? ''} onChange={(event) => set({ line: event.target.value })}>
            <option value="">any</option>
            {lines.map((line) => (
              <option key={line}>{line}</option>
            ))}
          </select>
        </label>
        <label>
          Finish{' '}
          <select value={filter.finish ?? ''} onChange={(event) => set({ finish: event.target.value })}>
            <option value="">any</option>
            {FINISHES.map((finish) => (
              <option key={finish}>{finish}</option>
            ))}
          </select>
        </label>
        <label>
          At most{' '}
          <input
            inputMode="decimal"
            size={6}
            aria-label="At most this price"
            onChange={(event) => {
              const price = parseNumber(event.target.value);
              set({
                price: price !== null && price >= 0 ? { mostCents: Math.round(price * 100), currency } : undefined,
              });
            }}
          />{' '}
          {currencies.length > 1 ? null : `${currency} a bottle`}
        </label>
        {currencies.length > 1 ? (
          <select
            aria-label="Currency of the price"
            value={currency}
            title="Prices in other currencies are left out"
            onChange={(event) => {
              setCurrency(event.target.value);
              if (filter.price) set({ price: { ...filter.price, currency: event.target.value } });
            }}
          >
            {currencies.map((name) => (
              <option key={name}>{name}</option>
            ))}
          </select>
        ) : null}
      </div>
      {matches.length === 0 ? (
        <p>
          {filtered ? 'No measured paint passes these filters.' : 'No measured paint of this kind is in the catalogue.'}
        </p>
      ) : (
        <table className="plain stacked candidate-list" ref={table}>
          <thead>
            <tr>
              <th />
              <th>Official | paint</th>
              <th>Paint</th>
              <th>Difference</th>
              <th className="num">{call.record?.kind === 'metallic' ? '' : 'ΔE00'}</th>
              <th>Chemistry, finish</th>
              <th>Drawer</th>
              <th />
            </tr>
          </thead>
          <tbody>
            {matches.map((match, i) => (
              <tr key={match.paint.id}>
                <td className="dim">{groupLabel(matches[i - 1], match)}</td>
                <td>
                  <ButtedSwatches
                    official={call.lab}
                    chosen={match.paint.lab}
                    label={`${call.code} and ${paintLabel(match.paint)}`}
                    width={120}
                  />
                </td>
                <td>
                  <strong>{paintLabel(match.paint)}</strong> {match.paint.name}
                  {match.claimed ? <div className="dim">{claimInWords(match, call.code)}</div> : null}
                </td>
                <td>{match.says}</td>
                <td className="num">
                  {call.record?.kind === 'metallic' ? null : (
                    <Explained says={differenceFrom(call, match.paint)}>{match.dE00.toFixed(1)}</Explained>
                  )}
                </td>
                <td>
                  {CHEMISTRIES[match.paint.chemistry].title}
                  <div className="dim">
                    {match.finishAdvice ?? match.paint.finish}, {match.paint.opacity}
                  </div>
                </td>
                <td>
                  {match.inDrawer ? (
                    `${match.paint.ownedMl.toFixed(0)} ml`
                  ) : (
                    <span className="dim">
                      {priceInWords(match.paint)} for {match.paint.sizeMl} ml
                    </span>
                  )}
                </td>
                <td>
                  <Button
                    variant={inUse === match.paint.id ? 'contained' : 'outlined'}
                    disabled={busy}
                    onClick={() => onUse(inUse === match.paint.id ? null : { paintId: match.paint.id })}
                    data-paint={match.paint.id}
                    aria-label={`${inUse === match.paint.id ? 'Do not use' : 'Use'} ${paintLabel(match.paint)}`}
                  >
                    {inUse === match.paint.id ? 'In use' : 'Use'}
                  </Button>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </>
  );
}

const groupOf = (match: Match) => (match.inDrawer ? 'drawer' : match.claimed ? 'claims it' : 'to be had');
function groupLabel(before: Match | undefined, here: Match): string {
  return before && groupOf(before) === groupOf(here) ? '' : groupOf(here);
}
