import { readdirSync, readFileSync } from 'node:fs';
import { gunzipSync } from 'node:zlib';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { briefFileSchema } from '@/core/interchange/brief-file';
import { ownDatabase } from '@tests/support/own-database';
import { copyOf, exportBrief, importBrief } from './brief-files';
import { closePool } from './database';

/** Files that earlier states of this house wrote of their demo's main brief, one of every version: all of them come in, and go round. */

const FOLDER = 'tests/houses';
const FILES = readdirSync(FOLDER).filter((name) => name.endsWith('.json.gz'));
const rawOf = (name: string) =>
  JSON.parse(gunzipSync(readFileSync(`${FOLDER}/${name}`)).toString('utf8')) as { format: string } & Record<
    string,
    unknown[]
  >;

beforeAll(() => ownDatabase('old_files_test'));
afterAll(closePool);

test('there is one of every version', () => {
  const versions = FILES.map((name) => Number(rawOf(name).format.split('/')[1]));
  const present = Number((briefFileSchema.parse(rawOf(FILES.at(-1)!)) as { format: string }).format.split('/')[1]);
  expect([...new Set(versions)].sort((a, b) => a - b)).toEqual(Array.from({ length: present }, (_, i) => i + 1));
});

describe('a file of an earlier state', () => {
  test.each(FILES)('%s is taken in whole, goes out, and comes in again the same', async (name) => {
    const raw = rawOf(name);
    const file = briefFileSchema.parse(raw);
    for (const list of ['sources', 'questions', 'sightings', 'rulings', 'markings', 'log', 'choices'] as const)
      expect([list, file[list].length]).toEqual([list, raw[list]!.length]);
    const { value: id } = await importBrief(file);
    const first = (await exportBrief(id))!.file;
    // As it goes out it comes in again, beside the first.
    const again = (await exportBrief((await copyOf(id))!.value))!.file;
    for (const list of ['questions', 'rulings', 'log', 'markings', 'sources'] as const)
      expect([list, again[list].length]).toEqual([list, file[list].length]);
    expect(first.repaired).toEqual([]);
    expect({ ...again.brief, title: '' }).toEqual(first.brief);
    expect(again.airframe).toEqual(first.airframe);
  });
});
