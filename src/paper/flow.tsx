import { Link, Page, Text, View as Box } from '@react-pdf/renderer';
import type { ReactNode } from 'react';
import { Foot, INK, s } from './paper';
import { linesIn } from './text-height';

/**
 * Long papers. The layouter loses its places where one page element runs over many pages, and takes ever longer: pieces are dealt out over page
 * elements of a few pages each, which end where a printed page is full anyhow.
 */

/** What stands on paper one below the other, with the height that it takes in points. */
export interface Piece {
  node: ReactNode;
  height: number;
  /** A heading never stands at the foot of a page. */
  isHeading?: boolean;
  /** What the contents call it, where it begins a section. */
  section?: string;
}

/** A4 within its margins, points. */
const PAGE_WIDTH = 516;
const PAGE_HEIGHT = 756;
/** Printed pages of one page element. */
const PAGES_AT_ONCE = 6;
/** So much of the last of them is filled: what is reckoned may be a little less than what is laid. */
const CAREFUL = 0.97;

/** Pieces as page elements, each of which ends where the last of its printed pages is full. */
export function dealtOut<P extends Pick<Piece, 'height' | 'isHeading'>>(pieces: readonly P[]): P[][] {
  const groups: P[][] = [];
  let group: P[] = [];
  let [page, used] = [1, 0];
  for (const piece of pieces) {
    const own = piece.height;
    // What is higher than a page runs over several.
    const room = page === PAGES_AT_ONCE ? PAGE_HEIGHT * CAREFUL : PAGE_HEIGHT;
    const isNext = used > 0 && used + Math.min(own, PAGE_HEIGHT) > room;
    if (isNext) [page, used] = [page + 1, 0];
    if (page > PAGES_AT_ONCE) {
      const heads = group.length - 1 - group.findLastIndex(({ isHeading }) => !isHeading);
      const along = heads > 0 && heads < group.length ? group.splice(-heads) : [];
      groups.push(group);
      group = along;
      [page, used] = [1, along.reduce((sum, { height }) => sum + height, 0)];
    }
    group.push(piece);
    const whole = used + own;
    page += Math.floor(whole / PAGE_HEIGHT);
    used = whole % PAGE_HEIGHT;
  }
  return group.length > 0 ? [...groups, group] : groups;
}

/** Where the sections of a paper begin; filled in while it is laid out, printed in front of it where it is long. */
export class Contents {
  private readonly pages = new Map<string, number>();
  total = 0;

  /** `printed` are the places of a first lay-out; null for that one itself. */
  constructor(readonly printed: readonly { title: string; page: number }[] | null = null) {}

  /** A section begins on a page; prints nothing. While pages are still being broken, their number is not known yet: then it may stand on another. */
  note(title: string, page: number, pages: number | undefined): string {
    if (pages !== undefined) this.pages.set(title, page);
    return '';
  }
  noteTotal(pages: number): void {
    this.total = Math.max(this.total, pages);
  }
  /** The same paper once more, with its contents on a page before it: everything moves on by one. */
  toPrint(): Contents {
    return new Contents([...this.pages].map(([title, page]) => ({ title, page: page + 1 })));
  }
}

/** The most that stands on the page of contents. */
const MOST_LISTED = 60;

/**
 * Pieces in blocks: headings with the first piece of what they head, which no page parts; each of the others alone. What takes half a page and
 * more is broken anyhow: it stands alone too, and its headings ask for its first lines only.
 */
export function blocksOf<P extends Pick<Piece, 'height' | 'isHeading'>>(pieces: readonly P[]): P[][] {
  const blocks: P[][] = [];
  let heads: P[] = [];
  for (const piece of pieces) {
    if (piece.isHeading) heads.push(piece);
    else if (mayBreak(piece.height)) {
      blocks.push(...heads.map((head) => [head]), [piece]);
      heads = [];
    } else {
      blocks.push([...heads, piece]);
      heads = [];
    }
  }
  return [...blocks, ...heads.map((head) => [head])];
}

/** What a heading asks for below itself where it heads something long, points. */
const FIRST_LINES = 60;

interface Flowing {
  data: { title: string; printedOn: string };
  contents: Contents;
  pieces: readonly Piece[];
  /** Of the first part of a paper: its contents come before it. */
  isFirst?: boolean;
}

/** Pieces on as many pages as they take. */
export function Flow({ data, contents, pieces, isFirst = false }: Flowing): ReactNode {
  return (
    <>
      {isFirst && contents.printed ? <ContentsPage data={data} contents={contents} /> : null}
      {dealtOut(pieces).map((group, i) => (
        <Page key={i} size="A4" style={s.page}>
          <Foot data={data} contents={contents} />
          {blocksOf(group).map((block, k) =>
            block.length > 1 ? (
              <Box key={k} wrap={false}>
                {block.map((piece, i) => (
                  <PieceBox key={i} piece={piece} contents={contents} />
                ))}
              </Box>
            ) : (
              <PieceBox key={k} piece={block[0]!} contents={contents} asks={block[0]!.isHeading ? FIRST_LINES : 0} />
            ),
          )}
        </Page>
      ))}
    </>
  );
}

function PieceBox({ piece, contents, asks = 0 }: { piece: Piece; contents: Contents; asks?: number }): ReactNode {
  const { node, section: title } = piece;
  const ahead = asks > 0 ? { minPresenceAhead: asks } : {};
  return title ? (
    <Box id={anchorOf(title)} {...ahead}>
      <Text style={s.mark} render={({ pageNumber, totalPages }) => contents.note(title, pageNumber, totalPages)} />
      {node}
    </Box>
  ) : (
    <Box style={s.flow} {...ahead}>
      {node}
    </Box>
  );
}

function ContentsPage({ data, contents }: Pick<Flowing, 'data' | 'contents'>): ReactNode {
  return (
    <Page size="A4" style={s.page}>
      <Foot data={data} contents={contents} />
      <Text style={s.title}>{data.title}</Text>
      <Text style={s.h2}>Contents</Text>
      {(contents.printed ?? []).slice(0, MOST_LISTED).map(({ title, page }) => (
        <Link key={title} src={`#${anchorOf(title)}`} style={{ color: INK, textDecoration: 'none' }}>
          <Box style={[s.row, s.flow, { justifyContent: 'space-between' }]}>
            <Text>{title}</Text>
            <Text>{page}</Text>
          </Box>
        </Link>
      ))}
    </Page>
  );
}

const anchorOf = (title: string) => title.toLowerCase().replace(/[^a-z0-9]+/g, '-');

const LINE = 1.3;
const SIZE = 8.5;
const ROW_GAP = 6;
export const ROW_PADDING = 4.4;

/** A row is kept whole, but where it takes half a page and more. */
export const mayBreak = (height: number): boolean => height > PAGE_HEIGHT / 2;

/** Height of a text that stands in a width in points. */
export const heightOf = (text: string, width = PAGE_WIDTH, size = SIZE, isBold = false): number =>
  linesIn(text, width, size, isBold ? 'bold' : 'regular') * size * LINE;

/** What a paper begins with. */
export const titled = (title: string, subtitle: string): Piece[] => [
  { height: 34, isHeading: true, node: <Text style={s.title}>{title}</Text> },
  { height: heightOf(subtitle, PAGE_WIDTH, 10) + 6, isHeading: true, node: <Text style={s.subtitle}>{subtitle}</Text> },
];

/** A section of the paper, which its contents name. */
export const section = (title: string): Piece => ({
  section: title,
  isHeading: true,
  height: 14 * 1.4 + 16,
  node: <Text style={s.h2}>{title}</Text>,
});

export const heading = (title: string): Piece => ({
  isHeading: true,
  height: 10.5 * 1.4 + 8,
  node: <Text style={s.h3}>{title}</Text>,
});

export const line = (text: string, isDim = false): Piece => ({
  height: heightOf(text),
  node: <Text style={isDim ? s.dim : {}}>{text}</Text>,
});

/** A line of a table: `widths` in per cent; the first cell stands out. `note` goes below it over the whole width. */
export function row(widths: readonly number[], cells: readonly string[], note = ''): Piece {
  const width = (i: number) => (widths[i]! / 100) * PAGE_WIDTH - ROW_GAP;
  const height = Math.max(...cells.map((cell, i) => heightOf(cell, width(i), SIZE, i === 0))) + ROW_PADDING;
  return {
    height: height + (note ? heightOf(note, PAGE_WIDTH - 8) : 0),
    node: (
      <>
        <Cells widths={widths} cells={cells} styleOf={(i) => (i === 0 ? s.strong : {})} mayBreak={mayBreak(height)} />
        {note ? <Text style={[s.dim, { marginLeft: 8 }]}>{note}</Text> : null}
      </>
    ),
  };
}

/** A box to tick off a step in. */
export const TickBox = ({ size, fill }: { size: number; fill: string }): ReactNode => (
  <Box style={{ width: size, height: size, marginTop: 1, border: `0.8pt solid ${INK}`, backgroundColor: fill }} />
);

export const headRow = (widths: readonly number[], cells: readonly string[]): Piece => ({
  isHeading: true,
  height: SIZE * LINE + ROW_PADDING,
  node: <Cells widths={widths} cells={cells} styleOf={() => s.dim} mayBreak={false} />,
});

interface RowOfCells {
  widths: readonly number[];
  cells: readonly string[];
  styleOf: (i: number) => (typeof s)['dim' | 'strong'] | Record<string, never>;
  mayBreak: boolean;
}
const Cells = ({ widths, cells, styleOf, mayBreak: wrap }: RowOfCells): ReactNode => (
  <Box style={s.row} wrap={wrap}>
    {cells.map((cell, i) => (
      <Text key={i} style={[{ width: `${widths[i]}%` }, styleOf(i)]}>
        {cell}
      </Text>
    ))}
  </Box>
);
