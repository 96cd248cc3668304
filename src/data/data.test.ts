import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import sharp from 'sharp';
import { newBrief } from '@/stations/setup/new-brief';
import { RECORDS, type RecordName } from '@/core/brief/records';
import { briefFileSchema } from '@/core/interchange/brief-file';
import { dunlin } from '@demo/dunlin';
import { exportBrief, importBrief } from './brief-files';
import { createBrief, listBriefs, loadBrief } from './briefs';
import { addToShelf, loadShelf } from './colours';
import { closePool, inTransaction, pool, rows } from './database';
import { ChangedElsewhere, columnsOf, deleteRecord, insertRecord, newAct, undoLast, updateRecord } from './history';
import { migrate } from './migrate';
import { keepPicture, PictureFault, readPicture } from './pictures';

const setup = newBrief('2026-11-23');
const make = () =>
  createBrief({ ...setup.brief, timeZone: 'Europe/Berlin' }, { ...setup.airframe, type: 'Testbird' }, setup.sessions);
const source = (title: string) => ({
  kind: 'photograph' as const,
  title,
  citation: '',
  dateFrom: null,
  dateTo: null,
  sides: [],
  derivedFrom: [],
  grade: 1,
  gradeReason: '',
  pictureId: null,
});

beforeAll(async () => {
  if (!process.env.DATABASE_URL) throw new Error('run the tests with ./test, which starts a database');
  await migrate(process.env.DATABASE_URL);
});
afterAll(closePool);

describe('migrations', () => {
  test('every record has the columns its fields need', async () => {
    for (const name of Object.keys(RECORDS) as RecordName[]) {
      const found = (
        await rows<{ column_name: string }>(
          pool(),
          'select column_name from information_schema.columns where table_name = $1',
          [name],
        )
      ).map((row) => row.column_name);
      expect(found).toEqual(expect.arrayContaining(['id', 'version', ...columnsOf(name)]));
    }
  });
  test('running them again changes nothing', async () => {
    await migrate(process.env.DATABASE_URL!);
    expect((await rows(pool(), 'select 1 from migration')).length).toBe(4);
  });
});

describe('versions and history', () => {
  test('an update names the version it saw; the second one is told what stands there', async () => {
    const briefId = await make();
    const kept = await inTransaction((client) =>
      insertRecord(client, newAct(briefId, 'evidence'), 'source', source('one')),
    );
    await inTransaction((client) =>
      updateRecord(client, newAct(briefId, 'evidence'), 'source', kept.id, 1, { title: 'two' }),
    );
    const late = inTransaction((client) =>
      updateRecord(client, newAct(briefId, 'evidence'), 'source', kept.id, 1, { title: 'three' }),
    );
    await expect(late).rejects.toThrow(ChangedElsewhere);
    await expect(late).rejects.toMatchObject({ theirs: { title: 'two', version: 2 } });
    expect((await loadBrief(briefId))!.sources[0]!.title).toBe('two');
  });

  test('a row of another brief cannot be reached', async () => {
    const [mine, other] = [await make(), await make()];
    const kept = await inTransaction((client) =>
      insertRecord(client, newAct(mine, 'evidence'), 'source', source('mine')),
    );
    await expect(
      inTransaction((client) =>
        updateRecord(client, newAct(other, 'evidence'), 'source', kept.id, 1, { title: 'stolen' }),
      ),
    ).rejects.toThrow(ChangedElsewhere);
    await expect(
      inTransaction((client) => updateRecord(client, newAct(other, 'setup'), 'brief', mine, 1, { notes: 'x' })),
    ).rejects.toThrow(ChangedElsewhere);
  });

  test('undo goes back step by step to the beginning, and no further', async () => {
    const briefId = await make();
    const act = () => newAct(briefId, 'evidence');
    const kept = await inTransaction((client) => insertRecord(client, act(), 'source', source('a')));
    await inTransaction((client) => updateRecord(client, act(), 'source', kept.id, 1, { title: 'b', sides: ['port'] }));
    await inTransaction((client) => updateRecord(client, act(), 'source', kept.id, 2, { title: 'c' }));
    await undoLast(briefId);
    expect((await loadBrief(briefId))!.sources[0]).toMatchObject({ title: 'b', sides: ['port'] });
    await undoLast(briefId);
    expect((await loadBrief(briefId))!.sources[0]).toMatchObject({ title: 'a', sides: [] });
    expect(await undoLast(briefId)).toMatchObject({ station: 'evidence', entity: 'source' });
    expect((await loadBrief(briefId))!.sources).toEqual([]);
    expect(await undoLast(briefId)).toBeNull();
    expect(await loadBrief(briefId)).not.toBeNull();
  });

  test('a deleted question takes its sightings and ruling along, and undo brings all back', async () => {
    const briefId = await make();
    const act = newAct(briefId, 'evidence');
    const question = await inTransaction(async (client) => {
      const s = await insertRecord(client, act, 'source', source('s'));
      const q = await insertRecord(client, act, 'question', { zone: 'fin-port', aspect: 'colour' });
      await insertRecord(client, act, 'sighting', {
        questionId: q.id,
        sourceId: s.id,
        value: '27',
        sd: null,
        clarity: 'clear',
        sense: 'for',
        note: '',
      });
      await insertRecord(client, act, 'ruling', {
        questionId: q.id,
        value: '27',
        basis: 'choice',
        reason: 'because',
        ruledBy: 'me',
      });
      return q;
    });
    const before = await loadBrief(briefId);
    await inTransaction((client) => deleteRecord(client, newAct(briefId, 'evidence'), 'question', question.id, 1));
    expect((await loadBrief(briefId))!).toMatchObject({ questions: [], sightings: [], rulings: [] });
    await undoLast(briefId);
    expect(await loadBrief(briefId)).toEqual(before);
  });

  test('a failed transaction leaves neither row nor history', async () => {
    const briefId = await make();
    const count = async () => (await rows(pool(), 'select 1 from change where brief_id = $1', [briefId])).length;
    const before = await count();
    await expect(
      inTransaction(async (client) => {
        await insertRecord(client, newAct(briefId, 'evidence'), 'question', { zone: 'fin-port', aspect: 'colour' });
        await insertRecord(client, newAct(briefId, 'evidence'), 'question', { zone: 'fin-port', aspect: 'colour' });
      }),
    ).rejects.toThrow();
    expect(await count()).toBe(before);
    expect((await loadBrief(briefId))!.questions).toEqual([]);
  });
});

describe('a brief as a file', () => {
  test('imports into an equal brief, twice over', async () => {
    const file = briefFileSchema.parse(dunlin('2026-11-10').file);
    const first = await exportBrief(await importBrief(file));
    const second = await exportBrief(await importBrief(briefFileSchema.parse(JSON.parse(JSON.stringify(first)))));
    expect(second).toEqual(first);
    expect(first!.sightings.length).toBe(file.sightings.length);
    expect(
      first!.sources
        .find((s) => s.title === 'Box painting')!
        .derivedFrom.map((ref) => first!.sources.find((s) => s.ref === ref)!.title),
    ).toEqual(['Kit sheet 4803']);
  });
  test('a file whose parts do not fit together is refused with the place', () => {
    const { file } = dunlin('2026-11-10');
    const paths = (bad: object) =>
      briefFileSchema.safeParse({ ...file, ...bad }).error?.issues.map((issue) => issue.path.join('.'));
    expect(paths({ sightings: [{ ...file.sightings[0], source: 'nobody' }] })).toEqual(['sightings.0.source']);
    expect(paths({ sources: [{ ...file.sources[0], derivedFrom: ['box'] }, ...file.sources.slice(1)] })).toEqual([
      'sources',
    ]);
    expect(paths({ airframe: { ...file.airframe, targetTo: '1951-01-01' } })).toEqual(['airframe.targetTo']);
    expect(paths({ extra: 1 })).toEqual(['']);
  });
  test('nothing stands where there is no brief', async () => {
    expect(await loadBrief('not-an-id')).toBeNull();
    expect(await exportBrief('00000000-0000-4000-8000-000000000000')).toBeNull();
    expect((await listBriefs()).length).toBeGreaterThan(0);
  });
});

describe('the shelf', () => {
  test('adding the same catalogue twice adds nothing the second time; the drawer adds up', async () => {
    const addition = {
      codes: [
        {
          code: { system: 'ZZ', code: 'ZZ 1', name: 'Test', finish: 'matt' as const, kind: 'solid' as const },
          chips: [{ lab: [50, 0, 0] as [number, number, number], origin: 'measured' as const, sd: 0.4, note: '' }],
        },
      ],
      lines: [
        {
          line: { name: 'Zline', chemistry: 'WA' as const },
          paints: [
            {
              paint: {
                number: '1',
                name: 'Grey',
                kind: 'solid' as const,
                finish: 'matt' as const,
                opacity: 'opaque' as const,
                lab: [51, 0, 0] as [number, number, number],
                sd: 1,
                sizeMl: 17,
                priceCents: 300,
                claims: ['ZZ 1'],
              },
              bottle: { mlLeft: 6.5, openedOn: null, condition: '' },
            },
          ],
        },
      ],
    };
    expect(await addToShelf(addition, null, 'colours')).toEqual({ codes: 1, paints: 1 });
    expect(await addToShelf(addition, null, 'colours')).toEqual({ codes: 0, paints: 0 });
    const shelf = await loadShelf();
    expect(shelf.paints.find((paint) => paint.line === 'Zline')).toMatchObject({
      ownedMl: 6.5,
      lab: [51, 0, 0],
      claims: ['ZZ 1'],
    });
    expect(
      shelf.chips.filter((chip) => chip.codeId === shelf.codes.find((code) => code.code === 'ZZ 1')!.id),
    ).toHaveLength(1);
  });
});

describe('pictures', () => {
  const plain = (width: number, height: number) =>
    sharp({ create: { width, height, channels: 3, background: '#556655' } });
  test('are re-encoded without their tags, once, with a thumbnail', async () => {
    const tagged = await plain(800, 600)
      .withExif({ IFD0: { ImageDescription: 'secret place' }, IFD3: { GPSLatitude: '51/1 30/1 0/1' } })
      .jpeg()
      .toBuffer();
    const kept = await keepPicture(tagged);
    expect(kept).toMatchObject({ width: 800, height: 600 });
    expect((await keepPicture(tagged)).id).toBe(kept.id);
    const full = await readPicture(kept.id, 'full');
    expect(full!.bytes.includes('secret place')).toBe(false);
    expect((await sharp(full!.bytes).metadata()).exif).toBeUndefined();
    expect((await sharp((await readPicture(kept.id, 'thumbnail'))!.bytes).metadata()).width).toBe(240);
  });
  test('the type is read from the content; what is no picture is refused', async () => {
    await expect(keepPicture(Buffer.from('GIF89a nonsense'))).rejects.toThrow(PictureFault);
    await expect(
      keepPicture(Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"/>')),
    ).rejects.toThrow(/SVG, not a photograph/);
    await expect(keepPicture(Buffer.alloc(0))).rejects.toThrow(/empty/);
    await expect(keepPicture(Buffer.alloc(16 * 1024 * 1024))).rejects.toThrow(/15 MB is the most/);
  });
  test('51 megapixels are too many', async () => {
    const huge = await plain(8500, 6100).png({ compressionLevel: 9 }).toBuffer();
    await expect(keepPicture(huge)).rejects.toThrow(/52 megapixels; 50 is the most/);
  }, 30_000);
  test('an unknown name is nothing', async () => {
    expect(await readPicture('../../etc/passwd', 'full')).toBeNull();
    expect(await readPicture('0'.repeat(64), 'full')).toBeNull();
  });
});
