import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { BLANK_PART } from '@/core/kept/blank';
import type { Kept } from '@/core/kept/records';
import { PAINTED_ON, PART_CONDITIONS, PART_ORIGINS } from '@/core/kit/parts';
import { buildOutline } from '@/core/outline/outline';
import { PRESETS } from '@/core/outline/presets';
import { partsCsv, readPartsCsv } from './parts-csv';

const { zones } = buildOutline({
  preset: 'single',
  dimensions: PRESETS.single.dimensions,
  landing: 'wheels',
  folded: false,
});
const read = (text: string, known: { sprue: string; number: string }[] = [], boughtOn: string | null = null) =>
  readPartsCsv(text, zones, known, boughtOn);
const kept = (over: Partial<Kept<'part'>>): Kept<'part'> => ({
  ...BLANK_PART,
  id: 'x',
  version: 1,
  number: '1',
  ...over,
});

describe('a register as a table', () => {
  test('only the number is needed; zones by title or key', () => {
    const { rows, faults } = read('Sprue;Number;Zone;Condition\nC;3;Nose gear leg and wheel;broken\nC;4;gear-main;\n');
    expect(faults).toEqual([]);
    expect(rows.map(({ part }) => [part.number, part.zone, part.condition])).toEqual([
      ['3', 'gear-nose', 'broken'],
      ['4', 'gear-main', 'sound'],
    ]);
  });
  test('each bad row says why; the good ones are taken', () => {
    const { rows, faults } = read(
      [
        'sprue,number,origin,replaces,count,zone,ordered_until',
        'C,1,kit,,1,,',
        'C,01,kit,,1,,',
        'C,2,brass,,1,,',
        'C,3,kit,C 3,1,,',
        'C,4,kit,C 5,1,,',
        'C,5,kit,C 4,1,,',
        'C,6,kit,Z 9,1,,',
        'C,7,kit,,-2,,',
        'C,8,kit,,1,moon,',
        'C,9,kit,,1,,2025-01-01',
        'B,1,kit,,1,,',
      ].join('\n'),
      [{ sprue: 'B', number: '1' }],
      '2026-01-01',
    );
    expect(rows.map(({ part }) => part.number)).toEqual(['1']);
    const says = new Map(faults.map((fault) => [fault.row, fault.says]));
    expect(says.get(3)).toMatch(/stands in row 2 already/);
    expect(says.get(4)).toMatch(/Origin: choose one of/);
    expect(says.get(5)).toMatch(/cannot replace itself/);
    expect(says.get(6)).toMatch(/circle/);
    expect(says.get(8)).toBe('there is no part "Z 9"');
    expect(says.get(9)).toMatch(/Count/);
    expect(says.get(10)).toMatch(/no zone "moon"/);
    expect(says.get(11)).toMatch(/before the kit was bought/);
    expect(says.get(12)).toMatch(/in the register already/);
  });
  test('without numbers it is no register, and more than 3 000 parts are refused as a whole', () => {
    expect(read('name\nleg\n').faults[0]!.says).toMatch(/Which column is the number of a part/);
    const many = `number\n${Array.from({ length: 3001 }, (_, i) => i).join('\n')}`;
    expect(read(many)).toMatchObject({ rows: [], faults: [{ says: '3001 parts: at most 3000 are taken.' }] });
    expect(read(many.replace(/\n3000$/, '')).rows).toHaveLength(3000);
  });
  test('what goes out comes in again the same', () => {
    const any = fc.uniqueArray(
      fc.record({
        sprue: fc.constantFrom('A', 'B', 'PE'),
        number: fc.integer({ min: 1, max: 99 }).map(String),
        name: fc.constantFrom('', 'leg', 'main leg; left', 'wheel "a"'),
        count: fc.integer({ min: 1, max: 9 }),
        zone: fc.constantFrom('', 'gear-main', 'fin-port'),
        origin: fc.constantFrom(...PART_ORIGINS),
        condition: fc.constantFrom(...PART_CONDITIONS),
        painted: fc.constantFrom(...PAINTED_ON),
        codes: fc.constantFrom<string[][]>([], ['TCS 24'], ['TCS 24', 'TCS 31']),
        orderedUntil: fc.constantFrom(null, '2026-12-01'),
      }),
      { selector: ({ sprue, number }) => `${sprue} ${number}`, maxLength: 12 },
    );
    fc.assert(
      fc.property(any, (list) => {
        const parts = list.map((over, i) =>
          kept({ ...over, id: `p${i}`, replacesIds: i > 1 && i % 3 === 0 ? ['p0', 'p1'] : [] }),
        );
        const { rows, faults } = read(partsCsv(parts));
        expect(faults).toEqual([]);
        const plain = ({ id: _id, version: _version, replacesIds: _old, ...fields }: Kept<'part'>) => fields;
        const byNumber = (a: { sprue: string; number: string }, b: { sprue: string; number: string }) =>
          `${a.sprue} ${a.number}`.localeCompare(`${b.sprue} ${b.number}`);
        expect(rows.map(({ part: { replacesIds: _old, ...fields } }) => fields).sort(byNumber)).toEqual(
          parts.map(plain).sort(byNumber),
        );
        expect(rows.flatMap(({ replaces }) => replaces)).toHaveLength(
          parts.flatMap(({ replacesIds }) => replacesIds).length,
        );
      }),
      { numRuns: 60 },
    );
  });
});
