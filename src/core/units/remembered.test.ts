import { describe, expect, test } from '@jest/globals';
import { rememberedFor, remembering, rememberingFor } from './remembered';

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

test('each thing has a memory of its own: the same name is asked of each once', () => {
  let times = 0;
  const remember = rememberingFor<object, number>(2);
  const [one, other] = [{}, {}];
  const ask = (of: object) => remember(of, 'a', () => (times += 1));
  expect([one, other, one, other].map(ask)).toEqual([1, 2, 1, 2]);
});

test('what follows from one thing is made once for it, and once more for another that is alike', () => {
  let made = 0;
  const double = rememberedFor((of: { n: number }) => (made++, of.n * 2));
  const one = { n: 4 };
  expect([double(one), double(one), made]).toEqual([8, 8, 1]);
  expect([double({ n: 4 }), made]).toEqual([8, 2]);
});
