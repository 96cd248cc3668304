'use client';

import { useMemo, useState, type ReactNode } from 'react';
import { mixed, type Pigment } from '@/core/colour/kubelka-munk';
import { mixingOrder, scaleTo } from '@/core/match/mix/cup';
import { SPARE_SHARE } from '@/core/match/needs';
import { paintLabel, type Paint } from '@/core/paint/catalogue';
import { coatsOfFilm } from '@/core/paint/planned-coats';
import { CUP_ML, DROPS_PER_ML, planCup } from '@/core/paint/quantity';
import { thinningOf } from '@/core/paint/thinning';
import { counted } from '@/core/units/words';
import { readMeasure } from '@/core/units/measure';
import { DropBar } from '@/ui/drop-bar';
import { Explained } from '@/ui/explained';
import { needFrom } from '../explanations';
import type { ColourCallRow, ColoursPage } from '@/stations/colours/page-data';
import { dropOf } from '@/stations/colours/of-call';

/** The recipe for as much as is needed, in the order in which the drops go in. */
export function MakeIt({
  data,
  parts,
  call,
}: {
  data: ColoursPage;
  parts: readonly { paintId: string; drops: number; paint: Paint; pigment: Pigment }[];
  call: ColourCallRow;
}): ReactNode {
  const main = parts.reduce((a, b) => (b.drops > a.drops ? b : a)).paint;
  const { ratio, thinner: thinnerName } = thinningOf(main);
  // What is in the cup counts, whatever makes the colour now.
  const coats = useMemo(
    () => coatsOfFilm(mixed(parts), main, data.ground, 'from the paints of the mixture'),
    [parts, main, data.ground],
  );
  const cup = planCup(
    { areaCm2: call.areaCm2, coats: coats.coats, ...call.laid.takes },
    { cupMl: CUP_ML, thinRatio: ratio, factor: data.factor },
  );
  const needed = cup.paintMl * (1 + SPARE_SHARE);
  const [text, setText] = useState(needed.toFixed(1));
  const ml = readMeasure(text, 'ml');
  const wanted = ml && ml > 0 && ml <= 500 ? ml : null;
  const scaled = scaleTo(parts, wanted ?? needed);
  const paintOf = new Map(parts.map(({ paintId, paint }) => [paintId, paint]));
  const order = mixingOrder(
    scaled.parts.map((part) => ({ ...part, pigment: parts.find(({ paintId }) => paintId === part.paintId)!.pigment })),
  );
  const total = scaled.parts.reduce((sum, { drops }) => sum + drops, 0);
  const thinner = Math.round(total * ratio);
  const short = scaled.parts.filter(({ paintId, drops }) => {
    const paint = paintOf.get(paintId)!;
    return paint.ownedMl > 0 && paint.ownedMl < drops / DROPS_PER_ML;
  });
  return (
    <section className="bar-line" aria-label="Make it">
      <h2 style={{ marginTop: 0 }}>Make it</h2>
      <div className="filters">
        <label>
          Mix{' '}
          <input
            inputMode="decimal"
            size={5}
            value={text}
            onChange={(event) => setText(event.target.value)}
            aria-invalid={wanted === null}
            aria-label="Millilitres to mix"
          />{' '}
          ml
        </label>
        <span className="dim">
          {wanted === null ? 'between 0.05 and 500 ml; ' : ''}
          <Explained says={needFrom({ ...call, coats, cup, chosen: { thinRatio: ratio } }, data.factor)}>
            {call.areaCm2.toFixed(0)} cm² in {counted(coats.coats, 'coat')} take {cup.paintMl.toFixed(1)} ml of paint
          </Explained>
          , and {Math.round(100 * SPARE_SHARE)} % more for touch-ups and repairs. {scaled.times} times the recipe makes{' '}
          {scaled.ml.toFixed(2)} ml at {DROPS_PER_ML} drops to the millilitre.
        </span>
      </div>
      <DropBar
        parts={[
          ...order.map(({ paintId, drops }) => dropOf(paintOf.get(paintId)!, drops)),
          ...(thinner > 0 ? [{ label: 'thinner', hex: null, drops: thinner }] : []),
        ]}
      />
      <ol className="mixing-order">
        {order.map(({ paintId, drops, oneByOne }, i) => (
          <li key={paintId}>
            <strong>
              {drops} {drops === 1 ? 'drop' : 'drops'} {paintLabel(paintOf.get(paintId)!)}
            </strong>{' '}
            {paintOf.get(paintId)!.name}
            <span className="dim">
              {i === 0 ? ', all of it first' : oneByOne ? ', one drop at a time, stirring each in' : ', stirred in'}
            </span>
          </li>
        ))}
        <li>
          {thinner > 0 ? (
            <>
              <strong>{thinner} drops</strong> {thinnerName}
              <span className="dim">, {ratio} to 1, once the colour is right</span>
            </>
          ) : (
            'no thinner: ready to spray'
          )}
        </li>
      </ol>
      {short.map(({ paintId, drops }) => (
        <p key={paintId}>
          Only {paintOf.get(paintId)!.ownedMl.toFixed(1)} ml of {paintLabel(paintOf.get(paintId)!)} are left; this takes{' '}
          {(drops / DROPS_PER_ML).toFixed(1)} ml.
        </p>
      ))}
    </section>
  );
}
