import { describe, expect, test } from '@jest/globals';
import type { EvidencePage, QuestionRow } from '@/stations/evidence/page-data';
import { saysMirrored, saysOnBoth } from './said-of-sides';

type Row = Pick<QuestionRow, 'zone' | 'aspect' | 'item' | 'mirrored' | 'ruling'> & {
  sightings: { sourceId: string; value: string; sense: string }[];
};
const asked = (zone: string, sightings: Row['sightings'], more: Partial<Row> = {}): Row => ({
  zone,
  aspect: 'marking',
  item: '',
  mirrored: null,
  ruling: null,
  sightings,
  ...more,
});
const seen = (sourceId: string, value: string, sense = 'for') => ({ sourceId, value, sense });
const data = (...questions: Row[]) =>
  ({
    questions,
    sources: [
      { id: 'one', title: 'From ahead' },
      { id: 'two', title: 'From the other side' },
    ],
  }) as unknown as EvidencePage;
const [PORT, STARBOARD] = ['fin-port', 'fin-starboard'];
const ruled = (value: string) => ({ ruling: { value } as QuestionRow['ruling'] });

describe('a marking is offered for the other side', () => {
  const port = asked(PORT, [seen('one', 'white bar')]);

  test('where a source has the same there, and says which', () => {
    expect(saysOnBoth(data(port, asked(STARBOARD, [seen('two', 'white bar')])), PORT)).toBe(
      '“From the other side” says',
    );
  });

  test('where both were ruled to be the same, or are taken as one', () => {
    expect(saysOnBoth(data({ ...port, ...ruled('bar') }, asked(STARBOARD, [], ruled('bar'))), PORT)).toBe(
      'it was ruled',
    );
    const mirrored = { mirrored: { id: 'm' } as QuestionRow['mirrored'] };
    expect(saysOnBoth(data({ ...port, ...mirrored }), PORT)).toBe('the two sides are taken as one');
  });

  test.each([
    ['another one is there', [asked(STARBOARD, [seen('two', 'red bar')])]],
    ['a source says that it is not', [asked(STARBOARD, [seen('two', 'white bar', 'against')])]],
    ['it is another of several', [asked(STARBOARD, [seen('two', 'white bar')], { item: 'upper' })]],
    ['it is ruled otherwise', [asked(STARBOARD, [], ruled('none'))]],
    ['nobody asked', []],
  ])('and not where %s', (_, there) => {
    expect(saysOnBoth(data(port, ...there), PORT)).toBeNull();
  });

  test('and never in the middle, which has no other side', () => {
    expect(saysOnBoth(data(asked('spinner', [seen('one', 'white bar')])), 'spinner')).toBeNull();
  });
});

test('a field is offered for it where a source says that it mirrors the pattern, or it is ruled', () => {
  const pattern = (sightings: Row['sightings'], more: Partial<Row> = {}) =>
    data(asked(PORT, sightings, { aspect: 'pattern', ...more }));
  expect(saysMirrored(pattern([seen('one', 'as in a mirror')]))).toBe('“From ahead” says');
  expect(saysMirrored(pattern([seen('one', 'as in a mirror', 'against')]))).toBeNull();
  expect(saysMirrored(pattern([], ruled('as in a mirror')))).toBe('it was ruled');
});
