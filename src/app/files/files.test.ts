import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import sharp from 'sharp';
import { ZipFile } from 'yazl';
import { dunlin } from '@demo/dunlin';
import { ownDatabase } from '@tests/support/own-database';
import { briefFileSchema, type BriefFile } from '@/core/interchange/brief-file';
import { exportBrief, importBrief } from '@/data/brief-files';
import { closePool, pool, rows } from '@/data/database';
import { picturesInJson } from '@/data/dossier';
import { bodyOf, MB, textOf, TooMuch, withBodyAsFile } from './body';
import { writeBriefJson } from './brief-json';
import { openBriefZip, writeBriefZip, ZipFault } from './brief-zip';

/** Bytes in and out: counted as they are read, whatever their headers promise. */

const streamed = (chunks: number, size: number, headers: Record<string, string> = {}) => {
  let sent = 0;
  const body = new ReadableStream<Uint8Array>({
    pull(controller) {
      if (sent === chunks) controller.close();
      else controller.enqueue(new Uint8Array(size));
      sent += 1;
    },
  });
  return {
    request: new Request('http://127.0.0.1/', { method: 'POST', body, headers, duplex: 'half' } as RequestInit),
    sent: () => sent,
  };
};

describe('a body', () => {
  test('is refused as soon as there is too much of it, with the figure, though its header said it was small', async () => {
    const { request, sent } = streamed(1000, MB, { 'content-length': '10' });
    await expect(bodyOf(request, 3 * MB)).rejects.toThrow('the file has more than 3 MB');
    expect(sent()).toBeLessThan(20);
    await expect(withBodyAsFile(streamed(1000, MB).request, 3 * MB, async () => null)).rejects.toThrow(TooMuch);
  });
  test('comes whole when it is no larger', async () => {
    expect(await bodyOf(streamed(3, MB).request, 3 * MB)).toHaveLength(3 * MB);
    expect(await bodyOf(new Request('http://127.0.0.1/', { method: 'POST' }), 1)).toHaveLength(0);
  });
  test('that is no UTF-8 is not taken for text', () => {
    expect(textOf(Buffer.from('Größe'))).toBe('Größe');
    expect(textOf(Buffer.from([0x47, 0x72, 0xf6, 0xdf, 0x65]))).toBeNull();
  });
});

describe('a brief with its pictures', () => {
  const onDisk = path.join(tmpdir(), `buildbrief-zip-test-${process.pid}.zip`);
  let id = '';

  beforeAll(async () => {
    await ownDatabase('files_test');
    const colours = ['#456', '#a43', '#585'];
    const pictures = await Promise.all(
      colours.map(async (background) =>
        (
          await sharp({ create: { width: 300, height: 200, channels: 3, background } })
            .jpeg()
            .toBuffer()
        ).toString('base64'),
      ),
    );
    const { file } = dunlin('2026-11-10');
    const sources = file.sources.map((source, i) => ({ ...source, pictureId: i < 2 ? `p${i}` : null }));
    const markings = file.markings.map((own, i) => ({
      ...own,
      design: { ...own.design, pictureId: i === 0 ? 'p2' : null },
    }));
    const whole = briefFileSchema.parse({
      ...file,
      sources,
      markings,
      pictures: Object.fromEntries(pictures.map((bytes, i) => [`p${i}`, bytes])),
    });
    id = (await importBrief(whole)).value;
  });
  afterAll(closePool);

  const zipTo = async (briefId: string) => {
    const found = (await exportBrief(briefId))!;
    const zip = Buffer.from(await new Response(writeBriefZip(found.file, found.pictureIds)).arrayBuffer());
    await writeFile(onDisk, zip);
    return found;
  };
  const importZip = async () => {
    const zip = await openBriefZip(onDisk);
    try {
      return (await importBrief(briefFileSchema.parse(zip.brief), { pictures: zip.pictures })).value;
    } finally {
      zip.close();
    }
  };
  const plain = ({ pictures: _, ...file }: BriefFile) => file;

  test('goes out as a zip and comes in as the same brief', async () => {
    const { file, pictureIds } = await zipTo(id);
    expect(pictureIds).toHaveLength(3);
    const again = (await exportBrief(await importZip()))!;
    expect(again.pictureIds).toEqual(pictureIds);
    expect(plain(again.file)).toEqual(plain(file));
  });
  test('goes out as JSON and comes in as the same brief', async () => {
    const found = (await exportBrief(id))!;
    const json = JSON.parse(await new Response(writeBriefJson(found.file, found.pictureIds)).text()) as {
      pictures: Record<string, string>;
    };
    expect(Object.keys(json.pictures)).toEqual(found.pictureIds);
    const file = briefFileSchema.parse(json);
    const again = (await importBrief(file, { pictures: picturesInJson(file.pictures) })).value;
    expect(plain((await exportBrief(again))!.file)).toEqual(plain(found.file));
  });

  const zipOf = async (entries: Record<string, string | Buffer>) => {
    const zip = new ZipFile();
    for (const [name, content] of Object.entries(entries)) zip.addBuffer(Buffer.from(content), name);
    zip.end();
    const chunks: Buffer[] = [];
    for await (const chunk of zip.outputStream) chunks.push(chunk as Buffer);
    await writeFile(onDisk, Buffer.concat(chunks));
  };
  test.each<[string, Record<string, string>, string | RegExp]>([
    ['no brief', { 'pictures/a.jpg': 'x' }, 'there is no brief.json in the zip'],
    ['something else', { 'brief.json': '{}', 'run.sh': 'x' }, 'the zip holds "run.sh", which is no part of a brief'],
    ['a brief that is no JSON', { 'brief.json': '{' }, 'brief.json is not JSON'],
  ])('a zip with %s is refused with what is wrong', async (_, entries, says) => {
    await zipOf(entries);
    await expect(openBriefZip(onDisk)).rejects.toThrow(says);
  });
  test('a zip that unpacks to more than it may is stopped while it does', async () => {
    await zipOf({ 'brief.json': '{}', 'pictures/a': Buffer.alloc(20 * MB) as never });
    const zip = await openBriefZip(onDisk);
    await expect(zip.pictures.read('a')).rejects.toThrow('pictures/a has more than 15 MB');
    zip.close();
  });
  test('what is no zip at all', async () => {
    await writeFile(onDisk, 'PK\x03\x04 nonsense');
    await expect(openBriefZip(onDisk)).rejects.toThrow(ZipFault);
  });
});

describe('a file that is refused', () => {
  beforeAll(() => ownDatabase('refused_test'));
  afterAll(closePool);
  const { file } = dunlin('2026-11-10');
  const line = { name: 'Newline', chemistry: 'WA', paints: [] };
  const everything = async () => {
    const tables = ['brief', 'paint_line', 'colour_code', 'picture', 'act', 'change'];
    const counts = await Promise.all(
      tables.map((table) => rows<{ n: number }>(pool(), `select count(*)::int as n from ${table}`)),
    );
    return counts.map(([count]) => count!.n);
  };
  const mirror = { zone: 'fin', aspect: 'colour', item: '', reason: 'seen' };
  test.each<[string, object, RegExp]>([
    [
      'a NUL in a note',
      { brief: { ...file.brief, notes: 'a\0b' } },
      /^brief.notes: Notes: it holds signs that are no text/,
    ],
    ['half a sign', { brief: { ...file.brief, notes: 'a\ud800b' } }, /^brief.notes/],
    [
      'a day in year 0',
      { airframe: { ...file.airframe, targetFrom: '0000-01-01' } },
      /^airframe.targetFrom: .*from 1850 to 2199/,
    ],
    [
      'a build begun in 1951',
      { brief: { ...file.brief, startOn: '1951-05-01' } },
      /^brief.startOn: Begins: a day from 2000/,
    ],
    ['doubled mirrors', { mirrors: [mirror, mirror] }, /^mirrors.1: it is said twice/],
    ['doubled lines', { lines: [line, line] }, /^lines.1: this line is there twice/],
    ['doubled choices', { choices: [1, 2].map(() => ({ code: 'TCS 31', line: 'Hask', number: '1' })) }, /^choices.1/],
    [
      'a step that ends before it begins',
      {
        log: [
          {
            stepKey: 'x',
            title: 'x',
            lane: '',
            plannedMinutes: null,
            actualMinutes: 5,
            note: '',
            paint: '',
            startedAt: '2026-11-20T20:00:00Z',
            endedAt: '2026-11-20T19:00:00Z',
          },
        ],
      },
      /^log.0.endedAt: Ended: it ends before it starts/,
    ],
  ])('%s: says where, and nothing was kept', async (_, over, fault) => {
    const before = await everything();
    const parsed = briefFileSchema.safeParse({ ...file, lines: [line], ...over });
    const says = parsed.error?.issues.map((issue) => `${issue.path.join('.')}: ${issue.message}`) ?? [];
    expect(says.some((one) => fault.test(one))).toBe(true);
    expect(await everything()).toEqual(before);
  });
  test('a picture that cannot be read takes the whole file back, its paints and codes too', async () => {
    const before = await everything();
    const bad = briefFileSchema.parse({
      ...file,
      lines: [line],
      sources: file.sources.map((source, i) => ({ ...source, pictureId: i === 0 ? 'p' : null })),
      pictures: { p: Buffer.from('no picture').toString('base64') },
    });
    await expect(importBrief(bad)).rejects.toThrow(/cannot be read as a picture/);
    expect(await everything()).toEqual(before);
  });
});
