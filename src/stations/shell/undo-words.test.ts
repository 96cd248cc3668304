import { expect, test } from '@jest/globals';
import { undoInWords } from './undo-words';

const source = { station: 'evidence', entity: 'source', title: 'source “Field at dusk” added' } as const;
const standard = {
  station: 'colours',
  entity: 'colour_code',
  title: 'code TCS 31 added',
  says: 'TCS 31 is used by L 88.',
} as const;

test('names the act that was taken back', () => {
  expect(undoInWords({ undone: source, passed: [] })).toBe('Taken back: source “Field at dusk” added');
});

test('names the act that was done again', () => {
  expect(undoInWords({ undone: source, passed: [] }, 'again')).toBe('Done again: source “Field at dusk” added');
});

test('says what it passed over, and why', () => {
  expect(undoInWords({ undone: source, passed: [standard] })).toBe(
    'Passed over “code TCS 31 added”: TCS 31 is used by L 88. Taken back: source “Field at dusk” added',
  );
});

test('says when there is nothing left', () => {
  expect(undoInWords({ undone: null, passed: [] })).toBe('There is nothing left to take back');
  expect(undoInWords({ undone: null, passed: [] }, 'again')).toBe('There is nothing to do again');
  expect(undoInWords({ undone: null, passed: [standard] })).toContain('There is nothing left to take back');
});

test('what cannot be done again says why, and not that there is nothing', () => {
  expect(undoInWords({ undone: null, passed: [standard] }, 'again')).toBe(
    'Passed over “code TCS 31 added”: TCS 31 is used by L 88.',
  );
});
