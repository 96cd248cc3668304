import { Readable } from 'node:stream';
import { openPromise, type Entry, type ZipFile as ReadZip } from 'yauzl';
import { ZipFile } from 'yazl';
import type { BriefFile } from '@/core/interchange/brief-file';
import type { FilePictures } from '@/data/dossier';
import { MOST_PICTURE_BYTES, readPicture } from '@/data/pictures';
import { MB, megabytes } from './body';

/** A brief with its pictures as one zip: `brief.json`, and `pictures/NAME` for each, see docs/formats/brief.md. */

/** What is wrong with a zip. */
export class ZipFault extends Error {}

const BRIEF = 'brief.json';
const PICTURES = 'pictures/';
const MOST_JSON = 48 * MB;
const MOST_ENTRIES = 5000;

/** Written as it is read by the other side: one picture at a time. */
export function writeBriefZip(file: BriefFile, pictureIds: readonly string[]): ReadableStream<Uint8Array> {
  const zip = new ZipFile();
  zip.addBuffer(Buffer.from(`${JSON.stringify(file, null, 1)}\n`), BRIEF, { mtime: new Date(0) });
  for (const id of pictureIds)
    zip.addReadStreamLazy(`${PICTURES}${id}`, { compress: false, mtime: new Date(0) }, (done) => {
      readPicture(id, 'full').then(
        (picture) =>
          picture
            ? done(null, Readable.from([picture.bytes]))
            : done(new Error(`picture ${id} is gone`), Readable.from([])),
        (error: Error) => done(error, Readable.from([])),
      );
    });
  zip.end();
  return Readable.toWeb(Readable.from(zip.outputStream as AsyncIterable<Buffer>)) as ReadableStream<Uint8Array>;
}

export interface OpenZip {
  /** What `brief.json` holds, unchecked, knowing its pictures by name. */
  brief: unknown;
  pictures: FilePictures;
  close: () => void;
}

/** Opens a zip on disk. Throws ZipFault. */
export async function openBriefZip(path: string): Promise<OpenZip> {
  const zip = await openPromise(path, { lazyEntries: true, autoClose: false }).catch((error: Error) => {
    throw new ZipFault(`the zip cannot be read: ${error.message}`);
  });
  try {
    const entries = await entriesOf(zip);
    const brief = entries.get(BRIEF);
    if (!brief) throw new ZipFault(`there is no ${BRIEF} in the zip`);
    let raw: unknown;
    try {
      raw = JSON.parse((await contentOf(zip, brief, MOST_JSON)).toString('utf8'));
    } catch (error) {
      if (error instanceof ZipFault) throw error;
      throw new ZipFault(`${BRIEF} is not JSON`);
    }
    const names = [...entries.keys()]
      .filter((name) => name.startsWith(PICTURES))
      .map((name) => name.slice(PICTURES.length));
    const held =
      typeof raw === 'object' && raw !== null
        ? { ...raw, pictures: Object.fromEntries(names.map((name) => [name, ''])) }
        : raw;
    return {
      brief: held,
      pictures: { names, read: (name) => contentOf(zip, entries.get(`${PICTURES}${name}`)!, MOST_PICTURE_BYTES) },
      close: () => zip.close(),
    };
  } catch (error) {
    zip.close();
    throw error;
  }
}

async function entriesOf(zip: ReadZip): Promise<Map<string, Entry>> {
  if (zip.entryCount > MOST_ENTRIES) throw new ZipFault(`the zip holds more than ${MOST_ENTRIES} files`);
  const entries = new Map<string, Entry>();
  try {
    for await (const entry of zip.eachEntry()) {
      const name = entry.fileName;
      if (name.endsWith('/')) continue;
      if (name !== BRIEF && !/^pictures\/[\w.-]{1,64}$/.test(name))
        throw new ZipFault(`the zip holds "${name.slice(0, 80)}", which is no part of a brief`);
      entries.set(name, entry);
    }
  } catch (error) {
    if (error instanceof ZipFault) throw error;
    throw new ZipFault(`the zip cannot be read: ${(error as Error).message}`);
  }
  return entries;
}

/** Counted as it is unpacked: what the zip says of its sizes is not believed. */
async function contentOf(zip: ReadZip, entry: Entry, most: number): Promise<Buffer> {
  const chunks: Buffer[] = [];
  let read = 0;
  try {
    for await (const chunk of await zip.openReadStreamPromise(entry)) {
      read += (chunk as Buffer).length;
      if (read > most) throw new ZipFault(`${entry.fileName} has more than ${megabytes(most)}`);
      chunks.push(chunk as Buffer);
    }
  } catch (error) {
    if (error instanceof ZipFault) throw error;
    throw new ZipFault(`${entry.fileName} cannot be unpacked: ${(error as Error).message}`);
  }
  return Buffer.concat(chunks);
}
