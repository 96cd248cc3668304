import { afterAll, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import { BLANK_SIGHTING, BLANK_SOURCE } from '@/core/kept/blank';
import { newBrief } from '@/core/kept/new-brief';
import { colourCodeFields, paintFields, paintLineFields } from '@/core/kept/records';
import { numbers } from '@tests/support/made-up';
import { ownDatabase } from '@tests/support/own-database';
import { listActs, undoState } from './act-list';
import { newAct, perform, type ActWriter } from './acts';
import { exportBrief } from './brief-files';
import { createBrief } from './briefs';
import { loadBrief } from './read-brief';
import { choose } from './choices';
import { closePool } from './database';
import { redoLast, undoLast } from './undo';

/** What was done is taken back and done again by name, and each press leaves the brief as it was at that moment. */

let briefId = '';
const doing = async <T>(work: (writer: ActWriter) => Promise<T>): Promise<T> =>
  (await perform(newAct(briefId, 'evidence'), work)).value;
const undo = async (only?: string) => (await undoLast(briefId, only ? { only } : {})).value;
const redo = async () => (await redoLast(briefId)).value;
const exported = async () => JSON.stringify((await exportBrief(briefId))!.file);
const addSource = (title: string) => doing((writer) => writer.insert('source', { ...BLANK_SOURCE, title }));

beforeAll(() => ownDatabase('undo_test'));
beforeEach(async () => {
  const setup = newBrief('2026-11-23');
  briefId = (await createBrief({ ...setup, airframe: { ...setup.airframe, type: 'Testbird' }, sessions: [] })).value;
});
afterAll(closePool);

/** Does something that fits what stands there: adds, changes or removes a source, a question or what one says of the other. */
async function anything(random: () => number, nth: number): Promise<void> {
  const { sources, questions, sightings } = (await loadBrief(briefId))!;
  const pick = <T>(list: readonly T[]) => list[Math.floor(random() * list.length)];
  const [source, question, sighting] = [pick(sources), pick(questions), pick(sightings)];
  const what = Math.floor(random() * 8);
  await doing(async (writer) => {
    if (what === 0 && source) return writer.remove('source', source.id, source.version);
    if (what === 1 && question) return writer.remove('question', question.id, question.version);
    if (what === 2 && source) return writer.update('source', source.id, source.version, { page: `p. ${nth}` });
    if (what === 3 && sighting) return writer.update('sighting', sighting.id, sighting.version, { value: `v${nth}` });
    if (what <= 5 && source && question && !sightings.some((own) => own.sourceId === source.id))
      return writer.insert('sighting', {
        ...BLANK_SIGHTING,
        questionId: question.id,
        sourceId: source.id,
        value: `v${nth}`,
      });
    if (what === 6) return writer.insert('question', { zone: 'fin-port', aspect: 'marking', item: `item ${nth}` });
    return writer.insert('source', { ...BLANK_SOURCE, title: `Source ${nth}` });
  });
}

describe('twenty back and twenty again', () => {
  test.each([1, 2, 3, 4, 5])('leave the brief as it was, and each press on the way too (seed %i)', async (seed) => {
    const random = numbers(seed);
    const stood = [await exported()];
    for (let nth = 0; nth < 20; nth += 1) {
      await anything(random, nth);
      stood.push(await exported());
    }
    for (let nth = 19; nth >= 0; nth -= 1) {
      expect((await undo()).undone).not.toBeNull();
      expect(await exported()).toBe(stood[nth]);
    }
    for (let nth = 1; nth <= 20; nth += 1) {
      expect((await redo()).undone).not.toBeNull();
      expect(await exported()).toBe(stood[nth]);
    }
    expect((await redo()).undone).toBeNull();
    // And all of it once more.
    for (let nth = 0; nth < 20; nth += 1) await undo();
    expect(await exported()).toBe(stood[0]);
  });
});

describe('doing again', () => {
  test('ends with the next act', async () => {
    await addSource('A');
    await undo();
    await addSource('B');
    expect((await undoState(briefId)).again).toBeNull();
    expect(await redo()).toEqual({ undone: null, passed: [] });
    expect((await loadBrief(briefId))!.sources.map(({ title }) => title)).toEqual(['B']);
  });

  test('what somebody else has built on meanwhile is said and left', async () => {
    const source = await addSource('A');
    await doing((writer) => writer.update('source', source.id, 1, { page: '1' }));
    await undo();
    await perform(newAct(briefId, 'evidence', 'another'), (writer) =>
      writer.update('source', source.id, 3, { page: '9' }),
    );
    expect(await redo()).toMatchObject({ undone: null, passed: [{ says: 'A source was changed since.' }] });
    expect((await loadBrief(briefId))!.sources[0]!.page).toBe('9');
  });
});

describe('by name', () => {
  test('the press says what it would take back, and what it would do again', async () => {
    expect(await undoState(briefId)).toEqual({ back: null, again: null });
    await addSource('Field at dusk');
    await addSource('Hangar');
    expect(await undoState(briefId)).toEqual({ back: 'source “Hangar” added', again: null });
    await undo();
    expect(await undoState(briefId)).toEqual({
      back: 'source “Field at dusk” added',
      again: 'source “Hangar” added',
    });
    expect((await redo()).undone).toMatchObject({ title: 'source “Hangar” added' });
  });

  test('a choice of paint is called by its colour and its paint', async () => {
    const { paint, code } = await doing(async (writer) => {
      const line = await writer.insert('paint_line', paintLineFields.parse({ name: 'Quoin', chemistry: 'WA' }));
      const look = { kind: 'solid', finish: 'matt' };
      const given = { number: '309', name: '', opacity: 'opaque', lab: [50, 0, 0], sd: 1, sizeMl: 17, priceCents: 300 };
      return {
        paint: await writer.insert('paint', paintFields.parse({ ...look, ...given, claims: [], lineId: line.id })),
        code: await writer.insert(
          'colour_code',
          colourCodeFields.parse({ ...look, system: 'C', code: 'C 417', name: 'Sleet' }),
        ),
      };
    });
    await doing((writer) => choose(writer, code.id, { paintId: paint.id }));
    expect((await undoState(briefId)).back).toBe('paint for Sleet chosen, Quoin 309');
  });

  test('one act of the list is taken back alone, where nothing was built on it', async () => {
    await addSource('A');
    await addSource('B');
    const acts = await listActs(briefId);
    expect(acts.map(({ title }) => title)).toEqual(['source “B” added', 'source “A” added', 'this brief begun']);
    expect(acts[2]!.isFirst).toBe(true);
    expect((await undo(acts[1]!.id)).undone).toMatchObject({ title: 'source “A” added' });
    expect((await loadBrief(briefId))!.sources.map(({ title }) => title)).toEqual(['B']);
    expect((await listActs(briefId))[1]!.stands).toBe(false);
  });

  test('one that others have built on stays, each time it is asked for with its reason', async () => {
    const source = await addSource('A');
    await doing((writer) => writer.update('source', source.id, 1, { page: '1' }));
    const { id } = (await listActs(briefId))[1]!;
    for (const _ of [1, 2])
      expect(await undo(id)).toMatchObject({ undone: null, passed: [{ says: 'A source was changed since.' }] });
  });

  test('what was removed is still called by its name where others refer to it', async () => {
    const source = await addSource('Field at dusk');
    const question = await doing((writer) =>
      writer.insert('question', { zone: 'fin-port', aspect: 'colour', item: '' }),
    );
    await doing((writer) =>
      writer.insert('sighting', { ...BLANK_SIGHTING, questionId: question.id, sourceId: source.id, value: 'C 1' }),
    );
    await doing((writer) => writer.remove('source', source.id, source.version));
    const [gone, said] = await listActs(briefId);
    expect(gone!.title).toBe('source “Field at dusk” taken out, and 1 thing with it');
    expect(said!.title).toContain('“Field at dusk”');
  });

  test('an act opens into what it changed', async () => {
    const source = await addSource('A');
    await doing((writer) => writer.update('source', source.id, 1, { page: '31' }));
    expect((await listActs(briefId))[0]!.changes).toEqual([
      { title: 'source “A” changed: page', differences: [{ field: 'page', before: '', after: '31' }] },
    ]);
  });

  test('lists thirty at the most', async () => {
    for (let nth = 0; nth < 33; nth += 1) await addSource(`S${nth}`);
    const acts = await listActs(briefId);
    expect(acts).toHaveLength(30);
    expect(acts[0]!.title).toBe('source “S32” added');
  });
});
