import { describe, expect, test } from '@jest/globals';
import { DEFAULT_OPTIONS, OPTION_CHOICES, OPTION_NAMES, optionsInWords, type Options } from './options';

describe('options in a sentence', () => {
  test('are said as a builder says them', () => {
    expect(optionsInWords(DEFAULT_OPTIONS)).toBe(
      'canopy closed, gear down, lands on wheels, flaps up, wings or blades spread, no stores, stands on its gear, pre-shaded coats, weathered as in service',
    );
  });
  test('each choice is told apart from the others', () => {
    for (const name of OPTION_NAMES) {
      const said = OPTION_CHOICES[name].choices.map((choice) =>
        optionsInWords({ ...DEFAULT_OPTIONS, [name]: choice } as Options),
      );
      expect(new Set(said).size).toBe(OPTION_CHOICES[name].choices.length);
    }
  });
});
