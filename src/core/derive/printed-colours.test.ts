import { describe, expect, test } from '@jest/globals';
import type { Lab } from '@/core/colour/types';
import { codeBook, type OfficialColour } from '@/core/codes/official';
import type { CallView } from './called';
import { matchedToPrints, printedColours } from './printed-colours';

const call = (code: string, lab: Lab | null): Pick<CallView, 'code' | 'choice' | 'official'> => ({
  code,
  official: lab && ({ lab } as CallView['official']),
  choice: { paint: { line: 'Fenway', number: '12', name: code } } as CallView['choice'],
});
const sheet = (lab: [number, number, number] | null) => ({
  id: 's',
  version: 1,
  title: 'Sheet',
  denominator: 48,
  printedOn: null,
  filmUm: null,
  condition: 'good' as const,
  note: '',
  items: [
    { key: 'k', kind: 'lettering' as const, title: 'Letters', letters: 'A', heightMm: 10, count: 1, spoiled: 0, lab },
  ],
});
const marking = { id: 'm', title: 'Code', codes: ['white', 'red'], sheetId: 's', sheetItem: 'k', byPrint: false };

describe('the colour that a decal was printed in', () => {
  test('is held against the nearest of the colours of its marking, with the paint that touches it up', () => {
    const [found] = printedColours(
      [marking],
      [sheet([90, 1, 9])],
      [call('white', [94, 0, 3]), call('red', [40, 60, 40])],
    );
    expect(found).toMatchObject({ code: 'white', touchUp: 'Fenway 12 white' });
    expect(found!.dE00).toBeGreaterThan(2);
  });
  test('is not held against a colour that the marking has not got, however near', () => {
    const [found] = printedColours(
      [marking],
      [sheet([90, 1, 9])],
      [call('cream', [90, 1, 9]), call('red', [40, 60, 40])],
    );
    expect(found!.code).toBe('red');
  });
  test.each([
    ['nobody measured the print', null, call('white', [94, 0, 3])],
    ['nobody knows the colour', [90, 1, 9] as [number, number, number], call('white', null)],
  ])('says nothing where %s', (_, lab, known) => expect(printedColours([marking], [sheet(lab)], [known])).toEqual([]));
});

describe('a print that paint is matched to', () => {
  const book = codeBook({ codes: [], systems: [] });
  const colour = (code: string, lab: Lab | null): [string, OfficialColour] => [
    code,
    { record: { code } as OfficialColour['record'], lab, sd: 1, pooled: null, batches: [] },
  ];
  const official = new Map([colour('white', [94, 0, 3]), colour('red', [40, 60, 40]), colour('stripe', null)]);
  const PRINT: [number, number, number] = [38, 5, -40];
  const matched = (over: Partial<typeof marking>, lab: [number, number, number] | null = PRINT) =>
    matchedToPrints(official, [{ ...marking, ...over }], [sheet(lab)], book);

  test('is the colour of a code of which nothing else is known', () => {
    const found = matched({ title: 'Stripe', codes: ['stripe'] });
    expect(found.get('stripe')).toMatchObject({ lab: PRINT, print: { marking: 'Stripe', sheet: 'Sheet' } });
    expect(found.get('red')).toBe(official.get('red'));
  });
  test('is the colour of a known code only where the marking says so, and then of the nearest', () => {
    expect(matched({})).toBe(official);
    const found = matched({ byPrint: true }, [42, 55, 35]);
    expect(found.get('red')).toMatchObject({ lab: [42, 55, 35] });
    expect(found.get('white')).toBe(official.get('white'));
  });
  test('is nobody’s where the sheet was never measured, or the code is of no standard', () => {
    expect(matched({ byPrint: true }, null)).toBe(official);
    expect(matched({ byPrint: true, codes: ['nowhere'] })).toBe(official);
  });
  test('is not said to be off itself', () => {
    const call: Pick<CallView, 'code' | 'choice' | 'official'> = {
      code: 'stripe',
      choice: null,
      official: matched({ codes: ['stripe'] }).get('stripe')!,
    };
    expect(printedColours([{ ...marking, codes: ['stripe'] }], [sheet(PRINT)], [call])).toMatchObject([{ dE00: 0 }]);
  });
});
