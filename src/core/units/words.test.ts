import { describe, expect, test } from '@jest/globals';
import { counted, countedInWords, listed, plural } from './words';

describe('grammar', () => {
  test.each([
    ['source', 'sources'],
    ['entry', 'entries'],
    ['day', 'days'],
    ['match', 'matches'],
    ['is', 'are'],
    ['stands', 'stand'],
  ])('one %s, many %s', (one, many) => {
    expect(plural(one, 1)).toBe(one);
    expect(plural(one, 0)).toBe(many);
    expect(plural(one, 3)).toBe(many);
  });
  test('counts', () => {
    expect(counted(1, 'sighting')).toBe('1 sighting');
    expect(counted(2, 'sighting')).toBe('2 sightings');
    expect(countedInWords(1, 'question')).toBe('One question');
    expect(countedInWords(3, 'question')).toBe('Three questions');
    expect(countedInWords(34, 'question')).toBe('34 questions');
  });
  test('lists', () => {
    expect(listed([])).toBe('');
    expect(listed(['A'])).toBe('A');
    expect(listed(['A', 'B'])).toBe('A and B');
    expect(listed(['A', 'B', 'C'], 'or')).toBe('A, B or C');
  });
});

test('verbs and pronouns follow their number', () => {
  expect(['it', 'shows', 'says', 'is', 'stands'].map((word) => plural(word, 2))).toEqual([
    'they',
    'show',
    'say',
    'are',
    'stand',
  ]);
  expect(plural('shows', 1)).toBe('shows');
});
