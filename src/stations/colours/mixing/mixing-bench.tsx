'use client';

import { NextThing } from '@/stations/shell/next-thing';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import { useMemo, useState, type ReactNode } from 'react';
import { chooseColour } from '@/actions/choices';
import { BLANK_RECIPE } from '@/core/kept/blank';
import type { Lab } from '@/core/colour/types';
import { differenceInWords } from '@/core/colour/words';
import { chemistryOf, tryRecipe } from '@/core/match/mix/cup';
import { claimInWords, matchSingle } from '@/core/match/single';
import { isMixable, pigmentOfPaint } from '@/core/paint/paint-pigment';
import type { PaintSet } from '@/core/match/sets';
import { listed } from '@/core/units/words';
import { paintLabel, type Paint } from '@/core/paint/catalogue';
import { DropBar } from '@/ui/drop-bar';
import { Explained } from '@/ui/explained';
import { useSaving } from '@/ui/saving';
import { ButtedSwatches } from '@/ui/swatch';
import { useWorker } from '@/ui/use-worker';
import { CallChoice } from '../call-choice';
import { differenceFrom } from '../explanations';
import type { ColourCallRow, ColoursPage } from '@/stations/colours/page-data';
import { dropOf, targetOf, unpainted } from '@/stations/colours/of-call';
import type { PaneProps } from '../panes';
import { useShelf } from '../shelf';
import { FoundRecipes } from './found-recipes';
import { AddPaint, HandRow, type HandPart } from './hand';
import { MakeIt } from './make-it';
import type { MixAnswer, searchMixtures } from '@/core/match/mix/mix-question';
import { TestSpray } from './test-spray';
import { ToneFamily } from './tone-family';
import '../colours.css';

type Api = { searchMixtures: typeof searchMixtures };

/** Recipes in whole drops for one call: found, or set by hand, made, sprayed and corrected. */
export function MixingBench({ data, code, goTo }: PaneProps): ReactNode {
  const shelf = useShelf(data.stamp);
  const calls = data.calls.filter((call) => call.lab && call.record && call.record.kind !== 'metallic');
  const call = calls.find((candidate) => candidate.code === code) ?? unpainted(calls)[0] ?? calls[0];
  if (!call)
    return (
      <NextThing to="evidence" does="Rule a colour at Evidence">
        No colour with a known value is called yet: rule one at Evidence, or give its code a chip under Standards.
      </NextThing>
    );
  return (
    <>
      <div className="filters">
        <CallChoice calls={calls} code={call.code} onChoose={(next) => goTo('mix', next)} />
      </div>
      {shelf ? (
        <Bench key={call.code} data={data} call={call} paints={shelf.paints} sets={shelf.sets} />
      ) : (
        <LinearProgress aria-label="Fetching the catalogue" />
      )}
    </>
  );
}

interface BenchProps {
  data: ColoursPage;
  call: ColourCallRow;
  paints: readonly Paint[];
  sets: readonly PaintSet[];
}

/** The recipe in hand: kept ones, the nearest paint to begin with, and what it comes to. */
function useHand(call: ColourCallRow, paints: readonly Paint[]) {
  const target = call.lab!;
  const byId = useMemo(() => new Map(paints.map((paint) => [paint.id, paint])), [paints]);
  const started = call.recipes.find(({ inUse }) => inUse) ?? call.recipes[0];
  const [recipeId, setRecipeId] = useState<string | null>(started?.record.id ?? null);
  const [hand, setHand] = useState<HandPart[]>(() => {
    if (started) return started.record.parts.map((part) => ({ ...part, kept: 'free' }));
    const [nearest] = matchSingle(targetOf(call)!, paints.filter(isMixable), 1);
    return nearest ? [{ paintId: nearest.paint.id, drops: 4, kept: 'free' }] : [];
  });
  // Constants are dear to derive: once for each paint of the recipe.
  const ids = hand.map(({ paintId }) => paintId).join(' ');
  const known = useMemo(
    () =>
      new Map(
        ids.split(' ').flatMap((id) => {
          const paint = byId.get(id);
          const pigment = paint && pigmentOfPaint(paint);
          return paint && pigment ? [[id, pigment] as const] : [];
        }),
      ),
    [ids, byId],
  );
  const inHand = hand.flatMap((part) =>
    known.has(part.paintId) ? [{ ...part, paint: byId.get(part.paintId)!, ...known.get(part.paintId)! }] : [],
  );
  const tried =
    inHand.length > 0
      ? tryRecipe(
          target,
          inHand.map(({ pigment, sd, drops }) => ({ pigment, sd, count: drops })),
        )
      : null;
  const change = (paintId: string, part: Partial<HandPart>) => {
    setHand(hand.map((item) => (item.paintId === paintId ? { ...item, ...part } : item)));
    setRecipeId(null);
  };
  const take = (parts: readonly { paintId: string; drops: number }[], id: string | null = null) => {
    setHand(
      parts.map((part) => ({ ...part, kept: hand.find(({ paintId }) => paintId === part.paintId)?.kept ?? 'free' })),
    );
    setRecipeId(id);
  };
  const add = (paintId: string, drops: number) => {
    const there = hand.find((part) => part.paintId === paintId);
    take(
      there
        ? hand.map((part) => (part === there ? { ...part, drops: part.drops + drops } : part))
        : [...hand, { paintId, drops }],
      recipeId,
    );
  };
  return { byId, hand, setHand, recipeId, setRecipeId, known, inHand, tried, change, take, add };
}

/** A search for recipes: from which paints, of how many, in how many drops. */
function useSearch(target: Lab, paints: readonly Paint[], hand: readonly HandPart[]) {
  const [pool, setPool] = useState('drawer');
  const [maxPaints, setMaxPaints] = useState(3);
  const [maxDrops, setMaxDrops] = useState(12);
  const [sameChemistry, setSameChemistry] = useState(true);
  const { answer, working, start, stop } = useWorker<Api, MixAnswer>(
    () => new Worker(new URL('../../../workers/mixing.worker.ts', import.meta.url), { type: 'module' }),
  );
  const lines = useMemo(() => [...new Set(paints.map(({ line }) => line))], [paints]);
  const from = useMemo(
    () =>
      paints.filter(
        (paint) =>
          isMixable(paint) &&
          (pool === 'all' ||
            paint.ownedMl > 0 ||
            paint.line === pool ||
            hand.some(({ paintId, kept }) => paintId === paint.id && kept !== 'free')),
      ),
    [paints, pool, hand],
  );
  const search = () =>
    start((api, hear) =>
      api.searchMixtures(
        {
          target,
          paints: from,
          locks: hand
            .filter(({ kept }) => kept !== 'free')
            .map(({ paintId, drops, kept }) => ({ id: paintId, count: kept === 'drops' ? drops : null })),
          maxPaints,
          maxDrops,
          sameChemistry,
        },
        hear,
      ),
    );
  return {
    pool,
    setPool,
    maxPaints,
    setMaxPaints,
    maxDrops,
    setMaxDrops,
    sameChemistry,
    setSameChemistry,
    lines,
    from,
    answer,
    working,
    search,
    stop,
  };
}

function Bench({ data, call, paints, sets }: BenchProps): ReactNode {
  const { run, busy } = useSaving();
  const target = call.lab!;
  const { byId, hand, setHand, recipeId, setRecipeId, known, inHand, tried, change, take, add } = useHand(call, paints);
  const search = useSearch(target, paints, hand);
  const keep = async () => {
    const result = await run(
      (act) =>
        chooseColour({
          act,
          briefId: data.briefId,
          codeId: call.codeId,
          by: recipeId
            ? { recipeId }
            : {
                recipe: {
                  ...BLANK_RECIPE,
                  parts: hand.map(({ paintId, drops }) => ({ paintId, drops })),
                  predicted: tried!.lab,
                  sd: tried!.sd,
                },
              },
        }),
      'The recipe is kept and makes this colour',
    );
    if (result.ok) setRecipeId(result.value);
  };
  const record = call.recipes.find(({ record: kept }) => kept.id === recipeId)?.record ?? null;
  return (
    <>
      <ReadyMade data={data} call={call} paints={paints} sets={sets} />
      <div className="mixing">
        <section aria-label="Recipe in hand">
          <MixtureHead call={call} tried={tried} inHand={inHand} />
          <DropBar parts={inHand.map(({ paint, drops }) => dropOf(paint, drops))} />
          <ul className="hand">
            {hand.map((part) => {
              const paint = byId.get(part.paintId);
              return paint ? (
                <HandRow
                  key={part.paintId}
                  part={part}
                  paint={paint}
                  from={known.get(part.paintId)?.from ?? ''}
                  onDrops={(drops) => change(part.paintId, { drops })}
                  onKept={(kept) => setHand(hand.map((item) => (item === part ? { ...item, kept } : item)))}
                  onOut={() => take(hand.filter((item) => item !== part))}
                />
              ) : null;
            })}
          </ul>
          <AddPaint
            paints={search.from.filter((paint) => !hand.some(({ paintId }) => paintId === paint.id))}
            onAdd={(paintId) => take([...hand, { paintId, drops: 1 }])}
            full={hand.length >= 4}
          />
          <p className="pane-actions">
            <Button
              variant="contained"
              disabled={busy || !tried || (record !== null && call.chosen?.recipeId === record.id)}
              onClick={keep}
            >
              {record ? (call.chosen?.recipeId === record.id ? 'In use' : 'Use this recipe') : 'Keep and use it'}
            </Button>
          </p>
          {call.recipes.length > 0 ? (
            <p className="dim">
              Kept:{' '}
              {call.recipes.map((recipe) => (
                <button
                  key={recipe.record.id}
                  type="button"
                  className="row-button"
                  style={{ marginRight: 12 }}
                  aria-pressed={recipe.record.id === recipeId}
                  onClick={() => take(recipe.record.parts, recipe.record.id)}
                >
                  {recipe.label}
                  {recipe.record.tone === 'base' ? '' : ` (${recipe.record.tone})`}
                </button>
              ))}
            </p>
          ) : null}
        </section>
        <section aria-label="Search">
          <SearchFilters {...search} />
          {search.from.length === 0 ? (
            <p>The drawer holds nothing that can be mixed. Search in a line, or put bottles in the drawer.</p>
          ) : null}
          {search.working ? (
            <LinearProgress variant="determinate" value={100 * (search.answer?.share ?? 0)} aria-label="Searching" />
          ) : null}
          <FoundRecipes
            answer={search.answer}
            working={search.working}
            target={target}
            targetSd={call.sd}
            byId={byId}
            from={search.from.length}
            onTake={take}
          />
        </section>
      </div>
      {tried ? (
        <>
          <MakeIt data={data} parts={inHand} call={call} />
          <TestSpray
            key={record?.id ?? 'new'}
            data={data}
            target={target}
            parts={inHand}
            others={paints.filter(
              (paint) =>
                paint.ownedMl > 0 &&
                isMixable(paint) &&
                paint.chemistry === inHand[0]!.paint.chemistry &&
                !hand.some(({ paintId }) => paintId === paint.id),
            )}
            record={record}
            onAdd={add}
          />
          <ToneFamily data={data} call={call} base={inHand} paints={paints} />
        </>
      ) : null}
    </>
  );
}

type InHand = ReturnType<typeof useHand>['inHand'];
type Tried = ReturnType<typeof useHand>['tried'];

/** The mixture beside its target, how far it is off, and whether it may be mixed at all. */
function MixtureHead({ call, tried, inHand }: { call: ColourCallRow; tried: Tried; inHand: InHand }): ReactNode {
  const target = call.lab!;
  const mixedChemistry =
    chemistryOf(inHand.map(({ paint, drops }) => ({ chemistry: paint.chemistry, drops }))) === null &&
    inHand.length > 1;
  return (
    <div className="mixing-head">
      <ButtedSwatches
        official={target}
        chosen={tried?.lab ?? null}
        label={`${call.code} and the mixture`}
        width={220}
        tall
      />
      <div>
        <strong data-testid="mix-says">
          {tried
            ? differenceInWords(target, tried.lab, tried.dE00, Math.hypot(call.sd, tried.sd))
            : 'nothing in the cup'}
        </strong>
        <div>
          {tried ? (
            <>
              ΔE00{' '}
              <Explained says={differenceFrom(call, { lab: tried.lab, sd: tried.sd })}>
                <span data-testid="mix-de">{tried.dE00.toFixed(2)}</span>
              </Explained>{' '}
              <span className="dim">± {tried.sd.toFixed(1)}</span>
            </>
          ) : null}
        </div>
        {mixedChemistry ? <div className="danger">⚠ Different chemistries in one cup: they may curdle.</div> : null}
      </div>
    </div>
  );
}

/** From which paints, of how many, in how many drops. */
function SearchFilters({
  pool,
  setPool,
  maxPaints,
  setMaxPaints,
  maxDrops,
  setMaxDrops,
  sameChemistry,
  setSameChemistry,
  lines,
  from,
  working,
  search,
  stop,
}: ReturnType<typeof useSearch>): ReactNode {
  return (
    <div className="filters">
      <label>
        From{' '}
        <select value={pool} onChange={(event) => setPool(event.target.value)}>
          <option value="drawer">the drawer</option>
          {lines.map((line) => (
            <option key={line} value={line}>
              the drawer and {line}
            </option>
          ))}
          <option value="all">everything known</option>
        </select>
      </label>
      <label>
        Paints{' '}
        <select value={maxPaints} onChange={(event) => setMaxPaints(Number(event.target.value))}>
          {[1, 2, 3, 4].map((count) => (
            <option key={count}>{count}</option>
          ))}
        </select>
      </label>
      <label>
        Drops{' '}
        <select value={maxDrops} onChange={(event) => setMaxDrops(Number(event.target.value))}>
          {[6, 8, 12, 16, 20].map((count) => (
            <option key={count}>{count}</option>
          ))}
        </select>
      </label>
      <label>
        <input type="checkbox" checked={sameChemistry} onChange={(event) => setSameChemistry(event.target.checked)} />{' '}
        one chemistry
      </label>
      {working ? (
        <Button variant="outlined" onClick={stop}>
          Stop
        </Button>
      ) : (
        <Button variant="contained" disabled={from.length === 0} onClick={search}>
          Find recipes
        </Button>
      )}
    </div>
  );
}

/** A paint that claims the code and comes up to it is named before anything is mixed. */
function ReadyMade({ data, call, paints, sets }: BenchProps): ReactNode {
  const { run, busy } = useSaving();
  const ready = useMemo(
    () => matchSingle(targetOf(call)!, paints, 4).filter(({ claimed, dE00 }) => claimed && dE00 < AS_GOOD_AS_MIXED),
    [call, paints],
  );
  const [best] = ready;
  if (!best || call.chosen?.paint.id === best.paint.id) return null;
  const within = sets.filter(({ line, contents }) => line === best.paint.line && contents.includes(best.paint.number));
  return (
    <p role="note">
      Before you mix: {paintLabel(best.paint)} {best.paint.name} {claimInWords(best, call.code)}
      {best.inDrawer ? `, and ${best.paint.ownedMl.toFixed(0)} ml of it stand in the drawer` : ', and is to be had'}
      {within.length > 0
        ? `, also in the set ${listed(
            within.map(({ name, number }) => name || number),
            'or',
          )}`
        : ''}
      .{' '}
      <Button
        variant="outlined"
        size="small"
        disabled={busy}
        onClick={() =>
          void run(
            (act) => chooseColour({ act, briefId: data.briefId, codeId: call.codeId, by: { paintId: best.paint.id } }),
            'Chosen',
          )
        }
      >
        Use it
      </Button>
    </p>
  );
}

/** Mixtures rarely come nearer than this. */
const AS_GOOD_AS_MIXED = 2;
