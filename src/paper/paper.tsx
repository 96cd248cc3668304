import { Font, StyleSheet, Text, View as Box } from '@react-pdf/renderer';
import type { ReactNode } from 'react';
import { FONT_FILES } from './font-files';

/** What all printed pages share: fonts, styles, table rows, the foot. */

/** Complete TrueType files are embedded: subset fonts misprint signs. */
export function registerFonts() {
  Font.register({ family: 'Head', src: FONT_FILES.condensed });
  Font.register({
    family: 'Text',
    fonts: [{ src: FONT_FILES.regular }, { src: FONT_FILES.bold, fontWeight: 700 }],
  });
  Font.registerHyphenationCallback((word) => [word]);
}

export const INK = '#1c1c1c';
export const s = StyleSheet.create({
  // The layouter multiplies a height of lines anew wherever a text is made by `render`, as numbers of pages are: no page hands one down.
  page: { fontFamily: 'Text', fontSize: 8.5, color: INK, padding: '14mm 14mm 16mm' },
  flow: { fontSize: 8.5, lineHeight: 1.3 },
  title: { fontFamily: 'Head', fontSize: 26, lineHeight: 1.1 },
  subtitle: { fontSize: 10, color: '#505050', marginBottom: 6 },
  h2: {
    fontFamily: 'Head',
    fontSize: 14,
    lineHeight: 1.4,
    paddingBottom: 2,
    marginTop: 10,
    marginBottom: 3,
    borderBottom: `1.2pt solid ${INK}`,
  },
  h3: {
    fontFamily: 'Head',
    fontSize: 10.5,
    lineHeight: 1.4,
    paddingBottom: 1,
    marginTop: 6,
    borderBottom: '0.6pt solid #777777',
  },
  row: { flexDirection: 'row', borderBottom: '0.4pt solid #b4b4b4', padding: '2pt 0', gap: 6 },
  dim: { color: '#505050' },
  mark: { fontSize: 1 },
  strong: { fontWeight: 700 },
  foot: {
    position: 'absolute',
    bottom: '7mm',
    left: '14mm',
    right: '14mm',
    fontSize: 7.5,
    color: '#505050',
    flexDirection: 'row',
    justifyContent: 'space-between',
  },
  block: { flexDirection: 'row', flexWrap: 'wrap', border: `0.8pt solid ${INK}`, marginTop: 6 },
  cell: {
    width: '33.33%',
    padding: '2pt 4pt',
    borderRight: '0.4pt solid #1c1c1c',
    borderBottom: '0.4pt solid #1c1c1c',
  },
});

/** Title, day and page number at the foot of every page. */
export function Foot({
  data,
  contents,
}: {
  data: { title: string; printedOn: string };
  /** Hears how many pages there are. */
  contents?: { noteTotal: (pages: number) => void };
}): ReactNode {
  return (
    <Box style={s.foot} fixed>
      <Text>
        Build Brief: {data.title}, {data.printedOn}
      </Text>
      <Text
        render={({ pageNumber, totalPages }) => {
          contents?.noteTotal(totalPages ?? 0);
          return `${pageNumber} / ${totalPages}`;
        }}
      />
    </Box>
  );
}
