import { createWriteStream } from 'node:fs';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { Readable, Transform } from 'node:stream';
import { pipeline } from 'node:stream/promises';

/** What a request carries, counted while it is read: what its headers promise is not believed. */

/** More came than is taken. */
export class TooMuch extends Error {
  constructor(readonly most: number) {
    super(`the file has more than ${megabytes(most)}`);
  }
}

export const MB = 1024 * 1024;
export const megabytes = (bytes: number): string => `${Math.round(bytes / MB)} MB`;

const chunksOf = (request: Request): Readable =>
  request.body ? Readable.fromWeb(request.body as Parameters<typeof Readable.fromWeb>[0]) : Readable.from([]);

const counted = (most: number) => {
  let read = 0;
  return new Transform({
    transform(chunk: Buffer, _, done) {
      read += chunk.length;
      if (read > most) done(new TooMuch(most));
      else done(null, chunk);
    },
  });
};

/** The whole body. Throws TooMuch as soon as there is more. */
export async function bodyOf(request: Request, most: number): Promise<Buffer> {
  const chunks: Buffer[] = [];
  await pipeline(chunksOf(request), counted(most), async (source: AsyncIterable<Buffer>) => {
    for await (const chunk of source) chunks.push(chunk);
  });
  return Buffer.concat(chunks);
}

/** Lays the body down in a file of its own for as long as `work` reads it. Throws TooMuch as soon as there is more. */
export async function withBodyAsFile<T>(
  request: Request,
  most: number,
  work: (file: string) => Promise<T>,
): Promise<T> {
  const folder = await mkdtemp(path.join(tmpdir(), 'buildbrief-in-'));
  try {
    const file = path.join(folder, 'body');
    await pipeline(chunksOf(request), counted(most), createWriteStream(file, { mode: 0o600 }));
    return await work(file);
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}

/** Text that came as bytes, which must be UTF-8; null when it is not. */
export function textOf(bytes: Uint8Array): string | null {
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    return null;
  }
}
