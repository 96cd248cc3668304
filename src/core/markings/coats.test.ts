import { describe, expect, test } from '@jest/globals';
import { coatsOfMarking, type ColourLaid } from './coats';

const LABS: Record<string, ColourLaid['lab']> = {
  white: [95, 0, 2],
  cream: [92, 1, 12],
  red: [42, 58, 40],
  blue: [30, 5, -35],
  yellow: [80, 5, 80],
  black: [14, 0, 0],
};
const colour = (code: string): ColourLaid => ({ code, lab: LABS[code]! });
const laid = (codes: string[], skin = ['black'], hides: [string, string][] = []) =>
  coatsOfMarking(codes.map(colour), skin.map(colour), hides).map(({ what, of, covers }) =>
    [what === 'white' ? 'white ground' : codes[of[0]!], covers].join(' '),
  );

describe('coats of a marking', () => {
  test('light before dark, over a white ground where one of them hides badly', () => {
    expect(laid(['black', 'yellow'])).toEqual(['white ground all', 'yellow own', 'black own']);
    expect(laid(['black'])).toEqual(['black own']);
  });
  test('no white under its own white, which is then laid all over, nor over a skin that is white', () => {
    expect(laid(['yellow', 'white'])).toEqual(['white all', 'yellow own']);
    expect(laid(['yellow'], ['white'])).toEqual(['yellow own']);
    expect(laid(['yellow'], ['white', 'black'])).toEqual(['white ground all', 'yellow own']);
    expect(laid(['black', 'white'])).toEqual(['white own', 'black own']);
  });
  test('what is hidden comes first, whatever its lightness, but white stays the ground', () => {
    // An opaque cream over a black that does not hide it.
    expect(laid(['cream', 'black'], ['black'], [['cream', 'black']])).toEqual(['black own', 'cream own']);
    expect(laid(['cream', 'black'], ['black'], [['black', 'cream']])).toEqual(['cream own', 'black own']);
    const both: [string, string][] = [
      ['black', 'cream'],
      ['cream', 'black'],
    ];
    expect(laid(['cream', 'black'], ['black'], both)).toEqual(['cream own', 'black own']);
    expect(laid(['white', 'black'], ['black'], [['white', 'black']])).toEqual(['white own', 'black own']);
  });
  test('colours that hide one another in a ring are laid all the same, each once', () => {
    const ring: [string, string][] = [
      ['cream', 'black'],
      ['black', 'blue'],
      ['blue', 'cream'],
    ];
    expect(laid(['blue', 'black', 'cream'], ['white'], ring)).toHaveLength(3);
  });
  test('white again under a colour that would turn over the one before it', () => {
    const [ground, , again] = coatsOfMarking([colour('red'), { ...colour('blue'), name: 'Deep Blue' }], []);
    expect(ground).toMatchObject({ what: 'white', covers: 'all' });
    expect(again).toMatchObject({ what: 'white', covers: 'own', of: [1], because: 'over red it would turn' });
  });
  test('a code that stands twice is laid once, on both of its fields', () => {
    expect(coatsOfMarking([colour('black'), colour('cream'), colour('black')], [])).toMatchObject([
      { of: [1] },
      { of: [0, 2] },
    ]);
  });
  test('metal goes on last; where no colour is named there is one coat all over', () => {
    const metal = { ...colour('cream'), code: 'metal', isMetallic: true };
    expect(coatsOfMarking([metal, colour('black')], []).map(({ of }) => of)).toEqual([[1], [0]]);
    expect(coatsOfMarking([], [])).toMatchObject([{ what: 'colour', of: [], covers: 'all' }]);
  });
});
