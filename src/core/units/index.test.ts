import { describe, expect, test } from '@jest/globals';
import { addDays, daysBetween, isDay, weekdayOf } from './day';
import { atFullSize, atScale, parseScale, roundBarLength } from './length';
import { parseNumber } from './number';

describe('lengths at scale', () => {
  test('a 762 mm letter is 15.875 mm at 1/48, and back', () => {
    expect(atScale(762, 48)).toBeCloseTo(15.875, 10);
    expect(atFullSize(15.875, 48)).toBeCloseTo(762, 10);
  });
  test('a scale of zero is refused', () => {
    expect(() => atScale(100, 0)).toThrow(RangeError);
    expect(() => atFullSize(100, -72)).toThrow(RangeError);
  });
  test.each(['1/72', '1:72', ' 1 / 72 ', '72'])('%s is a scale of one to 72', (text) =>
    expect(parseScale(text)).toBe(72),
  );
  test.each(['', '1/', 'half', '1/72/2'])('"%s" is no scale', (text) => expect(parseScale(text)).toBeNull());
  test('the scale bar takes a 1-2-5 length that fits', () => {
    expect(roundBarLength(137)).toBe(100);
    expect(roundBarLength(99)).toBe(50);
    expect(roundBarLength(20)).toBe(20);
    expect(roundBarLength(0)).toBe(0);
  });
});

describe('numbers as typed', () => {
  test.each([
    ['1,5', 1.5],
    ['1.5', 1.5],
    [' -2 ', -2],
    ['\u22123', -3],
    ['.5', 0.5],
    ['7.', 7],
  ])('%s', (text, value) => {
    expect(parseNumber(text)).toBe(value);
  });
  test.each(['', 'x', '1.234,5', '1 2', '--3', 'NaN', '1e5'])('refuses %s', (text) => {
    expect(parseNumber(text)).toBeNull();
  });
});

describe('days', () => {
  test('only days that exist', () => {
    expect(isDay('1951-05-08')).toBe(true);
    expect(isDay('1952-02-29')).toBe(true);
    expect(isDay('1951-02-29')).toBe(false);
    expect(isDay('8 May 1951')).toBe(false);
  });
  test('distance, addition and weekday agree across a month and a leap day', () => {
    expect(daysBetween('1952-02-27', '1952-03-01')).toBe(3);
    expect(addDays('1952-03-01', -3)).toBe('1952-02-27');
    expect(weekdayOf('2026-11-23')).toBe(1);
    expect(weekdayOf('2026-11-29')).toBe(7);
  });
});
