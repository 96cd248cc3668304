import type { ReactNode } from 'react';
import { hexOf } from '@/core/colour/spaces';
import { paintLabel, type Paint } from '@/core/paint/catalogue';

/** A paint in the recipe in hand. */
export interface HandPart {
  paintId: string;
  drops: number;
  /** Kept by the search: not at all, the paint, or the paint with its drops. */
  kept: 'free' | 'paint' | 'drops';
}

const MOST_DROPS = 24;

/** One paint of the recipe in hand: its drops by slider, by key or one by one, and whether the search keeps it. */
export function HandRow({
  part,
  paint,
  from,
  onDrops,
  onKept,
  onOut,
}: {
  part: HandPart;
  paint: Paint;
  from: string;
  onDrops: (drops: number) => void;
  onKept: (kept: HandPart['kept']) => void;
  onOut: () => void;
}): ReactNode {
  const label = paintLabel(paint);
  return (
    <li>
      <div>
        <span className="chip" style={{ background: paint.lab ? hexOf(paint.lab) : 'none' }} /> <strong>{label}</strong>{' '}
        {paint.name}
        <span className="dim">{from ? `, known from ${from}` : ''}</span>
      </div>
      <div className="hand-drops">
        <button
          type="button"
          aria-label={`One drop less of ${label}`}
          disabled={part.drops <= 1}
          onClick={() => onDrops(part.drops - 1)}
        >
          −
        </button>
        <input
          type="range"
          min={1}
          max={MOST_DROPS}
          value={part.drops}
          aria-label={`Drops of ${label}`}
          onChange={(event) => onDrops(Number(event.target.value))}
        />
        <button
          type="button"
          aria-label={`One drop more of ${label}`}
          disabled={part.drops >= MOST_DROPS}
          onClick={() => onDrops(part.drops + 1)}
        >
          +
        </button>
        <span className="num">{part.drops}</span>
        <select
          className="boxed-select"
          value={part.kept}
          aria-label={`In the search, ${label}`}
          onChange={(event) => onKept(event.target.value as HandPart['kept'])}
        >
          <option value="free">free</option>
          <option value="paint">keep the paint</option>
          <option value="drops">keep its drops</option>
        </select>
        <button type="button" className="row-button" aria-label={`Take ${label} out`} onClick={onOut}>
          out
        </button>
      </div>
    </li>
  );
}

/** A further paint for the cup. */
export function AddPaint({
  paints,
  onAdd,
  full,
}: {
  paints: readonly Paint[];
  onAdd: (paintId: string) => void;
  full: boolean;
}): ReactNode {
  if (full) return <p className="dim">Four paints are the most that are mixed here.</p>;
  return (
    <p>
      <label>
        Add{' '}
        <select value="" onChange={(event) => event.target.value && onAdd(event.target.value)} aria-label="Add a paint">
          <option value="">a paint…</option>
          {paints.map((paint) => (
            <option key={paint.id} value={paint.id}>
              {paintLabel(paint)} {paint.name}
            </option>
          ))}
        </select>
      </label>
    </p>
  );
}
