'use client';

import { questionInWords } from '@/core/evidence/question-words';
import {
  Fragment,
  memo,
  useEffect,
  useMemo,
  useRef,
  useState,
  type KeyboardEvent,
  type ReactNode,
  type RefObject,
} from 'react';
import { aspectOf, ASPECTS } from '@/core/evidence/aspects';
import { cellInUnits, lengthShown, printCell, readCell } from '@/core/evidence/cell-entry';
import { clarityOf } from '@/core/evidence/shown';
import { CertaintyMark } from '@/sheet/airframe-sheet';
import { counted, lowered } from '@/core/units/words';
import { fullDay, shortDay } from '@/ui/dates';
import { dueInWords } from '@/ui/due-words';
import type { Result } from '@/core/interchange/result';
import { Offers } from '@/ui/offers';
import type { EvidencePage, QuestionRow, SourceRow } from './page-data';
import type { OpenedFor } from './question-detail';
import { saidOf } from './said-of';
import { useMeasures, type Measures } from '@/ui/shown-units';
import './ledger.css';

interface Props {
  data: EvidencePage;
  questions: readonly QuestionRow[];
  chosen: string | null;
  onChoose: (question: string, start?: OpenedFor) => void;
  /** Rules a question as the sources settle it. */
  onRule: (question: string) => void;
  onSource: (source: string) => void;
  /** Keeps what was typed into a cell; an empty text takes the sighting away. */
  onEntry: (entry: CellText) => Promise<Result>;
}

/** What was typed into the cell of a question and a source, and the sighting that stood there. */
export interface CellText {
  questionId: string;
  sourceId: string;
  text: string;
  standing: Standing;
}
export type Standing = { id: string; version: number } | null;

interface Place {
  row: number;
  column: number;
}

/** What the keys of the grid do, for whoever asks. */
const GRID_HINT =
  'Arrow keys move. Type what the source says: 27 clear, 27 ~ partial, 27 ? inferred, ! 27 should show it and does not, 412 ± 15 a length. Enter keeps it, Delete takes it away, Esc goes to the name of the row.';

/** What of the ledger is on the page: a window of columns, and rows as far as they were scrolled to. */
function useShownPart(sources: readonly SourceRow[], region: RefObject<HTMLElement | null>) {
  const fits = useColumnsThatFit(region);
  const [from, setFrom] = useState<number | null>(null);
  const [rowsShown, setRowsShown] = useState(ROWS_AT_FIRST);
  const first = firstColumn(from ?? bandColumn(sources, fits), sources.length, fits);
  const columns = useMemo(
    () => sources.slice(first, first + fits).map((source, i) => ({ source, column: first + i })),
    [sources, first, fits],
  );
  /** Whole columns come into sight, and rows that were not drawn yet. */
  const show = ({ row, column }: Place) => {
    if (column < first) setFrom(column);
    if (column >= first + fits) setFrom(column - fits + 1);
    if (row >= rowsShown) setRowsShown(row + ROWS_AT_FIRST);
  };
  return { fits, first, columns, rowsShown, setFrom, setRowsShown, show };
}

/** The cell that is at hand, what is being typed into it, and the keys of the grid. */
function useGrid({ data, questions, onChoose, onRule, onEntry }: Props, show: (place: Place) => void) {
  const measures = useMeasures();
  const table = useRef<HTMLTableElement>(null);
  const [at, setAt] = useState<Place | null>(null);
  const [draft, setDraft] = useState<string | null>(null);
  const [says, setSays] = useState<string | null>(null);
  const [offers, setOffers] = useState<readonly string[]>([]);
  const { sources } = data;
  const editing = draft !== null;

  useEffect(() => {
    if (!at || editing) return;
    table.current?.querySelector<HTMLElement>(`[data-cell="${at.row} ${at.column}"]`)?.focus();
  }, [at, editing]);

  const move = (place: Place, down: number, across: number) => {
    const row = Math.min(questions.length - 1, Math.max(0, place.row + down));
    const column = Math.min(sources.length - 1, Math.max(0, place.column + across));
    show({ row, column });
    setAt({ row, column });
  };
  const standingAt = ({ row, column }: Place) => ownSighting(questions[row]!, sources[column]!);
  const textAt = (place: Place) => {
    const standing = standingAt(place);
    const question = questions[place.row]!;
    if (!standing) return '';
    const said =
      aspectOf(question.aspect).type === 'length'
        ? lengthShown(standing.value, standing.sd, measures.units)
        : undefined;
    return printCell(standing, fallbackOf(question, sources[place.column]!), said);
  };

  const keep = async (place: Place, text: string, rows: number, columns: number) => {
    const [question, source] = [questions[place.row]!, sources[place.column]!];
    if (text.trim() === textAt(place)) {
      setDraft(null);
      move(place, rows, columns);
      return;
    }
    const sent = cellInUnits(question.aspect, text, measures.units);
    const read = readCell(question.aspect, sent, fallbackOf(question, source));
    if (read && 'fault' in read) {
      setSays(read.fault);
      setOffers([]);
      return;
    }
    setSays(null);
    setOffers([]);
    setDraft(null);
    move(place, rows, columns);
    const standing = standingAt(place);
    const result = await onEntry({
      questionId: question.id,
      sourceId: source.id,
      text: sent,
      standing: standing ? { id: standing.id, version: standing.version } : null,
    });
    // Nothing typed is lost: the cell opens again with it, or with the one code that was meant.
    if (!result.ok) {
      const [fault] = 'faults' in result ? result.faults : [];
      const offers = fault?.offers ?? [];
      setAt(place);
      setDraft(offers.length === 1 ? offers[0]! : text);
      if (fault) setSays(offers.length === 1 ? `${fault.says}. Enter takes ${offers[0]}` : fault.says);
      setOffers(offers);
    }
  };

  /** On the name of a question: r rules it, s says what a source says. */
  const onRowKey = (event: KeyboardEvent, id: string | undefined) => {
    const question = questions.find((candidate) => candidate.id === id);
    if (!question || (event.key !== 'r' && event.key !== 's')) return;
    event.preventDefault();
    if (event.key === 's') onChoose(question.id, 'say');
    else if (question.open && question.state === 'settled') onRule(question.id);
    else onChoose(question.id, 'rule');
  };
  const onDraftKey = (event: KeyboardEvent, place: Place, text: string) => {
    const onward = { Enter: [1, 0], Tab: [0, event.shiftKey ? -1 : 1] }[event.key];
    if (event.key === 'Escape') {
      setDraft(null);
      setSays(null);
      setOffers([]);
    } else if (onward) void keep(place, text, onward[0]!, onward[1]!);
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
  const onCellKey = (event: KeyboardEvent, place: Place, cell: HTMLElement) => {
    const step = { ArrowUp: [-1, 0], ArrowDown: [1, 0], ArrowLeft: [0, -1], ArrowRight: [0, 1] }[event.key];
    const edge = { Home: [0, -sources.length], End: [0, sources.length], PageUp: [-12, 0], PageDown: [12, 0] }[
      event.key
    ];
    const by = step ?? edge;
    if (by) move(place, by[0]!, by[1]!);
    else if (event.key === 'Enter' || event.key === 'F2') {
      setAt(place);
      setDraft(textAt(place));
    } else if (event.key === 'Delete' || event.key === 'Backspace') {
      if (standingAt(place)) void keep(place, '', 0, 0);
    } else if (event.key === 'Escape') {
      cell.closest('tr')?.querySelector<HTMLElement>('.row-button')?.focus();
      setAt(null);
    } else if (event.key.length === 1 && event.key !== ' ') {
      setAt(place);
      setDraft(event.key);
    } else return;
    event.preventDefault();
  };
  const onKey = (event: KeyboardEvent<HTMLTableElement>) => {
    const target = event.target as HTMLElement;
    const cell = target.closest<HTMLElement>('[data-cell]');
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    if (!cell) {
      onRowKey(event, target.closest<HTMLElement>('[data-question]')?.dataset.question);
      return;
    }
    const [row, column] = cell.dataset.cell!.split(' ').map(Number) as [number, number];
    const place = { row, column };
    if (editing) onDraftKey(event, place, draft);
    else onCellKey(event, place, cell);
  };
  const edit = (place: Place) => {
    setAt(place);
    setDraft(textAt(place));
  };
  return { table, at, setAt, draft, setDraft, says, offers, keep, edit, onKey };
}

/**
 * Questions down, sources across in the order of their days, the target window as a band, a heavy rule where the zone was repainted;
 * the ruling stands at the row's end. Every cell can be filled from the keyboard.
 */
export function Ledger(props: Props): ReactNode {
  const { data, questions, chosen, onSource } = props;
  const { sources } = data;
  const region = useRef<HTMLDivElement>(null);
  const { fits, first, columns, rowsShown, setFrom, setRowsShown, show } = useShownPart(sources, region);
  const { table, at, setAt, draft, setDraft, says, offers, keep, edit, onKey } = useGrid(props, show);
  // Before any source stands in the columns there is room to say by when each answer is wanted.
  const dues = useMemo(
    () => new Map(sources.length === 0 ? data.open.map(({ questionId, due }) => [questionId, dueInWords(due)]) : []),
    [sources.length, data.open],
  );

  return (
    <>
      <MoreColumns
        before={first}
        after={Math.max(0, sources.length - first - fits)}
        onBack={() => setFrom(Math.max(0, first - fits))}
        onOn={() => setFrom(first + fits)}
      />
      <div
        className="ledger-scroll"
        role="region"
        aria-label="Evidence ledger"
        tabIndex={0}
        ref={region}
        onScroll={({ currentTarget: { scrollTop, clientHeight, scrollHeight } }) => {
          if (rowsShown < questions.length && scrollTop + 2 * clientHeight > scrollHeight)
            setRowsShown(rowsShown + ROWS_AT_FIRST);
        }}
      >
        <table
          className="ledger"
          ref={table}
          onKeyDown={onKey}
          onFocus={(event) => {
            const cell = (event.target as HTMLElement).closest<HTMLElement>('td[data-cell]');
            if (!cell || draft !== null) return;
            const [row, column] = cell.dataset.cell!.split(' ').map(Number) as [number, number];
            if (at?.row !== row || at.column !== column) setAt({ row, column });
          }}
        >
          <LedgerHead columns={columns.map(({ source }) => source)} onSource={onSource} />
          <tbody>
            {questions.slice(0, rowsShown).map((question, row) => (
              <Fragment key={question.id}>
                {questions.length > UNGROUPED ? (
                  <GateHeading data={data} questions={questions} row={row} columns={columns.length} />
                ) : null}
                <Row
                  row={row}
                  data={data}
                  columns={columns}
                  question={question}
                  chosen={chosen === question.id}
                  column={at?.row === row ? at.column : null}
                  first={row === 0 && at === null ? first : null}
                  draft={at?.row === row ? draft : null}
                  due={sources.length === 0 ? (dues.get(question.id) ?? '') : null}
                  onChoose={props.onChoose}
                  onDraft={setDraft}
                  onEdit={edit}
                  onLeave={() => setDraft(null)}
                />
              </Fragment>
            ))}
          </tbody>
        </table>
        {rowsShown < questions.length ? (
          <p className="dim">
            {rowsShown} of {questions.length} questions.{' '}
            <button type="button" className="row-button" onClick={() => setRowsShown(questions.length)}>
              Show all
            </button>
          </p>
        ) : null}
      </div>
      {says ? (
        <p role="alert" className="danger">
          ✕ {says}
        </p>
      ) : at ? (
        <p className="dim grid-hint">{GRID_HINT}</p>
      ) : null}
      {offers.length > 1 && at ? <Offers offers={offers} onTake={(value) => void keep(at, value, 1, 0)} /> : null}
    </>
  );
}

/** The years, and the sources under them; "Wanted" stands there while there is no source. */
function LedgerHead({ columns, onSource }: { columns: readonly SourceRow[]; onSource: Props['onSource'] }): ReactNode {
  const years = yearSpans(columns);
  return (
    <thead>
      <tr className="years">
        <td className="zone-cell" />
        {years.map(({ year, span }, i) => (
          <td key={i} colSpan={span}>
            {year}
          </td>
        ))}
        {columns.length === 0 ? <td /> : null}
        <td className="end-cell end-ruling" />
        <td className="end-cell end-support" />
      </tr>
      <tr>
        <th scope="col" className="zone-cell">
          Zone, aspect
        </th>
        {columns.map((source) => (
          <th scope="col" key={source.id} className={source.inWindow ? 'in-window' : undefined}>
            <button
              type="button"
              onClick={() => onSource(source.id)}
              title={`${source.title}: ${source.kindTitle}, ${source.dated}${source.inWindow ? ', in the target window' : ''}`}
            >
              {source.title}
            </button>
            <small>{dayOf(source)}</small>
          </th>
        ))}
        {columns.length === 0 ? <th scope="col">Wanted</th> : null}
        <th scope="col" className="end-cell end-ruling">
          Ruling
        </th>
        <th scope="col" className="end-cell end-support">
          Support
        </th>
      </tr>
    </thead>
  );
}

/** Where the questions of the next gate begin, what closes there and when. */
function GateHeading({
  data,
  questions,
  row,
  columns,
}: {
  data: Pick<EvidencePage, 'gates' | 'sources'>;
  questions: readonly QuestionRow[];
  row: number;
  columns: number;
}): ReactNode {
  const question = questions[row]!;
  const groupOf = ({ open, gate }: QuestionRow) => (open ? gate : 'ruled');
  const group = groupOf(question);
  const before = questions[row - 1];
  if (before && groupOf(before) === group) return null;
  const gate = data.gates.find(({ name }) => name === question.gate);
  const when = gate?.start ? `, ${shortDay(gate.start)}` : '';
  const says = question.open ? `Before “${lowered(gate?.title ?? question.gate)}”${when}` : 'Ruled';
  const count = questions.filter((one) => groupOf(one) === group).length;
  return (
    <tr className="gate-heading">
      <th scope="rowgroup" colSpan={columns + (data.sources.length === 0 ? 4 : 3)}>
        <span>
          {says}: {count}
        </span>
      </th>
    </tr>
  );
}

/** A source column that is in sight, with its place among all of them. */
interface Column {
  source: SourceRow;
  column: number;
}

interface RowProps {
  row: number;
  /** Of the page what tells where a zone was repainted. */
  data: Pick<EvidencePage, 'sources' | 'events'>;
  columns: readonly Column[];
  question: QuestionRow;
  chosen: boolean;
  /** The cell with the focus; null when it is in another row. */
  column: number | null;
  /** In the first row, before any cell had the focus: the cell where Tab enters the grid. */
  first: number | null;
  draft: string | null;
  /** By when the answer is wanted, where no column of a source takes the room. */
  due: string | null;
  onChoose: (question: string) => void;
  onDraft: (text: string) => void;
  onEdit: (place: Place) => void;
  onLeave: () => void;
}

const Row = memo(
  function Row({
    row,
    data,
    columns,
    question,
    chosen,
    column,
    first,
    draft,
    due,
    onChoose,
    onDraft,
    onEdit,
    onLeave,
  }: RowProps): ReactNode {
    const measures = useMeasures();
    const repaints = repaintColumns(data, question);
    return (
      <tr className={chosen ? 'chosen' : undefined} data-question={question.id}>
        <th scope="row" className="zone-cell">
          <span className="zone-line">
            <CertaintyMark state={question.open ? question.state : 'ruled'} />
            <span className="visually-hidden">{question.open ? question.state : 'ruled'}: </span>
            <button
              type="button"
              className="row-button"
              aria-expanded={chosen}
              onClick={() => onChoose(question.id)}
              title={`${questionInWords(question)}${question.mirrored ? ', mirrored' : ''}`}
            >
              {question.zoneTitle}
              {question.mirrored ? ' ⇄' : ''} <span className="dim">{question.aspectTitle.toLowerCase()}</span>
            </button>
            <small className="row-state">{question.open ? question.state : 'ruled'}</small>
          </span>
        </th>
        {columns.map(({ source, column: i }) => {
          const here = question.sightings.filter((s) => s.sourceId === source.id);
          const repainted = repaints.get(i);
          const focused = column === i;
          return (
            <td
              key={source.id}
              data-cell={`${row} ${i}`}
              aria-label={cellInWords(question, source, here)}
              tabIndex={focused || first === i ? 0 : -1}
              className={`sighting${source.inWindow ? ' in-window' : ''}${repainted ? ' repainted' : ''}`}
              title={repainted}
              onDoubleClick={(event) => outsideOfField(event) && onEdit({ row, column: i })}
              onPointerUp={(event) =>
                event.pointerType === 'touch' && outsideOfField(event) && onEdit({ row, column: i })
              }
            >
              {focused && draft !== null ? (
                <input
                  className="cell-input"
                  aria-label={`What ${source.title} says of ${questionInWords(question)}`}
                  autoFocus
                  value={draft}
                  onChange={(event) => onDraft(event.target.value)}
                  onBlur={onLeave}
                />
              ) : null}
              {here.map((sighting) => (
                <span
                  key={sighting.id}
                  className={`${sighting.clarity} ${sighting.sense}${sighting.questionId === question.id ? '' : ' opposite'}${source.isWish ? ' wish' : ''}`}
                  title={`${sighting.value}, ${sighting.clarity}${sighting.sense === 'against' ? ': should show it and does not' : ''}${sighting.questionId === question.id ? '' : ', of the other side'}`}
                >
                  {sighting.sense === 'against' ? '≠' : shortValue(question, sighting.value, measures)}{' '}
                </span>
              ))}
            </td>
          );
        })}
        {due === null ? null : <td className="dim">{due}</td>}
        <td className="end-cell end-ruling" title={question.ruling?.reason}>
          {question.ruling ? (
            <strong className="code">
              {saidOf(question.aspect, question.ruling.value, measures)}
              {question.reopened ? ' ?' : ''}
            </strong>
          ) : question.best ? (
            <span className="dim">{saidOf(question.aspect, question.best, measures)} ?</span>
          ) : (
            '–'
          )}
        </td>
        <td className="end-cell end-support">{measures.shown(supportOf(question))}</td>
      </tr>
    );
  },
  (before, after) =>
    before.row === after.row &&
    before.data.sources === after.data.sources &&
    before.data.events === after.data.events &&
    before.columns === after.columns &&
    before.question === after.question &&
    before.chosen === after.chosen &&
    before.column === after.column &&
    before.first === after.first &&
    before.draft === after.draft &&
    before.due === after.due,
);

/** "What the kit sheet says of fin, port, code: 27, clear". */
function cellInWords(question: QuestionRow, source: SourceRow, here: QuestionRow['sightings']): string {
  const said = here.map(({ sense, value, clarity }) => `${sense === 'against' ? 'against ' : ''}${value}, ${clarity}`);
  return `${source.title}, ${questionInWords(question)}: ${said.join('; ') || 'nothing'}`;
}

/** What is being typed is not begun anew by a press into it. */
const outsideOfField = (event: { target: EventTarget }): boolean => !(event.target as HTMLElement).closest('input');

/** So few questions are read without headings. */
const UNGROUPED = 12;
/** Drawn at first; more come as one scrolls towards them. */
const ROWS_AT_FIRST = 80;
/** Widths as the style sheet has them: of a source, and of all that stands beside the sources. */
const COLUMN_PX = 54;
const BESIDE_PX = 226 + 78 + 58;
/** Until the room is known, as on the server: what a window of 1280 holds. */
const FITS_AT_FIRST = 9;

/** How many whole source columns the region holds. */
function useColumnsThatFit(region: RefObject<HTMLElement | null>): number {
  const [fits, setFits] = useState(FITS_AT_FIRST);
  useEffect(() => {
    if (!region.current) return;
    const observer = new ResizeObserver(([entry]) => {
      const room = entry?.contentRect.width ?? 0;
      if (room > 0) setFits(Math.max(1, Math.floor((room - BESIDE_PX) / COLUMN_PX)));
    });
    observer.observe(region.current);
    return () => observer.disconnect();
  }, [region]);
  return fits;
}

const firstColumn = (wanted: number, sources: number, fits: number) => Math.max(0, Math.min(wanted, sources - fits));

/** From where the columns of the target window are in sight: they are what decides. */
function bandColumn(sources: readonly SourceRow[], fits: number): number {
  const last = sources.findLastIndex(({ inWindow }) => inWindow);
  return last < fits ? 0 : last - fits + 1;
}

/** What lies outside is counted, and one press brings it in. */
function MoreColumns({
  before,
  after,
  onBack,
  onOn,
}: {
  before: number;
  after: number;
  onBack: () => void;
  onOn: () => void;
}): ReactNode {
  if (before === 0 && after === 0) return null;
  return (
    <p className="ledger-more">
      {before > 0 ? (
        <button type="button" className="row-button" onClick={onBack}>
          ← {counted(before, 'earlier source')}
        </button>
      ) : (
        <span />
      )}
      {after > 0 ? (
        <button type="button" className="row-button" onClick={onOn}>
          {counted(after, 'more source')} →
        </button>
      ) : null}
    </p>
  );
}

const ownSighting = (question: QuestionRow, source: SourceRow) =>
  question.sightings.find((s) => s.sourceId === source.id && s.questionId === question.id);
const fallbackOf = (question: QuestionRow, source: SourceRow) => clarityOf(source, question.zone, question.aspect);

/** Where a repaint of the row's zone lies: the first column dated on or after it, with the words for it. */
function repaintColumns(data: Pick<EvidencePage, 'sources' | 'events'>, question: QuestionRow): Map<number, string> {
  const columns = new Map<number, string>();
  if (!ASPECTS[question.aspect].surface) return columns;
  for (const event of data.events) {
    if (event.zone !== question.zone || event.kind !== 'repaint') continue;
    const column = data.sources.findIndex(({ window }) => (window.from ?? window.to ?? '') >= event.onDay);
    if (column > 0)
      columns.set(column, `Repainted ${fullDay(event.onDay)}: what stands to the left is of the older coat`);
  }
  return columns;
}

function yearSpans(sources: readonly SourceRow[]): { year: string; span: number }[] {
  const spans: { year: string; span: number }[] = [];
  for (const { window } of sources) {
    const year = (window.from ?? window.to)?.slice(0, 4) ?? 'no date';
    const last = spans.at(-1);
    if (last?.year === year) last.span += 1;
    else spans.push({ year, span: 1 });
  }
  return spans;
}

/** Day and month under a source's title: the year stands above. */
function dayOf({ window }: SourceRow): string {
  const day = window.from ?? window.to;
  if (!day) return '–';
  return window.from && window.to && window.from.slice(0, 7) !== window.to.slice(0, 7)
    ? `${monthOf(day)}–${monthOf(window.to)}`
    : fullDay(day).replace(/ \d{4}$/, '');
}

const monthOf = (day: string) => fullDay(day).split(' ')[1]!;

/** In a narrow column the number of a code is enough; of a text, whether it says what is supported best. */
function shortValue(question: QuestionRow, value: string, measures: Measures): string {
  const said = saidOf(question.aspect, value, measures);
  if (said !== value) return said;
  const bare = value.replace(/^[A-Z]+ (?=\d+$)/, '');
  if (bare.length <= 5) return bare;
  return value === question.best ? '●' : '○';
}

/** How well what stands in the ruling's cell is supported: the ruled value, else the best one. */
export function supportOf(question: QuestionRow): string {
  if (question.median !== null) return `± ${(question.spread ?? 0).toFixed(0)} mm`;
  const share = question.ruling ? question.ruledShare : question.share;
  return share === null ? '–' : share.toFixed(2);
}
