import { Document, Text, View as Box } from '@react-pdf/renderer';
import type { ReactNode } from 'react';
import { DossierPages } from './dossier-pages';
import { FourViews, heightOfViews } from './four-views';
import {
  Contents,
  Flow,
  heading,
  headRow,
  heightOf,
  mayBreak,
  line,
  row,
  ROW_PADDING,
  section,
  TickBox,
  titled,
  type Piece,
} from './flow';
import { libertyPieces } from './liberty-pieces';
import { INK, registerFonts, s } from './paper';
import type { BriefPaper } from './paper-data';
import { threeQuarterPiece } from './three-quarter';

const OPEN = [46, 18, 36];
const MARKING = [34, 12, 12, 14, 14, 14];
const CAUTION = [55, 45];

/** The printed brief. */
export function BriefPdf({
  data,
  whole,
  contents,
}: {
  data: BriefPaper;
  /** The machine as a whole, a PNG. */
  whole: Uint8Array | null;
  contents: Contents;
}): ReactNode {
  registerFonts();
  return (
    <Document title={`Build Brief: ${data.title}`} creator="Build Brief" producer="Build Brief">
      <Flow data={data} contents={contents} pieces={machinePieces(data, whole)} isFirst />
      <Flow data={data} contents={contents} pieces={buildPieces(data)} />
      <DossierPages data={data.dossier} contents={contents} />
    </Document>
  );
}

/** Which machine: its four views, what it is, and what is open. */
function machinePieces(data: BriefPaper, whole: Uint8Array | null): Piece[] {
  const { titleBlock } = data.sheet;
  return [
    ...titled(data.title, data.subtitle),
    ...threeQuarterPiece(whole),
    { height: heightOfViews(data.sheet), node: <FourViews sheet={data.sheet} bar={data.bar} /> },
    {
      height: Math.ceil(titleBlock.length / 3) * 28 + 8,
      node: (
        <Box style={s.block}>
          {titleBlock.map(({ label, value }) => (
            <Box key={label} style={s.cell}>
              <Text style={[s.dim, { fontSize: 7 }]}>{label}</Text>
              <Text style={{ fontFamily: 'Head', fontSize: 10.5 }}>{value}</Text>
            </Box>
          ))}
        </Box>
      ),
    },
    line(`Options: ${data.options}.`),
    ...(data.notes ? [line(data.notes)] : []),
    ...libertyPieces(data.liberties),
    ...(data.open.length > 0
      ? [
          section('Still open'),
          ...data.open.map((item) => row(OPEN, [item.question, item.state, `before: ${item.by}`])),
        ]
      : []),
  ];
}

/** With which colours and markings, in which order, with what care. */
const buildPieces = (data: BriefPaper): Piece[] => [
  section('Colours'),
  ...data.colours.map(colourPiece),
  line('Left half official, right half chosen. A printer is not a paint: judge on a spray-out.', true),
  ...(data.markings.length > 0
    ? [
        section('Markings'),
        headRow(MARKING, ['', 'method', 'true', 'at scale', 'on the sheet', '']),
        ...data.markings.map((m) => row(MARKING, [m.title, m.method, m.trueSize, m.modelSize, m.printed, m.verdict])),
      ]
    : []),
  section('Route by session'),
  ...data.sessions.flatMap((session) => [heading(session.title), ...session.steps.map(stepPiece)]),
  section('Cautions'),
  line('The product’s own safety sheet, local rules and trained advice come first.', true),
  ...data.cautions.map((caution) => row(CAUTION, [caution.says, caution.steps])),
];

function colourPiece(colour: BriefPaper['colours'][number]): Piece {
  const about = [colour.difference, colour.thinning].filter(Boolean).join('; ');
  const height =
    Math.max(
      32,
      heightOf(colour.zones, 155),
      heightOf(colour.paint, 170, undefined, true) + heightOf(about, 170),
      16 + heightOf(colour.name, 74),
    ) + ROW_PADDING;
  return {
    height,
    node: (
      <Box style={s.row} wrap={mayBreak(height)}>
        <Box style={{ width: '16%' }}>
          <Text style={{ fontFamily: 'Head', fontSize: 11 }}>{colour.code}</Text>
          <Text>{colour.name}</Text>
        </Box>
        <Box style={{ width: '17%', backgroundColor: '#777777', padding: 4, height: 28, flexDirection: 'row' }}>
          <Box style={{ flex: 1, backgroundColor: colour.official ?? '#777777' }} />
          <Box style={{ flex: 1, backgroundColor: colour.chosen ?? '#777777' }} />
        </Box>
        <Box style={{ width: '35%' }}>
          <Text style={s.strong}>{colour.paint}</Text>
          <Text style={s.dim}>{about}</Text>
        </Box>
        <Text style={{ width: '32%' }}>{colour.zones}</Text>
      </Box>
    ),
  };
}

function stepPiece(step: BriefPaper['sessions'][number]['steps'][number]): Piece {
  const height = Math.max(heightOf(step.title, 220, undefined, step.gate), heightOf(step.note, 180)) + ROW_PADDING;
  return {
    height,
    node: (
      <Box style={s.row} wrap={mayBreak(height)}>
        <TickBox size={8} fill={step.gate ? INK : (step.hex ?? '#ffffff')} />
        <Text style={{ width: 30 }}>{step.time}</Text>
        <Text style={[{ width: '44%' }, step.gate ? s.strong : {}]}>{step.title}</Text>
        <Text style={{ width: 40 }}>{step.minutes}</Text>
        <Text style={[s.dim, { flex: 1 }]}>{step.note}</Text>
      </Box>
    ),
  };
}
