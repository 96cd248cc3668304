import { describe, expect, test } from '@jest/globals';
import { deltaE00 } from '@/core/colour/difference';
import { BANDS, filmOver, innerOf, masstone, mixed, seen, type Pigment } from '@/core/colour/kubelka-munk';
import { reflectanceToXyz } from '@/core/colour/reflectance';
import type { Lab } from '@/core/colour/types';
import { coatsToHide, greyGround, groundOfPaint, layCoats } from './films';
import { CLASS_CONTRAST, labOfPigment, pigmentOf } from './pigment';

/** Paints whose constants are known, so that what is derived can be held against them. */
const shape = (of: (nm: number) => number) => Array.from({ length: BANDS }, (_, i) => of(400 + 10 * i));
const YELLOW: Pigment = { K: shape((nm) => 6 / (1 + Math.exp((nm - 500) / 12)) + 0.03), S: shape(() => 1.6) };
const WHITE: Pigment = { K: shape((nm) => 0.01 + 0.2 / (1 + Math.exp((nm - 405) / 6))), S: shape(() => 8) };
const BLUE: Pigment = {
  K: shape((nm) => 0.2 + 5 / (1 + Math.exp(-(nm - 520) / 25))),
  S: shape((nm) => 2.4 - nm / 700),
};
const card = (value: number) => shape(() => value);
const over = (paint: Pigment, ground: number) => filmOver(paint, 1, card(innerOf(ground))).map(seen);

describe('constants from what is known of a paint', () => {
  test('always give the paint its own colour back', () => {
    const lab: Lab = [45, -10, 18];
    for (const data of [
      { colour: lab },
      { colour: lab, opacity: 'semi' as const },
      { colour: lab, contrastRatio: 0.9 },
      { colour: lab, tint14: [78, -5, 10] as Lab, white: WHITE },
    ])
      expect(deltaE00(lab, labOfPigment(pigmentOf(data).pigment))).toBeLessThan(0.05);
  });
  test('a contrast ratio comes out as it went in', () => {
    const { pigment } = pigmentOf({ colour: [60, 5, 40], contrastRatio: 0.85 });
    const Y = (ground: number) => reflectanceToXyz(over(pigment, ground))[1];
    expect(Y(0.01) / Y(0.8)).toBeCloseTo(0.85, 6);
  });
  test('the more opaque its class, the more a paint scatters', () => {
    const scatter = (opacity: keyof typeof CLASS_CONTRAST) => pigmentOf({ colour: [60, 5, 40], opacity }).pigment.S[0]!;
    expect(scatter('opaque')).toBeGreaterThan(scatter('semi'));
    expect(scatter('semi')).toBeGreaterThan(scatter('transparent'));
  });
  test('curves over a black and a white card give absorption and scattering back', () => {
    const found = pigmentOf({
      overBlack: over(YELLOW, 0.02),
      overWhite: over(YELLOW, 0.85),
      blackCard: card(0.02),
      whiteCard: card(0.85),
    }).pigment;
    found.S.forEach((value, i) => expect(Math.abs(value / YELLOW.S[i]! - 1)).toBeLessThan(0.02));
    found.K.forEach((value, i) => expect(Math.abs(value - YELLOW.K[i]!)).toBeLessThan(0.03 * (1 + YELLOW.K[i]!)));
  });
  test('curves of masstone and tint give scattering back, per band', () => {
    const tint = masstone(
      mixed([
        { pigment: BLUE, drops: 1 },
        { pigment: WHITE, drops: 4 },
      ]),
    );
    const found = pigmentOf({ colour: masstone(BLUE), tint14: tint, white: WHITE }).pigment;
    found.S.forEach((value, i) => expect(Math.abs(value / BLUE.S[i]! - 1)).toBeLessThan(0.02));
  });
  test('the less is known, the less sure a mixture is', () => {
    const lab: Lab = [45, -10, 18];
    const sds = [
      pigmentOf({ pigment: YELLOW }),
      pigmentOf({
        overBlack: over(YELLOW, 0.02),
        overWhite: over(YELLOW, 0.85),
        blackCard: card(0.02),
        whiteCard: card(0.85),
      }),
      pigmentOf({ colour: lab, contrastRatio: 0.9 }),
      pigmentOf({ colour: lab, opacity: 'semi' }),
      pigmentOf({ colour: lab }),
    ].map(({ sd }) => sd);
    expect(sds).toEqual([...sds].sort((a, b) => a - b));
  });
});

describe('coats over a ground', () => {
  const yellow = { pigment: YELLOW, thickness: 0.5 };
  test('a yellow takes more coats over black than over white, and a thick coat of itself takes none', () => {
    const [black, white] = [coatsToHide(greyGround(0.03), [yellow])!, coatsToHide(greyGround(0.85), [yellow])!];
    expect(black).toBeGreaterThan(white);
    expect(coatsToHide(groundOfPaint(YELLOW), [yellow])).toBe(0);
  });
  test('stays hidden from that coat on, and was not before it', () => {
    const n = coatsToHide(greyGround(0.03), [yellow])!;
    const after = layCoats(
      greyGround(0.03),
      Array.from({ length: n + 5 }, () => yellow),
    );
    expect(after[n - 2]!.dE00ToMasstone).toBeGreaterThanOrEqual(1);
    for (const { dE00ToMasstone } of after.slice(n - 1)) expect(dE00ToMasstone).toBeLessThan(1);
  });
  test('thinner coats are more coats; a looser eye is fewer', () => {
    const thin = { pigment: YELLOW, thickness: 0.25 };
    expect(coatsToHide(greyGround(0.03), [thin])!).toBeGreaterThan(coatsToHide(greyGround(0.03), [yellow])!);
    expect(coatsToHide(greyGround(0.03), [thin], 4)!).toBeLessThan(coatsToHide(greyGround(0.03), [thin])!);
  });
  test('a clear that only darkens never hides', () => {
    const clear: Pigment = { K: card(0.01), S: card(0) };
    expect(coatsToHide(greyGround(0.5), [{ pigment: clear, thickness: 0.2 }])).toBeNull();
    expect(coatsToHide(greyGround(0.5), [{ pigment: YELLOW, thickness: 0 }])).toBeNull();
  });
});
