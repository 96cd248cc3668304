import { Image, View as Box } from '@react-pdf/renderer';
import type { ReactNode } from 'react';
import sharp from 'sharp';
import { skinOf } from '@/core/skin/machine';
import { pictureOf } from '@/core/skin/picture';
import { eyeFrom, THREE_QUARTER } from '@/core/skin/seen-from';
import { ruledPieces } from '@/sheet/hand/shown';
import type { SheetData } from '@/sheet/sheet-data';
import type { Piece } from './flow';

/** The machine as a whole on a printed page, as it lies in the hand. */

const WIDTH_PT = 440;
const HEIGHT_PT = 200;
/** Points of the picture to a point of paper: 144 to the inch. */
const FINE = 2;

/** A PNG of the machine from its port bow; null where its outline cannot be drawn in space. */
export async function threeQuarterOf(sheet: SheetData): Promise<Uint8Array | null> {
  const [width, height] = [WIDTH_PT * FINE, HEIGHT_PT * FINE];
  try {
    const pieces = ruledPieces(skinOf(sheet), sheet, 'markings', null, null);
    const picture = pictureOf(pieces, eyeFrom(THREE_QUARTER), width, height);
    return await sharp(picture, { raw: { width, height, channels: 4 } })
      .png({ palette: true })
      .toBuffer();
  } catch {
    // The four views stand beside it: a paper without this picture says no less.
    return null;
  }
}

export const threeQuarterPiece = (png: Uint8Array | null): Piece[] =>
  png ? [{ height: HEIGHT_PT + 6, node: <ThreeQuarter png={png} /> }] : [];

function ThreeQuarter({ png }: { png: Uint8Array }): ReactNode {
  return (
    <Box style={{ alignItems: 'center', marginBottom: 6 }}>
      {/* A printed page has no other text for a picture than its title. */}
      {/* eslint-disable-next-line jsx-a11y/alt-text */}
      <Image src={{ data: Buffer.from(png), format: 'png' }} style={{ width: WIDTH_PT, height: HEIGHT_PT }} />
    </Box>
  );
}
