/** @jest-environment jsdom */
import { afterEach, expect, jest, test } from '@jest/globals';
import { act, renderHook } from '@testing-library/react';
import { useSettled } from './use-settled';

afterEach(() => void jest.useRealTimers());

test('what is typed letter by letter is told once it stands still, and not before', () => {
  jest.useFakeTimers();
  const { result, rerender } = renderHook(({ text }) => useSettled(text, 400), { initialProps: { text: '' } });
  for (const text of ['r', 'ru', 'run']) {
    rerender({ text });
    act(() => jest.advanceTimersByTime(300));
    expect(result.current).toBe('');
  }
  act(() => jest.advanceTimersByTime(100));
  expect(result.current).toBe('run');
});
