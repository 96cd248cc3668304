import { createCanvas, loadImage, Path2D } from '@napi-rs/canvas';
import sharp from 'sharp';
import type { Polygon } from '@/core/geometry/polygon';
import { proofMarks } from '@/core/markings/cut-sheet';
import { DOTTED_MARGIN_MM, dotsOf, MOST_DOTS, PROOF_ABOVE_MM, type DottedSheet } from '@/core/markings/dots';

const CUT_MM = 0.1;
/** What a knife follows is printed faintly: what is left of it beside the cut does not show. */
const CUT_INK = '#b0b0b0';
const MARK_INK = '#000000';

/** A sheet as a PNG in the dots of a printer, which knows its own size: printed without fitting to the page it is true. */
export async function* sheetInDots(
  wanted: DottedSheet,
  pictures: Readonly<Record<string, Uint8Array>>,
): AsyncGenerator<Uint8Array> {
  const { sheet, dotsPerInch } = wanted;
  const { across, down } = dotsOf(wanted);
  const canvas = createCanvas(across, down);
  const context = canvas.getContext('2d');
  context.fillStyle = '#ffffff';
  context.fillRect(0, 0, across, down);
  context.scale(dotsPerInch / 25.4, dotsPerInch / 25.4);
  context.translate(DOTTED_MARGIN_MM, DOTTED_MARGIN_MM);
  for (const { rings, hex } of sheet.fills) {
    context.fillStyle = hex;
    context.fill(pathOf(rings), 'evenodd');
  }
  for (const { id, x, y, width, height, mirrored } of sheet.pictures) {
    const bytes = pictures[id];
    if (!bytes) continue;
    const image = await loadImage(Buffer.from(bytes));
    context.save();
    context.translate(mirrored ? x + width : x, y);
    context.scale(mirrored ? -1 : 1, 1);
    context.drawImage(image, 0, 0, width, height);
    context.restore();
  }
  context.lineWidth = CUT_MM;
  context.strokeStyle = CUT_INK;
  context.stroke(pathOf(sheet.cuts));
  context.strokeStyle = MARK_INK;
  context.stroke(pathOf([...sheet.marks, ...proofMarks(0, sheet.height + PROOF_ABOVE_MM)]));
  yield await sharp(await canvas.encode('png'), { limitInputPixels: MOST_DOTS + 1 })
    .withMetadata({ density: dotsPerInch })
    .png({ compressionLevel: 9 })
    .toBuffer();
}

function pathOf(lines: readonly Polygon[]): Path2D {
  const path = new Path2D();
  for (const line of lines) {
    line.forEach(([x, y], i) => (i === 0 ? path.moveTo(x, y) : path.lineTo(x, y)));
    if (line.length > 2) path.closePath();
  }
  return path;
}
