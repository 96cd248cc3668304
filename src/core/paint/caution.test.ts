import { describe, expect, test } from '@jest/globals';
import { PROTECTION, protectionFrom, protectionOf, type Caution } from './caution';
import { CHEMISTRY_NAMES } from './chemistry';
import { SPRAYING } from './spraying';

describe('what protects', () => {
  test.each(CHEMISTRY_NAMES)('%s asks for more sprayed than brushed, and for extraction', (chemistry) => {
    const sprayed = protectionFrom(chemistry, true);
    expect(sprayed).toContain('extraction on');
    expect(sprayed.length).toBeGreaterThan(protectionFrom(chemistry, false).length);
  });

  test('from solvent a dust mask does not help', () => {
    expect(SPRAYING.AL.caution.protection).toContain('respirator');
    expect(SPRAYING.AL.caution.protection).not.toContain('dust mask');
  });

  test('is told by its field, whatever the words are, each once and in one order', () => {
    const own = (says: string, ...protection: Caution['protection'][number][]): Caution => ({ says, protection });
    expect(protectionOf([own('gloves, respirator, window')])).toEqual([]);
    const asked = protectionOf([own('a', 'window open', 'gloves'), own('b', 'gloves', 'respirator')]);
    expect(asked).toEqual(PROTECTION.filter((one) => ['respirator', 'gloves', 'window open'].includes(one)));
  });
});
