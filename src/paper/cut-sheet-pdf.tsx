import { Document, Image, Page, Path, Svg, Text } from '@react-pdf/renderer';
import type { ReactNode } from 'react';
import type { Polygon } from '@/core/geometry/polygon';
import { proofMarks, type Sheet, type SheetPicture } from '@/core/markings/cut-sheet';
import { registerFonts } from './paper';

export const PAPERS = { A4: [210, 297], LETTER: [215.9, 279.4] } as const;
export type PaperSize = keyof typeof PAPERS;

export interface CutPaper {
  title: string;
  size: PaperSize;
  sheets: Sheet[];
}

/** Points to the millimetre. */
const PT = 72 / 25.4;
const MARGIN_MM = 10;
/** Room at the foot of every page for the ruler and the square. */
const FOOT_MM = 64;

/** Sheets in true size over as many pages as they take, each page with a ruler and a square to prove the printer. */
export function CutSheetPdf({ data, pictures }: { data: CutPaper; pictures: Record<string, Uint8Array> }): ReactNode {
  registerFonts();
  const [paperWidth, paperHeight] = PAPERS[data.size];
  const [width, height] = [paperWidth - 2 * MARGIN_MM, paperHeight - 2 * MARGIN_MM - FOOT_MM];
  const pages = data.sheets.flatMap((sheet) => {
    const [columns, rows] = [Math.ceil(sheet.width / width - 1e-6) || 1, Math.ceil(sheet.height / height - 1e-6) || 1];
    return Array.from({ length: columns * rows }, (_, i) => ({
      sheet,
      x: (i % columns) * width,
      y: Math.floor(i / columns) * height,
      says: columns * rows > 1 ? `piece ${i + 1} of ${columns * rows}, ${columns} across` : '',
    }));
  });
  return (
    <Document title={data.title}>
      {pages.map(({ sheet, x, y, says }, i) => (
        <Page key={i} size={data.size} style={{ fontFamily: 'Text', fontSize: 8 }}>
          <Svg
            width={width * PT}
            height={height * PT}
            viewBox={`${x} ${y} ${width} ${height}`}
            style={{ position: 'absolute', left: MARGIN_MM * PT, top: MARGIN_MM * PT }}
          >
            {sheet.fills.map(({ rings, hex }, k) => (
              <Path key={`fill ${k}`} d={rings.map((ring) => pathOf(ring)).join('')} fill={hex} fillRule="evenodd" />
            ))}
            {[...sheet.cuts, ...sheet.marks].map((line, k) => (
              <Path key={k} d={pathOf(line)} fill="none" stroke="#000000" strokeWidth={0.05} />
            ))}
          </Svg>
          {sheet.pictures.flatMap((placed, k) => {
            const bytes = pictures[placed.id];
            return bytes ? [<PlacedPicture key={`picture ${k}`} bytes={bytes} placed={placed} x={x} y={y} />] : [];
          })}
          <Svg
            width={width * PT}
            height={56 * PT}
            viewBox={`0 0 ${width} 56`}
            style={{ position: 'absolute', left: MARGIN_MM * PT, top: (paperHeight - MARGIN_MM - 56) * PT }}
          >
            {proofMarks(0, 2).map((line, k) => (
              <Path key={k} d={pathOf(line, true)} fill="none" stroke="#000000" strokeWidth={0.1} />
            ))}
          </Svg>
          <Text
            style={{
              position: 'absolute',
              left: MARGIN_MM * PT,
              top: (paperHeight - MARGIN_MM - 44) * PT,
              width: 100 * PT,
            }}
          >
            {`Build Brief: ${data.title}. ${sheet.title}${says ? `, ${says}` : ''}. Printed true, the ruler is 100 mm long and the square 50 mm; if not, print again without fitting to the page.`}
          </Text>
        </Page>
      ))}
    </Document>
  );
}

/** A picture on the part of a sheet that begins at a place, in true size. */
function PlacedPicture({
  bytes,
  placed,
  x,
  y,
}: {
  bytes: Uint8Array;
  placed: SheetPicture;
  x: number;
  y: number;
}): ReactNode {
  return (
    // A printed page has no other text for a picture than its title.
    // eslint-disable-next-line jsx-a11y/alt-text
    <Image
      src={{ data: Buffer.from(bytes), format: 'jpg' }}
      style={{
        position: 'absolute',
        left: (MARGIN_MM + placed.x - x) * PT,
        top: (MARGIN_MM + placed.y - y) * PT,
        width: placed.width * PT,
        height: placed.height * PT,
        ...(placed.mirrored ? { transform: 'scale(-1, 1)' } : {}),
      }}
    />
  );
}

const pathOf = (line: Polygon, isOpen = line.length === 2): string =>
  `M${line.map(([x, y]) => `${x.toFixed(4)} ${y.toFixed(4)}`).join('L')}${isOpen ? '' : 'Z'}`;
