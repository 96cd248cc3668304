import { describe, expect, test } from '@jest/globals';
import { laidTogether, type LaidFlat } from './straight-on';

const [WIDTH, HEIGHT] = [40, 20];
/** A piece whose tones run from left to right; `light` makes of a tone what this picture has of it, `isShown` says of which columns. */
function piece(light: (tone: number) => number, isShown: (column: number) => boolean, fineness = 1): LaidFlat {
  const data = new Uint8ClampedArray(4 * WIDTH * HEIGHT);
  let shown = 0;
  for (let i = 0; i < WIDTH * HEIGHT; i += 1) {
    const column = i % WIDTH;
    if (!isShown(column)) continue;
    data.set([...[0, 1, 2].map((k) => light(60 + 2 * column + 5 * k)), 255], 4 * i);
    shown += 1;
  }
  return { width: WIDTH, height: HEIGHT, data, mmPerPx: 2, shown: shown / (WIDTH * HEIGHT), fineness, pictures: 1 };
}
const same = (tone: number) => tone;
const all = () => true;
const tonesOf = ({ data }: LaidFlat, column: number) => [...data.slice(4 * column, 4 * column + 4)];

describe('several pictures of one piece', () => {
  test('what one hides the other shows, in the light of the first', () => {
    const left = piece(same, (column) => column < 30);
    const right = piece(
      (tone) => 0.5 * tone + 90,
      (column) => column >= 10,
    );
    const both = laidTogether([left, right]);
    expect(both.pictures).toBe(2);
    expect(both.shown).toBe(1);
    const whole = piece(same, all);
    for (const column of [0, 15, 29, 30, 39])
      tonesOf(both, column).forEach((tone, k) =>
        expect(Math.abs(tone - tonesOf(whole, column)[k]!)).toBeLessThanOrEqual(2),
      );
  });

  test('where both show a place the finer one counts for more', () => {
    const spoilt = piece(same, all, 0.25);
    spoilt.data.set([0, 0, 0, 255], 0);
    const [tone] = tonesOf(laidTogether([piece(same, all), spoilt]), 0);
    // 60 and 0, sixteen to one.
    expect(tone).toBeGreaterThan(54);
    expect(tone).toBeLessThan(60);
  });

  test('what shows nothing of it, or is laid otherwise, adds nothing', () => {
    const one = piece(same, all);
    expect(laidTogether([one, piece(same, () => false)])).toBe(one);
    expect(laidTogether([one, { ...piece(same, all), width: HEIGHT, height: WIDTH }])).toBe(one);
  });
});
