import Button from '@mui/material/Button';
import dynamic from 'next/dynamic';
import { useEffect, useMemo, useRef, useState, type ReactNode } from 'react';
import { thisIsIt } from '@/actions/choices';
import { paintsByName, type KnownBy, type NamedPaint } from '@/core/match/by-name';
import { paintInFull, paintLabel, priceInWords } from '@/core/paint/catalogue';
import { CHEMISTRIES } from '@/core/paint/chemistry';
import { plainWords } from '@/core/units/text';
import { listed } from '@/core/units/words';
import { useSaving } from '@/ui/saving';
import type { ColourCallRow, ColoursPage } from '@/stations/colours/page-data';
import type { OpenedCall } from '../panes';
import { useShelf } from '../shelf';

const ChipForm = dynamic(() => import('../standards/chip-form').then((module) => module.ChipForm));

/**
 * A colour that nobody measured: a bottle is chosen for it by its name, and stays one of which nothing is compared and nothing mixed, until
 * its colour is known.
 */
export function ByName({ data, call, handy, goTo, onDone }: OpenedCall): ReactNode {
  const [colouring, setColouring] = useState(false);
  return (
    <>
      <p>
        Nobody has measured <strong className="code">{call.code}</strong>: choose its bottle by name. Until its colour
        is known nothing is compared with it, and nothing mixed for it.
      </p>
      <BottlesByName data={data} call={call} handy={handy} onDone={onDone} />
      <p className="pane-actions">
        <Button variant={colouring ? 'contained' : 'outlined'} onClick={() => setColouring(!colouring)}>
          Say its colour: measured, by eye, or in numbers
        </Button>
        <Button variant="text" onClick={() => goTo('drawer')}>
          Put bottles into the drawer
        </Button>
      </p>
      {colouring ? <ChipForm data={data} call={call} /> : null}
    </>
  );
}

/** Calls without a paint for which one bottle of the drawer is called the same, or claims it: taken for all of them with one press. */
export function NamesakesInDrawer({ data, calls }: { data: ColoursPage; calls: readonly ColourCallRow[] }): ReactNode {
  const { run, busy } = useSaving();
  const shelf = useShelf(data.stamp);
  const bottles = useMemo(
    () =>
      calls.flatMap(({ code, name, chosen, lab }) => {
        if (chosen || lab || !shelf) return [];
        const same = paintsByName([code, name], shelf.paints).filter(
          ({ paint, by }) => paint.ownedMl > 0 && (by === 'claim' || by === 'name'),
        );
        return same.length === 1 ? [{ code, paintId: same[0]!.paint.id, label: paintLabel(same[0]!.paint) }] : [];
      }),
    [calls, shelf],
  );
  if (bottles.length === 0) return null;
  const named = bottles.map(({ code, label }) => `${label} for ${code}`);
  return (
    <p>
      <Button
        variant="outlined"
        disabled={busy}
        onClick={() =>
          void run(
            (act) =>
              thisIsIt({
                act,
                briefId: data.briefId,
                bottles: bottles.map(({ code, paintId }) => ({ code, paintId })),
              }),
            `Taken by name: ${listed(named)}`,
          )
        }
      >
        {bottles.length === 1
          ? 'Take the bottle that is called so'
          : `Take the ${bottles.length} bottles that are called so`}
      </Button>{' '}
      <span className="dim">{listed(named)}</span>
    </p>
  );
}

/** Bottles that may be a colour by what they are called; any other is found by its name. */
export function BottlesByName({
  data,
  call,
  handy = false,
  onDone,
  only = () => true,
}: {
  data: ColoursPage;
  call: ColourCallRow;
  handy?: boolean;
  onDone: () => void;
  only?: (named: NamedPaint) => boolean;
}): ReactNode {
  const { run, busy } = useSaving();
  const shelf = useShelf(data.stamp);
  const [text, setText] = useState('');
  const table = useRef<HTMLTableElement>(null);
  const wanted = useMemo(() => [call.code, call.name], [call.code, call.name]);
  const found = useMemo(() => {
    if (!shelf) return null;
    const words = plainWords(text);
    if (words.length === 0) return paintsByName(wanted, shelf.paints).filter(only);
    return shelf.paints
      .filter((paint) => {
        const own = plainWords(paintInFull(paint)).join(' ');
        return words.every((word) => own.includes(word));
      })
      .slice(0, MOST_FOUND)
      .map((paint): NamedPaint => ({ paint, by: 'words', says: '' }));
  }, [shelf, text, wanted, only]);
  // A bottle that is only somewhere in the drawer is not taken by a quick second press.
  const first = handy && found?.[0] && SURE.has(found[0].by) ? found[0].paint.id : null;
  useEffect(() => {
    if (first) table.current?.querySelector<HTMLElement>(`[data-paint="${CSS.escape(first)}"]`)?.focus();
  }, [first]);
  const search = useRef<HTMLInputElement>(null);
  const isThere = found !== null;
  useEffect(() => {
    if (handy && isThere && !first) search.current?.focus();
  }, [handy, isThere, first]);
  if (!found) return <p role="status">Looking through the catalogue…</p>;
  const take = async (paintId: string, label: string) => {
    const result = await run(
      (act) => thisIsIt({ act, briefId: data.briefId, bottles: [{ code: call.code, paintId }] }),
      `${label} is ${call.name || call.code}`,
    );
    if (result.ok) onDone();
  };
  return (
    <>
      <div className="filters">
        <label>
          Any bottle called{' '}
          <input ref={search} type="search" value={text} onChange={({ target }) => setText(target.value)} size={24} />
        </label>
      </div>
      {found.length === 0 ? (
        <p>
          {shelf!.paints.length === 0
            ? 'The catalogue has no paint yet.'
            : text
              ? 'No paint of the catalogue is called so.'
              : 'No paint is called so, and the drawer is empty: type another name.'}
        </p>
      ) : (
        <table className="plain stacked candidate-list" ref={table}>
          <thead>
            <tr>
              <th>Paint</th>
              <th>Known by</th>
              <th>Chemistry, finish</th>
              <th>Drawer</th>
              <th />
            </tr>
          </thead>
          <tbody>
            {found.map(({ paint, says }) => {
              const isIt = call.chosen?.paint.id === paint.id;
              return (
                <tr key={paint.id}>
                  <td>
                    <strong>{paintLabel(paint)}</strong> {paint.name}
                  </td>
                  <td>{says || 'its name'}</td>
                  <td>
                    {CHEMISTRIES[paint.chemistry].title}
                    <div className="dim">{paint.finish}</div>
                  </td>
                  <td>
                    {paint.ownedMl > 0 ? (
                      `${paint.ownedMl.toFixed(0)} ml`
                    ) : (
                      <span className="dim">to buy, {priceInWords(paint)}</span>
                    )}
                  </td>
                  <td>
                    <Button
                      variant={isIt ? 'contained' : 'outlined'}
                      disabled={busy || isIt}
                      data-paint={paint.id}
                      aria-label={`${isIt ? 'It is' : 'This is it:'} ${paintLabel(paint)}`}
                      onClick={() => void take(paint.id, paintLabel(paint))}
                    >
                      {isIt ? 'It is' : 'This is it'}
                    </Button>
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      )}
    </>
  );
}
const MOST_FOUND = 20;
const SURE: ReadonlySet<KnownBy> = new Set(['claim', 'name', 'words']);
