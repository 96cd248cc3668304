import { describe, expect, test } from '@jest/globals';
import { cutSheetSvg } from '@/core/interchange/cut-sheet-svg';
import { hexToLab } from '@/core/colour/spaces';
import { regionArea } from '@/core/geometry/clip';
import { extentOf } from '@/core/geometry/polygon';
import { laidOut } from './cut-sheet';
import { PLAIN } from './design';
import { figureFields } from './design-fields';
import { dotsOf } from './dots';
import type { PlaceableMarking } from './placing';
import { PLAIN_PRINTING, type Printing } from './printing';
import { printSheet, type PrintAs, type ToPrint } from './print-sheet';

const INKS = {
  hexOf: (code: string) => ({ red: '#c03030', sand: '#c8b48c' })[code] ?? null,
  nameOf: () => '',
};
const place = (mirrored = false) => ({ view: 'port' as const, station: 4, offset: 1, turn: 0, mirrored });
const disc = figureFields.parse({ figure: 'disc', size: 1, colour: 0 });
const toPrint = (
  printing: Partial<Printing> = {},
  over: Partial<ToPrint> = {},
  marking: Partial<PlaceableMarking> = {},
): ToPrint => ({
  marking: {
    id: 'm',
    title: 'Badge',
    kind: 'insignia',
    text: '',
    zone: 'fuselage-mid-port',
    heightMm: 960,
    codes: ['red'],
    places: [place(), place()],
    design: { ...PLAIN, figures: [disc] },
    ...marking,
  },
  printing: { ...PLAIN_PRINTING, ...printing },
  pictureId: null,
  grounds: ['sand'],
  ...over,
});
const sheetOf = (print: ToPrint, as: PrintAs = 'colours') => printSheet([print], 48, INKS, as);
const flag: [number, number][] = [
  [0, 0],
  [1, 0.2],
  [0, 0.4],
];
const FLAG = { kind: 'artwork' as const, design: { ...PLAIN, artwork: [{ rings: [flag], colour: 0 }] } };

describe('a sheet of decals that are printed at home', () => {
  test('has each of its places and its spares, in true size and colour, with a line to cut round the film', () => {
    const { pieces } = sheetOf(toPrint({ spares: 3 }));
    expect(pieces).toHaveLength(5);
    expect(pieces.filter(({ label }) => label.endsWith('spare'))).toHaveLength(3);
    const [{ fills, cuts }] = pieces as [(typeof pieces)[number]];
    expect(fills!.map(({ hex }) => hex)).toEqual(['#c03030']);
    const { left, right } = extentOf(fills![0]!.rings);
    expect(right - left).toBeCloseTo(20, 1);
    const line = extentOf(cuts);
    expect(line.right - line.left).toBeCloseTo(21.6, 1);
  });
  test('on white film is backed with the colour that it lies on, beyond the line that it is cut to', () => {
    const { pieces, notes } = sheetOf(toPrint({ film: 'white' }));
    const [background, colour] = pieces[0]!.fills!;
    expect([background!.hex, colour!.hex]).toEqual(['#c8b48c', '#c03030']);
    const line = extentOf(pieces[0]!.cuts);
    expect(line.right - line.left).toBeCloseTo(20, 1);
    expect(extentOf(background!.rings).right).toBeGreaterThan(line.right + 0.3);
    expect(notes.join(' ')).toMatch(/sand.*Cut to the line/);
  });
  test('of what lies on nothing known keeps its film white and says so', () => {
    const { pieces, notes } = sheetOf(toPrint({ film: 'white' }, { grounds: [] }));
    expect(pieces[0]!.fills).toHaveLength(1);
    expect(notes.join(' ')).toMatch(/stays white/);
  });
  test('for transfers is mirrored, and what is mirrored on the model is then as it is', () => {
    const tip = (printing: Partial<Printing>, mirrored: boolean) => {
      const { pieces } = sheetOf(toPrint(printing, {}, { ...FLAG, places: [place(mirrored)] }));
      const ring = pieces[0]!.fills![0]!.rings[0]!;
      const { left, right } = extentOf([ring]);
      // The tip of the flag is its only corner halfway up.
      const [x] = ring.find(([, y]) => Math.abs(y - (extentOf([ring]).top + extentOf([ring]).bottom) / 2) < 0.1)!;
      return x - left > (right - left) / 2 ? 'right' : 'left';
    };
    expect([tip({}, false), tip({ mirrored: true }, false)]).toEqual(['right', 'left']);
    expect([tip({}, true), tip({ mirrored: true }, true)]).toEqual(['left', 'right']);
  });
  test('has its white in a pass of its own where that is printed, of the same lie and a little inside', () => {
    const both = [toPrint({ white: 'painted' }), toPrint({ white: 'printed' }, {}, { id: 'n' })];
    const [white, colours] = [printSheet(both, 48, INKS, 'white'), printSheet(both, 48, INKS, 'colours')];
    const area = ({ fills }: (typeof white.pieces)[number]) => regionArea(fills!.flatMap(({ rings }) => rings));
    expect(white.pieces.map(area).filter((cm) => cm > 0)).toHaveLength(3);
    white.pieces.slice(3).forEach((piece, i) => {
      expect(area(piece)).toBeLessThan(area(colours.pieces[i + 3]!));
      expect(area(piece)).toBeGreaterThan(area(colours.pieces[i + 3]!) * 0.95);
    });
    // What has no white of its own keeps its room: the rest lies where its colours lie.
    expect(laidOut(white).cuts).toEqual(laidOut(colours).cuts);
  });
  test('to paint over is faint: the same colours, near to white', () => {
    const [fill] = sheetOf(toPrint(), 'faint').pieces[0]!.fills!;
    const [faint, full] = [hexToLab(fill!.hex), hexToLab('#c03030')];
    expect(faint[0]).toBeGreaterThan(75);
    expect(faint[1]).toBeGreaterThan(10);
    expect(faint[1]).toBeLessThan(full[1] / 2);
  });
  test('prints a colour that nobody knows grey, and names it', () => {
    const { pieces, notes } = sheetOf(toPrint({}, {}, { codes: ['lost'] }));
    expect(pieces[0]!.fills![0]!.hex).toBe('#808080');
    expect(notes.join(' ')).toMatch(/unknown: lost/);
  });
  test('places a picture in true size where the artwork is one, and prints no block for it', () => {
    const { pieces } = sheetOf(toPrint({}, { pictureId: 'p' }, { kind: 'artwork', design: { ...PLAIN, aspect: 2 } }));
    expect(pieces[0]!.fills).toEqual([]);
    expect(pieces[0]!.picture).toMatchObject({ id: 'p', width: expect.closeTo(40, 3), height: expect.closeTo(20, 3) });
  });
  test('keeps its colours on the laid out sheet, inside what is cut, and in the drawing', () => {
    const sheet = laidOut(sheetOf(toPrint({ spares: 0 })));
    expect(sheet.fills).toHaveLength(2);
    for (const { rings } of sheet.fills) {
      const [own, cuts] = [extentOf(rings), extentOf(sheet.cuts)];
      expect(own.left).toBeGreaterThan(cuts.left);
      expect(own.bottom).toBeLessThan(cuts.bottom);
    }
    expect(cutSheetSvg(sheet).match(/fill="#c03030"/g)).toHaveLength(2);
  });
  test('has as many dots as its millimetres take', () => {
    const sheet = laidOut(sheetOf(toPrint()));
    const { across, down } = dotsOf({ sheet, dotsPerInch: 300 });
    expect(across).toBe(Math.ceil(((sheet.width + 8) * 300) / 25.4));
    expect(dotsOf({ sheet, dotsPerInch: 600 }).down).toBeGreaterThanOrEqual(2 * down - 1);
  });
});
