import { Document, Text, View as Box } from '@react-pdf/renderer';
import type { ReactNode } from 'react';
import { Contents, Flow, heightOf, titled, type Piece } from './flow';
import { registerFonts, s } from './paper';

/** The colours of a brief to hold beside a spray-out. */
export interface CardData {
  title: string;
  subtitle: string;
  printedOn: string;
  colours: {
    code: string;
    name: string;
    hex: string;
    clipped: boolean;
    values: string;
    made: string;
    madeHex: string | null;
    difference: string;
  }[];
}

/** Neutral, so that it tints neither half; where nothing is chosen it shows. */
const GROUND = '#777777';

const ABOUT =
  'A printer is not a paint: its inks, the sheet and the lamp all change what is seen here. Use the card to tell which colour is meant, never to judge a match; for that, spray out and hold it beside a chip.';

export function ColourCard({ data, contents }: { data: CardData; contents: Contents }): ReactNode {
  registerFonts();
  const pieces: Piece[] = [
    ...titled(`Colour card: ${data.title}`, data.subtitle),
    { height: heightOf(ABOUT) + 8, node: <Text style={{ marginBottom: 8 }}>{ABOUT}</Text> },
    ...data.colours.map(colourPiece),
  ];
  return (
    <Document title={`Colour card: ${data.title}`} creator="Build Brief" producer="Build Brief">
      <Flow data={data} contents={contents} pieces={pieces} />
    </Document>
  );
}

const colourPiece = (colour: CardData['colours'][number]): Piece => ({
  height: 60,
  node: (
    <Box wrap={false} style={{ flexDirection: 'row', gap: 10, marginBottom: 6 }}>
      <Box style={{ flexDirection: 'row', backgroundColor: GROUND, padding: 7, width: 190, height: 52 }}>
        <Box style={{ flex: 1, backgroundColor: colour.hex }} />
        <Box style={{ flex: 1, backgroundColor: colour.madeHex ?? GROUND }} />
      </Box>
      <Box style={{ flex: 1 }}>
        <Text style={s.strong}>
          {colour.code} {colour.name}
        </Text>
        <Text>
          {colour.values}
          {colour.clipped ? '; beyond what a screen or this sheet can show' : ''}
        </Text>
        <Text style={s.dim}>{colour.made}</Text>
        <Text style={s.dim}>{colour.difference}</Text>
      </Box>
    </Box>
  ),
});
