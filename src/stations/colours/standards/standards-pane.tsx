'use client';

import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import { useMemo, useState, type ReactNode } from 'react';
import { lookAtStandard, takeStandard } from '@/actions/codes';
import { ambiguity } from '@/core/codes/resolve';
import { CODE_SHAPES, readCode, SHAPE_TITLES, type CodeShape } from '@/core/codes/system';
import { codeBook, officialColours } from '@/core/codes/official';
import { hexOf } from '@/core/colour/spaces';
import type { ColourShelf } from '@/core/kept/state';
import type { ColoursPage } from '@/stations/colours/page-data';
import type { PaneProps } from '../panes';
import { useShelf } from '../shelf';
import { addedInWords } from '../added-words';
import { TableIn } from '@/stations/shell/table-in';
import { CodeDetail } from './code-detail';
import '../colours.css';

/** Official colours: how their codes are written, what is known of each, and how a standard comes in. */
export function StandardsPane({ data, code }: PaneProps): ReactNode {
  const shelf = useShelf(data.stamp);
  return shelf ? (
    <Standards data={data} shelf={shelf} wanted={code} />
  ) : (
    <LinearProgress aria-label="Fetching the standards" />
  );
}

function Standards({
  data,
  shelf,
  wanted,
}: {
  data: ColoursPage;
  shelf: ColourShelf;
  wanted: string | null;
}): ReactNode {
  const [text, setText] = useState(wanted ?? '');
  const [open, setOpen] = useState<string | null>(wanted);
  const [importing, setImporting] = useState(shelf.codes.length === 0);
  const book = useMemo(() => codeBook(shelf), [shelf]);
  const { systems, known } = book;
  const official = useMemo(() => officialColours(shelf.codes, shelf.chips), [shelf]);
  const readings = text.trim() === '' ? [] : readCode(book, text);
  const asks = ambiguity(book, text)?.says;
  const word = text.trim().toLowerCase();
  const shown = shelf.codes.filter(
    ({ code, name }) =>
      word === '' ||
      readings.some((reading) => reading.code === code) ||
      code.toLowerCase().includes(word) ||
      name.toLowerCase().includes(word),
  );
  return (
    <>
      <div className="filters">
        <label>
          Code or name{' '}
          <input
            size={16}
            value={text}
            onChange={(event) => setText(event.target.value)}
            placeholder="31, tcs-31, grey"
          />
        </label>
        <span role="status">
          {asks ??
            readings
              .map(
                ({ code, system, finish, family }) =>
                  `${code} is a code of ${system}${family ? `, ${family}` : ''}${finish ? `, ${finish} by its number` : ''}${known.has(code) ? '' : '; no such code is known here'}`,
              )
              .join('')}
        </span>
        <Button variant="outlined" onClick={() => setImporting(!importing)}>
          Bring in a standard
        </Button>
      </div>
      {importing ? <StandardIn data={data} onDone={() => setImporting(false)} /> : null}
      {systems.length === 0 ? (
        <p className="dim">No standard is known yet.</p>
      ) : (
        <ul className="dim systems">
          {systems.map(({ name, title, shape, prefix }) => (
            <li key={name}>
              <strong>{name}</strong>
              {title && title !== name ? ` ${title}` : ''}: {SHAPE_TITLES[shape]}
              {prefix ? `, written with ${prefix}` : ''}
            </li>
          ))}
        </ul>
      )}
      <div className="scroll-x codes-list">
        <table className="plain">
          <thead>
            <tr>
              <th>Code</th>
              <th>Name</th>
              <th>Finish</th>
              <th>Colour</th>
              <th className="num">± ΔE00</th>
              <th>Known from</th>
            </tr>
          </thead>
          <tbody>
            {shown.map((record) => {
              const colour = official.get(record.code)!;
              const chips = shelf.chips.filter(({ codeId }) => codeId === record.id);
              return (
                <tr key={record.id}>
                  <th scope="row">
                    <button
                      type="button"
                      className="row-button"
                      aria-expanded={open === record.code}
                      onClick={() => setOpen(record.code)}
                    >
                      <span className="code">{record.code}</span>
                    </button>
                  </th>
                  <td>{record.name}</td>
                  <td>
                    {record.finish}
                    {record.kind === 'solid' ? '' : `, ${record.kind}`}
                  </td>
                  <td>
                    <span className="chip large" style={{ background: colour.lab ? hexOf(colour.lab) : 'none' }} />
                  </td>
                  <td className="num">{colour.lab ? colour.sd.toFixed(1) : ''}</td>
                  <td className="dim">
                    {chips.length === 0
                      ? 'no chip yet'
                      : chips.length === 1
                        ? `${chips[0]!.origin}${chips[0]!.instrument ? `, ${chips[0]!.instrument}` : ''}`
                        : `${chips.length} chips pooled`}
                    {colour.pooled && colour.pooled.outliers.length > 0
                      ? `, ${colour.pooled.outliers.length} outlier left out`
                      : ''}
                    {colour.pooled?.disagree ? ', the chips disagree' : ''}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
      {shelf.codes.length > 0 && shown.length === 0 ? <p>No code or name is like this.</p> : null}
      {open && official.has(open) ? (
        <CodeDetail
          key={open}
          data={data}
          shelf={shelf}
          colour={official.get(open)!}
          official={official}
          onClose={() => setOpen(null)}
        />
      ) : null}
    </>
  );
}

function StandardIn({ data, onDone }: { data: ColoursPage; onDone: () => void }): ReactNode {
  const [name, setName] = useState('');
  const [title, setTitle] = useState('');
  const [prefix, setPrefix] = useState('');
  const [shape, setShape] = useState<CodeShape | ''>('');
  const system = () => ({
    name: name.trim(),
    title: title.trim(),
    prefix: (prefix.trim() || name.trim()).toUpperCase(),
    ...(shape ? { shape } : {}),
  });
  return (
    <TableIn
      title="A standard from a table or a measurement file"
      says="CSV with columns code, name, and the colour as L, a, b (with white: D65, D50, C or A) or munsell or hex or a measured curve (reflectance); origin, instrument, sd, finish, batch, superseded_by, equivalents. Or CGATS text as instruments write it."
      look={(table) => lookAtStandard({ ...table, system: system() })}
      take={(table, act) => takeStandard({ act, briefId: data.briefId, ...table, system: system() })}
      said={addedInWords}
      onDone={onDone}
    >
      <div className="filters">
        <label>
          Standard, in short{' '}
          <input
            size={8}
            value={name}
            onChange={(event) => setName(event.target.value)}
            aria-label="Name of the standard"
          />
        </label>
        <label>
          In full <input size={24} value={title} onChange={(event) => setTitle(event.target.value)} />
        </label>
        <label>
          Letters before its numbers{' '}
          <input
            size={6}
            value={prefix}
            onChange={(event) => setPrefix(event.target.value)}
            placeholder={name.toUpperCase()}
            aria-label="Letters before its numbers"
          />
        </label>
        <label>
          Codes are{' '}
          <select value={shape} onChange={(event) => setShape(event.target.value as CodeShape | '')}>
            <option value="">what they look like</option>
            {CODE_SHAPES.map((key) => (
              <option key={key} value={key}>
                {SHAPE_TITLES[key]}
              </option>
            ))}
          </select>
        </label>
      </div>
    </TableIn>
  );
}
