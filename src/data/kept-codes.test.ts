import { afterAll, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import { BLANK_SIGHTING, BLANK_SOURCE } from '@/core/kept/blank';
import { newBrief } from '@/core/kept/new-brief';
import { colourCodeFields } from '@/core/kept/records';
import type { BriefFile } from '@/core/interchange/brief-file';
import { dunlin } from '@demo/dunlin';
import { tellAll } from '@tests/support/house';
import { ownDatabase } from '@tests/support/own-database';
import { newAct, perform, type ActWriter } from './acts';
import { exportBrief, importBrief } from './brief-files';
import { createBrief } from './briefs';
import { loadBrief } from './read-brief';
import { addToShelf, type ShelfAddition } from './catalogue';
import { closePool, pool } from './database';
import { bringUpToDate } from './migrate';

const standard = (name: string, ...numbers: string[]): ShelfAddition => ({
  systems: [{ name, title: name, shape: 'digits', prefix: name, digits: 2 }],
  codes: numbers.map((number) => ({
    code: colourCodeFields.parse({
      system: name,
      code: `${name} ${number}`,
      name: `${name} grey ${number}`,
      finish: 'matt',
      kind: 'solid',
    }),
    chips: [],
  })),
  relations: [],
  lines: [],
});

const doing = async <T>(briefId: string | null, work: (writer: ActWriter) => Promise<T>) =>
  (await perform(newAct(briefId, 'evidence'), work)).value;

async function briefThatSays(value: string): Promise<string> {
  const { brief, airframe, sessions } = newBrief('2026-11-26');
  const id = (
    await createBrief({
      brief: { ...brief, timeZone: 'Europe/Berlin' },
      airframe: { ...airframe, type: 'Testbird' },
      sessions,
    })
  ).value;
  await doing(id, async (writer) => {
    const questionId = (await writer.insert('question', { zone: 'fin-port', aspect: 'colour', item: '' })).id;
    const sourceId = (await writer.insert('source', { ...BLANK_SOURCE, title: 'one' })).id;
    await writer.insert('sighting', { ...BLANK_SIGHTING, questionId, sourceId, value });
    await writer.insert('ruling', {
      questionId,
      value,
      basis: 'supported',
      reason: 'as seen',
      ruledBy: 'builder',
      favoured: null,
    });
  });
  return id;
}

const said = async (id: string) => {
  const { sightings, rulings } = (await loadBrief(id))!;
  return [...sightings, ...rulings].map(({ value }) => value);
};

const emptied = async () => {
  await pool().query('truncate brief, colour_code, colour_system, act, change cascade');
  await tellAll();
};
beforeAll(() => ownDatabase('kept_codes_test'));
beforeEach(emptied);
afterAll(closePool);

describe('a bare number', () => {
  test('keeps the code that it was read as when a second standard comes', async () => {
    await doing(null, (writer) => addToShelf(writer, standard('TCS', '12')));
    const id = await briefThatSays('12');
    await doing(null, (writer) => addToShelf(writer, standard('VKN', '12', '30')));
    expect(await said(id)).toEqual(['TCS 12', 'TCS 12']);
  });
  test('that was kept before codes were resolved is resolved once, when the house is brought up to date', async () => {
    await doing(null, (writer) => addToShelf(writer, standard('TCS', '12')));
    const id = await briefThatSays('12');
    await bringUpToDate(process.env.DATABASE_URL!);
    expect(await said(id)).toEqual(['TCS 12', 'TCS 12']);
  });
  test('stays as it was typed where two standards already fit it', async () => {
    await doing(null, (writer) => addToShelf(writer, standard('TCS', '12')));
    await doing(null, (writer) => addToShelf(writer, standard('VKN', '12')));
    const id = await briefThatSays('12');
    await bringUpToDate(process.env.DATABASE_URL!);
    expect(await said(id)).toEqual(['12', '12']);
  });
  test('in a file means the code of the standard that the file brings', async () => {
    await doing(null, (writer) => addToShelf(writer, standard('TCS', '12')));
    const { file } = (await exportBrief(await briefThatSays('12')))!;
    await emptied();
    await doing(null, (writer) => addToShelf(writer, standard('VKN', '12')));
    const brought = {
      ...file,
      systems: standard('TCS').systems,
      codes: standard('TCS', '12').codes.map(({ code }) => ({ ...code, chips: [] })),
    };
    expect(await said((await importBrief(brought)).value)).toEqual(['TCS 12', 'TCS 12']);
  });
});

describe('a brief as a file', () => {
  test('goes out again in the same order, whatever the order in which this house keeps its relations', async () => {
    const { file } = dunlin('2026-11-10');
    const shelfOf = (relations: BriefFile['relations']): BriefFile => ({
      ...file,
      relations,
      choices: [],
      recipes: [],
      uses: [],
    });
    const code = (number: string) => ({
      ...colourCodeFields.parse({ system: 'TCS', code: `TCS ${number}`, name: '', finish: 'matt', kind: 'solid' }),
      chips: [],
    });
    const relation = (from: string, to: string) => ({
      code: `TCS ${from}`,
      other: `TCS ${to}`,
      kind: 'equivalent' as const,
      fromDay: null,
      toDay: null,
      note: '',
    });
    const given = { ...shelfOf([]), codes: ['21', '27', '31'].map(code) };
    const relations = [relation('31', '27'), relation('21', '31'), relation('27', '21')];
    const out = (await exportBrief((await importBrief({ ...given, relations })).value))!.file.relations;
    const ours = out.filter(({ kind }) => kind === 'equivalent').map(({ code: one, other }) => `${one} ${other}`);
    expect(ours).toEqual([...ours].sort());
    expect(ours).toEqual(expect.arrayContaining(['TCS 21 TCS 31', 'TCS 31 TCS 27']));
  });
});
