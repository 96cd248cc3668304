import { expect, test } from '@jest/globals';
import sharp from 'sharp';
import { rectangle } from '@/core/geometry/polygon';
import { buffer } from 'node:stream/consumers';
import { renderPaper } from './render';

const sheet = {
  title: 'Square',
  width: 40,
  height: 30,
  cuts: [rectangle(4, 4, 26, 26)],
  marks: [],
  fills: [{ hex: '#c03030', rings: [rectangle(5, 5, 25, 25), rectangle(10, 10, 20, 20)] }],
  pictures: [{ id: 'p', x: 30, y: 5, width: 5, height: 5, mirrored: false }],
};

test('a printed sheet in dots is true: it knows its resolution, and a square of 20 mm has the dots of 20 mm', async () => {
  const green = await sharp({ create: { width: 8, height: 8, channels: 3, background: '#20a040' } })
    .jpeg()
    .toBuffer();
  const bytes = await buffer(
    await renderPaper({ kind: 'sheet in dots', data: { sheet, dotsPerInch: 300 }, pictures: { p: green } }),
  );
  const image = sharp(bytes);
  const { density, width = 0, format } = await image.metadata();
  expect([format, density]).toEqual(['png', 300]);
  const { data, info } = await image.removeAlpha().raw().toBuffer({ resolveWithObject: true });
  const at = (mmX: number, mmY: number) => {
    const dot = (mm: number) => Math.round(((mm + 4) * 300) / 25.4);
    const i = (dot(mmY) * info.width + dot(mmX)) * info.channels;
    return [...data.subarray(i, i + 3)];
  };
  expect(width).toBe(Math.ceil((168 * 300) / 25.4));
  expect(at(7, 15)).toEqual([0xc0, 0x30, 0x30]);
  // The hole of the field is bare film.
  expect(at(15, 15)).toEqual([255, 255, 255]);
  expect(at(32, 7)[1]).toBeGreaterThan(140);
  const row = Array.from(
    { length: info.width },
    (_, x) => data[(Math.round(((8 + 4) * 300) / 25.4) * info.width + x) * info.channels + 1]!,
  );
  const red = row.filter((green) => green < 0x60).length;
  expect((red * 25.4) / 300).toBeCloseTo(20, 0);
});
