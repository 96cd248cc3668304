import { afterAll, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import { randomUUID } from 'node:crypto';
import { BLANK_RECIPE, BLANK_SIGHTING, BLANK_SOURCE } from '@/core/kept/blank';
import { newBrief } from '@/core/kept/new-brief';
import { colourCodeFields, paintFields, paintLineFields } from '@/core/kept/records';
import { ownDatabase } from '@tests/support/own-database';
import { stamp } from '@tests/support/stamp';
import { InUse, newAct, perform, type ActWriter } from './acts';
import { createBrief } from './briefs';
import { loadBrief, loadSince } from './read-brief';
import { choose } from './choices';
import { closePool, pool, rows } from './database';
import { revisionsOf } from './revisions';
import { loadShelf } from './shelf';
import { undoLast } from './undo';

/** What one brief, tab or device does takes nothing from another, and nothing is lost or doubled. */

const setup = newBrief('2026-11-23');
const make = async (codeLetters: string) =>
  (
    await createBrief({
      brief: { ...setup.brief, timeZone: 'Europe/Berlin' },
      airframe: { ...setup.airframe, type: 'Testbird', codeLetters },
      sessions: [],
    })
  ).value;
const doing = async <T>(briefId: string | null, work: (writer: ActWriter) => Promise<T>): Promise<T> =>
  (await perform(newAct(briefId, 'colours'), work)).value;
const undo = async (briefId: string) => (await undoLast(briefId)).value;
const green = colourCodeFields.parse({ system: 'TCS', code: 'TCS 31', name: 'Green', finish: 'matt', kind: 'solid' });
const recipeOf = (codeId: string, paintId: string) => ({
  ...BLANK_RECIPE,
  codeId,
  parts: [{ paintId, drops: 3 }],
  predicted: [50, 0, 0] as [number, number, number],
  sd: 1,
});
const question = { zone: 'fin-port', aspect: 'colour', item: '' } as const;

let [a, b] = ['', ''];
let paintId = '';

beforeAll(() => ownDatabase('acts_test'));
beforeEach(async () => {
  await pool().query('truncate brief, colour_system, colour_code, paint_line, picture, act, change, revision cascade');
  await pool().query("insert into revision (of) values ('00000000-0000-0000-0000-000000000000')");
  [a, b] = [await make('AA'), await make('BB')];
  paintId = await doing(null, async (writer) => {
    const line = await writer.insert('paint_line', paintLineFields.parse({ name: 'Hask', chemistry: 'WA' }));
    const fields = { number: '1', name: '', kind: 'solid', finish: 'matt', opacity: 'opaque', lab: [50, 0, 0] };
    const rest = { sd: 1, sizeMl: 17, priceCents: 300, claims: [] };
    return (await writer.insert('paint', paintFields.parse({ ...fields, ...rest, lineId: line.id }))).id;
  });
});
afterAll(closePool);

/** Brief A adds a code; brief B chooses a paint for it, keeps a recipe and logs a use. */
async function bUsesWhatAAdded(): Promise<string> {
  const code = await doing(a, (writer) => writer.insert('colour_code', green));
  await doing(b, async (writer) => {
    await choose(writer, code.id, { paintId });
    await writer.insert('recipe', recipeOf(code.id, paintId));
    const used = { onDay: '2026-11-20', areaCm2: 10, coats: 2, fillings: 1, sprayedMl: 1, note: '' };
    await writer.insert('paint_use', { codeId: code.id, ...used });
  });
  return code.id;
}

describe('what another brief uses', () => {
  test('is not taken from it by an undo: that is explained and passed over, once', async () => {
    await doing(a, (writer) => writer.insert('source', { ...BLANK_SOURCE, title: 'Photo' }));
    await bUsesWhatAAdded();
    const before = await loadBrief(b);
    const { undone, passed } = await undo(a);
    expect(passed).toHaveLength(1);
    expect(passed[0]!.says).toMatch(/A choice of paint was added to it since|used by BB/);
    // The act before it was taken back instead.
    expect(undone).toMatchObject({ entity: 'source' });
    expect(await loadBrief(b)).toEqual(before);
    expect(await undo(a)).toEqual({ undone: null, passed: [] });
  });
  test('is not removed under it: the answer says who uses it', async () => {
    const id = await bUsesWhatAAdded();
    const removed = doing(a, (writer) => writer.remove('colour_code', id, 1));
    await expect(removed).rejects.toThrow(InUse);
    await expect(removed).rejects.toThrow('TCS 31 is used by BB');
    expect((await loadBrief(b))!.choices).toHaveLength(1);
  });
  test.each(['paint', 'line'])('a %s that makes its colour stays too', async (what) => {
    await bUsesWhatAAdded();
    const [paint] = (await loadShelf()).paints;
    const removed = doing(a, (writer) =>
      what === 'paint' ? writer.remove('paint', paint!.id, 1) : writer.remove('paint_line', paint!.lineId, 1),
    );
    await expect(removed).rejects.toThrow('Hask 1 is used by BB');
    expect((await loadShelf()).paints).toHaveLength(1);
  });
  test('a code that it only names in a ruling stays, by whatever grammar it is named', async () => {
    await doing(null, (writer) =>
      writer.insert('colour_system', { name: 'TCS', title: '', shape: 'digits', prefix: 'TCS', digits: 2 }),
    );
    const code = await doing(a, (writer) => writer.insert('colour_code', green));
    await doing(b, async (writer) => {
      const asked = await writer.insert('question', question);
      const ruled = { value: '31', basis: 'choice', reason: 'seen', ruledBy: 'me', favoured: null } as const;
      await writer.insert('ruling', { questionId: asked.id, ...ruled });
    });
    await expect(doing(a, (writer) => writer.remove('colour_code', code.id, 1))).rejects.toThrow(/used by BB/);
  });
  test('what nobody else uses goes, with what hangs on it, and comes back whole', async () => {
    const code = await doing(a, (writer) => writer.insert('colour_code', green));
    await doing(a, async (writer) => {
      await choose(writer, code.id, { paintId });
      await writer.insert('chip', {
        codeId: code.id,
        lab: [40, -8, 12],
        origin: 'measured',
        sd: 0.4,
        note: '',
        instrument: '',
        batch: '',
        leftOut: false,
      });
    });
    const before = [await loadBrief(a), await loadShelf()];
    await doing(a, (writer) => writer.remove('colour_code', code.id, 1));
    expect((await loadBrief(a))!.choices).toEqual([]);
    expect((await loadShelf()).codes).toEqual([]);
    expect((await undo(a)).undone).not.toBeNull();
    expect([await loadBrief(a), await loadShelf()]).toEqual(before);
  });
});

describe('undo', () => {
  test('a shared row that another brief changed since does not stand in the way for ever', async () => {
    await doing(a, (writer) => writer.insert('source', { ...BLANK_SOURCE, title: 'Photo' }));
    await doing(a, (writer) => writer.update('paint', paintId, 1, { name: 'Grey' }));
    await doing(b, (writer) => writer.update('paint', paintId, 2, { name: 'Sea grey' }));
    const first = await undo(a);
    expect(first.passed).toEqual([
      {
        station: 'colours',
        entity: 'paint',
        title: 'paint 1 Grey changed: name',
        says: 'A paint was changed since.',
      },
    ]);
    expect(first.undone).toMatchObject({ entity: 'source' });
    expect((await loadShelf()).paints[0]!.name).toBe('Sea grey');
  });
  test('is done once, however often its request arrives', async () => {
    for (const title of ['one', 'two', 'three'])
      await doing(a, (writer) => writer.insert('source', { ...BLANK_SOURCE, title }));
    const act = stamp();
    const answers = await Promise.all([1, 2, 3].map(() => undoLast(a, { stamp: act })));
    for (const answer of answers) expect(answer).toEqual(answers[0]);
    expect((await loadBrief(a))!.sources.map(({ title }) => title)).toEqual(['one', 'two']);
  });
  test('takes back what this person did, not what another did after it', async () => {
    await doing(a, (writer) => writer.insert('source', { ...BLANK_SOURCE, title: 'mine' }));
    await perform({ ...newAct(a, 'evidence', 'the other one') }, (writer) =>
      writer.insert('source', { ...BLANK_SOURCE, title: 'theirs' }),
    );
    await undo(a);
    expect((await loadBrief(a))!.sources.map(({ title }) => title)).toEqual(['theirs']);
  });
  test('from the bench, takes back what was done at the Bench and the Log, and nothing later at another station', async () => {
    const timer = { stepKey: '', label: 'Gloss', startedAt: '2026-11-20T18:00:00.000Z', minutes: 30 };
    await perform(newAct(a, 'bench'), (writer) => writer.insert('timer', { ...timer, closesMin: null, factor: 1 }));
    await doing(a, (writer) => writer.insert('source', { ...BLANK_SOURCE, title: 'later' }));
    const answer = (await undoLast(a, { stations: ['bench', 'log'] })).value;
    expect(answer.undone).toMatchObject({ station: 'bench', entity: 'timer' });
    expect((await loadBrief(a))!.sources).toHaveLength(1);
    expect((await undoLast(a, { stations: ['bench', 'log'] })).value.undone).toBeNull();
  });
});

describe('two at once', () => {
  test('a source and a question that share sightings are removed together: each sighting once, and undo brings all back', async () => {
    for (let round = 0; round < 5; round += 1) {
      const { sourceId, questionId } = await doing(a, async (writer) => {
        const s = await writer.insert('source', { ...BLANK_SOURCE, title: `Photo ${round}` });
        const q = await writer.insert('question', { ...question, item: `${round}` });
        for (const value of ['27', '31'])
          await writer.insert('sighting', { ...BLANK_SIGHTING, questionId: q.id, sourceId: s.id, value });
        return { sourceId: s.id, questionId: q.id };
      });
      const before = await loadBrief(a);
      await Promise.all([
        doing(a, (writer) => writer.remove('source', sourceId, 1)),
        doing(a, (writer) => writer.remove('question', questionId, 1)),
      ]);
      const removals = await rows<{ count: number }>(
        pool(),
        `select count(*)::int as count from change where entity = 'sighting' and after is null group by row_id`,
      );
      expect(removals.every(({ count }) => count === 1)).toBe(true);
      expect((await undo(a)).undone).not.toBeNull();
      expect((await undo(a)).undone).not.toBeNull();
      expect(await loadBrief(a)).toEqual(before);
    }
  });
  test('the same act, sent many times at once and later again, is done once and answers alike', async () => {
    const act = { ...newAct(a, 'evidence'), id: randomUUID() };
    const send = () => perform(act, (writer) => writer.insert('source', { ...BLANK_SOURCE, title: 'Photo' }));
    const answers = [...(await Promise.all([send(), send(), send()])), await send()];
    for (const answer of answers) expect(answer).toEqual(answers[0]);
    expect((await loadBrief(a))!.sources).toHaveLength(1);
  });
  test('a refused act may be sent again, and is then done', async () => {
    const act = newAct(a, 'evidence');
    let refuse = true;
    const send = () =>
      perform(act, async (writer) => {
        await writer.insert('source', { ...BLANK_SOURCE, title: 'Photo' });
        if (refuse) throw new Error('not now');
      });
    await expect(send()).rejects.toThrow('not now');
    refuse = false;
    await send();
    expect((await loadBrief(a))!.sources).toHaveLength(1);
  });
});

describe('revisions', () => {
  test('count what happened to a brief and to the shelf, each by itself', async () => {
    const at = async () => {
      const { brief, shelf } = (await revisionsOf(pool(), a))!;
      return { brief: brief.number, shelf: shelf.number };
    };
    const start = await at();
    const answer = await perform(newAct(a, 'evidence'), (writer) => writer.insert('question', question));
    expect(await at()).toEqual({ brief: start.brief + 1, shelf: start.shelf });
    expect(answer).toMatchObject({ revision: start.brief + 1, shelfRevision: start.shelf });
    expect(answer.rows).toEqual([
      { entity: 'question', id: answer.value.id, row: { ...question, id: answer.value.id, version: 1 } },
    ]);
    await doing(b, (writer) => writer.update('paint', paintId, 1, { name: 'x' }));
    expect(await at()).toEqual({ brief: start.brief + 1, shelf: start.shelf + 1 });
  });
  test('an act that changes nothing leaves them as they are', async () => {
    const start = await revisionsOf(pool(), a);
    await doing(a, async () => null);
    expect(await revisionsOf(pool(), a)).toEqual(start);
  });
  test('an act that commits late still counts after those before it: no page keeps what it had', async () => {
    const slow = perform(newAct(a, 'evidence'), async (writer) => {
      await writer.insert('source', { ...BLANK_SOURCE, title: 'slow' });
      await new Promise((resolve) => setTimeout(resolve, 150));
    });
    await new Promise((resolve) => setTimeout(resolve, 30));
    const quick = perform(newAct(a, 'evidence'), (writer) =>
      writer.insert('source', { ...BLANK_SOURCE, title: 'quick' }),
    );
    const order = [(await slow).revision!, (await quick).revision!];
    expect(order[1]).toBe(order[0]! + 1);
    expect((await revisionsOf(pool(), a))!.brief.number).toBe(order[1]);
  });
  test('a merge that reaches into another brief counts there too', async () => {
    const start = (await revisionsOf(pool(), b))!.brief.number;
    const code = await doing(b, async (writer) => {
      const made = await writer.insert('colour_code', green);
      await choose(writer, made.id, { paintId });
      return made;
    });
    const choice = (await loadBrief(b))!.choices.find(({ codeId }) => codeId === code.id)!;
    await doing(a, (writer) =>
      writer.update('colour_choice', choice.id, choice.version, { paintId }, { ofAnyBrief: true }),
    );
    expect((await revisionsOf(pool(), b))!.brief.number).toBe(start + 2);
  });
  test('what did not change since is not read again, and what did is', async () => {
    await doing(a, (writer) => writer.insert('source', { ...BLANK_SOURCE, title: 'Photo' }));
    const first = await loadSince(pool(), a, (await revisionsOf(pool(), a))!.brief, null);
    await doing(a, (writer) => writer.insert('question', question));
    const second = await loadSince(pool(), a, (await revisionsOf(pool(), a))!.brief, first);
    expect(second.state.sources).toBe(first.state.sources);
    expect(second.state.questions).toHaveLength(1);
    expect(second.state).toEqual(await loadBrief(a));
  });
});
