import { describe, expect, test } from '@jest/globals';
import type { RelatedCode } from './official';
import { batchInWords, finishesInWords, relationInWords } from './code-words';

describe('what is said of a code', () => {
  const related: RelatedCode = {
    code: 'SE KL 12',
    name: 'Drab',
    kind: 'superseded',
    fromDay: null,
    toDay: '1946-05-01',
    note: 'by amendment 3',
    dE00: 2.34,
    sd: 0.71,
    says: 'near, not equal',
  };
  test('another code that replaces it: until when, how near, how sure, and the note', () => {
    expect(relationInWords(related)).toBe(
      'Superseded by SE KL 12 Drab, … to 1946-05-01: near, not equal, ΔE00 2.3 ± 0.7. by amendment 3',
    );
  });
  test('without days, distance or note it says only what is known', () => {
    expect(relationInWords({ ...related, kind: 'equivalent', toDay: null, dE00: null, note: '' })).toBe(
      'Named as the equivalent of SE KL 12 Drab: near, not equal',
    );
  });
  test('a batch stands beside the standard with both uncertainties in one', () => {
    expect(batchInWords({ batch: 'B7', lab: [50, 0, 0], sd: 0.3, dE00: 1.2 }, { sd: 0.4 })).toBe(
      'Batch B7: 1.2 ± 0.5 from the standard',
    );
    expect(batchInWords({ batch: 'B7', lab: [50, 0, 0], sd: 0.3, dE00: null }, { sd: 0.4 })).toMatch(
      /no standard chip beside it/,
    );
  });
  test('the same colour in other finishes, by code', () => {
    expect(
      finishesInWords([
        { code: 'NL 17995', finish: 'gloss' },
        { code: 'NL 27995', finish: null },
      ]),
    ).toBe('The same colour in another finish: NL 17995, gloss; NL 27995');
  });
});
