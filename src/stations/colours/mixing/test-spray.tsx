'use client';

import Button from '@mui/material/Button';
import dynamic from 'next/dynamic';
import { useState, type ReactNode } from 'react';
import { keepTestSpray } from '@/actions/choices';
import type { Kept } from '@/core/kept/records';
import { readLook, SAY_IT_AS } from '@/core/colour/observation';
import type { Pigment } from '@/core/colour/kubelka-munk';
import type { Lab } from '@/core/colour/types';
import { correct, type Correction } from '@/core/match/mix/correct';
import { pigmentOfPaint, strengthOf } from '@/core/paint/paint-pigment';
import { paintInFull, type Paint } from '@/core/paint/catalogue';
import { useSaving } from '@/ui/saving';
import { ButtedSwatches } from '@/ui/swatch';
import type { ColoursPage } from '@/stations/colours/page-data';

const MeasureColour = dynamic(() => import('../measure/measure-colour').then((module) => module.MeasureColour));

interface Part {
  paintId: string;
  drops: number;
  paint: Paint;
  pigment: Pigment;
}

/** Less than this nobody's bottle differs by: not worth keeping. */
const LEARNT_FROM = 0.03;

/** What a test spray showed, the next drop that follows from it, and what it taught about the bottles. */
export function TestSpray({
  data,
  target,
  parts,
  others,
  record,
  onAdd,
}: {
  data: ColoursPage;
  target: Lab;
  parts: readonly Part[];
  others: readonly Paint[];
  record: Kept<'recipe'> | null;
  onAdd: (paintId: string, drops: number) => void;
}): ReactNode {
  const { run, busy } = useSaving();
  const [text, setText] = useState('');
  const [seen, setSeen] = useState<{ lab: Lab; sd: number; says: string } | null>(null);
  const [found, setFound] = useState<Correction | null>(null);
  const [fault, setFault] = useState('');
  const [measuring, setMeasuring] = useState(false);
  const nameOf = (id: string) => {
    const paint = parts.find(({ paintId }) => paintId === id)?.paint ?? others.find((other) => other.id === id);
    return paint ? paintInFull(paint) : 'a paint';
  };
  const judge = (observed: { lab: Lab; sd: number; says: string }) => {
    const reserve = others.flatMap((paint) => {
      const known = pigmentOfPaint(paint);
      return known ? [{ paintId: paint.id, drops: 0, pigment: known.pigment }] : [];
    });
    setSeen(observed);
    setFault('');
    setFound(correct(parts, reserve, target, observed));
  };
  const judgeText = () => {
    const read = readLook(text, target);
    if (read) judge(read);
    else setFault(SAY_IT_AS);
  };
  const learnt = found?.learnt.filter(({ strength }) => Math.abs(strength - 1) > LEARNT_FROM) ?? [];
  const keep = () => {
    const bottles = learnt.flatMap(({ paintId, strength }) => {
      const own = parts.find((part) => part.paintId === paintId)?.paint.bottles ?? [];
      const bottle = [...own].sort((a, b) => b.mlLeft - a.mlLeft)[0];
      const value = Math.min(5, Math.max(0.2, (bottle?.strength ?? 1) * strength));
      return bottle ? [{ id: bottle.id, version: bottle.version, strength: value }] : [];
    });
    const { predicted, sd, note } = record!;
    return run(
      (act) =>
        keepTestSpray({
          act,
          briefId: data.briefId,
          recipe: {
            id: record!.id,
            version: record!.version,
            fields: {
              parts: parts.map(({ paintId, drops }) => ({ paintId, drops })),
              predicted,
              sd,
              observed: seen!.lab,
              observedSd: seen!.sd,
              note: [note, `seen: ${seen!.says}`].filter(Boolean).join('; ').slice(0, 500),
            },
          },
          bottles,
        }),
      bottles.length > 0 ? 'Kept, and the bottles are known better' : 'Kept with the recipe',
    );
  };
  return (
    <section className="bar-line" aria-label="Test spray">
      <h2 style={{ marginTop: 0 }}>Test spray and correct</h2>
      <form
        className="filters"
        onSubmit={(event) => {
          event.preventDefault();
          judgeText();
        }}
      >
        <label>
          Beside the target it is{' '}
          <input
            size={34}
            value={text}
            onChange={(event) => setText(event.target.value)}
            placeholder="too blue, a little too dark"
            aria-label="What the test spray looks like"
          />
        </label>
        <Button type="submit" variant="outlined">
          What next?
        </Button>
        <Button variant="text" onClick={() => setMeasuring(!measuring)}>
          Measure it
        </Button>
      </form>
      {measuring ? (
        <MeasureColour
          under={found && seen ? seen.lab : target}
          onColour={({ lab, sd, how }) => {
            setMeasuring(false);
            judge({ lab, sd, says: how });
          }}
        />
      ) : null}
      {fault ? <p role="alert">{fault}</p> : null}
      {found && seen ? (
        <>
          <p>
            <ButtedSwatches official={target} chosen={seen.lab} label="Target and test spray" width={110} /> understood
            as {seen.says}, ΔE00 {found.dE00.toFixed(1)} ± {seen.sd.toFixed(1)}.{' '}
            {found.next ? (
              <>
                <strong>
                  Add {found.next.drops} {found.next.drops === 1 ? 'drop' : 'drops'} {nameOf(found.next.paintId)}
                </strong>
                : ΔE00 should fall to {found.next.dE00.toFixed(1)}.{' '}
                <Button variant="outlined" size="small" onClick={() => onAdd(found.next!.paintId, found.next!.drops)}>
                  It is in
                </Button>
              </>
            ) : (
              <strong>No drop of what is at hand makes it better: leave it.</strong>
            )}
          </p>
          {learnt.length > 0 ? (
            <p className="dim">
              Likeliest reason:{' '}
              {learnt
                .map(({ paintId, strength }) => {
                  const own = parts.find((part) => part.paintId === paintId)!;
                  const whole = strengthOf(own.paint.bottles) * strength;
                  return `${nameOf(paintId)} tints ${whole > 1 ? `${((whole - 1) * 100).toFixed(0)} % stronger` : `${((1 - whole) * 100).toFixed(0)} % weaker`} than its data say`;
                })
                .join('; ')}
              .
            </p>
          ) : null}
          <p className="pane-actions">
            <Button variant="outlined" disabled={busy || !record} onClick={keep}>
              Keep what it showed
            </Button>
            {record ? null : <span className="dim">Keep the recipe first: what was seen is kept with it.</span>}
          </p>
        </>
      ) : null}
      {record?.observed ? (
        <p className="dim">
          Last seen: L* {record.observed.map((value) => value.toFixed(1)).join(' ')} ± {record.observedSd?.toFixed(1)}.{' '}
          {record.note}
        </p>
      ) : null}
    </section>
  );
}
