import { describe, expect, test } from '@jest/globals';
import { chanceToFlip, chaseScore, photographsToSettle, sourcesToLookAt, type LookableSource } from './chase';
import { weigh, type Evidence, type WeighedSighting, type WeighedSource } from './weigh';

const target = { from: '1951-05-08', to: '1951-05-14' };
const source = (id: string, over: Partial<WeighedSource> = {}): WeighedSource => ({
  id,
  kind: 'kit-sheet',
  from: null,
  to: null,
  derivedFrom: [],
  grade: 1,
  ...over,
});
const says = (from: string, value: string | number): WeighedSighting => ({
  source: from,
  zone: 'fin',
  aspect: 'a',
  value,
  clarity: 'clear',
  sense: 'for',
});
const given = (sources: WeighedSource[], sightings: WeighedSighting[]): Evidence => ({
  target,
  sources,
  repaints: [],
  sightings,
});
const asked = (evidence: Evidence) => weigh(evidence)[0]!;

describe('the chance that an answer flips', () => {
  test('is what the best answer lacks of all support; all of it where nothing was seen', () => {
    const question = asked(given([source('k')], [says('k', '31')]));
    expect(chanceToFlip(question)).toBeCloseTo(1 - question.support!['31']!, 12);
    expect(chanceToFlip({ ...question, state: 'unseen' })).toBe(1);
  });
  test('of a measurement it is the share of weight that lies off', () => {
    const far = [410, 412, 414, 700].map((value, i) => says(`abcd`[i]!, value));
    const question = asked(
      given(
        [...'abcd'].map((id) => source(id)),
        far,
      ),
    );
    // Median 413, spread 1.4826 x 2: only 700 and nothing else lies beyond... 410 is 3 off, just outside.
    expect(chanceToFlip(question)).toBeCloseTo(0.5, 9);
  });
  test('is never nothing', () => {
    const sources = ['a', 'b', 'c'].map((id) =>
      source(id, { kind: 'photograph', from: '1951-05-12', to: '1951-05-12' }),
    );
    expect(
      chanceToFlip(
        asked(
          given(
            sources,
            ['a', 'b', 'c'].map((id) => says(id, '27')),
          ),
        ),
      ),
    ).toBe(0.02);
  });
});

test('chance x hours / days; due today is half a day, no date is far off', () => {
  expect(chaseScore(0.5, 120, 4)).toBeCloseTo(0.25, 12);
  expect(chaseScore(0.5, 120, 0)).toBeCloseTo(2, 12);
  expect(chaseScore(0.5, 120, null)).toBeLessThan(chaseScore(0.5, 120, 30));
});

describe('how many pictures would settle it', () => {
  test('one clear photograph of the day is decisive by itself where little speaks against it', () => {
    const evidence = given([source('k')], [says('k', '31')]);
    expect(photographsToSettle(evidence, asked(evidence))).toBe(1);
  });
  test('one breaks a tie of two; more are needed where no day is aimed at and every picture fits by half', () => {
    const photo = { kind: 'photograph' as const, from: '1951-05-12', to: '1951-05-12' };
    const tie = given([source('p', photo), source('q', photo)], [says('p', '27'), says('q', '31')]);
    expect(photographsToSettle(tie, asked(tie))).toBe(1);
    const anyDay = { ...tie, target: { from: null, to: null } };
    expect(photographsToSettle(anyDay, asked(anyDay))).toBe(2);
  });
});

describe('sources in hand worth another look', () => {
  const lookable = (id: string, over: Partial<LookableSource> = {}): LookableSource => ({
    id,
    kind: 'photograph',
    window: { from: '1951-05-12', to: '1951-05-12' },
    sides: ['port'],
    zones: [],
    ...over,
  });
  const look = (sources: LookableSource[], said: string[] = [], repaints: { zone: string; on: string }[] = []) =>
    sourcesToLookAt(sources, target, repaints, 'fin-port', ['port'], new Set(said));
  test('show the side, fit the day and say nothing yet; the strongest first', () => {
    expect(
      look(
        [
          lookable('kit', { kind: 'kit-sheet', window: { from: null, to: null } }),
          lookable('photo'),
          lookable('said'),
          lookable('starboard', { sides: ['starboard'] }),
          lookable('far', { window: { from: '1990-01-01', to: '1990-01-01' } }),
        ],
        ['said'],
      ),
    ).toEqual(['photo', 'kit']);
  });
  test('the zones that were noted count before the side', () => {
    expect(
      look([lookable('nose', { zones: ['cowling-port'] }), lookable('tail', { zones: ['fin-port'], sides: [] })]),
    ).toEqual(['tail']);
  });
  test('one from the other side of a repaint is of no use', () => {
    const early = lookable('early', { window: { from: '1951-04-01', to: '1951-04-01' } });
    expect(look([early])).toEqual(['early']);
    expect(look([early], [], [{ zone: 'fin-port', on: '1951-05-01' }])).toEqual([]);
  });
});
