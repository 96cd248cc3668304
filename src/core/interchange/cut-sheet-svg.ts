import type { Polygon } from '@/core/geometry/polygon';
import { proofMarks, textAt, type Sheet } from '@/core/markings/cut-sheet';

/** Three decimals: a micrometre. */
const at = ([x, y]: readonly [number, number]) => `${x.toFixed(3)} ${y.toFixed(3)}`;
const closed = (line: Polygon) => `M${line.map(at).join('L')}Z`;
const open = (line: Polygon) => `M${line.map(at).join('L')}`;

const MARGIN_MM = 8;
const PROOF_MM = 60;

/**
 * A sheet as SVG for a cutter: user units are mm, hairlines, all text as outlines. What is cut stands in one group, what is only
 * drawn in another, what is printed in colour under them, with a ruler and a square to prove the scale.
 */
export function cutSheetSvg(sheet: Sheet): string {
  const width = Math.max(sheet.width, 165) + 2 * MARGIN_MM;
  const height = sheet.height + 2 * MARGIN_MM + PROOF_MM;
  const proof = proofMarks(0, sheet.height + 4);
  const label = textAt('THE RULER IS 100 MM. THE SQUARE 50 MM', 0, sheet.height + 12, 2.6);
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width.toFixed(3)}mm" height="${height.toFixed(3)}mm" viewBox="${-MARGIN_MM} ${-MARGIN_MM} ${width.toFixed(3)} ${height.toFixed(3)}" fill="none" stroke="#000000" stroke-width="0.05">`,
    ...(sheet.fills.length > 0
      ? [
          `<g id="print" stroke="none" fill-rule="evenodd">${sheet.fills.map(({ rings, hex }) => `<path fill="${hex}" d="${rings.map(closed).join('')}"/>`).join('')}</g>`,
        ]
      : []),
    `<g id="cut">${sheet.cuts.map((line) => `<path d="${closed(line)}"/>`).join('')}</g>`,
    `<g id="marks">${sheet.marks.map((line) => `<path d="${line.length === 2 ? open(line) : closed(line)}"/>`).join('')}</g>`,
    `<g id="proof">${proof.map((line) => `<path d="${open(line)}"/>`).join('')}${label.map((line) => `<path d="${closed(line)}"/>`).join('')}</g>`,
    '</svg>',
    '',
  ].join('\n');
}
