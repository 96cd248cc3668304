import { describe, expect, test } from '@jest/globals';
import type { Lab } from '@/core/colour/types';
import type { CallView } from './called';
import { printedColours } from './printed-colours';

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
const marking = { id: 'm', title: 'Code', codes: ['white', 'red'], sheetId: 's', sheetItem: 'k' };

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
