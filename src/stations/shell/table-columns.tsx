import type { ReactNode } from 'react';
import { readingSchema, shapeOf, type Reading } from '@/core/interchange/columns';
import type { TableShape } from '@/core/interchange/table';
import './table-columns.css';

/** What each column of a table is taken for, over its first rows: changed by choosing, and remembered for tables of the same shape. */
export function TableColumns({
  shape,
  busy,
  onReading,
}: {
  shape: TableShape;
  busy: boolean;
  onReading: (reading: Reading) => void;
}): ReactNode {
  const { heads, sample, reading, kinds, asks } = shape;
  const say = (field: string, value: string) => {
    const { [field]: _, ...rest } = reading.all;
    onReading({ ...reading, all: value ? { ...rest, [field]: value } : rest });
  };
  const choose = (at: number, field: string) =>
    onReading({
      ...reading,
      // No field has two columns: the other one gives it up.
      columns: heads.map((_, i) => (i === at ? field : reading.columns[i] === field ? '' : (reading.columns[i] ?? ''))),
    });
  return (
    <fieldset className="table-columns" disabled={busy}>
      <legend>What the columns are</legend>
      <label>
        <input
          type="checkbox"
          checked={!reading.isHeadless}
          onChange={({ target }) =>
            onReading({ isHeadless: !target.checked, columns: reading.columns, all: reading.all })
          }
        />{' '}
        the first line is a heading
      </label>
      {asks.map(({ field, title, options }) =>
        options.length > 0 ? (
          <label key={field}>
            {title}{' '}
            <select value={reading.all[field] ?? ''} onChange={({ target }) => say(field, target.value)}>
              <option value="">not said</option>
              {options.map(({ value, label }) => (
                <option key={value} value={value}>
                  {label}
                </option>
              ))}
            </select>
          </label>
        ) : (
          <label key={field}>
            <input
              type="checkbox"
              checked={Boolean(reading.all[field])}
              onChange={({ target }) => say(field, target.checked ? 'yes' : '')}
            />{' '}
            {title}
          </label>
        ),
      )}
      <div className="scroll-x">
        <table className="plain">
          <thead>
            <tr>
              {heads.map((head, i) => (
                <th key={i} scope="col">
                  <div>{head || `column ${i + 1}`}</div>
                  <select
                    aria-label={`Column ${head || i + 1} is`}
                    value={reading.columns[i] ?? ''}
                    onChange={({ target }) => choose(i, target.value)}
                  >
                    <option value="">leave it out</option>
                    {kinds.map(({ field, title }) => (
                      <option key={field} value={field}>
                        {title}
                      </option>
                    ))}
                  </select>
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {sample.map((cells, row) => (
              <tr key={row}>
                {heads.map((_, i) => (
                  <td key={i} className={reading.columns[i] ? undefined : 'dim'}>
                    {cells[i] ?? ''}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </fieldset>
  );
}

const PLACE = 'build-brief table';
const placeOf = (title: string, { heads }: TableShape) => `${PLACE} ${title} ${shapeOf(heads)}`;

/** How a table of this shape was read the last time that somebody said it on this device; null where nobody did. */
export function rememberedReading(title: string, shape: TableShape): Reading | null {
  try {
    const found = readingSchema.safeParse(JSON.parse(localStorage.getItem(placeOf(title, shape)) ?? 'null'));
    return found.success ? found.data : null;
  } catch {
    return null;
  }
}

export function rememberReading(title: string, shape: TableShape, reading: Reading): void {
  try {
    localStorage.setItem(placeOf(title, shape), JSON.stringify(reading));
  } catch {
    // A browser that keeps nothing asks again the next time.
  }
}
