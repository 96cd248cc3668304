import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { dateFit } from './date-fit';
import { derivationCircle, independentGroups } from './independence';
import { weigh, type Evidence, type WeighedSource } from './weigh';
import { weightedMedian } from './weighted-median';

const source = (id: string, over: Partial<WeighedSource> = {}): WeighedSource => ({
  id,
  kind: 'photograph',
  from: '1951-05-12',
  to: '1951-05-12',
  derivedFrom: [],
  grade: 1,
  ...over,
});
const says = (from: string, value: string | number, over = {}) => ({
  source: from,
  zone: 'fin',
  aspect: 'colour',
  value,
  clarity: 'clear' as const,
  sense: 'for' as const,
  ...over,
});
const evidence = (over: Partial<Evidence>): Evidence => ({
  target: { from: '1951-05-08', to: '1951-05-14' },
  sources: [],
  repaints: [],
  sightings: [],
  ...over,
});

describe('the example of the contract', () => {
  const given = evidence({
    sources: [
      source('p1'),
      source('k', { kind: 'kit-sheet', from: null, to: null }),
      source('c', { kind: 'caption', from: null, to: null, derivedFrom: ['k'], grade: 0.8 }),
    ],
    repaints: [{ zone: 'fin', on: '1951-06-01' }],
    sightings: [
      says('p1', '27'),
      says('k', '31'),
      says('c', '31', { clarity: 'partial' }),
      says('p1', 412, { aspect: 'bandHeight', sd: 15 }),
    ],
  });
  test('supports, states and what counted', () => {
    const [colour, band] = weigh(given);
    // L(27) = 3, L(31) = 0.7 x 0.5 = 0.35 (the caption copies the sheet and is weaker), L(else) = 0.
    const total = Math.exp(3) + Math.exp(0.35) + 1;
    expect(colour!.support!['27']).toBeCloseTo(Math.exp(3) / total, 12);
    expect(colour!.support!['31']).toBeCloseTo(Math.exp(0.35) / total, 12);
    expect(colour!.support!['something else']).toBeCloseTo(1 / total, 12);
    expect(colour!.state).toBe('leaning');
    expect(colour!.contributions.map((c) => [c.source, c.counted])).toEqual([
      ['p1', true],
      ['k', true],
      ['c', false],
    ]);
    expect(colour!.contributions[2]!.weight).toBeCloseTo(0.6 * 0.5 * 0.5 * 0.8, 12);
    expect(band).toMatchObject({ state: 'measured', median: 412, spread: 0, outliers: [] });
  });
});

describe('states', () => {
  const two = [source('a'), source('b')];
  test('two clear photographs on the day settle', () => {
    expect(weigh(evidence({ sources: two, sightings: [says('a', '27'), says('b', '27')] }))[0]!.state).toBe('settled');
  });
  test('two that derive from one another count once, and lean', () => {
    const sources = [source('a', { grade: 0.9 }), source('b', { grade: 0.9, derivedFrom: ['a'] })];
    const [q] = weigh(evidence({ sources, sightings: [says('a', '27'), says('b', '27')] }));
    expect(q!.state).toBe('leaning');
    expect(q!.contributions.filter((c) => c.counted)).toHaveLength(1);
  });
  test('one against one is contested', () => {
    expect(weigh(evidence({ sources: two, sightings: [says('a', '27'), says('b', '31')] }))[0]!.state).toBe(
      'contested',
    );
  });
  test('"should show it and does not" counts against', () => {
    const [q] = weigh(
      evidence({ sources: two, sightings: [says('a', 'yes'), says('b', 'yes', { sense: 'against' })] }),
    );
    expect(q!.support!['yes']).toBeCloseTo(0.5, 12);
  });
  test('a repaint between the photograph and the day leaves it unseen', () => {
    const sources = [source('a', { from: '1951-07-01', to: '1951-07-01' })];
    expect(
      weigh(evidence({ sources, repaints: [{ zone: 'fin', on: '1951-06-01' }], sightings: [says('a', '27')] }))[0]!
        .state,
    ).toBe('unseen');
  });
  test('shares sum to one whatever is thrown in', () => {
    const sightings = fc.array(
      fc.record({
        source: fc.constantFrom('a', 'b'),
        zone: fc.constant('fin'),
        aspect: fc.constant('colour'),
        value: fc.constantFrom('1', '2', '3'),
        clarity: fc.constantFrom('clear' as const, 'partial' as const, 'inferred' as const),
        sense: fc.constantFrom('for' as const, 'against' as const),
      }),
      { minLength: 1, maxLength: 12 },
    );
    fc.assert(
      fc.property(sightings, (list) => {
        const [q] = weigh(evidence({ sources: two, sightings: list }));
        expect(Object.values(q!.support!).reduce((a, b) => a + b, 0)).toBeCloseTo(1, 9);
      }),
    );
  });
});

describe('measurements', () => {
  test('the weighted median, with its spread; the far one is named', () => {
    const sources = ['a', 'b', 'c', 'd'].map((id) => source(id));
    const [q] = weigh(
      evidence({
        sources,
        sightings: [410, 412, 415, 600].map((value, i) => says('abcd'[i]!, value, { aspect: 'size', sd: 3 })),
      }),
    );
    expect(q!.median).toBe(413.5);
    // |x - m| = 3.5, 1.5, 1.5, 186.5: the median deviation is (1.5 + 3.5) / 2.
    expect(q!.spread).toBeCloseTo(1.4826 * 2.5, 9);
    expect(q!.outliers).toEqual([{ source: 'd', value: 600 }]);
  });
  test('exactly half takes the mean of the two', () => {
    expect(
      weightedMedian([
        { value: 1, weight: 1 },
        { value: 3, weight: 1 },
      ]),
    ).toBe(2);
    expect(
      weightedMedian([
        { value: 1, weight: 1 },
        { value: 3, weight: 1.5 },
      ]),
    ).toBe(3);
    expect(weightedMedian([{ value: 1, weight: 0 }])).toBeNull();
  });
});

describe('dates and independence', () => {
  const target = { from: '1951-05-08', to: '1951-05-14' };
  test('fit is 1 inside, 1/e after 180 days, unknown without a date, 0 across a repaint on the first day of the target', () => {
    expect(dateFit({ from: '1951-05-14', to: '1951-06-01' }, target, [], 0.5, 180)).toBe(1);
    expect(dateFit({ from: '1951-11-10', to: null }, target, [], 0.5, 180)).toBeCloseTo(Math.exp(-1), 12);
    expect(dateFit({ from: null, to: null }, target, [], 0.5, 180)).toBe(0.5);
    expect(
      dateFit({ from: '1951-05-01', to: '1951-05-01' }, target, [{ zone: 'fin', on: '1951-05-08' }], 0.5, 180),
    ).toBe(0);
    expect(
      dateFit({ from: '1951-05-01', to: '1951-05-01' }, target, [{ zone: 'fin', on: '1951-05-01' }], 0.5, 180),
    ).toBeGreaterThan(0.9);
  });
  test('groups follow links both ways; a circle is found and named', () => {
    const chain = [
      { id: 'a', derivedFrom: [] },
      { id: 'b', derivedFrom: ['a'] },
      { id: 'c', derivedFrom: ['a'] },
      { id: 'd', derivedFrom: [] },
    ];
    const groups = independentGroups(chain);
    expect(groups.get('b')).toBe(groups.get('c'));
    expect(groups.get('d')).not.toBe(groups.get('a'));
    expect(derivationCircle(chain)).toBeNull();
    expect(
      derivationCircle([
        { id: 'a', derivedFrom: ['b'] },
        { id: 'b', derivedFrom: ['a'] },
      ]),
    ).toEqual(['a', 'b', 'a']);
  });
});
