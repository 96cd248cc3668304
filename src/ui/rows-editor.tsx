'use client';

import Button from '@mui/material/Button';
import { useState, type ReactNode } from 'react';
import { useMeasures, type Measures } from './shown-units';
import type { Result } from '@/core/interchange/result';
import { useUnsaved } from './fields';

export interface Column {
  name: string;
  label: string;
  type: 'number' | 'text' | 'choice' | 'yes-no';
  /** In which a number is kept. */
  unit?: string;
  options?: readonly { value: string; label: string }[];
  /** Width of the field, px. */
  width?: number;
  /** An empty one means null. */
  optional?: boolean;
}

type Row = Record<string, unknown>;

/** Small equal records as a table that is edited in place: what was typed is kept through a refusal, and saved as a whole. */
export function RowsEditor({
  title,
  columns,
  rows,
  blank,
  add,
  most,
  onSave,
}: {
  title: string;
  columns: readonly Column[];
  rows: readonly Row[];
  blank: () => Row;
  /** "Another place" */
  add: string;
  most: number;
  onSave: (rows: Row[]) => Promise<Result<unknown>>;
}): ReactNode {
  const measures = useMeasures();
  const asTyped = (row: Row): Row =>
    Object.fromEntries(
      Object.entries(row).map(([name, value]) => [
        name,
        typedAs(
          columns.find((column) => column.name === name),
          value,
          measures,
        ),
      ]),
    );
  const [typed, setTyped] = useState<Row[]>(() => rows.map(asTyped));
  const [dirty, setDirty] = useState(false);
  const [wrong, setWrong] = useState<string | null>(null);
  useUnsaved(dirty);
  const change = (next: Row[]) => {
    setTyped(next);
    setDirty(true);
  };
  const set = (i: number, name: string, value: unknown) =>
    change(typed.map((row, k) => (k === i ? { ...row, [name]: value } : row)));
  const saveAll = async () => {
    const faults: string[] = [];
    const values = typed.map((row, i) =>
      Object.fromEntries(
        Object.entries(row).map(([name, value]) => {
          const column = columns.find((own) => own.name === name);
          if (column?.type !== 'number') return [name, value];
          const text = String(value).trim();
          if (text === '' && column.optional) return [name, null];
          const number = measures.read(text, column.unit ?? '');
          if (number === null) faults.push(`${column.label} of row ${i + 1}: a number is needed`);
          return [name, number];
        }),
      ),
    );
    if (faults.length > 0) return setWrong(faults[0]!);
    const result = await onSave(values);
    setWrong('faults' in result ? (result.faults[0]?.says ?? null) : null);
    if (result.ok) setDirty(false);
  };
  return (
    <section aria-label={title} className="rows-editor">
      <h3>{title}</h3>
      {typed.length > 0 ? (
        <div className="scroll-x">
          <table className="plain">
            <thead>
              <tr>
                {columns.map(({ name, label }) => (
                  <th key={name}>{label}</th>
                ))}
                <th aria-label="Remove" />
              </tr>
            </thead>
            <tbody>
              {typed.map((row, i) => (
                <tr key={i}>
                  {columns.map(({ name, label, type, options = [], width = 64 }) => (
                    <td key={name}>
                      {type === 'choice' ? (
                        <select
                          aria-label={`${label}, row ${i + 1}`}
                          value={String(row[name])}
                          onChange={({ target }) =>
                            set(i, name, typeof row[name] === 'number' ? Number(target.value) : target.value)
                          }
                        >
                          {options.map((option) => (
                            <option key={option.value} value={option.value}>
                              {option.label}
                            </option>
                          ))}
                        </select>
                      ) : type === 'yes-no' ? (
                        <input
                          type="checkbox"
                          aria-label={`${label}, row ${i + 1}`}
                          checked={Boolean(row[name])}
                          onChange={({ target }) => set(i, name, target.checked)}
                        />
                      ) : (
                        <input
                          aria-label={`${label}, row ${i + 1}`}
                          inputMode={type === 'number' ? 'decimal' : 'text'}
                          value={String(row[name] ?? '')}
                          style={{ width }}
                          onChange={({ target }) => set(i, name, target.value)}
                        />
                      )}
                    </td>
                  ))}
                  <td>
                    <button
                      type="button"
                      className="row-button"
                      aria-label={`Take out row ${i + 1}`}
                      onClick={() => change(typed.filter((_, k) => k !== i))}
                    >
                      ✕
                    </button>
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      ) : null}
      {wrong ? (
        <p role="alert" className="danger">
          ✕ {wrong}
        </p>
      ) : null}
      <p className="pane-actions">
        <Button
          size="small"
          variant="outlined"
          disabled={typed.length >= most}
          onClick={() => change([...typed, asTyped(blank())])}
        >
          {add}
        </Button>{' '}
        {dirty ? (
          <Button size="small" variant="contained" onClick={() => void saveAll()}>
            Save
          </Button>
        ) : null}
      </p>
    </section>
  );
}

/** A value as it stands in its cell: numbers as text, with the unit of the house. */
const typedAs = (column: Column | undefined, value: unknown, measures: Measures): unknown =>
  column?.type !== 'number'
    ? value
    : typeof value === 'number'
      ? measures.asTyped(value, column.unit ?? '')
      : String(value ?? '');
