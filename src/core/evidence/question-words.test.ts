import { expect, test } from '@jest/globals';
import { ruledAgainst } from './question-words';

test('a ruling that nothing supports is not called contradicted by what is known', () => {
  expect(ruledAgainst(1)).toMatch(/nothing here supports it/);
  expect(ruledAgainst(0.998)).not.toMatch(/100 %/);
  expect(ruledAgainst(0.4)).toMatch(/40 % of what is known speaks for something else/);
});
