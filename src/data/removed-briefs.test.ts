import { afterAll, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import sharp from 'sharp';
import { BLANK_LOG_ENTRY, BLANK_SIGHTING, BLANK_SOURCE } from '@/core/kept/blank';
import { newBrief } from '@/core/kept/new-brief';
import { dunlin } from '@demo/dunlin';
import { ownDatabase } from '@tests/support/own-database';
import { LiesRemoved, newAct, perform } from './acts';
import { copyOf, exportBrief, importBrief } from './brief-files';
import { isEmptyHouse, listBriefs } from './brief-list';
import { createBrief, latestBrief } from './briefs';
import { closePool, pool, rows } from './database';
import { keepPicture } from './pictures';
import { clearShelf, deleteForGood, listRemoved, removeBrief, restoreBrief } from './removed-briefs';
import { undoLast } from './undo';

/** A removed brief is out of the way and whole; what is deleted for good takes nothing with it that others use. */

const NOW = '2026-11-26T19:00:00.000Z';
const WASHED = {
  stepKey: 'wash',
  title: 'Washed',
  lane: 'Parts',
  plannedMinutes: null,
  actualMinutes: 10,
  startedAt: NOW,
  endedAt: NOW,
};
const picture = async (grey: number) => {
  const image = sharp({ create: { width: 20, height: 20, channels: 3, background: { r: grey, g: grey, b: grey } } });
  return (await keepPicture(await image.jpeg().toBuffer())).id;
};
const pictures = async () => (await rows<{ id: string }>(pool(), 'select id from picture')).map(({ id }) => id);
const make = async (codeLetters: string) => {
  const setup = newBrief('2026-11-23');
  const airframe = { ...setup.airframe, type: 'Testbird', codeLetters };
  return (await createBrief({ ...setup, airframe, sessions: [] })).value;
};
const withSource = (briefId: string, pictureId: string | null) =>
  perform(newAct(briefId, 'evidence'), async (writer) => {
    const source = await writer.insert('source', { ...BLANK_SOURCE, title: 'Field', pictureId });
    const question = await writer.insert('question', { zone: 'fin-port', aspect: 'colour', item: '' });
    await writer.insert('sighting', { ...BLANK_SIGHTING, questionId: question.id, sourceId: source.id, value: 'C 1' });
    await writer.insert('log_entry', { ...BLANK_LOG_ENTRY, ...WASHED });
    return source;
  });

let [a, b] = ['', ''];
beforeAll(() => ownDatabase('removed_test'));
beforeEach(async () => {
  await pool().query('truncate brief, picture, act, change, revision cascade');
  await pool().query("insert into revision (of) values ('00000000-0000-0000-0000-000000000000')");
  [a, b] = [await make('AA'), await make('BB')];
});
afterAll(closePool);

describe('a removed brief', () => {
  test('is out of the list and not the latest, and says until when it can come back', async () => {
    await withSource(b, null);
    expect(await removeBrief(b, NOW)).toBe(true);
    expect((await listBriefs()).map(({ id }) => id)).toEqual([a]);
    expect(await latestBrief()).toBe(a);
    expect(await listRemoved()).toMatchObject([
      { id: b, removedOn: '2026-11-26', until: '2026-12-26', sources: 1, logged: 1 },
    ]);
  });

  test('comes back as it was, and what was done before can be taken back', async () => {
    await withSource(b, null);
    const before = await exportBrief(b);
    await removeBrief(b, NOW);
    expect(await restoreBrief(b)).toBe(true);
    expect(await exportBrief(b)).toEqual(before);
    expect((await undoLast(b)).value.undone).not.toBeNull();
  });

  test('refuses every act, an undo too, until it is back', async () => {
    await withSource(b, null);
    await removeBrief(b, NOW);
    await expect(withSource(b, null)).rejects.toThrow(LiesRemoved);
    await expect(undoLast(b)).rejects.toThrow(LiesRemoved);
    await restoreBrief(b);
    await expect(withSource(b, null)).rejects.not.toThrow(LiesRemoved);
  });

  test('removed twice lies there since the first time', async () => {
    await removeBrief(b, NOW);
    await removeBrief(b, '2026-12-01T00:00:00.000Z');
    expect((await listRemoved())[0]!.removedOn).toBe('2026-11-26');
  });

  test('keeps the house from being empty: no demo is loaded over it', async () => {
    await removeBrief(a, NOW);
    await removeBrief(b, NOW);
    expect(await isEmptyHouse()).toBe(false);
  });
});

describe('deleted for good', () => {
  test('goes only from the shelf', async () => {
    expect(await deleteForGood(b)).toBe(false);
    expect(await listBriefs()).toHaveLength(2);
  });

  test('goes with all that is its own, its history and the picture that only it names', async () => {
    const [own, shared] = [await picture(40), await picture(90)];
    await withSource(b, own);
    await perform(newAct(b, 'evidence'), (writer) =>
      writer.insert('source', { ...BLANK_SOURCE, title: 'Both have it', pictureId: shared }),
    );
    await withSource(a, shared);
    const kept = await exportBrief(a);
    await removeBrief(b, NOW);
    expect(await deleteForGood(b)).toBe(true);
    expect(await pictures()).toEqual([shared]);
    expect(await exportBrief(a)).toEqual(kept);
    expect(await listRemoved()).toEqual([]);
    for (const table of ['source', 'question', 'sighting', 'log_entry', 'act'])
      expect(await rows(pool(), `select 1 from ${table} where brief_id = $1`, [b])).toEqual([]);
    expect(await rows(pool(), "select 1 from change where coalesce(after, before) ->> 'brief_id' = $1", [b])).toEqual(
      [],
    );
  });

  test('leaves a picture that an undo elsewhere would bring back', async () => {
    const shared = await picture(90);
    const source = (await withSource(a, shared)).value;
    await perform(newAct(a, 'evidence'), async (writer) => writer.remove('source', source.id, source.version));
    await withSource(b, shared);
    await removeBrief(b, NOW);
    await deleteForGood(b);
    expect((await undoLast(a)).value.undone).not.toBeNull();
    expect((await exportBrief(a))!.file.sources[0]!.pictureId).toBe(shared);
  });

  test('the demo’s whole brief goes too, whatever it holds', async () => {
    const made = (await importBrief(dunlin('2026-11-26').file)).value;
    await removeBrief(made, NOW);
    expect(await deleteForGood(made)).toBe(true);
    expect(await listBriefs()).toHaveLength(2);
  });

  test('happens by itself after thirty days, and not a day sooner', async () => {
    await removeBrief(b, NOW);
    expect(await clearShelf('2026-12-26T23:00:00.000Z')).toBe(0);
    expect(await clearShelf('2026-12-28T00:00:00.000Z')).toBe(1);
    expect(await listRemoved()).toEqual([]);
    expect(await exportBrief(b)).toBeNull();
  });
});

describe('a copy', () => {
  test('begins as the other stands, pictures included, under a name that says so', async () => {
    await withSource(b, await picture(40));
    const copy = (await copyOf(b))!.value;
    const [was, is] = [(await exportBrief(b))!.file, (await exportBrief(copy))!.file];
    expect({ ...is, brief: { ...is.brief, title: '' } }).toEqual(was);
    expect(is.brief.title).toBe('Copy of BB');
    expect(await pictures()).toHaveLength(1);
  });

  test('goes its own way', async () => {
    const copy = (await copyOf(b))!.value;
    await withSource(copy, null);
    expect((await exportBrief(b))!.file.sources).toEqual([]);
  });

  test('of a brief that is not there is none', async () => {
    expect(await copyOf('5e0c9c1e-0d0f-4a4e-9d0e-000000000000')).toBeNull();
  });
});
