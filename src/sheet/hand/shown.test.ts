import { describe, expect, test } from '@jest/globals';
import { hexToLab } from '@/core/colour/spaces';
import { deltaE00 } from '@/core/colour/difference';
import { skinOf } from '@/core/skin/machine';
import { standAfter } from '@/core/laid/film';
import { filmOf } from '@/core/workshop/filmed';
import { viewOfDemo } from '@tests/support/demo-brief';
import { sheetData } from '../sheet-data';
import { ruledPieces, standingPieces, type Shown } from './shown';

/** What is drawn of each piece of the machine. */

const { view, shelf } = viewOfDemo();
const data = sheetData(view);
const film = filmOf(view, shelf);
const pieces = skinOf(data);
const end = standAfter(film, film.frames.length);
const of = (shown: readonly Shown[], zone: string) =>
  shown.filter(({ piece }) => piece.zone === zone && piece.marking === null && piece.code === null && !piece.glass);
const lookOf = (shown: readonly Shown[], zone: string) => of(shown, zone)[0]!;

describe('as it is ruled', () => {
  const ruled = ruledPieces(pieces, data, 'markings', null, { film, stand: end, palette: 'chosen' });

  test('a zone has the colour of its swatch, and the sheen that its last coat leaves', () => {
    const known = data.zones.find(({ key }) => key === 'wing-upper-inner-port')!;
    expect(lookOf(ruled, known.key)).toMatchObject({ colour: known.colour, sheen: 'matt', opacity: 1, hatch: null });
  });

  test('official colours stand in for chosen paints where they are asked for', () => {
    const official = ruledPieces(pieces, data, 'markings', null, { film, stand: end, palette: 'official' });
    expect(lookOf(official, 'wing-upper-inner-port').colour).toBe(film.inks['TCS 21']!.official);
  });

  test('glass lets through what is behind it', () => {
    const panes = ruled.filter(({ piece }) => piece.glass);
    expect(panes.length).toBeGreaterThan(0);
    for (const { opacity, sheen } of panes) expect([opacity < 1, sheen]).toEqual([true, 'gloss']);
  });

  test('certainty is hatched as on the sheet, and markings are left out of it', () => {
    const told = ruledPieces(
      pieces,
      { ...data, zones: data.zones.map((zone) => ({ ...zone, certainty: 'contested' })) },
      'certainty',
      null,
      null,
    );
    expect(told.every(({ piece }) => piece.marking === null)).toBe(true);
    expect(lookOf(told, 'fin-port').hatch).toBe('contested');
  });

  test('another day has its own colours and leaves out what was not painted yet', () => {
    const [marking] = data.markings;
    const shown = ruledPieces(
      pieces,
      data,
      'markings',
      { colours: new Map([['fin-port', '#123456']]), hidden: new Set([marking!.id]), caption: 'another day' },
      null,
    );
    expect(lookOf(shown, 'fin-port').colour).toBe('#123456');
    expect(shown.some(({ piece }) => piece.marking === marking!.id)).toBe(false);
  });
});

describe('between two pieces of work', () => {
  const at = (step: string) => film.frames.findIndex((frame) => frame.step === step);
  const after = (step: string) => standingPieces(pieces, film, standAfter(film, at(step) + 1), 'chosen');

  test('before all of it every piece has the colour of plastic, and no marking is there', () => {
    const plastic = standingPieces(pieces, film, standAfter(film, 0), 'chosen').filter(({ piece }) => !piece.glass);
    expect(new Set(plastic.map(({ colour }) => colour)).size).toBe(1);
    expect(plastic.some(({ piece }) => piece.marking !== null)).toBe(false);
  });

  test('what is under tape is hatched, panes too, until it comes off', () => {
    const masked = after('mask:TCS 27');
    expect(of(masked, 'fuselage-lower').every(({ hatch }) => hatch === 'taped')).toBe(true);
    expect(of(after('unmask:TCS 27'), 'fuselage-lower').some(({ hatch }) => hatch === 'taped')).toBe(false);
    const panes = after('mask-canopy').filter(({ piece }) => piece.glass);
    expect(panes.every(({ hatch, opacity }) => hatch === 'taped' && opacity === 1)).toBe(true);
  });

  test('a gloss coat shines, and changes no colour', () => {
    const [before, now] = [standingPieces(pieces, film, standAfter(film, at('gloss')), 'chosen'), after('gloss')].map(
      (shown) => lookOf(shown, 'fuselage-mid-port'),
    );
    expect(now).toMatchObject({ sheen: 'gloss', colour: before!.colour });
  });

  test('a wash darkens a zone by a little, so that it is still that colour', () => {
    const [before, now] = [
      standingPieces(pieces, film, standAfter(film, at('wash:port')), 'chosen'),
      after('wash:port'),
    ].map((shown) => hexToLab(lookOf(shown, 'fuselage-mid-port').colour));
    expect(now![0]).toBeLessThan(before![0]);
    expect(deltaE00(now!, before!)).toBeLessThan(6);
  });
});
