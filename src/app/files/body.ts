import { Busboy } from '@fastify/busboy';
import { createWriteStream } from 'node:fs';
import { mkdtemp, rm, stat } from 'node:fs/promises';
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

/** What a form adds around its file. */
const AROUND = 16 * 1024;

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
  const { file, letGo } = await laidDown();
  try {
    await pipeline(chunksOf(request), counted(most), createWriteStream(file, { mode: 0o600 }));
    return await work(file);
  } finally {
    await letGo();
  }
}

/** Room for a file of one's own on disk, until it is let go. */
async function laidDown(): Promise<Pick<FormFile, 'file' | 'letGo'>> {
  const folder = await mkdtemp(path.join(tmpdir(), 'buildbrief-in-'));
  return { file: path.join(folder, 'body'), letGo: () => rm(folder, { recursive: true, force: true }) };
}

/** A file that came in a form, and lies on disk until it is let go. */
export interface FormFile {
  file: string;
  size: number;
  letGo: () => Promise<void>;
}

/** Lays the file of a form's field down on disk. Null where none came, or what came is no form. Throws TooMuch as soon as there is more. */
export async function fileOfForm(request: Request, field: string, most: number): Promise<FormFile | null> {
  const type = request.headers.get('content-type') ?? '';
  if (!type.startsWith('multipart/form-data')) return null;
  const { file, letGo } = await laidDown();
  try {
    const form = new Busboy({ headers: { 'content-type': type }, limits: { files: 1, fields: 4, fieldSize: AROUND } });
    let written: Promise<void> | null = null;
    form.on('file', (name, stream) => {
      if (name !== field) return stream.resume();
      written = pipeline(stream, counted(most), createWriteStream(file, { mode: 0o600 }));
      // What goes wrong with the file ends the form as well.
      written.catch((error: Error) => form.destroy(error));
      return undefined;
    });
    await pipeline(chunksOf(request), counted(most + AROUND), form);
    await written;
    if (written) return { file, size: (await stat(file)).size, letGo };
  } catch (error) {
    await letGo();
    if (error instanceof TooMuch) throw error;
    return null;
  }
  await letGo();
  return null;
}

/** Text that came as bytes, which must be UTF-8; null when it is not. */
export function textOf(bytes: Uint8Array): string | null {
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    return null;
  }
}
