import { describe, expect, test } from '@jest/globals';
import { remembering } from './remembered';

describe('a memory of the last few answers', () => {
  test('the same question is worked out once, the oldest is forgotten first', () => {
    const worked: string[] = [];
    const remember = remembering<string>(2);
    const ask = (name: string) =>
      remember(name, () => {
        worked.push(name);
        return name.toUpperCase();
      });
    expect(['a', 'b', 'a', 'c', 'b', 'a'].map(ask)).toEqual(['A', 'B', 'A', 'C', 'B', 'A']);
    expect(worked).toEqual(['a', 'b', 'c', 'a']);
  });
  test('nothing found is an answer too', () => {
    let times = 0;
    const remember = remembering<undefined>(1);
    const ask = () => remember('a', () => void (times += 1));
    ask();
    ask();
    expect(times).toBe(1);
  });
});
