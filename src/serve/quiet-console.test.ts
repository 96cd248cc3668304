import { describe, expect, test } from '@jest/globals';
import { oneLine } from './quiet-console';

describe('a fault in the log', () => {
  test('is one line: what went wrong and where', () => {
    const line = oneLine(['could not', new TypeError('no\nnumber'), { a: 1 }]);
    expect(line).toMatch(/^could not TypeError: no number \(at .*\) \{"a":1\}$/);
    expect(line).not.toContain('\n');
  });
});
