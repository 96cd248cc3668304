import { open, readFile, stat } from 'node:fs/promises';
import type { Stamp } from '@/core/kept/act';
import { briefFileSchema } from '@/core/interchange/brief-file';
import { printPath } from '@/core/interchange/contracts/contract';
import { capped } from '@/core/units/words';
import { actOf } from '@/app/files/act';
import { MB, megabytes, textOf, TooMuch, withBodyAsFile } from '@/app/files/body';
import { openBriefZip, ZipFault, type OpenZip } from '@/app/files/brief-zip';
import { CannotBeDone } from '@/data/acts';
import { importBrief } from '@/data/brief-files';
import { PictureFault } from '@/data/pictures';

const MOST_BYTES = 2048 * MB;
const MOST_JSON = 100 * MB;
const MOST_FAULTS = 12;
const refused = (faults: string[], status = 422) => Response.json({ faults }, { status });

/** Makes a new brief of the file in the body, a zip or JSON: all of it or nothing. */
export async function POST(request: Request): Promise<Response> {
  const { named, stamp } = actOf(request);
  if (named && !stamp) return refused(['the act has no proper name'], 400);
  try {
    return await withBodyAsFile(request, MOST_BYTES, (file) => take(file, stamp));
  } catch (error) {
    if (error instanceof TooMuch) return refused([error.message], 413);
    if (error instanceof CannotBeDone) return refused([error.message], 409);
    if (error instanceof PictureFault || error instanceof ZipFault) return refused([error.message]);
    throw error;
  }
}

async function take(path: string, stamp?: Stamp): Promise<Response> {
  const zip = (await beginsLikeZip(path)) ? await openBriefZip(path) : null;
  try {
    if (!zip && (await stat(path)).size > MOST_JSON)
      return refused(
        [`the file has more than ${megabytes(MOST_JSON)}: a brief with many pictures travels as a zip`],
        413,
      );
    const raw = zip ? zip.brief : jsonOf(await readFile(path));
    return raw === undefined ? refused(['the file is not JSON'], 400) : await importChecked(raw, zip, stamp);
  } finally {
    zip?.close();
  }
}

async function importChecked(raw: unknown, zip: OpenZip | null, stamp?: Stamp): Promise<Response> {
  const parsed = briefFileSchema.safeParse(raw);
  if (!parsed.success) {
    const faults = parsed.error.issues.map((issue) => `${printPath(issue.path)}: ${issue.message}`);
    return refused(capped(faults, MOST_FAULTS, (left) => `and ${left} more`));
  }
  const { value } = await importBrief(parsed.data, {
    ...(zip ? { pictures: zip.pictures } : {}),
    ...(stamp ? { stamp } : {}),
  });
  return Response.json({ id: value });
}

async function beginsLikeZip(path: string): Promise<boolean> {
  const file = await open(path);
  const { buffer, bytesRead } = await file.read(Buffer.alloc(4), 0, 4, 0);
  await file.close();
  return bytesRead === 4 && buffer.readUInt32LE(0) === 0x04034b50;
}

function jsonOf(bytes: Buffer): unknown {
  try {
    return JSON.parse(textOf(bytes) ?? '');
  } catch {
    return undefined;
  }
}
