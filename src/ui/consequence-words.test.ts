import { expect, test } from '@jest/globals';
import type { Consequence } from '@/core/brief/consequences';
import { consequenceInWords } from './consequence-words';

const step = (title: string, minutes = 20) => ({ key: title, title, minutes });
const consequence = (over: Partial<Consequence>): Consequence => ({
  option: 'stores',
  choice: 'tanks',
  adds: [],
  removes: [],
  minutes: 0,
  shows: [],
  hides: [],
  decideBy: null,
  lost: 0,
  says: [],
  ...over,
});

test('a choice says what it adds, how long that takes, and by when it is to be made', () => {
  const adds = [step('Build the stores', 30), step('Hang the stores')];
  expect(consequenceInWords(consequence({ adds, minutes: 50, decideBy: '2026-12-03T19:30' }))).toBe(
    'adds build the stores and hang the stores; 50 min more; decide by Thu 3 Dec',
  );
});
test('what cannot be comes first, what is only to be known last; many steps are counted', () => {
  const removes = ['A', 'B', 'C', 'D', 'E'].map((title) => step(title));
  expect(
    consequenceInWords(
      consequence({
        removes,
        minutes: -100,
        hides: ['Nose-wheel bay'],
        lost: 30,
        says: [
          { never: true, says: 'skis cannot be drawn up' },
          { never: false, says: 'as on an approach' },
        ],
      }),
    ),
  ).toBe(
    'cannot be: skis cannot be drawn up; takes away a, b, c and 2 more; 1 h 40 min less; hides 1 zone; 30 min of what is done would be lost; as on an approach',
  );
  expect(consequenceInWords(consequence({}))).toBe('changes no step');
});
