import { Document, Image, Text, View as Box } from '@react-pdf/renderer';
import type { ReactNode } from 'react';
import { FourViews, heightOfViews } from './four-views';
import { Contents, Flow, heading, heightOf, mayBreak, row, ROW_PADDING, section, titled, type Piece } from './flow';
import { libertyPieces } from './liberty-pieces';
import { INK, registerFonts, s } from './paper';
import type { RecordPaper } from './record-data';
import { threeQuarterPiece } from './three-quarter';

type Pictures = Readonly<Record<string, Uint8Array>>;

const ZONE = [28, 72];

/** The record of a build on paper; `pictures` are JPEG bytes by id, small enough for print. */
export function RecordPdf({
  data,
  whole,
  pictures,
  contents,
}: {
  data: RecordPaper;
  /** The machine as a whole, as it stands, a PNG. */
  whole: Uint8Array | null;
  pictures: Pictures;
  contents: Contents;
}): ReactNode {
  registerFonts();
  const machine: Piece[] = [
    ...titled(data.title, data.subtitle),
    ...threeQuarterPiece(whole),
    { height: heightOfViews(data.sheet), node: <FourViews sheet={data.sheet} bar={data.bar} /> },
    { height: heightOf(data.summary) + 6, node: <Text style={[s.strong, { marginTop: 6 }]}>{data.summary}</Text> },
    ...(data.colours.length > 0 ? [section('Colours on the model'), ...data.colours.map(colourPiece)] : []),
    ...(data.planned.length > 0 ? [section('Planned, and not laid yet'), ...data.planned.map(colourPiece)] : []),
    ...libertyPieces(data.liberties),
  ];
  const work: Piece[] = [
    section('Day by day'),
    ...data.days.flatMap((day) => [heading(day.title), ...day.lines.map((entry) => entryPiece(entry, pictures))]),
    ...(data.zones.length > 0
      ? [
          section('How each zone was made, from the plastic up'),
          ...data.zones.map(({ title, layers }) => row(ZONE, [title, layers.join('; ')])),
        ]
      : []),
  ];
  return (
    <Document title={`Record: ${data.title}`} creator="Build Brief" producer="Build Brief">
      <Flow data={data} contents={contents} pieces={machine} isFirst />
      <Flow data={data} contents={contents} pieces={work} />
    </Document>
  );
}

function colourPiece({ code, name, hex, paint, zones }: RecordPaper['colours'][number]): Piece {
  return {
    height: Math.max(14, heightOf(`${code} ${name}`, 128), heightOf(paint, 138), heightOf(zones, 200)) + ROW_PADDING,
    node: (
      <Box style={s.row} wrap={false}>
        <Box style={{ width: 22, height: 12, backgroundColor: hex ?? '#ffffff', border: `0.5pt solid ${INK}` }} />
        <Text style={{ width: '26%' }}>
          {code} {name}
        </Text>
        <Text style={{ width: '28%' }}>{paint}</Text>
        <Text style={{ flex: 1 }}>{zones}</Text>
      </Box>
    ),
  };
}

const PICTURE = { width: 130, maxHeight: 110 };

function entryPiece(entry: RecordPaper['days'][number]['lines'][number], pictures: Pictures): Piece {
  const bytes = entry.picture ? pictures[entry.picture] : undefined;
  const width = bytes ? 340 : 475;
  const words =
    heightOf(entry.title, width, undefined, true) + heightOf(entry.says, width) + heightOf(entry.note, width);
  const height = Math.max(words, bytes ? PICTURE.maxHeight : 0) + ROW_PADDING;
  return {
    height,
    node: (
      <Box style={s.row} wrap={mayBreak(height)}>
        <Text style={{ width: 30 }}>{entry.time}</Text>
        <Box style={{ flex: 1 }}>
          <Text style={s.strong}>
            {entry.isMishap ? '! ' : ''}
            {entry.title}
          </Text>
          {entry.says ? <Text style={s.dim}>{entry.says}</Text> : null}
          {entry.note ? <Text>{entry.note}</Text> : null}
        </Box>
        {bytes ? (
          // A printed page has no other text for a picture than its title.
          // eslint-disable-next-line jsx-a11y/alt-text
          <Image src={{ data: Buffer.from(bytes), format: 'jpg' }} style={{ ...PICTURE, objectFit: 'contain' }} />
        ) : null}
      </Box>
    ),
  };
}
