'use client';

import {
  createColumnHelper,
  flexRender,
  getCoreRowModel,
  getFilteredRowModel,
  getSortedRowModel,
  useReactTable,
  type SortingState,
} from '@tanstack/react-table';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useMemo, useRef, useState, type ReactNode } from 'react';
import { hexOf } from '@/core/colour/spaces';
import { bottleState, type BottleState } from '@/core/paint/bottle';
import { PAINT_KINDS, priceInWords, type Paint } from '@/core/paint/catalogue';
import { CHEMISTRIES, CHEMISTRY_NAMES } from '@/core/paint/chemistry';
import { openedByRow } from '@/ui/rows';
import '../colours.css';

interface Row {
  paint: Paint;
  words: string;
  state: BottleState | null;
  says: string;
}

/** Which paints are wanted. */
interface Wanted {
  text: string;
  held: string;
  chemistry: string;
  kind: string;
}

const isWanted = ({ paint, words, state }: Row, { text, held, chemistry, kind }: Wanted): boolean =>
  (text === '' || words.includes(text)) &&
  (held === 'all' || (held === 'drawer' ? paint.bottles.length > 0 : state !== null && state !== 'good')) &&
  (chemistry === '' || paint.chemistry === chemistry) &&
  (kind === '' || paint.kind === kind);

const columns = createColumnHelper<Row>();
const COLUMNS = [
  columns.accessor(({ paint }) => `${paint.line} ${paint.number.padStart(8)}`, {
    id: 'paint',
    header: 'Paint',
    cell: ({ row: { original } }) => (
      <>
        <span className="chip" style={{ background: original.paint.lab ? hexOf(original.paint.lab) : 'none' }} />{' '}
        {original.paint.line} {original.paint.number}
      </>
    ),
  }),
  columns.accessor(({ paint }) => paint.name, { id: 'name', header: 'Name' }),
  columns.accessor(({ paint }) => paint.chemistry, { id: 'chemistry', header: 'Chem.' }),
  columns.accessor(({ paint }) => paint.kind, { id: 'kind', header: 'Kind' }),
  columns.accessor(({ paint }) => paint.finish, { id: 'finish', header: 'Finish' }),
  columns.accessor(({ paint }) => paint.opacity, { id: 'opacity', header: 'Hides' }),
  columns.accessor(({ paint }) => paint.lab?.[0] ?? -1, {
    id: 'lightness',
    header: 'L*',
    cell: ({ row: { original } }) => original.paint.lab?.[0].toFixed(0) ?? '–',
  }),
  columns.accessor(({ paint }) => paint.priceCents ?? -1, {
    id: 'price',
    header: 'Price',
    cell: ({ row: { original } }) => (original.paint.priceCents === null ? 'unknown' : priceInWords(original.paint)),
  }),
  columns.accessor(({ paint }) => paint.claims.join(', '), { id: 'claims', header: 'Claims' }),
  columns.accessor(({ paint }) => paint.ownedMl, {
    id: 'drawer',
    header: 'Drawer',
    cell: ({ row: { original } }) =>
      original.paint.bottles.length === 0
        ? ''
        : `${original.paint.ownedMl.toFixed(0)} ml${original.state && original.state !== 'good' ? `, ${original.state}` : ''}`,
  }),
];
const WIDTHS = '1.5fr 1.7fr 0.6fr 0.8fr 0.7fr 0.95fr 0.5fr 0.9fr 1fr 1.2fr';
const ROW_PX = 30;
const WORST: BottleState[] = ['spoilt', 'expired', 'empty', 'low', 'good'];

/** Any number of paints, those in sight drawn. */
export function CatalogueTable({
  paints,
  today,
  open,
  onOpen,
}: {
  paints: readonly Paint[];
  today: string;
  open: string | null;
  onOpen: (id: string) => void;
}): ReactNode {
  const [text, setText] = useState('');
  const [held, setHeld] = useState('all');
  const [chemistry, setChemistry] = useState('');
  const [kind, setKind] = useState('');
  const [sorting, setSorting] = useState<SortingState>([]);
  const rows = useMemo(
    () =>
      paints.map((paint): Row => {
        const states = paint.bottles.map((bottle) => bottleState(bottle, paint, today));
        const worst = WORST.map((state) => states.find((candidate) => candidate.state === state)).find(Boolean);
        return {
          paint,
          words:
            `${paint.line} ${paint.number} ${paint.name} ${paint.claims.join(' ')} ${paint.formerly.join(' ')}`.toLowerCase(),
          state: worst?.state ?? null,
          says: worst?.says ?? '',
        };
      }),
    [paints, today],
  );
  const wanted = useMemo<Wanted>(
    () => ({ text: text.trim().toLowerCase(), held, chemistry, kind }),
    [text, held, chemistry, kind],
  );
  // The table library hands out functions that the compiler cannot remember.
  // eslint-disable-next-line react-hooks/incompatible-library
  const table = useReactTable({
    data: rows,
    columns: COLUMNS,
    defaultColumn: { sortingFn: 'basic' },
    state: { sorting, globalFilter: wanted },
    onSortingChange: setSorting,
    // One look at a row tells; its columns need not be asked in turn.
    getColumnCanGlobalFilter: ({ id }) => id === 'paint',
    globalFilterFn: (row, _column, by: Wanted) => isWanted(row.original, by),
    getCoreRowModel: getCoreRowModel(),
    getFilteredRowModel: getFilteredRowModel(),
    getSortedRowModel: getSortedRowModel(),
    getRowId: ({ paint }) => paint.id,
  });
  const model = table.getRowModel().rows;
  const scroller = useRef<HTMLDivElement>(null);
  const virtual = useVirtualizer({
    count: model.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW_PX,
    overscan: 12,
  });
  return (
    <>
      <div className="filters" role="group" aria-label="Only paints">
        <label>
          Named{' '}
          <input
            value={text}
            size={18}
            onChange={(event) => setText(event.target.value)}
            placeholder="number, name, code"
          />
        </label>
        <label>
          <select value={held} onChange={(event) => setHeld(event.target.value)} aria-label="Held">
            <option value="all">all known</option>
            <option value="drawer">in the drawer</option>
            <option value="worn">low, expired or spoilt</option>
          </select>
        </label>
        <label>
          <select value={chemistry} onChange={(event) => setChemistry(event.target.value)} aria-label="Chemistry">
            <option value="">any chemistry</option>
            {CHEMISTRY_NAMES.map((name) => (
              <option key={name} value={name}>
                {name}: {CHEMISTRIES[name].title}
              </option>
            ))}
          </select>
        </label>
        <label>
          <select value={kind} onChange={(event) => setKind(event.target.value)} aria-label="Kind">
            <option value="">any kind</option>
            {PAINT_KINDS.map((name) => (
              <option key={name}>{name}</option>
            ))}
          </select>
        </label>
        <span className="dim" role="status">
          {model.length} of {paints.length}
        </span>
      </div>
      <div className="catalogue" role="table" aria-label="Paints" aria-rowcount={model.length + 1}>
        <div role="row" className="catalogue-head" style={{ gridTemplateColumns: WIDTHS }}>
          {table.getHeaderGroups()[0]!.headers.map((header) => {
            const sorted = header.column.getIsSorted();
            return (
              <div
                key={header.id}
                role="columnheader"
                aria-sort={sorted === 'asc' ? 'ascending' : sorted === 'desc' ? 'descending' : 'none'}
              >
                <button type="button" onClick={header.column.getToggleSortingHandler()}>
                  {flexRender(header.column.columnDef.header, header.getContext())}{' '}
                  {sorted === 'asc' ? '↑' : sorted === 'desc' ? '↓' : ''}
                </button>
              </div>
            );
          })}
        </div>
        <div ref={scroller} className="catalogue-body" tabIndex={0} role="rowgroup">
          <div style={{ height: virtual.getTotalSize(), position: 'relative' }} role="presentation">
            {virtual.getVirtualItems().map((item) => {
              const row = model[item.index]!;
              return (
                <div
                  key={row.id}
                  role="row"
                  aria-rowindex={item.index + 2}
                  className={`catalogue-row${row.id === open ? ' open' : ''}`}
                  style={{ gridTemplateColumns: WIDTHS, transform: `translateY(${item.start}px)` }}
                  title={row.original.says}
                  onClick={openedByRow(() => onOpen(row.id))}
                >
                  {row.getVisibleCells().map((cell, i) => (
                    <div key={cell.id} role="cell">
                      {i === 0 ? (
                        <button
                          type="button"
                          className="row-button"
                          aria-expanded={row.id === open}
                          onClick={() => onOpen(row.id)}
                        >
                          {flexRender(cell.column.columnDef.cell, cell.getContext())}
                        </button>
                      ) : (
                        flexRender(cell.column.columnDef.cell, cell.getContext())
                      )}
                    </div>
                  ))}
                </div>
              );
            })}
          </div>
        </div>
      </div>
      {paints.length === 0 ? (
        <p>No paint is known yet: add one by hand, or bring in a table of all that you have.</p>
      ) : model.length === 0 ? (
        <p>No paint passes these filters.</p>
      ) : null}
    </>
  );
}
