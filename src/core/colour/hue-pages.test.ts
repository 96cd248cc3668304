import { describe, expect, test } from '@jest/globals';
import { deltaE00 } from './difference';
import { huePages, nearerTo, PICKED_SD } from './hue-pages';
import { hexToLab, labToHex } from './spaces';

const pages = huePages();
const cells = pages.flatMap(({ rows }) => rows.flatMap((row) => row.cells));

describe('pages to pick a colour from', () => {
  test('show only what a screen shows, as it is', () => {
    for (const { lab, hex } of cells) {
      expect(labToHex(lab)).toEqual({ hex, inSrgb: true });
      expect(deltaE00(lab, hexToLab(hex))).toBeLessThan(1);
    }
  });

  test('each holds one hue, lighter upwards and stronger to the right, from grey on', () => {
    for (const { degrees, rows } of pages) {
      rows.forEach(({ lightness, cells: row }, i) => {
        if (i > 0) expect(lightness).toBeLessThan(rows[i - 1]!.lightness);
        expect(row[0]!.chroma).toBe(0);
        row.forEach(({ lab: [L, a, b], chroma }, at) => {
          expect(L).toBe(lightness);
          expect(Math.hypot(a, b)).toBeCloseTo(chroma, 6);
          if (at === 0) return;
          expect(chroma).toBeGreaterThan(row[at - 1]!.chroma);
          expect(((Math.atan2(b, a) * 180) / Math.PI + 360) % 360).toBeCloseTo(degrees, 6);
        });
      });
    }
  });

  test('have different names', () => {
    expect(new Set(pages.map(({ title }) => title)).size).toBe(pages.length);
  });

  test('come as near to any dull paint as an eye can tell, once looked at nearer', () => {
    // Muted colours as camouflage has them, all round the circle.
    for (let hue = 0; hue < 360; hue += 15)
      for (const [L, chroma] of [
        [35, 12],
        [52, 20],
        [70, 9],
      ] as const) {
        const wanted = [L, chroma * Math.cos((hue * Math.PI) / 180), chroma * Math.sin((hue * Math.PI) / 180)] as const;
        const nearest = (list: readonly { lab: readonly [number, number, number] }[]) =>
          list.reduce((best, one) => (deltaE00(wanted, one.lab) < deltaE00(wanted, best.lab) ? one : best));
        const first = nearest(cells);
        const nearer = nearest(nearerTo(first.lab as never).flatMap((row) => row.cells));
        expect(deltaE00(wanted, nearer.lab)).toBeLessThan(PICKED_SD);
      }
  });

  test('round a colour nothing is beyond black or white', () => {
    for (const lab of [[2, 0, 0] as const, [99, 0, 0] as const])
      for (const { lightness } of nearerTo([...lab])) {
        expect(lightness).toBeGreaterThanOrEqual(0);
        expect(lightness).toBeLessThanOrEqual(100);
      }
  });
});
