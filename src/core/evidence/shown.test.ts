import { describe, expect, test } from '@jest/globals';
import { asInferred, clarityOf, otherSideOnly } from './shown';

const taken = (...sides: ('port' | 'starboard' | 'upper' | 'lower')[]) => ({ film: 'colour' as const, sides });

describe('a source that shows one side', () => {
  test('does not show the other; what has no side, and a source whose sides are not said, are not in question', () => {
    expect(otherSideOnly(taken('port'), 'fin-starboard')).toBe('port');
    expect(otherSideOnly(taken('port'), 'fin-port')).toBeNull();
    expect(otherSideOnly(taken('port'), 'cockpit')).toBeNull();
    expect(otherSideOnly(taken(), 'fin-starboard')).toBeNull();
    // From above both wings are seen.
    expect(otherSideOnly(taken('port', 'upper'), 'wing-upper-inner-starboard')).toBeNull();
  });
  test('only infers what lies there, and says why', () => {
    expect(clarityOf(taken('port'), 'fin-starboard', 'colour')).toBe('inferred');
    expect(clarityOf(taken('port'), 'fin-port', 'colour')).toBe('clear');
    expect(asInferred({ clarity: 'inferred', note: '' }, taken('port'), 'fin-starboard')).toEqual({
      clarity: 'inferred',
      note: 'inferred: the source shows the port side only',
    });
    expect(asInferred({ clarity: 'inferred', note: 'by the reflection' }, taken('port'), 'fin-starboard')!.note).toBe(
      'by the reflection',
    );
  });
  test('may not speak clearly for the side that it does not show', () => {
    expect(asInferred({ clarity: 'clear', note: '' }, taken('port'), 'fin-starboard')).toBeNull();
  });
});
