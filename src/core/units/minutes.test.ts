import { describe, expect, test } from '@jest/globals';
import { countdown, durationInWords, minutesAfter } from './minutes';

describe('durations', () => {
  test.each([
    [0, '0 min'],
    [45, '45 min'],
    [60, '1 h'],
    [95, '1 h 35 min'],
    [1440, '24 h'],
    [89.6, '1 h 30 min'],
  ])('%d minutes are %s', (minutes, words) => expect(durationInWords(minutes)).toBe(words));
});

describe('a clock that counts down', () => {
  test.each([
    [400, '6:40'],
    [59.9, '0:59'],
    [3725, '1:02:05'],
    [0, '0:00'],
    [-61, '-1:01'],
  ])('%d seconds are %s', (seconds, shown) => expect(countdown(seconds)).toBe(shown));
});

describe('an instant so many minutes after another', () => {
  test.each([
    ['2026-03-01T23:50:00.000Z', 15, '2026-03-02T00:05:00.000Z'],
    ['2026-03-01T00:05:00.000Z', -15, '2026-02-28T23:50:00.000Z'],
    ['2026-03-01T10:00:00+02:00', 30, '2026-03-01T08:30:00.000Z'],
  ])('%s and %d minutes', (instant, minutes, then) => expect(minutesAfter(instant, minutes)).toBe(then));
});
