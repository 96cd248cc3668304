import { describe, expect, test } from '@jest/globals';
import { codeBook } from '@/core/codes/official';
import type { Aspect } from '@/core/evidence/aspects';
import type { QuestionState, WeighedQuestion } from '@/core/evidence/weigh';
import { notSupported, ownReason, shareOf } from './ruling';

const book = codeBook({
  systems: [{ name: 'TCS', title: 'TCS', shape: 'digits', prefix: 'TCS', digits: 2 }],
  codes: [],
});
const asked = (aspect: Aspect, weighed: Partial<WeighedQuestion>, best: string | null, bestShare: number | null) => ({
  record: { aspect },
  weighed: {
    zone: 'fin-port',
    aspect,
    state: 'settled' as QuestionState,
    support: null,
    contributions: [],
    median: null,
    spread: null,
    outliers: [],
    ...weighed,
  },
  best,
  bestShare,
});
const colour = asked('colour', { support: { 'TCS 27': 0.93, 'TCS 31': 0.05, 'something else': 0.02 } }, 'TCS 27', 0.93);
const leaning = { ...colour, weighed: { ...colour.weighed, state: 'leaning' as const } };
const height = asked('size', { state: 'measured', median: 400, spread: 10 }, '400', null);

describe('the support of a ruling', () => {
  test('is that of the ruled value, however it was written, and nothing for what no source says', () => {
    expect(shareOf(colour, '27', book)).toBe(0.93);
    expect(shareOf(colour, 'TCS 31', book)).toBe(0.05);
    expect(shareOf(colour, 'TCS 60', book)).toBe(0);
    expect(shareOf(height, '400', book)).toBeNull();
  });
  test('a value that it does not favour is no ruling as supported, and the answer says what it favours', () => {
    expect(notSupported(colour, '27', book)).toBeNull();
    expect(notSupported(colour, '31', book)).toBe('The support favours TCS 27, 0.93');
    expect(notSupported({ ...colour, best: null, bestShare: null }, '31', book)).toMatch(/No source/);
  });
  test('a length within three spreads of the measured one is supported', () => {
    expect(notSupported(height, '425', book)).toBeNull();
    expect(notSupported(height, '440', book)).toBe('The measurements say 400 mm');
  });
  test('only what the sources settle needs no reason of its own', () => {
    expect(ownReason(colour, { value: '27', basis: 'supported' }, book)).toBe('settled by the sources, 0.93');
    expect(ownReason(leaning, { value: '27', basis: 'supported' }, book)).toBeNull();
    expect(ownReason(colour, { value: '27', basis: 'choice' }, book)).toBeNull();
    expect(ownReason(colour, { value: '31', basis: 'supported' }, book)).toBeNull();
  });
});
