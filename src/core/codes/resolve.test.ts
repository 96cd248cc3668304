import { describe, expect, test } from '@jest/globals';
import { codeBook } from './official';
import { resolveCode } from './resolve';
import { canonicalIn, type ColourSystem } from './system';

const standard = (name: string, digits = 2): ColourSystem => ({
  name,
  title: name,
  shape: 'digits',
  prefix: name,
  digits,
});
const code = (system: string, number: string, name = '') => ({ system, code: `${system} ${number}`, name });

const one = codeBook({ systems: [standard('TCS')], codes: [code('TCS', '12', 'Slate grey'), code('TCS', '27')] });
const two = codeBook({
  systems: [standard('TCS'), standard('VKN')],
  codes: [
    code('TCS', '12', 'Slate grey'),
    code('TCS', '27'),
    code('VKN', '12', 'Sand'),
    code('VKN', '31', 'slate  GREY'),
  ],
});

describe('what is kept of a typed colour', () => {
  test('a bare number is kept as the code that it is read as, and a second standard no longer changes it', () => {
    expect(resolveCode(one, ' 12 ')).toEqual({ value: 'TCS 12' });
    expect(canonicalIn(two, 'TCS 12')).toBe('TCS 12');
    expect(canonicalIn(two, '12')).toBe('12');
  });
  test('a code as its system prints it is that code, even where another grammar could read it', () => {
    const letters: ColourSystem = { name: 'LW', title: 'LW', shape: 'letters', prefix: 'LW', digits: 2 };
    const book = codeBook({
      systems: [standard('TCS'), letters],
      codes: [{ system: 'LW', code: 'LW TCS 12', name: '' }],
    });
    expect(resolveCode(book, 'TCS 12')).toEqual({ value: 'TCS 12' });
  });
  test('what several standards take is asked, with each of them offered', () => {
    expect(resolveCode(two, '12')).toEqual({
      says: '"12" is a code of TCS and of VKN: write TCS 12 or VKN 12',
      offers: ['TCS 12', 'VKN 12'],
    });
  });
  test('the name of a code is offered as that code instead of becoming its rival', () => {
    expect(resolveCode(one, 'slate grey')).toMatchObject({ offers: ['TCS 12'] });
    expect(resolveCode(two, 'Slate Grey')).toMatchObject({ offers: ['TCS 12', 'VKN 31'] });
  });
  test('words in quotation marks, and words that name no code, stay words', () => {
    expect(resolveCode(one, '"slate grey"')).toEqual({ value: 'slate grey' });
    expect(resolveCode(one, 'dull green')).toEqual({ value: 'dull green' });
  });
});
