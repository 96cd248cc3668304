import { describe, expect, test } from '@jest/globals';
import { deltaE00 } from '@/core/colour/difference';
import { hexToLab } from '@/core/colour/spaces';
import { extentOf } from '@/core/geometry/polygon';
import { numbers } from '@tests/support/made-up';
import { traceArtwork, type Pixels, type Traced } from './traced';

type Paint = (x: number, y: number) => readonly [number, number, number, number?];
/** A picture, each pixel blended of sixteen as a camera blends along edges. */
function drawn(width: number, height: number, paint: Paint): Pixels {
  const data = new Uint8ClampedArray(width * height * 4);
  for (let y = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1) {
      const sum = [0, 0, 0, 0];
      for (let k = 0; k < 16; k += 1) {
        const [r, g, b, a = 255] = paint(x + ((k % 4) + 0.5) / 4, y + (Math.floor(k / 4) + 0.5) / 4);
        [r, g, b, a].forEach((value, i) => {
          sum[i]! += value / 16;
        });
      }
      data.set(sum, (y * width + x) * 4);
    }
  return { width, height, data };
}
const RED = [190, 40, 40] as const;
const SAND = [205, 185, 140] as const;
const BLACK = [25, 25, 28] as const;
const badge: Paint = (x, y) => {
  const far = Math.hypot(x - 60, y - 60);
  return far < 8 ? BLACK : far < 40 ? RED : SAND;
};
const near = ({ colours }: Traced, rgb: readonly number[]) => {
  const hex = `#${rgb.map((value) => value.toString(16).padStart(2, '0')).join('')}`;
  return colours.find((one) => deltaE00(hexToLab(one.hex), hexToLab(hex)) < 5);
};

describe('artwork traced from a picture', () => {
  test('comes out in the colours that it has, the blends along its edges in none of their own', () => {
    const traced = traceArtwork(drawn(120, 120, badge), 6);
    expect(traced.colours).toHaveLength(3);
    for (const rgb of [RED, SAND, BLACK]) expect(near(traced, rgb)).toBeDefined();
    expect(near(traced, RED)!.share).toBeCloseTo((Math.PI * (40 ** 2 - 8 ** 2)) / 120 ** 2, 2);
    expect(traced.colours.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 1);
  });
  test('lies where it lay, with its holes', () => {
    const red = near(traceArtwork(drawn(120, 120, badge), 6), RED)!;
    const { left, right, top, bottom } = extentOf(red.rings);
    for (const [edge, at] of [
      [left, 20],
      [right, 100],
      [top, 20],
      [bottom, 100],
    ] as const)
      expect(Math.abs(edge - at)).toBeLessThan(1.5);
    expect(red.rings).toHaveLength(2);
  });
  test('knows what it stands on, and which is its narrowest stroke', () => {
    const striped = traceArtwork(
      drawn(120, 80, (x, y) => (y > 30 && y < 36 && x > 15 && x < 105 ? RED : SAND)),
      4,
    );
    expect(striped.colours.map(({ isGround }) => isGround)).toEqual([true, false]);
    expect(near(striped, RED)!.leastPx).toBeCloseTo(6, 0);
  });
  test('a blurred edge leaves no slivers of a third colour, and no stroke as fine as they', () => {
    const OCHRE = [216, 154, 40] as const;
    const blurred = (far: number, edge: number): readonly [number, number, number] => {
      const t = Math.min(1, Math.max(0, (far - edge + 2) / 4));
      return RED.map((value, i) => value + t * (SAND[i]! - value)) as unknown as readonly [number, number, number];
    };
    const traced = traceArtwork(
      drawn(140, 100, (x, y) =>
        x > 110 && x < 126 && y > 40 && y < 56 ? OCHRE : blurred(Math.hypot(x - 50, y - 50), 34),
      ),
      4,
    );
    const ochre = near(traced, OCHRE)!;
    expect(extentOf(ochre.rings).left).toBeGreaterThan(105);
    expect(ochre.leastPx).toBeGreaterThan(10);
    expect(near(traced, RED)!.leastPx).toBeGreaterThan(20);
  });
  test('what is see-through is no colour of it, and then it stands on nothing', () => {
    const traced = traceArtwork(
      drawn(90, 90, (x, y) => (Math.hypot(x - 45, y - 45) < 30 ? RED : ([0, 0, 0, 0] as const))),
      6,
    );
    expect(traced.colours).toHaveLength(1);
    expect(traced.colours[0]!.isGround).toBe(false);
  });
  test('is never in more colours than were asked for, and those that are most unlike stay', () => {
    for (const most of [2, 3]) expect(traceArtwork(drawn(120, 120, badge), most).colours).toHaveLength(most);
    const two = traceArtwork(
      drawn(100, 60, (x) => (x < 40 ? RED : x < 70 ? ([196, 48, 44] as const) : SAND)),
      2,
    );
    expect(near(two, SAND)).toBeDefined();
    expect(near(two, RED)).toBeDefined();
  });
  test('grain of a film and a small spot: the grain is none, the spot is kept', () => {
    const grain = numbers(5);
    const noisy = drawn(120, 120, (x, y) => {
      const [r, g, b] = Math.hypot(x - 90, y - 30) < 6 ? BLACK : Math.hypot(x - 50, y - 60) < 30 ? RED : SAND;
      const by = (grain() - 0.5) * 24;
      return [r + by, g + by, b + by];
    });
    const traced = traceArtwork(noisy, 4);
    expect(near(traced, BLACK)).toBeDefined();
    expect(traced.colours.length).toBeLessThanOrEqual(4);
  });
  test('the same picture gives the same, and is not written into', () => {
    const picture = drawn(60, 60, (x, y) => (x + y > 60 ? RED : SAND));
    const before = [...picture.data];
    expect(traceArtwork(picture, 3)).toEqual(traceArtwork(picture, 3));
    expect([...picture.data]).toEqual(before);
  });
  test('nothing is traced of an empty picture, or of none', () => {
    expect(() =>
      traceArtwork(
        drawn(20, 20, () => [0, 0, 0, 0]),
        3,
      ),
    ).toThrow(/empty/);
    expect(() => traceArtwork({ width: 50, height: 50, data: new Uint8ClampedArray(8) }, 3)).toThrow(/too small/);
  });
});
