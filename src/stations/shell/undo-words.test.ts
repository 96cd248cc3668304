import { describe, expect, test } from '@jest/globals';
import { undoInWords } from './undo-words';

const stood = { station: 'colours', entity: 'colour_code', says: 'TCS 31 is used by L 88.' } as const;

describe('what a press of u did, in words', () => {
  test('names the station whose last change was taken back', () => {
    expect(undoInWords({ undone: { station: 'evidence', entity: 'sighting' }, passed: [] })).toBe(
      'Taken back: the last change at Evidence',
    );
    expect(undoInWords({ undone: { station: 'setup', entity: 'airframe' }, passed: [] })).toContain('at Setup');
  });
  test('says what was passed over and why, before what was taken back', () => {
    expect(undoInWords({ undone: { station: 'route', entity: 'weekly_session' }, passed: [stood] })).toBe(
      'Passed over a change at Colours: TCS 31 is used by L 88. Taken back: the last change at Route',
    );
  });
  test('at the beginning there is nothing left', () => {
    expect(undoInWords({ undone: null, passed: [] })).toBe('There is nothing left to take back');
    expect(undoInWords({ undone: null, passed: [stood] })).toMatch(/^Passed over .* There is nothing left/);
  });
});
