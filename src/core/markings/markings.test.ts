import { describe, expect, test } from '@jest/globals';
import { regionArea } from '@/core/geometry/clip';
import { narrowest } from '@/core/geometry/narrowest';
import { extentOf } from '@/core/geometry/polygon';
import { FIGURES, PLAIN, PLAIN_LETTERS, type Design } from './design';
import { designFields, figureFields, letterFields } from './design-fields';
import { fieldsOf, proportionsOf, silhouetteOf } from './drawn';
import { HEXAGON } from './figures';
import type { MarkingKind } from './kinds';
import { blockLetters } from './lettering';
import { checkSize } from './size';

const figure = (given: object) => figureFields.parse({ size: 1, colour: 0, ...given });
const marking = (kind: MarkingKind, design: Partial<Design> = {}, text = '') => ({
  kind,
  text,
  design: { ...PLAIN, ...design },
});

describe('a design of which nothing is said', () => {
  test('is plain, as are its letters, and nobody shares what it holds', () => {
    expect(designFields.parse({})).toEqual(PLAIN);
    expect(letterFields.parse({})).toEqual(PLAIN_LETTERS);
    designFields.parse({}).cuts.push(3);
    expect(designFields.parse({}).cuts).toEqual([]);
  });
});

describe('the size of a decal', () => {
  test('a 610 mm letter is 12.7 mm at 1/48; printed 13.5 it is 6.3 % too big and would be 648 mm high', () => {
    const check = checkSize(610, 48, 13.5);
    expect(check.modelMm).toBeCloseTo(12.708, 3);
    expect(check.errorPercent).toBeCloseTo(6.23, 2);
    expect(check.equalsRealMm).toBeCloseTo(648, 9);
    expect(check.says).toBe('6.2 % too big');
  });
  test('within two percent it is right; without a measurement it says so', () => {
    expect(checkSize(480, 48, 10.1).says).toBe('right');
    // Four per cent of a small letter are six hundredths of a millimetre: nobody sees that.
    expect(checkSize(100, 72, 1.45).says).toBe('right');
    expect(checkSize(100, 72, 1.55).says).toMatch(/too big$/);
    expect(checkSize(480, 48, null).says).toBe('not measured on the sheet');
    expect(checkSize(480, 48, 8).says).toBe('20 % too small');
  });
});

describe('insignia of any geometry', () => {
  test.each<[object, number]>([
    [{ figure: 'disc' }, Math.PI / 4],
    [{ figure: 'ring', inner: 0.5 }, (Math.PI / 4) * 0.75],
    [{ figure: 'bar', size: 0.2, aspect: 5 }, 0.2],
    [{ figure: 'cross', inner: 0.2 }, 0.2 + 0.2 * 0.8],
    [{ figure: 'diamond', aspect: 0.5 }, 0.25],
    [{ figure: 'quarter', points: 2 }, Math.PI / 16],
    [{ figure: 'flash', inner: 0.3 }, 0.7],
    [{ figure: 'polygon', points: 6 }, (3 * Math.sqrt(3)) / 8],
  ])('%j covers what its formula says', (given, area) =>
    expect(regionArea(fieldsOf(marking('insignia', { figures: [figure(given)] }))[0]!.region)).toBeCloseTo(area, 2),
  );
  test('every figure has an area and lies in its square', () => {
    for (const name of FIGURES) {
      const [field] = fieldsOf(marking('insignia', { figures: [figure({ figure: name })] }));
      const { left, right, top, bottom } = extentOf(field!.region);
      expect(Math.max(-left, right, -top, bottom)).toBeLessThan(0.51);
      expect(regionArea(field!.region)).toBeGreaterThan(0.04);
    }
  });
  test('a border of a tenth goes all round, under its figure', () => {
    const [border, own] = fieldsOf(
      marking('insignia', { figures: [figure({ figure: 'square', border: 0.1, borderColour: 1 })] }),
    );
    expect([border!.colour, own!.colour]).toEqual([1, 0]);
    expect(regionArea(border!.region)).toBeCloseTo(1.44, 3);
  });
  test('moved, turned and made smaller it stays what it is', () => {
    const [field] = fieldsOf(
      marking('insignia', { figures: [figure({ figure: 'bar', size: 0.2, aspect: 3, x: 0.5, y: -0.25, turn: 90 })] }),
    );
    const { left, right, top, bottom } = extentOf(field!.region);
    expect([right - left, bottom - top]).toEqual([expect.closeTo(0.2, 6), expect.closeTo(0.6, 6)]);
    expect([(left + right) / 2, (top + bottom) / 2]).toEqual([expect.closeTo(0.5, 6), expect.closeTo(-0.25, 6)]);
  });
  test('without figures it is the hexagon, as wide as it is said to be', () => {
    expect(fieldsOf(marking('insignia'))).toHaveLength(HEXAGON.length);
    expect(proportionsOf(marking('insignia')).width).toBeCloseTo(1, 6);
  });
});

describe('letters', () => {
  test('all of them stand from foot to top, whatever they are and however thick', () => {
    for (const stroke of [0.08, 1 / 7, 0.25])
      for (const text of ['T', 'TK-G 417', 'MARSH HEN', '0123456789']) {
        const { top, bottom } = extentOf(blockLetters(text, stroke, 0).region);
        expect([top, bottom]).toEqual([expect.closeTo(-0.5, 4), expect.closeTo(0.5, 4)]);
      }
  });
  test('the stroke is as thick as it says', () => {
    expect(narrowest(blockLetters('T', 0.12, 0).region) / 0.12).toBeCloseTo(1, 2);
  });
  test('wider spacing and slant make a text longer, none makes nothing', () => {
    const width = (letters: object) => proportionsOf(marking('lettering', designFields.parse({ letters }), 'TK')).width;
    expect(width({ spacing: 0.3 })).toBeCloseTo(width({}) + 0.3, 4);
    expect(width({ slant: 20 })).toBeGreaterThan(width({}));
    expect(blockLetters('', 1 / 7, 0).region).toEqual([]);
  });
  test('the bridges of a stencil leave no island that would fall out', () => {
    const holes = (breaks: number) =>
      silhouetteOf(marking('stencil', designFields.parse({ letters: { breaks } }), 'BO')).filter(
        (ring) =>
          ring.reduce(
            (sum, [x, y], i) => sum + x * ring[(i + 1) % ring.length]![1] - ring[(i + 1) % ring.length]![0] * y,
            0,
          ) < 0,
      );
    expect(holes(0).length).toBeGreaterThan(0);
    expect(holes(0.06)).toEqual([]);
  });
});

describe('other markings', () => {
  test('kill marks stand in rows, and each is as high as the marking is said to be', () => {
    const { width, height } = proportionsOf(
      marking('kill marks', { count: 7, perRow: 5, gap: 0.5, figures: [figure({ figure: 'square' })] }),
    );
    expect(width).toBeCloseTo(5 + 4 * 0.5, 6);
    expect(height).toBeCloseTo(2 + 0.5, 6);
  });
  test('a window strip is its windows with the gaps between, a walkway is a frame', () => {
    expect(proportionsOf(marking('window strip', { count: 6, aspect: 0.8, gap: 1.2 })).width).toBeCloseTo(
      6 * 0.8 + 5 * 1.2,
      6,
    );
    const [walk] = fieldsOf(marking('walkway', { aspect: 4, line: 0.1 }));
    expect(regionArea(walk!.region)).toBeCloseTo(4 - 3.8 * 0.8, 4);
  });
});
