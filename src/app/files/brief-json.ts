import { Readable } from 'node:stream';
import type { BriefFile } from '@/core/interchange/brief-file';
import { readPicture } from '@/data/pictures';

/** A brief as one JSON text, written as it is read by the other side: the pictures, in base64, stand last, one at a time. */
export function writeBriefJson(
  { pictures: _, ...file }: BriefFile,
  pictureIds: readonly string[],
): ReadableStream<Uint8Array> {
  async function* parts() {
    const text = JSON.stringify(file, null, 1);
    yield Buffer.from(`${text.slice(0, text.lastIndexOf('\n}'))},\n "pictures": {`);
    let before = '';
    for (const id of pictureIds) {
      const picture = await readPicture(id, 'full');
      if (!picture) continue;
      yield Buffer.from(`${before}\n  "${id}": "${picture.bytes.toString('base64')}"`);
      before = ',';
    }
    yield Buffer.from('}\n}\n');
  }
  return Readable.toWeb(Readable.from(parts())) as ReadableStream<Uint8Array>;
}
