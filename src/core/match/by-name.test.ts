import { describe, expect, test } from '@jest/globals';
import { paintOf } from '@tests/support/paints';
import { paintsByName } from './by-name';

const paints = [
  paintOf({ id: 'grey', number: '12', name: 'Dark grey', lab: null }),
  paintOf({ id: 'yellow', number: 'Trainer yellow', name: '', lab: null }),
  paintOf({ id: 'deep', number: '7', name: 'Deep trainer yellow', lab: null }),
  paintOf({ id: 'claims', number: '8', name: 'Ochre', lab: null, claims: ['trainer  Yellow'] }),
  paintOf({ id: 'owned', number: '9', name: 'Matt black', lab: null, ownedMl: 5 }),
  paintOf({ id: 'also', number: '10', name: 'TRAINER YELLOW', lab: null, ownedMl: 3 }),
];
const ids = (...wanted: string[]) => paintsByName(wanted, paints).map(({ paint }) => paint.id);

describe('paints for a colour by its name', () => {
  test('claims come first, then the same name, then all its words, then the drawer; the owned before the others', () => {
    expect(ids('trainer yellow')).toEqual(['claims', 'also', 'yellow', 'deep', 'owned']);
  });

  test('say by what they are known', () => {
    expect(paintsByName(['trainer yellow'], paints).map(({ says }) => says)).toEqual([
      'its maker says that it is trainer yellow',
      'called the same',
      'called the same',
      'called much the same',
      'in the drawer',
    ]);
  });

  test('a code is found by its number and by its name', () => {
    expect(ids('C 12', 'dark grey')[0]).toBe('grey');
  });

  test('where nothing is called so, the drawer is still there to choose from, and the rest is not', () => {
    expect(ids('sky')).toEqual(['owned', 'also']);
    expect(ids('')).toEqual(['owned', 'also']);
  });

  test('of the rest of the drawer what shares a word comes first', () => {
    expect(paintsByName(['night black'], paints).map(({ paint, by }) => [paint.id, by])).toEqual([
      ['owned', 'a word'],
      ['also', 'drawer'],
    ]);
  });

  test('short words alone make nothing alike', () => {
    expect(ids('no')).toEqual(['owned', 'also']);
  });

  test('has an end', () => {
    expect(paintsByName(['trainer yellow'], paints, 2)).toHaveLength(2);
  });
});
