import { describe, expect, test } from '@jest/globals';
import { actInWords, changeInWords, differencesOf, type RecordChange } from './act-words';
import { BLANK_LOG_ENTRY, BLANK_SIGHTING, BLANK_SOURCE } from './blank';

const names: Record<string, string> = { c1: 'Sleet', p1: 'Quoin 309', q1: 'fin, colour', s1: '“Field at dusk”' };
const nameOf = (id: string) => names[id] ?? '';
const choice = { codeId: 'c1', paintId: 'p1', recipeId: null, ground: '', coats: null, filter: null, way: '' };
const added = (entity: RecordChange['entity'], after: Record<string, unknown>): RecordChange => ({
  entity,
  before: null,
  after,
});

describe('one change', () => {
  test('names the colour and the paint that was chosen for it', () => {
    expect(changeInWords(added('colour_choice', choice), nameOf)).toBe('paint for Sleet chosen, Quoin 309');
  });

  test('a choice that stays and is laid otherwise is not chosen again', () => {
    const change = { entity: 'colour_choice', before: choice, after: { ...choice, coats: 3 } } as const;
    expect(changeInWords(change, nameOf)).toBe('how Sleet is laid changed');
  });

  test('a step that was logged is a step done, and one taken out is not undone work', () => {
    const entry = { ...BLANK_LOG_ENTRY, title: 'Spray the underside' };
    expect(changeInWords(added('log_entry', entry), nameOf)).toBe('“Spray the underside” done');
    expect(changeInWords({ entity: 'log_entry', before: entry, after: null }, nameOf)).toBe(
      'log entry “Spray the underside” taken out',
    );
  });

  test('says which fields of a record changed, by the words that a builder has for them', () => {
    const before = { ...BLANK_SOURCE, title: 'Field at dusk' };
    const change = { entity: 'source', before, after: { ...before, dateFrom: '1952-05-01', page: '31' } } as const;
    expect(changeInWords(change, nameOf)).toBe('source “Field at dusk” changed: page, date from');
  });

  test('a ruling names its question and what was ruled', () => {
    const ruling = { questionId: 'q1', value: 'C 417', basis: 'sources', reason: 'x', ruledBy: 'me' };
    expect(changeInWords(added('ruling', ruling), nameOf)).toBe('fin, colour ruled C 417');
  });
});

describe('a whole act', () => {
  test('of many records of one kind counts them', () => {
    const changes = [added('sighting', { ...BLANK_SIGHTING, questionId: 'q1', sourceId: 's1', value: 'a' })];
    expect(actInWords([{ entity: 'sighting', change: 'added', count: 12 }], changes, nameOf)).toBe(
      '12 sightings added',
    );
  });

  test('is called by what the builder did, not by what came with it', () => {
    const changes = [
      added('question', { zone: 'fin-port', aspect: 'colour', item: '' }),
      added('subject', { title: 'Pilot' }),
    ];
    const counts = [
      { entity: 'question', change: 'added', count: 4 },
      { entity: 'subject', change: 'added', count: 1 },
    ] as const;
    expect(actInWords(counts, changes, nameOf)).toBe('subject “Pilot” added, and 4 things with it');
  });

  test('that changed nothing has no name', () => {
    expect(actInWords([], [], nameOf)).toBe('');
  });
});

describe('differences', () => {
  test('stand field by field, references by their names, without identity and version', () => {
    const change = {
      entity: 'colour_choice',
      before: { id: 'x', version: 1, ...choice },
      after: { id: 'x', version: 2, ...choice, coats: 3, way: 'brush' },
    } as const;
    expect(differencesOf(change, nameOf)).toEqual([
      { field: 'coats', before: '', after: '3' },
      { field: 'way', before: '', after: 'brush' },
    ]);
  });

  test('of something removed all that stood in it', () => {
    const fields = differencesOf({
      entity: 'question',
      before: { zone: 'fin-port', aspect: 'colour', item: '' },
      after: null,
    });
    expect(fields).toEqual([
      { field: 'zone', before: 'fin-port', after: '' },
      { field: 'aspect', before: 'colour', after: '' },
    ]);
  });
});
