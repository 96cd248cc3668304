import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { ASPECT_NAMES, aspectOf } from './aspects';
import { printCell, readCell, type CellEntry } from './cell-entry';
import { clarityOn } from './film';
import { readValue } from './value';
import { CLARITIES } from './weights';

describe('values as people type them', () => {
  test.each([
    ['412', '412', null],
    ['412 mm', '412', null],
    ['41,2 cm', '412', null],
    ['0.412 m', '412', null],
    ['412 ± 15', '412', 15],
    ['412+-15', '412', 15],
    ['41.2 ± 1.5 cm', '412', 15],
    ['41.2 cm ± 5 mm', '412', 5],
    ['1 ft 4 in', '406.4', null],
    ['16" ± 1"', '406.4', 25.4],
    ['16 ± 1 in', '406.4', 25.4],
    ['1 m ± 0.1', '1000', 100],
  ])('%s is %s mm, plus or minus %s', (text, value, sd) => {
    expect(readValue('size', text)).toEqual({ value, sd });
  });
  test.each(['wide', '-3', '0', '412 ± x', '12 furlongs', '1.234,5'])('"%s" is no length', (text) => {
    expect(readValue('size', text)).toHaveProperty('fault');
  });
  test('a choice may be begun, when only one begins so', () => {
    expect(readValue('finish', 'MA')).toEqual({ value: 'matt', sd: null });
    expect(readValue('boundary', 'soft')).toEqual({ value: 'soft', sd: null });
    expect(readValue('seam', 'real')).toEqual({ value: 'real', sd: null });
    expect(readValue('finish', 'shiny')).toEqual({ fault: '"shiny" is none of gloss, satin, matt, unsealed' });
    expect(readValue('aerial', 'w')).toHaveProperty('fault');
  });
  test('nothing is no answer', () => expect(readValue('wear', '  ')).toHaveProperty('fault'));
});

describe('cells of the ledger', () => {
  test.each([
    ['27', { value: '27', sd: null, clarity: 'clear', sense: 'for' }],
    ['27 ~', { value: '27', sd: null, clarity: 'partial', sense: 'for' }],
    ['27?', { value: '27', sd: null, clarity: 'inferred', sense: 'for' }],
    ['! TCS 27', { value: 'TCS 27', sd: null, clarity: 'clear', sense: 'against' }],
  ])('%s', (text, entry) => expect(readCell('colour', text)).toEqual(entry));
  test('an empty cell is empty, a mark alone is not', () => {
    expect(readCell('colour', '   ')).toBeNull();
    expect(readCell('colour', '!')).toHaveProperty('fault');
  });
  test('on monochrome film a plain colour is only inferred; a star insists', () => {
    const film = clarityOn('panchromatic', 'colour');
    expect(readCell('colour', '27', film)).toMatchObject({ clarity: 'inferred' });
    expect(readCell('colour', '27 *', film)).toMatchObject({ clarity: 'clear' });
    // What is there, and how large, a grey shows as well as a colour.
    expect(clarityOn('orthochromatic', 'size')).toBe('clear');
    expect(clarityOn('faded colour', 'colour')).toBe('partial');
  });
  test('what is printed is read back, whatever the source allows', () => {
    const texts = fc.stringMatching(/^[A-Za-z0-9][A-Za-z0-9 ]{0,12}[A-Za-z0-9]$/);
    const entry = fc.record({
      value: texts,
      clarity: fc.constantFrom(...CLARITIES),
      sense: fc.constantFrom('for' as const, 'against' as const),
    });
    fc.assert(
      fc.property(entry, fc.constantFrom(...CLARITIES), (said, fallback) => {
        const full: CellEntry = { ...said, sd: null };
        expect(readCell('wear', printCell(full, fallback), fallback)).toEqual(full);
      }),
    );
    const length: CellEntry = { value: '412', sd: 15, clarity: 'partial', sense: 'against' };
    expect(readCell('size', printCell(length))).toEqual(length);
  });
});

test('every aspect that is chosen from a list has one, and no other has', () => {
  for (const name of ASPECT_NAMES)
    expect((aspectOf(name).choices?.length ?? 0) > 1).toBe(aspectOf(name).type === 'choice');
});
