import { describe, expect, test } from '@jest/globals';
import { callOf, timerAt, type Timer } from './timer';

const START = Date.parse('2026-11-27T19:00:00Z');
const wash: Timer = { startedAt: '2026-11-27T19:00:00Z', minutes: 15, closesMin: 40, factor: 1 };
const coat: Timer = { ...wash, minutes: 30, closesMin: null };
const at = (minutes: number) => START + minutes * 60_000;

describe('a timer', () => {
  test('waits, opens its window, and closes it', () => {
    expect(timerAt(wash, at(5))).toEqual({ phase: 'waiting', seconds: 600 });
    expect(timerAt(wash, at(15))).toEqual({ phase: 'open', seconds: 25 * 60 });
    expect(timerAt(wash, at(41))).toEqual({ phase: 'closed', seconds: 60 });
  });
  test('without a window it is ready, and stays so', () => {
    expect(timerAt(coat, at(29)).phase).toBe('waiting');
    expect(timerAt(coat, at(600)).phase).toBe('ready');
  });
  test('forced drying shortens the wait and the window alike', () => {
    const forced = { ...wash, factor: 0.5 };
    expect(timerAt(forced, at(8)).phase).toBe('open');
    expect(timerAt(forced, at(20)).phase).toBe('closed');
  });
  test('one that began in the future waits its whole time, never longer', () => {
    expect(timerAt(coat, at(-60 * 24 * 3))).toEqual({ phase: 'waiting', seconds: 30 * 60 });
  });
  test('calls out when it opens, five minutes before it closes, and when it has', () => {
    expect(callOf(wash, at(14), at(16))).toBe('open');
    expect(callOf(wash, at(34), at(36))).toBe('closing');
    expect(callOf(wash, at(36), at(37))).toBeNull();
    expect(callOf(wash, at(39), at(41))).toBe('closed');
    expect(callOf(coat, at(29), at(31))).toBe('open');
    expect(callOf(coat, at(31), at(300))).toBeNull();
  });
});
