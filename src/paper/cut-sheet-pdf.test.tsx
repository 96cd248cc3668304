/** @jest-environment node */
import { inflateSync } from 'node:zlib';
import { describe, expect, test } from '@jest/globals';
import { laidOut, type CutSheet } from '@/core/markings/cut-sheet';
import { PAPERS, type PaperSize } from './cut-sheet-pdf';
import { printed } from '@tests/support/paper';

/** Pieces of known size, one broader than any page. */
const sheet: CutSheet = {
  title: 'Proof',
  notes: ['A note.'],
  pieces: [
    {
      label: 'bar',
      width: 260,
      height: 30,
      cuts: [
        [
          [0, 0],
          [250, 0],
          [250, 20],
          [0, 20],
        ],
      ],
      marks: [],
    },
  ],
};

/** Everything that the pages draw: the streams of the file, inflated. */
const streamsOf = (bytes: Buffer): string =>
  [...bytes.toString('latin1').matchAll(/stream\r?\n([\s\S]*?)\r?\nendstream/g)]
    .map(([, body]) => {
      try {
        return inflateSync(Buffer.from(body!, 'latin1')).toString('latin1');
      } catch {
        return '';
      }
    })
    .join('\n');

/** Lengths of straight lines in mm, each by the scale that was set before it. */
function lengthsIn(streams: string): number[] {
  let scale = 1;
  const before: number[] = [];
  let at: [number, number] | null = null;
  const lengths: number[] = [];
  for (const [line] of streams.matchAll(/[^\n]+/g)) {
    const words = line.trim().split(/\s+/);
    const [a, b] = words.map(Number);
    if (words.at(-1) === 'q') before.push(scale);
    else if (words.at(-1) === 'Q') scale = before.pop() ?? 1;
    else if (words.at(-1) === 'cm') scale *= Math.hypot(a!, b!);
    else if (words.at(-1) === 'm') at = [a!, b!];
    else if (words.at(-1) === 'l' && at) {
      lengths.push((Math.hypot(a! - at[0], b! - at[1]) * scale * 25.4) / 72);
      at = [a!, b!];
    }
  }
  return lengths;
}
const nearest = (lengths: readonly number[], wanted: number) =>
  Math.min(...lengths.map((length) => Math.abs(length - wanted)));

describe('sheets to cut on paper', () => {
  test.each(Object.keys(PAPERS) as PaperSize[])(
    '%s: lengths are true to a twentieth of a millimetre, ruler and square among them',
    async (size) => {
      const bytes = await printed({
        kind: 'cut sheets',
        pictures: {},
        data: { title: 'Proof', size, sheets: [laidOut(sheet)] },
      });
      const text = bytes.toString('latin1');
      const [, width, height] = /\/MediaBox \[0 0 ([\d.]+) ([\d.]+)\]/.exec(text)!;
      expect(Number(width)).toBeCloseTo((PAPERS[size][0] * 72) / 25.4, 0);
      expect(Number(height)).toBeCloseTo((PAPERS[size][1] * 72) / 25.4, 0);
      const lengths = lengthsIn(streamsOf(bytes));
      for (const wanted of [250, 20, 100, 50])
        expect([wanted, nearest(lengths, wanted)]).toEqual([wanted, expect.closeTo(0, 1)]);
      expect(nearest(lengths, 250)).toBeLessThan(0.05);
      // What is broader than the page goes over two.
      expect(text.match(/\/Type \/Page\b/g)!.length).toBeGreaterThanOrEqual(2);
    },
  );

  test('as it is drawn dot by dot, a rectangle measures what it should, across and down', async () => {
    const [width, height] = [120, 60];
    const cuts: CutSheet['pieces'][number]['cuts'] = [
      [
        [0, 0],
        [width, 0],
        [width, height],
        [0, height],
      ],
    ];
    const proof = { ...sheet, pieces: [{ label: '', width, height, cuts, marks: [] }] };
    const bytes = await printed({
      kind: 'cut sheets',
      pictures: {},
      data: { title: 'Proof', size: 'A4', sheets: [laidOut(proof)] },
    });
    const { darkness, breadth, depth } = await drawnFirstPage(bytes);
    expect(nearest(distances(peaks(breadth, depth, darkness)), width)).toBeLessThan(0.05);
    expect(nearest(distances(peaks(depth, breadth, (y, x) => darkness(x, y))), height)).toBeLessThan(0.05);
  });
});

const DOTS_PER_MM = 25;

/** The first page as a printer would draw it: how dark each dot is, 0 to 1. */
async function drawnFirstPage(bytes: Uint8Array) {
  const { getDocument } = await import('pdfjs-dist/legacy/build/pdf.mjs');
  const { createCanvas } = await import('@napi-rs/canvas');
  const page = await (await getDocument({ data: new Uint8Array(bytes) }).promise).getPage(1);
  const viewport = page.getViewport({ scale: (DOTS_PER_MM * 25.4) / 72 });
  const [breadth, depth] = [Math.round(viewport.width), Math.round(viewport.height)];
  const canvas = createCanvas(breadth, depth);
  const context = canvas.getContext('2d');
  await page.render({
    canvas: null,
    canvasContext: context as unknown as CanvasRenderingContext2D,
    viewport,
  }).promise;
  const { data } = context.getImageData(0, 0, breadth, depth);
  return { breadth, depth, darkness: (x: number, y: number) => 1 - data[4 * (y * breadth + x)]! / 255 };
}

/** Where straight lines stand across a page, mm: columns that are dark for long, each at the middle of its ink. */
function peaks(across: number, along: number, darkness: (a: number, b: number) => number): number[] {
  const ink = Array.from({ length: across }, (_, a) => {
    let sum = 0;
    for (let b = 0; b < along; b += 1) sum += darkness(a, b);
    return sum;
  });
  const found: number[] = [];
  for (let a = 1; a < across - 1; a += 1)
    if (ink[a]! > LONG && ink[a]! >= ink[a - 1]! && ink[a]! > ink[a + 1]!) {
      // What else lies in these columns, letters and rulers, lies in their neighbours too.
      const near = [-3, -2, -1, 0, 1, 2, 3].filter((d) => ink[a + d] !== undefined);
      const rest = Math.min(...near.map((d) => ink[a + d]!));
      const weight = near.reduce((sum, d) => sum + ink[a + d]! - rest, 0);
      found.push((a + near.reduce((sum, d) => sum + d * (ink[a + d]! - rest), 0) / weight) / DOTS_PER_MM);
    }
  return found;
}
/** Ink in a column, dots, that no letter leaves. */
const LONG = 150;

const distances = (at: readonly number[]): number[] => at.flatMap((a, i) => at.slice(i + 1).map((b) => b - a));
