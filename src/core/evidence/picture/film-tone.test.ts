import { describe, expect, test } from '@jest/globals';
import { upsample } from '@/core/colour/upsample';
import { labToXyz } from '@/core/colour/spaces';
import type { Lab } from '@/core/colour/types';
import { filmExposure, FLARE, rankByTone, ToneFault, type Emulsion, type TonePicture } from './film-tone';
import { patchGrey } from './grey';

const RED: Lab = [42, 60, 42];
const YELLOW: Lab = [82, 5, 78];
const COLOURS: Record<string, Lab> = {
  white: [94, 0, 2],
  black: [18, 0, 0],
  red: RED,
  yellow: YELLOW,
  green: [36, -12, 14],
  brown: [38, 10, 18],
  blue: [32, 0, -30],
  sky: [72, -6, -8],
  sand: [64, 6, 22],
  grey: [52, 0, -2],
  navy: [26, 2, -12],
  olive: [44, -2, 24],
};
const candidates = Object.entries(COLOURS).map(([code, lab]) => ({ code, reflectance: upsample(lab) }));
const reflectanceOf = (code: string) => candidates.find((candidate) => candidate.code === code)!.reflectance;
/** What a print shows of a colour, by the model itself with an exposure and contrast the ranking does not know. */
const printed = (code: string, film: Emulsion, alpha = 0.8, beta = 0.5) =>
  alpha + beta * Math.log10(filmExposure(reflectanceOf(code), film) + FLARE);
const pictureOf = (
  unknown: string,
  film: Emulsion,
  known: string[],
  films: Emulsion[] = [film],
  noise = 0,
): TonePicture => ({
  known: known.map((code) => ({ reflectance: reflectanceOf(code), grey: printed(code, film) })),
  unknownGrey: printed(unknown, film) + noise,
  films: films.map((emulsion) => ({ emulsion, filter: 'none', prior: 1 / films.length })),
});

describe('what films do to colours', () => {
  test('red prints nearly black on orthochromatic film, three or four times lighter on panchromatic', () => {
    const [ortho, pan] = [filmExposure(reflectanceOf('red'), 'ortho'), filmExposure(reflectanceOf('red'), 'pan')];
    expect(ortho).toBeLessThan(0.06);
    expect(pan / ortho).toBeGreaterThan(2.5);
  });
  test('yellow prints darker than its lightness on orthochromatic film', () => {
    expect(filmExposure(reflectanceOf('yellow'), 'ortho')).toBeLessThan(0.6 * labToXyz(YELLOW)[1]);
    expect(filmExposure(reflectanceOf('yellow'), 'pan')).toBeGreaterThan(
      filmExposure(reflectanceOf('yellow'), 'ortho'),
    );
  });
  test('a white surface exposes fully, whatever film and filter', () => {
    const white = Array.from({ length: 31 }, () => 1);
    for (const film of ['pan', 'ortho', 'ordinary', 'hyperpan'] as const)
      for (const filter of ['none', 'yellow', 'red'] as const)
        expect(filmExposure(white, film, filter)).toBeCloseTo(1, 12);
  });
  test('a yellow filter darkens blue against white', () => {
    expect(filmExposure(reflectanceOf('blue'), 'pan', 'yellow')).toBeLessThan(
      filmExposure(reflectanceOf('blue'), 'pan'),
    );
  });
});

describe('ranking candidates by a grey', () => {
  const ranked = (picture: TonePicture | TonePicture[]) => rankByTone([picture].flat(), candidates);
  test('probabilities sum to one, in order, and the likely ones hold nine tenths', () => {
    const { ranked: list, within } = ranked(pictureOf('green', 'pan', ['white', 'black', 'sand']));
    expect(list.reduce((sum, { probability }) => sum + probability, 0)).toBeCloseTo(1, 9);
    expect(list.map((c) => c.probability)).toEqual(list.map((c) => c.probability).sort((a, b) => b - a));
    const held = list.filter((c) => within.includes(c.code)).reduce((sum, c) => sum + c.probability, 0);
    expect(held).toBeGreaterThanOrEqual(0.9);
  });
  test('without noise the true colour is among the first three nearly always, of twelve', () => {
    const known = ['white', 'black', 'sand'];
    const asked = Object.keys(COLOURS).filter((code) => !known.includes(code));
    const among = asked.filter((code) =>
      ranked(pictureOf(code, 'pan', known, ['pan']))
        .ranked.slice(0, 3)
        .some((c) => c.code === code),
    );
    expect(among.length).toBeGreaterThanOrEqual(asked.length - 1);
  });
  test('a second picture on another film tells apart what one cannot', () => {
    const known = ['white', 'black', 'sand'];
    const share = (pictures: TonePicture[], code: string) =>
      ranked(pictures).ranked.find((c) => c.code === code)!.probability;
    const both = [pictureOf('red', 'pan', known), pictureOf('red', 'ortho', known)];
    expect(share(both, 'red')).toBeGreaterThan(share([both[0]!], 'red'));
  });
  test('neighbours in grey are not told apart, and it says so', () => {
    const near = [
      { code: 'a', reflectance: upsample([40, 0, 0]) },
      { code: 'b', reflectance: upsample([40.5, 1, 0]) },
      { code: 'c', reflectance: upsample([39.5, 0, 1]) },
    ];
    const answer = rankByTone([{ ...pictureOf('grey', 'pan', ['white', 'black']), unknownGrey: 0.4 }], near);
    expect(answer.says).toMatch(/^It cannot be told: 3 of 3/);
    expect(Math.max(...answer.ranked.map((c) => c.probability))).toBeLessThan(0.5);
  });
  test('of an unknown film, the known patches say which it was', () => {
    // Red beside sky: reversed on orthochromatic film.
    const { films } = ranked(pictureOf('green', 'ortho', ['white', 'red', 'sky', 'yellow', 'black'], ['pan', 'ortho']));
    expect(films.find((film) => film.emulsion === 'ortho')!.probability).toBeGreaterThan(0.9);
  });
  test('below two known patches it refuses and says why', () => {
    expect(() => ranked(pictureOf('green', 'pan', ['white']))).toThrow(ToneFault);
    expect(() => ranked(pictureOf('green', 'pan', ['white']))).toThrow(/exposure and contrast/);
    expect(() => rankByTone([pictureOf('green', 'pan', ['white', 'black'])], [])).toThrow(ToneFault);
  });
});

describe('the grey of a patch', () => {
  const pixels = {
    width: 4,
    height: 2,
    data: [0, 0, 0, 255, 255, 255, 255, 255, 255, 0, 0, 255, 0, 255, 0, 255].concat(Array(16).fill(0)),
  };
  test('is the mean over its disc, by the weights of the eye', () => {
    expect(patchGrey(pixels, [1, 0], 0.5)!.grey).toBeCloseTo(1, 9);
    expect(patchGrey(pixels, [2, 0], 0.5)!.grey).toBeCloseTo(0.2126, 9);
    expect(patchGrey(pixels, [3, 0], 0.5)!.grey).toBeCloseTo(0.7152, 9);
  });
  test('scatters where the patch is not even; outside the picture there is none', () => {
    const half = patchGrey(pixels, [0.5, 0], 0.6)!;
    expect(half.count).toBe(2);
    expect(half.grey).toBeCloseTo(0.5, 9);
    expect(half.sd).toBeCloseTo(0.5, 9);
    expect(patchGrey(pixels, [40, 40], 3)).toBeNull();
  });
});
