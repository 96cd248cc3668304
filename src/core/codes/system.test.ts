import { describe, expect, test } from '@jest/globals';
import { codeBook, systemsOf } from './official';
import { canonicalCode, canonicalIn } from './system';

const system = { name: 'TCS', title: 'Invented standard', shape: 'digits' as const, prefix: 'TCS', digits: 2 };

describe('codes as people write them', () => {
  test.each(['TCS 31', 'tcs31', 'TCS-31', ' 31 ', 'T.C.S. 31'])('%s is TCS 31', (text) => {
    expect(canonicalCode(system, text)).toBe('TCS 31');
  });
  test('short numbers are filled up', () => expect(canonicalCode(system, '5')).toBe('TCS 05'));
  test.each(['TCS 311', 'green', '', 'XY 31'])('%s is none', (text) => expect(canonicalCode(system, text)).toBeNull());
  test('text of no system stays as typed', () => {
    expect(canonicalIn({ systems: [system], known: new Set<string>(), named: new Map() }, ' dull green ')).toBe(
      'dull green',
    );
    expect(canonicalIn({ systems: [system], known: new Set<string>(), named: new Map() }, '7')).toBe('TCS 07');
  });
});

describe('the systems of a shelf', () => {
  test('come from codes that carry their letters; made-up codes make no grammar', () => {
    expect(
      systemsOf([
        { system: 'TCS', code: 'TCS 31' },
        { system: 'TCS', code: 'TCS 105' },
        { system: 'own', code: '77' },
      ]),
    ).toEqual([{ name: 'TCS', title: 'TCS', shape: 'digits', prefix: 'TCS', digits: 3 }]);
    expect(canonicalIn(codeBook({ codes: [{ system: 'own', code: '77', name: '' }], systems: [] }), '77')).toBe('77');
  });
});
