import { describe, expect, test } from '@jest/globals';
import { checkSource } from '@/core/kept/check-source';
import { BLANK_SOURCE } from '@/core/kept/blank';
import { viewOfDemo } from '../../../tests/support/demo-brief';
import { readEvidenceCsv, resolveSources, rulingsCsv, sightingsCsv, sourcesCsv, type ReadTable } from './evidence-csv';

const { view } = viewOfDemo();
const { state, outline } = view;
const read = (text: string) => readEvidenceCsv(text, outline.zones);
function table<T extends ReadTable['table']>(text: string, name: T): Extract<ReadTable, { table: T }> {
  const found = read(text);
  if (!('table' in found) || found.table !== name) throw new Error(JSON.stringify(found.faults));
  return found as Extract<ReadTable, { table: T }>;
}
const resolve = (text: string) => resolveSources(table(text, 'sources').rows, state, (row) => `new ${row.row}`);

describe('tables of evidence', () => {
  test('what is written is read back: sources with their links, sightings, rulings', () => {
    const sources = table(sourcesCsv(state), 'sources');
    expect(sources.faults).toEqual([]);
    expect(sources.rows.map(({ source }) => source.title)).toEqual(state.sources.map((source) => source.title));
    const caption = sources.rows.find(({ source }) => source.kind === 'caption')!;
    expect(caption.derivedFromTitles).toEqual(['Apron, port side']);
    expect(caption.source.page).toBe('41');
    const sightings = table(sightingsCsv(state), 'sightings');
    expect(sightings.faults).toEqual([]);
    expect(sightings.rows).toHaveLength(state.sightings.length);
    expect(sightings.rows.map(({ sighting }) => sighting.sd)).toEqual(state.sightings.map((sighting) => sighting.sd));
    expect(table(rulingsCsv(state), 'rulings').rows).toHaveLength(state.rulings.length);
  });

  test('a bad row is named with its line and its fault, the others are read', () => {
    const { rows, faults } = table(
      [
        'title,kind,dated_from,dated_to,grade',
        'Good,photograph,1951-05-12,1951-05-12,1',
        'Backwards,photograph,1951-05-12,1951-05-01,1',
        'No such day,photograph,1951-02-30,,1',
        'No such kind,rumour,,,1',
        ',photograph,,,1',
        'Overrated,photograph,,,7',
        'Also good,kit-sheet,,,',
      ].join('\n'),
      'sources',
    );
    expect(rows.map(({ row, source }) => [row, source.title])).toEqual([
      [2, 'Good'],
      [8, 'Also good'],
    ]);
    expect(faults.map(({ row }) => row)).toEqual([3, 4, 5, 6, 7]);
    expect(faults[0]!.says).toMatch(/ends before it starts/);
    expect(faults[1]!.says).toMatch(/a day that exists/);
    expect(faults[2]!.says).toMatch(/Kind/);
    expect(faults[3]!.says).toMatch(/Title/);
  });

  test('any list of sources is taken: what means nothing is left out, a date is read as it is known', () => {
    const [named] = table('name;year;mood\nApron;1951;good', 'sources').rows;
    expect(named!.source).toMatchObject({
      title: 'Apron',
      kind: 'other',
      dateFrom: '1951-01-01',
      dateTo: '1951-12-31',
    });
    const german = table('Titel;Art;Datum;Verlag\nFlugfeld;Foto;Mai 1951;\nBand 2;Buch;;Haus', 'sources').rows;
    expect(german.map(({ source }) => [source.kind, source.dateFrom, source.citation])).toEqual([
      ['photograph', '1951-05-01', ''],
      ['book', null, 'Haus'],
    ]);
    expect(table('Apron at dusk\nHangar row\n', 'sources').rows.map(({ source }) => source.title)).toEqual([
      'Apron at dusk',
      'Hangar row',
    ]);
    expect(table('title,kind,date\nApron,photo,3/4/1951', 'sources').faults[0]!.says).toMatch(/one way/);
    expect(read('')).toHaveProperty('faults');
  });

  test('zones and aspects go by name or title, lengths by either decimal mark', () => {
    const { rows, faults } = table(
      'Zone;Aspect;Source;Value;Plus minus\n"Rear fuselage, port";"Marking, size";Apron;"41,2 cm";1,5\nnowhere;colour;Apron;27;\nfin-port;shape;Apron;27;\nfin-port;size;Apron;wide;'.replaceAll(
        ';',
        '\t',
      ),
      'sightings',
    );
    expect(rows[0]!.sighting).toMatchObject({ zone: 'fuselage-rear-port', aspect: 'size', value: '412', sd: 1.5 });
    expect(faults.map(({ says }) => says)).toEqual([
      expect.stringMatching(/no zone "nowhere"/),
      expect.stringMatching(/aspect "shape"/),
      expect.stringMatching(/no length/),
    ]);
  });

  test('a cell that a spreadsheet would run as a formula is written as text', () => {
    const csv = sourcesCsv({ ...state, sources: [{ ...state.sources[0]!, title: '=1+1' }] });
    expect(csv.split('\n')[1]!.startsWith("'=1+1") || csv.split('\n')[1]!.startsWith('"\'=1+1')).toBe(true);
  });
});

describe('sources of a table beside those that are known', () => {
  test('links may point ahead; a circle and a missing origin are refused, the rest is added', () => {
    const { added, faults } = resolve(
      'title,kind,derived_from\nA,caption,B\nB,photograph,\nC,caption,D\nD,caption,C\nE,caption,Nobody\nF,profile-drawing,A|Kit sheet 4803',
    );
    expect(added.map(({ source }) => source.title)).toEqual(['B', 'A', 'F']);
    expect(added[2]!.source.derivedFrom).toEqual(['new 2', state.sources.find((s) => s.kind === 'kit-sheet')!.id]);
    expect(faults.map(({ row }) => row)).toEqual([4, 5, 6]);
  });
  test('a title that is there already is not taken twice', () => {
    const { added, faults } = resolve('title,kind\nKIT SHEET 4803,kit-sheet\nNew,letter\nNew,letter');
    expect(added.map(({ source }) => source.title)).toEqual(['New']);
    expect(faults.map(({ row }) => row)).toEqual([2, 4]);
  });
  test('a photograph dated after the airframe was lost is refused with both days', () => {
    const { faults } = resolve('title,kind,dated_from\nLate,photograph,1954-06-01\nLater,museum-visit,2019-01-01');
    expect(faults).toEqual([{ row: 2, says: expect.stringMatching(/1954-06-01.*lost on 1953-02-11/) }]);
  });
});

describe('what speaks against a source', () => {
  const source = { ...BLANK_SOURCE, title: 'New' };
  const depot = state.events.find((event) => event.zone === 'fin-port')!;
  test('days that contradict the event it is dated by', () => {
    const late = { ...source, dateFrom: '1951-05-12', dateTo: '1951-05-12', beforeEventId: depot.id };
    expect(checkSource(late, null, state)).toEqual([
      { field: 'beforeEventId', says: expect.stringMatching(/from 1951-05-12 to 1950-11-19/) },
    ]);
    expect(checkSource({ ...late, dateFrom: '1950-01-01', dateTo: null }, null, state)).toEqual([]);
  });
  test('links in a circle, by title, and links to itself or to nothing', () => {
    const kit = state.sources.find((s) => s.kind === 'kit-sheet')!;
    const box = state.sources.find((s) => s.kind === 'box-painting')!;
    const [circle] = checkSource({ ...kit, derivedFrom: [box.id] }, kit.id, state);
    expect(circle).toMatchObject({ field: 'derivedFrom', says: expect.stringMatching(/circle.*Box painting/) });
    expect(checkSource({ ...kit, derivedFrom: [kit.id] }, kit.id, state)).toHaveLength(1);
    expect(checkSource({ ...source, derivedFrom: ['nobody'] }, null, state)).toHaveLength(1);
  });
});
