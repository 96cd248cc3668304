import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { readFileSync } from 'node:fs';
import sharp from 'sharp';
import { newBrief } from '@/core/kept/new-brief';
import { BLANK_LAYING, BLANK_RECIPE, BLANK_SIGHTING, BLANK_SOURCE } from '@/core/kept/blank';
import {
  chipFields,
  colourCodeFields,
  paintFields,
  paintLineFields,
  RECORDS,
  type Fields,
  type RecordName,
} from '@/core/kept/records';
import { readCatalogue, writeCatalogue } from '@/core/interchange/catalogue-csv';
import { lineFieldsOf, type Paint } from '@/core/paint/catalogue';
import { DRYING, dryingOf } from '@/core/paint/drying';
import { briefFileSchema, type BriefFile } from '@/core/interchange/brief-file';
import { dossierSchema } from '@/core/interchange/dossier';
import { readEvidenceCsv } from '@/core/interchange/evidence-csv';
import { dunlin } from '@demo/dunlin';
import { exportBrief, importBrief } from './brief-files';
import { listBriefs } from './brief-list';
import { createBrief } from './briefs';
import { loadBrief } from './read-brief';
import { addToShelf, catalogueAddition, mergePaints, type ShelfAddition } from './catalogue';
import { loadShelf } from './shelf';
import { closePool, pool, rows } from './database';
import { ChangedElsewhere, newAct, perform, type ActWriter } from './acts';
import { columnsOf } from './rows';
import { undoLast } from './undo';
import { addTable, exportDossier, mergeDossier } from './dossier';
import { migrate } from './migrate';
import { keepPicture, PictureFault, readPicture } from './pictures';

const setup = newBrief('2026-11-23');
const make = async (airframe: Partial<Fields<'airframe'>> = {}) =>
  (
    await createBrief({
      brief: { ...setup.brief, timeZone: 'Europe/Berlin' },
      airframe: { ...setup.airframe, type: 'Testbird', ...airframe },
      sessions: setup.sessions,
    })
  ).value;
/** One act of the house at a brief; answers with what the work did. */
const doing = async <T>(briefId: string | null, station: string, work: (writer: ActWriter) => Promise<T>): Promise<T> =>
  (await perform(newAct(briefId, station), work)).value;
const bring = async (file: BriefFile) => (await importBrief(file)).value;
const exported = async (id: string) => (await exportBrief(id))!.file;
const source = (title: string): Fields<'source'> => ({ ...BLANK_SOURCE, title });

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
    const applied = () => rows(pool(), 'select name from migration order by name');
    const before = await applied();
    await migrate(process.env.DATABASE_URL!);
    expect(before.length).toBeGreaterThan(0);
    expect(await applied()).toEqual(before);
  });
});

describe('versions and history', () => {
  test('an update names the version it saw; the second one is told what stands there', async () => {
    const briefId = await make();
    const kept = await doing(briefId, 'evidence', (writer) => writer.insert('source', source('one')));
    await doing(briefId, 'evidence', (writer) => writer.update('source', kept.id, 1, { title: 'two' }));
    const late = doing(briefId, 'evidence', (writer) => writer.update('source', kept.id, 1, { title: 'three' }));
    await expect(late).rejects.toThrow(ChangedElsewhere);
    await expect(late).rejects.toMatchObject({ theirs: { title: 'two', version: 2 } });
    expect((await loadBrief(briefId))!.sources[0]!.title).toBe('two');
  });

  test('a row of another brief cannot be reached', async () => {
    const [mine, other] = [await make(), await make()];
    const kept = await doing(mine, 'evidence', (writer) => writer.insert('source', source('mine')));
    await expect(
      doing(other, 'evidence', (writer) => writer.update('source', kept.id, 1, { title: 'stolen' })),
    ).rejects.toThrow(ChangedElsewhere);
    await expect(doing(other, 'setup', (writer) => writer.update('brief', mine, 1, { notes: 'x' }))).rejects.toThrow(
      ChangedElsewhere,
    );
  });

  test('undo goes back step by step to the beginning, and no further', async () => {
    const briefId = await make();
    const kept = await doing(briefId, 'evidence', (writer) => writer.insert('source', source('a')));
    await doing(briefId, 'evidence', (writer) => writer.update('source', kept.id, 1, { title: 'b', sides: ['port'] }));
    await doing(briefId, 'evidence', (writer) => writer.update('source', kept.id, 2, { title: 'c' }));
    await undoLast(briefId);
    expect((await loadBrief(briefId))!.sources[0]).toMatchObject({ title: 'b', sides: ['port'] });
    await undoLast(briefId);
    expect((await loadBrief(briefId))!.sources[0]).toMatchObject({ title: 'a', sides: [] });
    expect((await undoLast(briefId)).value.undone).toMatchObject({ station: 'evidence', entity: 'source' });
    expect((await loadBrief(briefId))!.sources).toEqual([]);
    expect((await undoLast(briefId)).value).toEqual({ undone: null, passed: [] });
    expect(await loadBrief(briefId)).not.toBeNull();
  });

  test('a deleted question takes its sightings and ruling along, and undo brings all back', async () => {
    const briefId = await make();
    const question = await doing(briefId, 'evidence', async (writer) => {
      const s = await writer.insert('source', source('s'));
      const q = await writer.insert('question', { zone: 'fin-port', aspect: 'colour', item: '' });
      await writer.insert('sighting', {
        ...BLANK_SIGHTING,
        questionId: q.id,
        sourceId: s.id,
        value: '27',
      });
      await writer.insert('ruling', {
        questionId: q.id,
        value: '27',
        basis: 'choice',
        reason: 'because',
        ruledBy: 'me',
        favoured: null,
      });
      return q;
    });
    const before = await loadBrief(briefId);
    await doing(briefId, 'evidence', (writer) => writer.remove('question', question.id, 1));
    expect((await loadBrief(briefId))!).toMatchObject({ questions: [], sightings: [], rulings: [] });
    await undoLast(briefId);
    expect(await loadBrief(briefId)).toEqual(before);
  });

  test('a failed transaction leaves neither row nor history', async () => {
    const briefId = await make();
    const count = async () =>
      (await rows(pool(), 'select 1 from change c join act a on a.id = c.act where a.brief_id = $1', [briefId])).length;
    const before = await count();
    await expect(
      doing(briefId, 'evidence', async (writer) => {
        await writer.insert('question', {
          zone: 'fin-port',
          aspect: 'colour',
          item: '',
        });
        await writer.insert('question', {
          zone: 'fin-port',
          aspect: 'colour',
          item: '',
        });
      }),
    ).rejects.toThrow();
    expect(await count()).toBe(before);
    expect((await loadBrief(briefId))!.questions).toEqual([]);
  });
});

describe('a brief as a file', () => {
  test('imports into an equal brief, twice over', async () => {
    const file = briefFileSchema.parse(dunlin('2026-11-10').file);
    const first = await exported(await bring(file));
    const second = await exported(await bring(briefFileSchema.parse({ ...first, pictures: {} })));
    expect(second).toEqual(first);
    expect(first.sightings.length).toBe(file.sightings.length);
    expect(
      first.sources
        .find((s) => s.title === 'Box painting')!
        .derivedFrom.map((ref) => first.sources.find((s) => s.ref === ref)!.title),
    ).toEqual(['Kit sheet 4803']);
  });
  test('a file whose parts do not fit together is refused with the place', () => {
    const { file } = dunlin('2026-11-10');
    const paths = (bad: object) =>
      briefFileSchema.safeParse({ ...file, ...bad }).error?.issues.map((issue) => issue.path.join('.'));
    expect(paths({ sightings: [{ ...file.sightings[0], source: 'nobody' }] })).toEqual(['sightings.0.source']);
    const circular = file.sources.map((source) =>
      source.ref === 'kit' ? { ...source, derivedFrom: ['box'] } : source,
    );
    expect(paths({ sources: circular })).toEqual(['sources.2.derivedFrom']);
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
    const addition: ShelfAddition = {
      systems: [],
      relations: [],
      codes: [
        {
          code: colourCodeFields.parse({ system: 'ZZ', code: 'ZZ 1', name: 'Test', finish: 'matt', kind: 'solid' }),
          chips: [chipFields.omit({ codeId: true }).parse({ lab: [50, 0, 0], origin: 'measured', sd: 0.4, note: '' })],
        },
      ],
      lines: [
        {
          line: paintLineFields.parse({ name: 'Zline', chemistry: 'WA' }),
          paints: [
            {
              paint: paintFields.omit({ lineId: true }).parse({
                number: '1',
                name: 'Grey',
                kind: 'solid',
                finish: 'matt',
                opacity: 'opaque',
                lab: [51, 0, 0],
                sd: 1,
                sizeMl: 17,
                priceCents: 300,
                claims: ['ZZ 1'],
              }),
              bottle: { mlLeft: 6.5, openedOn: null, condition: '', strength: 1 },
            },
          ],
        },
      ],
    };
    expect(await doing(null, 'colours', (writer) => addToShelf(writer, addition))).toEqual({
      codes: 1,
      chips: 0,
      paints: 1,
      changed: 0,
    });
    expect(await doing(null, 'colours', (writer) => addToShelf(writer, addition))).toEqual({
      codes: 0,
      chips: 0,
      paints: 0,
      changed: 0,
    });
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

describe('a catalogue on its way in', () => {
  /** Each test has a line of its own: none reads what another left. */
  const csv = (rows: number, L = 50, line = 'Bulk') =>
    [
      'line,number,name,chemistry,L,a,b,price',
      ...Array.from({ length: rows }, (_, i) => `${line},B${i},Paint ${i},WA,${L},0,${i % 50},3.20`),
    ].join('\n');
  const take = (text: string) =>
    doing(null, 'colours', (writer) =>
      addToShelf(writer, catalogueAddition(readCatalogue(text).rows), { update: true }),
    );
  const bulk = async (of = 'Bulk') => (await loadShelf()).paints.filter(({ line }) => line === of);

  test('comes in whole, as one act; again it changes nothing; changed rows change their paints', async () => {
    expect(await take(csv(300))).toMatchObject({ paints: 300, changed: 0 });
    expect(await take(csv(300))).toMatchObject({ paints: 0, changed: 0 });
    expect(await take(csv(3, 60))).toMatchObject({ paints: 0, changed: 3 });
    const paints = await bulk();
    expect(paints).toHaveLength(300);
    expect(paints.filter(({ lab }) => lab![0] === 60)).toHaveLength(3);
    const [acts] = await rows<{ acts: number }>(
      pool(),
      "select count(distinct act)::int as acts from change where entity = 'paint' and after->>'number' like 'B%' and after->>'line_id' = $1",
      [paints[0]!.lineId],
    );
    expect(acts!.acts).toBe(2);
  });
  test('nothing is half done when one row cannot be kept', async () => {
    const { rows: read } = readCatalogue(csv(5, 50, 'Half'));
    const broken = catalogueAddition(read);
    broken.lines[0]!.paints[3]!.paint.sizeMl = null as unknown as number;
    await expect(doing(null, 'colours', (writer) => addToShelf(writer, broken))).rejects.toThrow();
    expect((await loadShelf()).paints.some(({ line }) => line === 'Half')).toBe(false);
  });

  test('two paints that are one are merged: bottles, choices, recipes, claims and the old number go over; undo parts them again', async () => {
    const briefId = await make();
    await take(csv(12, 50, 'Merged'));
    const [from, into] = (await bulk('Merged')).slice(10, 12) as [Paint, Paint];
    const { codeId } = await doing(briefId, 'evidence', async (writer) => {
      const code = await writer.insert(
        'colour_code',
        colourCodeFields.parse({ system: 'MG', code: 'MG 1', name: '', finish: 'matt', kind: 'solid' }),
      );
      await writer.insert('bottle', {
        paintId: from.id,
        mlLeft: 7,
        openedOn: null,
        condition: '',
        strength: 1.2,
      });
      await writer.insert('recipe', {
        codeId: code.id,
        ...BLANK_RECIPE,
        parts: [
          { paintId: from.id, drops: 2 },
          { paintId: into.id, drops: 3 },
        ],
        predicted: [50, 0, 0],
        sd: 1,
      });
      await writer.insert('colour_choice', { ...BLANK_LAYING, codeId: code.id, paintId: from.id, recipeId: null });
      return { codeId: code.id };
    });
    await doing(briefId, 'colours', (writer) => mergePaints(writer, from, into));
    const state = (await loadBrief(briefId))!;
    const merged = (await bulk('Merged')).find(({ id }) => id === into.id)!;
    expect((await bulk('Merged')).some(({ id }) => id === from.id)).toBe(false);
    expect(merged).toMatchObject({ ownedMl: 7, formerly: [from.number] });
    expect(state.choices.find((choice) => choice.codeId === codeId)!.paintId).toBe(into.id);
    expect(state.recipes[0]!.parts).toEqual([{ paintId: into.id, drops: 5 }]);
    // The old number is still found by a table.
    expect(await take(`line,number,chemistry,L,a,b\nMerged,${from.number},WA,50,0,0`)).toMatchObject({
      paints: 0,
      changed: 0,
    });

    expect((await undoLast(briefId)).value.undone).not.toBeNull();
    expect((await bulk('Merged')).some(({ id }) => id === from.id)).toBe(true);
    expect((await loadBrief(briefId))!.recipes[0]!.parts).toHaveLength(2);
  });
  test('a merge of something that was changed meanwhile is refused, and nothing happens', async () => {
    await take(csv(30, 50, 'Unmerged'));
    const [from, into] = (await bulk('Unmerged')).slice(20, 22) as [Paint, Paint];
    await expect(
      doing(null, 'colours', (writer) => mergePaints(writer, { ...from, version: 99 }, into)),
    ).rejects.toThrow(ChangedElsewhere);
    expect(await bulk('Unmerged')).toHaveLength(30);
  });
});

describe('a line of paints', () => {
  const line = async (name: string) => {
    const [found] = (await loadShelf()).paints.filter((paint) => paint.line === name);
    return found!;
  };
  const table = (name: string) =>
    'line,number,chemistry,L,a,b,recoat_min,mask_min,cure_min,currency\nOwnword,1,EN,50,0,0,90,,2000,SEK\nOwnword,2,EN,60,0,0,,,,\n'.replaceAll(
      'Ownword',
      name,
    );
  const bringLine = (name: string) =>
    doing(null, 'colours', (writer) =>
      addToShelf(writer, catalogueAddition(readCatalogue(table(name)).rows), { update: true }),
    );

  test('brings its own drying from a table; what it does not say is that of its chemistry', async () => {
    await bringLine('Owndry');
    const paint = await line('Owndry');
    expect(paint.dries).toEqual({ recoat: 90, cure: 2000 });
    expect(dryingOf(paint)).toEqual({ ...DRYING.EN, recoat: 90, cure: 2000 });
    expect(paint.currency).toBe('SEK');
  });
  test('is changed for all its paints at once, and undo takes it back', async () => {
    const briefId = await make();
    await bringLine('Ownword');
    const before = await line('Ownword');
    await doing(briefId, 'colours', (writer) =>
      writer.update('paint_line', before.lineId, before.lineVersion, {
        maskMin: 240,
        thinner: 'spirit',
      }),
    );
    const changed = (await loadShelf()).paints.filter((paint) => paint.line === 'Ownword');
    expect(changed.map(({ dries, thinner }) => [dries.mask, thinner])).toEqual([
      [240, 'spirit'],
      [240, 'spirit'],
    ]);
    await undoLast(briefId);
    expect((await line('Ownword')).dries).toEqual(before.dries);
  });
  test('one that was changed meanwhile is not overwritten', async () => {
    await bringLine('Ownlost');
    const { lineId, lineVersion } = await line('Ownlost');
    const change = (maskMin: number) =>
      doing(null, 'colours', (writer) => writer.update('paint_line', lineId, lineVersion, { maskMin }));
    await change(100);
    await expect(change(200)).rejects.toThrow(ChangedElsewhere);
    expect((await line('Ownlost')).dries.mask).toBe(100);
  });
  test('goes out in the table and comes in again as it was', async () => {
    await bringLine('Ownagain');
    const own = (await loadShelf()).paints.filter((paint) => paint.line === 'Ownagain');
    const { rows: again } = readCatalogue(writeCatalogue(own));
    expect(again.map((row) => row.line)).toEqual(own.map(lineFieldsOf));
    expect(again.map((row) => row.paint.currency)).toEqual(['SEK', 'EUR']);
  });
});

describe('a choice', () => {
  test('is a paint or a recipe, never both and never none', () => {
    const id = '00000000-0000-4000-8000-000000000001';
    const ok = (made: object) => RECORDS.colour_choice.safeParse({ codeId: id, ...made }).success;
    expect(ok({ paintId: id, recipeId: null })).toBe(true);
    expect(ok({ paintId: null, recipeId: id })).toBe(true);
    expect(ok({ paintId: id, recipeId: id })).toBe(false);
    expect(ok({ paintId: null, recipeId: null })).toBe(false);
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
    ).rejects.toThrow(/cannot be read as a picture \(JPEG, PNG/);
    await expect(keepPicture(Buffer.alloc(0))).rejects.toThrow(/empty/);
    await expect(keepPicture(Buffer.alloc(16 * 1024 * 1024))).rejects.toThrow(/15 MB is the most/);
  });
  test('what a phone writes as HEIC is kept as it looks, with the day in its tags', async () => {
    // Four fields: blue and ochre, each half as bright below.
    const kept = await keepPicture(readFileSync('tests/pictures/four-fields.heic'));
    expect(kept).toMatchObject({ width: 96, height: 64, takenOn: '1951-05-10' });
    const { data, info } = await sharp((await readPicture(kept.id, 'full'))!.bytes)
      .raw()
      .toBuffer({ resolveWithObject: true });
    const at = (x: number, y: number) => [...data.subarray((y * info.width + x) * 3, (y * info.width + x) * 3 + 3)];
    for (const [x, y, colour] of [
      [12, 12, [60, 110, 160]],
      [84, 12, [200, 150, 40]],
      [12, 52, [30, 55, 80]],
      [84, 52, [100, 75, 20]],
    ] as const)
      colour.forEach((value, i) => expect(Math.abs(at(x, y)[i]! - value)).toBeLessThanOrEqual(6));
  });
  test('a HEIC that is cut off, and a PDF, are refused with words', async () => {
    const cut = readFileSync('tests/pictures/four-fields.heic').subarray(0, 700);
    await expect(keepPicture(cut)).rejects.toThrow(PictureFault);
    await expect(keepPicture(Buffer.from('%PDF-1.7\n'))).rejects.toThrow(/choose one of its pages/);
  });
  test('51 megapixels are too many', async () => {
    const huge = await plain(8500, 6100).png({ compressionLevel: 9 }).toBuffer();
    await expect(keepPicture(huge)).rejects.toThrow(/more than 50 megapixels, which is the most/);
  }, 30_000);
  test('an unknown name is nothing', async () => {
    expect(await readPicture('../../etc/passwd', 'full')).toBeNull();
    expect(await readPicture('0'.repeat(64), 'full')).toBeNull();
  });
});

describe('evidence in and out', () => {
  const zoneNames = [
    { key: 'fin-port', title: 'Fin, port' },
    { key: 'cowling-port', title: 'Cowling, port' },
  ];
  const take = async (briefId: string, csv: string) => {
    const read = readEvidenceCsv(csv, zoneNames);
    if (!('table' in read)) throw new Error('no table');
    return (await addTable(briefId, read))!;
  };

  test('tables add their good rows, name the others, and one undo takes all of it back', async () => {
    const briefId = await make();
    expect(
      await take(briefId, 'title,kind,derived_from\nPhoto,photograph,\nCaption,caption,Photo\nBad,rumour,'),
    ).toMatchObject({
      added: 2,
      faults: [{ row: 4 }],
    });
    const said =
      'zone,aspect,source,value\nfin-port,colour,Photo,27\nFin port,colour,Photo,27\nfin-port,colour,Nobody,27';
    expect(await take(briefId, said)).toMatchObject({ added: 1, faults: [{ row: 3 }, { row: 4 }] });
    expect(await take(briefId, said.split('\n').slice(0, 2).join('\n'))).toMatchObject({
      added: 0,
      faults: [{ row: 2 }],
    });
    const ruled = 'zone,aspect,ruling,reason\nfin-port,colour,27,seen\nfin-port,colour,31,again';
    expect(await take(briefId, ruled)).toMatchObject({ added: 1, faults: [{ row: 3 }] });
    const state = (await loadBrief(briefId))!;
    expect(state.sources.map((s) => s.title).sort()).toEqual(['Caption', 'Photo']);
    expect(state).toMatchObject({
      questions: [{ zone: 'fin-port' }],
      sightings: [{ value: '27' }],
      rulings: [{ value: '27' }],
    });
    await undoLast(briefId);
    expect((await loadBrief(briefId))!.rulings).toEqual([]);
    await undoLast(briefId);
    await undoLast(briefId);
    await undoLast(briefId);
    expect(await loadBrief(briefId)).toMatchObject({ sources: [], questions: [], sightings: [] });
  });

  test('a dossier taken into another brief brings all of it; taken in twice, nothing more; rulings that stand are kept', async () => {
    const from = await bring(briefFileSchema.parse(dunlin('2026-11-10').file));
    const { dossier } = (await exportDossier(from))!;
    const read = dossierSchema.parse(JSON.parse(JSON.stringify(dossier)));
    const into = await make();
    const first = (await mergeDossier(into, read))!;
    expect(first.added).toMatchObject({ sources: dossier.sources.length, rulings: dossier.rulings.length });
    const again = (await exportDossier(into))!.dossier;
    // The same but for the brief it stands in.
    expect({ ...again, identity: '', target: null }).toEqual({ ...dossier, identity: '', target: null });
    const second = (await mergeDossier(into, read))!;
    expect(Object.values(second.added).every((count) => count === 0)).toBe(true);
    await undoLast(into);
    expect((await loadBrief(into))!.sources).toEqual([]);
  });

  test('a dossier with a photograph from after the loss of this airframe is refused whole', async () => {
    const into = await make({ lostOn: '1940-01-01' });
    const { file } = dunlin('2026-11-10');
    const dossier = dossierSchema.parse({
      format: 'build-brief-dossier/1',
      identity: 'x',
      target: { from: null, to: null },
      sources: file.sources,
      questions: file.questions,
      sightings: file.sightings,
      rulings: file.rulings,
      events: file.events,
      mirrors: file.mirrors,
      pictures: {},
    });
    const { faults } = (await mergeDossier(into, dossier))!;
    expect(faults[0]!.says).toMatch(/lost on 1940-01-01/);
    expect((await loadBrief(into))!.sources).toEqual([]);
  });

  test('an event that a source is dated by cannot be taken away before the source lets go of it', async () => {
    const briefId = await make();
    const event = await doing(briefId, 'evidence', async (writer) => {
      const made = await writer.insert('paint_event', {
        zone: 'fin-port',
        kind: 'repaint',
        onDay: '1951-05-01',
        value: '',
        showsUnder: false,
        note: '',
      });
      await writer.insert('source', { ...source('s'), beforeEventId: made.id });
      return made;
    });
    await expect(
      doing(briefId, 'evidence', (writer) => writer.remove('paint_event', event.id, 1)),
    ).rejects.toMatchObject({ code: '23503' });
    expect((await loadBrief(briefId))!.events).toHaveLength(1);
  });

  test('a brief file of the first version is read: repaints become events, the rest gets its blanks', () => {
    const { file } = dunlin('2026-11-10');
    const { events, mirrors: _, ...rest } = file;
    const old = {
      ...rest,
      format: 'build-brief/1',
      brief: { ...file.brief, weights: undefined },
      airframe: { ...file.airframe, lostOn: undefined },
      sources: file.sources.map(
        ({
          page: _p,
          place: _l,
          film: _f,
          zones: _z,
          afterEventId: _a,
          beforeEventId: _b,
          calibration: _c,
          ...source
        }) => source,
      ),
      questions: file.questions.map(({ item: _i, ...question }) => question),
      sightings: file.sightings.map(({ marks: _m, ...sighting }) => sighting),
      repaints: events.filter((e) => e.kind === 'repaint').map(({ zone, onDay, note }) => ({ zone, onDay, note })),
    };
    const read = briefFileSchema.parse(JSON.parse(JSON.stringify(old)));
    expect(read.events[0]).toMatchObject({
      ref: 'e1',
      kind: 'repaint',
      zone: 'fin-port',
      value: '',
      showsUnder: false,
    });
    expect(read.sources[0]).toMatchObject({ film: 'unknown', zones: [], calibration: null });
    expect(read.airframe.lostOn).toBeNull();
    expect(read.brief.weights).toEqual({ kind: {}, clarity: {} });
  });
});

describe('what a camera wrote into a picture', () => {
  const taken = (exif: object | null) => {
    const image = sharp({ create: { width: 20, height: 20, channels: 3, background: '#345' } }).jpeg();
    return (exif ? image.withExif(exif as Parameters<typeof image.withExif>[0]) : image).toBuffer();
  };
  test('the day is read from its tags and offered; the kept picture has none', async () => {
    const kept = await keepPicture(await taken({ IFD2: { DateTimeOriginal: '2019:08:17 14:30:00' } }));
    expect(kept.takenOn).toBe('2019-08-17');
    const { bytes } = (await readPicture(kept.id, 'full'))!;
    expect((await sharp(bytes).metadata()).exif).toBeUndefined();
  });
  test('the focal length is that of the kept picture, in px: by the diagonal of a small frame', async () => {
    const { focalPx } = await keepPicture(await taken({ IFD2: { FocalLengthIn35mmFilm: '50' } }));
    // 50 mm on a diagonal of 43.27 mm; the picture is 20 px square.
    expect(focalPx).toBeCloseTo((50 / 43.2666) * 28.2843, 2);
    expect((await keepPicture(await taken(null))).focalPx).toBeNull();
    expect((await keepPicture(await taken({ IFD2: { FocalLengthIn35mmFilm: '0' } }))).focalPx).toBeNull();
  });
  test('is not there when the file says nothing, or nonsense', async () => {
    expect((await keepPicture(await taken(null))).takenOn).toBeNull();
    expect((await keepPicture(await taken({ IFD2: { DateTimeOriginal: 'yesterday' } }))).takenOn).toBeNull();
  });
});

describe('history from before a column was added', () => {
  test('can still be taken back', async () => {
    const briefId = await make();
    const kept = await doing(briefId, 'evidence', (writer) => writer.insert('source', source('old')));
    // As an earlier version wrote it: without the columns of today.
    const columns = ['place', 'page', 'film', 'zones', 'after_event_id', 'before_event_id', 'calibration'];
    await pool().query('update change set after = after - $2::text[] where row_id = $1', [kept.id, columns]);
    const sql = readFileSync('db/migrations/005_evidence.sql', 'utf8');
    await pool().query(sql.slice(sql.indexOf('update change set\n')));
    await undoLast(briefId);
    expect((await loadBrief(briefId))!.sources).toEqual([]);
  });
});
